/** The course picture: outcomes as lanes, modules as columns, activities as stones. Its layout is the core's. */
import { Button } from '../parts/button'
import './map.css'
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react'
import type { Blueprint } from '../../core/blueprint/blueprint'
import { courseOf } from '../../core/blueprint/blueprint'
import { PURPOSES } from '../../core/blueprint/kinds/activity'
import { gradeTable } from '../../core/grading/grade-table'
import { gradedParts } from '../../core/grading/graded-parts'
import { weeklyTarget } from '../../core/hours/by-week'
import { countOf, formatHundredths } from '../../core/numbers'
import { LEFT, layOutPicture, type Picture, type Stone, TOP } from '../../core/picture/layout'
import { type CourseIndex, indexCourse } from '../../core/plan/plan-index'
import { ChoiceField } from '../parts/fields'
import { PurposeShape, StoneShape } from '../parts/marks'
import { useCourse } from '../store/course-store'
import { useChoice, useGo } from '../store/navigation'
import { CoverageTable } from './coverage-table'
import { savePicture } from './save-picture'

/** The least width at which titles still read (Cairn default). */
const LEAST_WIDTH = 860

/** The width of an element, followed as it changes. */
function useWidth() {
  const box = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(0)
  useEffect(() => {
    const element = box.current
    if (!element) return
    const observer = new ResizeObserver(() => setWidth(element.clientWidth))
    observer.observe(element)
    setWidth(element.clientWidth)
    return () => observer.disconnect()
  }, [])
  return { box, width }
}

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
        <ChoiceField
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
        <span className="row no-print" style={{ gap: 6 }}>
          <Button aria-pressed={form === 'table'} onClick={() => setForm(form === 'table' ? 'drawn' : 'table')}>
            As a table
          </Button>
          {form === 'drawn' && !empty && (
            <>
              <Button onClick={() => svg.current && savePicture(svg.current, name, 'svg')}>Save SVG</Button>
              <Button onClick={() => svg.current && void savePicture(svg.current, name, 'png')}>Save PNG</Button>
              <Button onClick={() => window.print()}>Print</Button>
            </>
          )}
        </span>
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
  const [current, setCurrent] = useState<string | null>(null)
  const index = indexCourse(blueprint)
  const grades = gradeTable(blueprint)
  const first = picture.stones[0]?.key
  const active = picture.stones.some((s) => s.key === current) ? current : first
  const chain = useMemo(() => (lit ? chainOf(picture, lit) : null), [picture, lit])
  const nameOf = (s: Stone): string => {
    const activity = index.activity(s.activityId)
    const share = grades.effectiveOf(s.activityId)
    return [
      `${s.number} ${activity?.title ?? ''}`,
      s.purpose ?? 'no purpose yet',
      activity?.minutes != null ? `${activity.minutes} min` : null,
      share > 0 ? `${formatHundredths(share)} % of the grade` : null,
      `${s.assesses ? 'assesses' : 'serves'} ${index.numberOf(s.laneId)}`,
      criteriaText(index, s),
    ]
      .filter(Boolean)
      .join(', ')
  }
  const onKeyDown = (event: React.KeyboardEvent, stone: Stone) => {
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      return open({ kind: 'activity', id: stone.activityId })
    }
    const next = neighbour(picture.stones, stone, event.key)
    if (!next) return
    event.preventDefault()
    setCurrent(next.key)
    svg.current?.querySelector<SVGGElement>(`[data-stone="${CSS.escape(next.key)}"]`)?.focus()
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
        {picture.stones.map((s) => (
          <g
            key={s.key}
            data-stone={s.key}
            data-record={`activity ${s.activityId}`}
            role="button"
            tabIndex={s.key === active ? 0 : -1}
            aria-label={nameOf(s)}
            className="stone"
            opacity={chain && !chain.activities.has(s.activityId) ? 0.2 : 1}
            onMouseEnter={() => setLit(s.activityId)}
            onMouseLeave={() => setLit(null)}
            onFocus={() => {
              setCurrent(s.key)
              setLit(s.activityId)
            }}
            onBlur={() => setLit(null)}
            onClick={() => open({ kind: 'activity', id: s.activityId })}
            onKeyDown={(e) => onKeyDown(e, s)}
          >
            <g transform={`translate(${s.x} ${s.y})`}>
              <rect className="halo" x={-s.rx - 4} y={-s.ry - 4} width={2 * s.rx + 8} height={2 * s.ry + 18} rx="5" fill="none" />
              <StoneShape purpose={s.purpose} rx={s.rx} ry={s.ry} />
              {s.assesses && s.purpose !== 'demonstrate' && (
                <ellipse rx={s.rx + 2.4} ry={s.ry + 2.4} fill="none" stroke="var(--ink)" strokeWidth="1.2" />
              )}
            </g>
            <text x={s.x} y={s.y + s.ry + 10.5} textAnchor="middle" fontSize="10.5" fill="var(--ink)">
              {s.number}
            </text>
          </g>
        ))}
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
function chainOf(picture: Picture, activityId: string) {
  const own = picture.stones.filter((s) => s.activityId === activityId)
  const outcomes = new Set(own.map((s) => s.laneId))
  return {
    outcomes,
    modules: new Set(own.map((s) => s.moduleId)),
    activities: new Set(picture.stones.filter((s) => outcomes.has(s.laneId)).map((s) => s.activityId)),
  }
}

/** The nearest stone in the direction of an arrow key. */
function neighbour(stones: readonly Stone[], from: Stone, key: string): Stone | null {
  const along = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[key]
  if (!along) return null
  const [dx, dy] = along as [number, number]
  let best: Stone | null = null
  let least = Number.POSITIVE_INFINITY
  for (const s of stones) {
    const ahead = (s.x - from.x) * dx + (s.y - from.y) * dy
    const aside = Math.abs((s.x - from.x) * dy) + Math.abs((s.y - from.y) * dx)
    if (s === from || ahead < 1) continue
    const cost = ahead + 3 * aside
    if (cost < least) {
      least = cost
      best = s
    }
  }
  return best
}

const BAR = 92
const HOURS = 46

/** Columns, lanes and bands. */
function Ground({
  picture,
  chain,
  target,
}: {
  picture: Picture
  chain: ReturnType<typeof chainOf> | null
  target: { readonly min: number; readonly max: number } | null
}) {
  const { bottom, columns, lanes, width } = picture
  const most = Math.max(20_00, ...lanes.map((l) => Math.max(l.graded, l.intended ?? 0)))
  const bar = (hundredths: number) => (hundredths / most) * BAR
  const tall = (hours: number) => (hours / picture.mostHours) * HOURS
  const base = bottom + 60
  return (
    <>
      {columns.map((c, i) => (
        <g key={c.moduleId}>
          <rect
            x={c.x}
            y="0"
            width={c.width}
            height={bottom}
            fill={chain?.modules.has(c.moduleId) ? 'var(--moss-soft)' : i % 2 === 0 ? 'var(--soft)' : 'var(--paper)'}
          />
          <text x={c.x + 8} y="17" fontWeight="700" fontSize="13" fill="var(--ink)">
            {c.number}
          </text>
          <text x={c.x + c.width - 8} y="17" textAnchor="end" fontSize="12" fill="var(--muted)">
            {c.weeks}
          </text>
          {c.title.map((t, k) => (
            <text key={t} x={c.x + 8} y={34 + k * 15} fontSize="12.5" fill="var(--ink)">
              {t}
            </text>
          ))}
        </g>
      ))}
      <text x="34" y={TOP - 8} fontSize="12" fill="var(--muted)">
        share of grade · mark: intended
      </text>
      {lanes.map((l) => (
        <g key={l.laneId}>
          {chain?.outcomes.has(l.laneId) && <rect x="0" y={l.y} width={LEFT} height={l.height} fill="var(--moss-soft)" />}
          <line x1="0" x2={width} y1={l.y} y2={l.y} stroke="var(--line)" />
          <text x="0" y={l.y + 18} fontWeight="700" fontSize="13" fill="var(--ink)">
            {l.number}
          </text>
          {l.statement.map((t, k) => (
            <text key={t} x="34" y={l.y + 18 + k * 15} fontSize="12.5" fill="var(--ink)">
              {t}
            </text>
          ))}
          <rect x="34" y={l.y + 52} width={Math.max(0.5, bar(l.graded))} height="6" rx="1" fill={l.off ? 'var(--ochre)' : 'var(--ink)'} />
          {l.intended !== null && (
            <line x1={34 + bar(l.intended)} x2={34 + bar(l.intended)} y1={l.y + 48} y2={l.y + 62} stroke="var(--ink)" strokeWidth="2" />
          )}
          <text x={LEFT - 16} y={l.y + 60} textAnchor="end" fontSize="12.5" fill={l.off ? 'var(--ochre)' : 'var(--muted)'}>
            {formatHundredths(Math.round(l.graded / 10) * 10, 1)} %
          </text>
        </g>
      ))}
      <line x1="0" x2={width} y1={bottom} y2={bottom} stroke="var(--ink)" />
      <text x="0" y={bottom + 22} fontWeight="700" fontSize="13" fill="var(--ink)">
        Hours a week
      </text>
      {target && (
        <>
          <text x="0" y={bottom + 38} fontSize="12" fill="var(--muted)">
            target {target.min}–{target.max}
          </text>
          <rect
            x={LEFT}
            y={base - tall(target.max)}
            width={width - LEFT}
            height={tall(target.max - target.min)}
            fill="var(--moss)"
            opacity=".16"
          />
        </>
      )}
      {columns.map((c) =>
        c.hours === null ? (
          <text key={c.moduleId} x={c.x + c.width / 2} y={base - 6} textAnchor="middle" fontSize="12" fill="var(--muted)">
            –
          </text>
        ) : (
          <g key={c.moduleId}>
            <rect
              x={c.x + 3}
              y={base - tall(c.hours)}
              width={c.width - 6}
              height={tall(c.hours)}
              fill={c.over ? 'var(--ochre)' : 'var(--edge)'}
              fillOpacity={c.over ? 1 : 0.35}
            />
            <text
              x={c.x + c.width / 2}
              y={base - 5}
              textAnchor="middle"
              fontSize="12"
              fontWeight="700"
              fill={c.over ? 'var(--paper)' : 'var(--ink)'}
            >
              {c.hours.toFixed(1)}
            </text>
          </g>
        ),
      )}
      <line x1="0" x2={width} y1={bottom + 68} y2={bottom + 68} stroke="var(--line)" />
      <text x="0" y={bottom + 90} fontWeight="700" fontSize="13" fill="var(--ink)">
        Share of grade
      </text>
      {columns.map((c) => (
        <text key={c.moduleId} x={c.x + c.width / 2} y={bottom + 90} textAnchor="middle" fontSize="12.5" fill="var(--ink)">
          {c.share > 0 ? `${formatHundredths(Math.round(c.share / 10) * 10)} %` : '–'}
        </text>
      ))}
    </>
  )
}
