/** The course picture: outcomes as lanes, modules as columns, activities as stones. Its layout is the core's. */

import PrintIcon from '@mui/icons-material/PrintOutlined'
import { formatWhole } from '../../core/numbers'
import { IconButton } from '../parts/button'
import './map.css'
import { type ReactNode, useMemo, useRef, useState } from 'react'
import type { Blueprint } from '../../core/blueprint/blueprint'
import { courseOf } from '../../core/blueprint/blueprint'
import { PURPOSES } from '../../core/blueprint/kinds/activity'
import { gradeTable } from '../../core/grading/grade-table'
import { gradedParts } from '../../core/grading/graded-parts'
import { weeklyTarget } from '../../core/hours/by-week'
import { countOf, formatHundredths } from '../../core/numbers'
import { layOutPicture, type Picture, type Stone } from '../../core/picture/layout'
import { type CourseIndex, indexCourse } from '../../core/plan/plan-index'
import { ChartActions } from '../parts/chart/chart'
import { Mark, useMarks } from '../parts/chart/marks'
import { useWidth } from '../parts/chart/use-width'
import { SelectInput } from '../parts/input'
import { PurposeShape, StoneShape } from '../parts/marks'
import { useCourse } from '../store/course-store'
import { useChoice, useGo } from '../store/navigation'
import { CoverageTable } from './coverage-table'
import { type Chain, Ground } from './picture-ground'

/** The least width at which titles still read (Cairn default). */
const LEAST_WIDTH = 860

export function CoursePicture({ views }: { views: ReactNode }) {
  const view = useCourse((s) => s.view)
  const [size, setSize] = useChoice('size', ['minutes', 'grade'])
  const [form, setForm] = useChoice('form', ['drawn', 'table'])
  const { box, width } = useWidth()
  const svg = useRef<SVGSVGElement>(null)
  const picture = useMemo(() => layOutPicture(view, size, Math.max(LEAST_WIDTH, width - 32)), [view, size, width])
  const index = indexCourse(view)
  const name = `${courseOf(view).code ?? courseOf(view).title} picture`
  const empty = index.lanes.length === 0 || index.modules.length === 0
  return (
    <div className="work picture-view">
      <div className="bar">
        <h1 className="visually-hidden">Course picture</h1>
        {views}
        <SelectInput
          label="Size of the stones"
          hideLabel
          value={size}
          options={[
            { value: 'minutes', label: 'Size: minutes' },
            { value: 'grade', label: 'Size: share of the grade' },
          ]}
          onChoose={(v) => v && setSize(v)}
        />
        <span className="grow" />
        {!empty && (
          <>
            <ChartActions
              asTable={form === 'table'}
              onTable={(asTable) => setForm(asTable ? 'table' : 'drawn')}
              svg={svg}
              name={name}
              heading="the picture"
            />
            <IconButton name="Print" className="no-print" onClick={() => window.print()}>
              <PrintIcon />
            </IconButton>
          </>
        )}
      </div>
      <div className="scroll-area" ref={box}>
        {empty ? (
          <p className="empty">
            The picture needs outcomes for its lanes and modules for its columns. Write the first outcome, name the first module, and link
            activities to objectives: each becomes a stone.
          </p>
        ) : form === 'table' ? (
          <CoverageTable />
        ) : (
          width > 0 && <Drawing picture={picture} blueprint={view} svg={svg} />
        )}
      </div>
    </div>
  )
}

/** Through which criteria of its rubric an activity reaches the outcome of its lane. */
function criteriaText(index: CourseIndex, { activityId, laneId }: Stone): string | null {
  const titles = [
    ...new Set(gradedParts(index, activityId).flatMap((p) => (p.laneId === laneId && p.criterionId !== null ? [p.criterionId] : []))),
  ].flatMap((id) => index.criterion(id)?.title ?? [])
  return titles.length === 0 ? null : `through ${titles.join('; ')}`
}

function Drawing({ picture, blueprint, svg }: { picture: Picture; blueprint: Blueprint; svg: React.RefObject<SVGSVGElement | null> }) {
  const { open } = useGo()
  const [lit, setLit] = useState<string | null>(null)
  const marks = useMarks(svg)
  const index = indexCourse(blueprint)
  const grades = gradeTable(blueprint)
  const chain = useMemo(() => (lit ? chainOf(picture, lit) : null), [picture, lit])
  const nameOf = (s: Stone): string => {
    const activity = index.activity(s.activityId)
    const share = grades.effectiveOf(s.activityId)
    return [
      `${s.number} ${activity?.title ?? ''}`,
      s.purpose ?? 'no purpose yet',
      activity?.minutes != null ? `${formatWhole(activity.minutes)} min` : null,
      share > 0 ? `${formatHundredths(share)} % of the grade` : null,
      `${s.assesses ? 'assesses' : 'serves'} ${index.numberOf(s.laneId)}`,
      criteriaText(index, s),
    ]
      .filter(Boolean)
      .join(', ')
  }
  const shown = picture.stones.find((s) => s.activityId === lit)
  return (
    <>
      <svg
        ref={svg}
        className="picture"
        width={picture.width}
        height={picture.height}
        viewBox={`0 0 ${picture.width} ${picture.height}`}
        role="group"
        aria-label="Course picture: outcomes by modules. Arrow keys go from stone to stone, Enter opens one."
        {...marks.props}
      >
        <Ground picture={picture} chain={chain} target={targetOf(blueprint)} />
        {picture.ties.map((t) => (
          <line
            key={`${t.activityId} ${t.y1}`}
            x1={t.x1}
            y1={t.y1}
            x2={t.x2}
            y2={t.y2}
            stroke="var(--edge)"
            strokeWidth={lit === t.activityId ? 1.6 : 0.8}
            opacity={chain && lit !== t.activityId ? 0.15 : lit === t.activityId ? 1 : 0.45}
          />
        ))}
        {picture.holes.map((h) => (
          <g key={`${h.laneId} ${h.moduleId}`} opacity={chain ? 0.4 : 1}>
            <rect
              x={h.x}
              y={h.y}
              width={h.width}
              height={h.height}
              rx="6"
              fill="var(--ochre-soft)"
              stroke="var(--ochre)"
              strokeDasharray="4 3"
            />
            {h.lines.map((l, i) => (
              <text key={l} x={h.x + 8} y={h.y + 16 + i * 14} fontSize="12" fontWeight="700" fill="var(--ochre)">
                {l}
              </text>
            ))}
          </g>
        ))}
        {marks.within(
          picture.stones.map((s) => (
            <Mark
              key={s.key}
              id={s.key}
              record={`activity ${s.activityId}`}
              says={nameOf(s)}
              opacity={chain && !chain.activities.has(s.activityId) ? 0.2 : 1}
              onLit={(on) => setLit(on ? s.activityId : null)}
              onOpen={() => open({ kind: 'activity', id: s.activityId })}
            >
              <g transform={`translate(${s.x} ${s.y})`}>
                <rect
                  className="ring"
                  x={-s.rx - 4}
                  y={-s.ry - 4}
                  width={2 * s.rx + 8}
                  height={2 * s.ry + 18}
                  rx="5"
                  fill="transparent"
                  stroke="transparent"
                  strokeWidth="2"
                />
                <StoneShape purpose={s.purpose} rx={s.rx} ry={s.ry} />
                {s.assesses && s.purpose !== 'demonstrate' && (
                  <ellipse rx={s.rx + 2.4} ry={s.ry + 2.4} fill="none" stroke="var(--ink)" strokeWidth="1.2" />
                )}
              </g>
              <text x={s.x} y={s.y + s.ry + 10.5} textAnchor="middle" fontSize="10.5" fill="var(--ink)">
                {s.number}
              </text>
            </Mark>
          )),
        )}
      </svg>
      <p className="row small muted picture-key" style={{ gap: 14, flexWrap: 'wrap', padding: '4px 0 0', margin: 0 }}>
        {PURPOSES.map((p) => (
          <span key={p}>
            <PurposeShape purpose={p} /> {p}
          </span>
        ))}
        <span>outlined: assesses</span>
        <span className="grow" />
        <span>{shown ? nameOf(shown) : unplacedText(picture, index)}</span>
      </p>
    </>
  )
}

const unplacedText = (picture: Picture, index: ReturnType<typeof indexCourse>): string => {
  const inAll = `${countOf(index.lanes.length, index.lanes[0]?.kind === 'frameworkItem' ? 'element' : 'outcome')} · ${countOf(index.objectives.length, 'objective')} · ${countOf(index.activities.length, 'activity', 'activities')}`
  return picture.unplaced.length > 0 ? `${inAll}, ${picture.unplaced.length} in no lane` : inAll
}

const targetOf = (blueprint: Blueprint) => {
  const target = weeklyTarget(courseOf(blueprint))
  return target && target.min !== null ? { min: target.min, max: target.max } : null
}

/** What hangs together with an activity: its lanes, its column, and all that serves the same outcomes. */
function chainOf(picture: Picture, activityId: string): Chain {
  const own = picture.stones.filter((s) => s.activityId === activityId)
  const outcomes = new Set(own.map((s) => s.laneId))
  return {
    outcomes,
    modules: new Set(own.map((s) => s.moduleId)),
    activities: new Set(picture.stones.filter((s) => outcomes.has(s.laneId)).map((s) => s.activityId)),
  }
}
