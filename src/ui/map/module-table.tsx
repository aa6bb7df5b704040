/** The working table of the modules: activities in part order, every cell edited in place. */
import { Button } from '../parts/button'
import './map.css'
import { type ReactNode, useCallback, useState } from 'react'
import { Link } from 'wouter'
import type { Blueprint } from '../../core/blueprint/blueprint'
import type { PlanEdit } from '../../core/blueprint/edit'
import { PURPOSES } from '../../core/blueprint/kinds/activity'
import { dateSpan } from '../../core/calendar/plain-date'
import { scheduleOf } from '../../core/calendar/schedule'
import { addActivity, moveActivity, placeActivity } from '../../core/edits/activities'
import { addModule, moveInList } from '../../core/edits/objectives'
import type { SeriesField } from '../../core/edits/series'
import { countOf, formatHundredths, formatWhole } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { weeksText } from '../../core/syllabus/assemble'
import { fieldColumn } from '../parts/grid/field-column'
import { Grid, headKey } from '../parts/grid/grid'
import { OpenedScope, useOpened } from '../parts/grid/opened'
import type { CellWrite, GridColumn, GridRow } from '../parts/grid/types'
import { useRows } from '../parts/grid/use-rows'
import { laterFrom } from '../parts/later'
import { PurposeShape, WeightMark } from '../parts/marks'
import { newId, useCourse, useCourseData, useCourseStore, useModuleWord } from '../store/course-store'
import { useGo } from '../store/navigation'
import { COLUMN_SETS } from './column-sets'
import { ACTIVITY_COLUMNS } from './columns'
import { OpenedActivity } from './opened'
import { ADD_MODULE, activityRows } from './rows'
import { type Spread, SpreadBar } from './spread-bar'

const Kinds = laterFrom(
  () => import('./kinds'),
  (m) => m.Kinds,
)

/** The field of a series that a column writes. */
const FIELD_OF_COLUMN: Readonly<Partial<Record<string, SeriesField>>> = {
  title: 'title',
  kind: 'kind',
  purpose: 'purpose',
  minutes: 'minutes',
  due: 'dueRule',
  points: 'points',
  category: 'categoryId',
}

export function ModuleTable({ views }: { views: ReactNode }) {
  const word = useModuleWord()
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  // A row to type in stands where somebody may.
  const ofMine = useCallback(
    (plan: Blueprint) => activityRows(plan).filter((r) => r.type !== 'new' || store.may(r.key === ADD_MODULE ? 'module' : 'activity')),
    [store],
  )
  const planned = useRows(ofMine)
  const { rows, onOpen, close } = useOpened(planned)
  const [rangeText, setRangeText] = useState('')
  const [barPlace, setBarPlace] = useState<HTMLElement | null>(null)
  const [kinds, setKinds] = useState(false)
  const [spread, setSpread] = useState<Spread | null>(null)
  const index = indexCourse(view)
  const sequence = index.modules.filter((m) => m.role === null).length
  const minutes = index.activities.reduce((sum, a) => sum + (a.minutes ?? 0), 0)
  const onEdited = useCallback(
    ({ rowKey, columnId }: CellWrite) => {
      const field = FIELD_OF_COLUMN[columnId]
      const isMember = store.store.getState().view.activity.get(rowKey)?.seriesId != null
      setSpread(field && isMember ? { id: rowKey, field } : null)
    },
    [store],
  )
  const onRange = useCallback(
    (cells: readonly { row: GridRow; column: GridColumn }[]) => setRangeText(sumText(store.store.getState().view, cells)),
    [store],
  )

  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">{word.Many}</h1>
        {views}
        <span className="muted small">
          {countOf(sequence, word.one, word.many)}
          {sequence < index.modules.length && `, ${countOf(index.modules.length - sequence, 'group')}`} ·{' '}
          {countOf(index.activities.length, 'activity', 'activities')}
          {minutes > 0 && ` · ${formatWhole(minutes / 60)} h in all`}
        </span>
        <span ref={setBarPlace} />
        <Button onClick={() => setKinds(true)}>Kinds…</Button>
        <span className="grow" />
        <span className="muted small" aria-live="polite">
          {rangeText}
        </span>
        <PurposeKey />
      </div>
      {index.modules.length === 0 && (
        <p className="empty" style={{ paddingBlock: 4 }}>
          {word.Many} divide the course in time and topic; each holds activities in the course’s parts. Type the title of the first one
          below, or <Link href="/bring">bring a file or a text</Link> that you have.
        </p>
      )}
      {spread && <SpreadBar spread={spread} onDone={() => setSpread(null)} />}
      <OpenedScope close={close}>
        <Grid
          label="Activities by module"
          keptAs="map"
          kind="activity"
          head={MODULES}
          Label={PartLine}
          Opened={OpenedActivity}
          onOpen={onOpen}
          rows={rows}
          columns={ACTIVITY_COLUMNS}
          readOnly={!store.may('activity')}
          make={makeRow}
          move={moveRow}
          place={placeRow}
          onEdited={onEdited}
          onRange={onRange}
          look="dense"
          sets={COLUMN_SETS}
          barPlace={barPlace}
        />
      </OpenedScope>
      {kinds && <Kinds onClose={() => setKinds(false)} />}
    </div>
  )
}

/** What a chosen range holds: how many cells, and the sum of its numbers. */
function sumText(plan: Blueprint, cells: readonly { row: GridRow; column: GridColumn }[]): string {
  if (cells.length === 0) return ''
  const numbers = cells.flatMap(({ row, column }) => {
    const text = column.cell.name === 'number' && column.write ? column.text(plan, row).replace(',', '.') : ''
    return text === '' || Number.isNaN(Number(text)) ? [] : [Number(text)]
  })
  const unit = cells.every((c) => c.column.id === 'minutes') ? ' min' : ''
  const sum = numbers.length > 0 ? ` · sum ${formatWhole(numbers.reduce((a, b) => a + b, 0))}${unit}` : ''
  return `${countOf(cells.length, 'cell')}${sum}`
}

/** An empty row makes an activity at the end of its module, in the part of the last one there; the last row of all a module. */
function makeRow(edit: PlanEdit, row: GridRow): GridRow | null {
  if (row.key === ADD_MODULE) {
    const id = addModule(edit, 'Untitled', newId)
    return { key: headKey(id), type: 'head', id }
  }
  // A module that somebody removed meanwhile: the row is judged against the plan that was seen.
  if (!edit.now.module.has(row.id)) return null
  const index = indexCourse(edit.now)
  const partId = index.activitiesOf(row.id).at(-1)?.partId ?? index.parts[0]?.id ?? null
  const id = addActivity(edit, row.id, partId, 'Untitled', newId)
  return { key: id, type: 'data', id }
}

function moveRow(edit: PlanEdit, row: GridRow, step: 1 | -1): void {
  if (row.type === 'head') moveInList(edit, 'module', row.id, step)
  else moveActivity(edit, row.id, step)
}

function placeRow(edit: PlanEdit, { id }: GridRow, over: GridRow, after: boolean): void {
  const index = indexCourse(edit.now)
  if (over.type === 'new') {
    if (over.key === ADD_MODULE) return
    return placeActivity(edit, id, over.id, index.activitiesOf(over.id).at(-1)?.partId ?? null, Number.MAX_SAFE_INTEGER)
  }
  const target = edit.now.activity.get(over.id)
  if (!target) return
  const others = index.activitiesOf(target.moduleId).filter((a) => a.partId === target.partId && a.id !== id)
  placeActivity(edit, id, target.moduleId, target.partId, others.findIndex((a) => a.id === target.id) + (after ? 1 : 0))
}

function PartLine({ row }: { row: GridRow }) {
  const title = useCourse((s) => s.view.part.get(row.id)?.title)
  return <span className="part-name">{title ?? 'No part'}</span>
}

function ModuleHead({ id }: { id: string }) {
  const { select, panel } = useGo()
  const shown = useCourseData((s) => moduleSums(s.view, id))
  if (!shown) return null
  return (
    <span className="row">
      <b style={{ width: 62, textAlign: 'right', fontSize: 16 }}>{shown.number}</b>
      <span className="name">{shown.title}</span>
      <span className="muted" style={{ overflow: 'hidden', textOverflow: 'ellipsis' }}>
        {shown.summary}
      </span>
      <ModuleFindings id={id} />
      <span className="grow" />
      {shown.minutes > 0 && (
        <span>
          <b>{formatWhole(shown.minutes)}</b> min
        </span>
      )}
      {shown.hours && <span className="muted">{shown.hours}</span>}
      {shown.points > 0 && (
        <span>
          <b>{formatHundredths(shown.points)}</b> points
        </span>
      )}
      <Button
        tabIndex={-1}
        onClick={() => {
          select({ kind: 'module', id })
          panel('details')
        }}
      >
        Weeks…
      </Button>
    </span>
  )
}

/** What a module's line tells of it. Null where it is gone. */
function moduleSums(plan: Blueprint, id: string) {
  const module = plan.module.get(id)
  if (!module) return null
  const index = indexCourse(plan)
  const activities = index.activitiesOf(id)
  const minutes = activities.reduce((sum, a) => sum + (a.minutes ?? 0), 0)
  const points = activities.reduce((sum, a) => sum + (index.assessmentOf(a.id)?.points ?? 0), 0)
  const span = scheduleOf(plan)?.spanOf(id)
  const weeks = module.firstWeek === null ? 0 : (module.lastWeek ?? module.firstWeek) - module.firstWeek + 1
  const summary = [
    module.subtitle,
    module.firstWeek !== null ? weeksText(module.firstWeek, module.lastWeek) : module.role === null ? 'no weeks yet' : module.role,
    span ? dateSpan(span.first, span.last) : null,
    module.planning === 'sketch' ? 'sketch' : null,
  ]
  return {
    number: index.numberOf(id),
    title: module.title,
    summary: summary.filter(Boolean).join(' · '),
    minutes,
    points,
    hours: weeks > 0 && minutes > 0 ? `${(minutes / 60 / weeks).toFixed(1)} h a week` : null,
  }
}

const MODULES = { kind: 'module', title: fieldColumn('module', 'title', { header: 'Module title' }), Head: ModuleHead } as const

function ModuleFindings({ id }: { id: string }) {
  const findings = useCourse((s) => s.byRecord.get(`module ${id}`))
  const first = findings?.find((f) => f.accepted === null)
  return first ? <WeightMark weight={first.weight} /> : null
}

function PurposeKey() {
  return (
    <span className="row muted small purpose-key" style={{ gap: 10 }}>
      {PURPOSES.map((p) => (
        <span key={p}>
          <PurposeShape purpose={p} /> {p}
        </span>
      ))}
    </span>
  )
}
