/** The working table of the modules: activities in part order, every cell edited in place. */
import { type ReactNode, useCallback, useState } from 'react'
import { Link } from 'wouter'
import { readValue } from '../../core/blueprint/field-text'
import { PURPOSES } from '../../core/blueprint/kinds/activity'
import { scheduleOf } from '../../core/calendar/schedule'
import {
  ACTIVITY_COLUMNS,
  type ActivityColumn,
  addActivity,
  moveActivity,
  placeActivity,
  writeActivityCell,
} from '../../core/edits/activities'
import { addModule, moveInList } from '../../core/edits/objectives'
import type { SeriesField } from '../../core/edits/series'
import { countOf, formatHundredths, formatWhole } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { Grid } from '../parts/grid/grid'
import type { CellWrite, GridColumn, GridRow } from '../parts/grid/types'
import { PurposeShape, WeightMark } from '../parts/marks'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useGo, useSelected } from '../store/navigation'
import { useColumns } from './columns'
import { type Item, useRows } from './rows'
import { type Spread, SpreadBar } from './spread-bar'

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
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const rows = useRows(view)
  const columns = useColumns()
  const { select, panel } = useGo()
  const selected = useSelected()
  const [rangeText, setRangeText] = useState('')
  const [spread, setSpread] = useState<Spread | null>(null)
  const index = indexCourse(view)
  const minutes = index.activities.reduce((sum, a) => sum + (a.minutes ?? 0), 0)

  const onWrite = useCallback(
    (writes: readonly CellWrite[], how: 'edit-cells' | 'paste-cells' | 'fill-down' | 'clear-cells'): string | null => {
      const problems: string[] = []
      setSpread(null)
      const created = new Map<string, string>()
      const byKey = new Map(rows.map((r) => [r.key, r]))
      store.edit(how, { n: writes.length }, (edit) => {
        for (const { rowKey, columnId, text } of writes) {
          const [key] = rowKey.split('\n') as [string]
          const row = byKey.get(key)
          if (row?.item.at === 'module') {
            const title = readValue('module', 'title', text)
            title.ok ? edit.set('module', row.item.module.id, { title: title.value }) : problems.push(title.error)
            continue
          }
          if (row?.item.at === 'add-module') {
            if (text.trim()) created.set(rowKey, addModule(edit, text, newId))
            continue
          }
          let id = row?.item.at === 'activity' ? row.item.activity.id : created.get(rowKey)
          if (row?.item.at === 'new' && !id) {
            // A module that somebody removed meanwhile: the row is judged against the plan that was seen.
            if (text === '' || !edit.now.module.has(row.item.moduleId)) continue
            id = addActivity(edit, row.item.moduleId, row.item.partId, 'Untitled', newId)
            created.set(rowKey, id)
          }
          if (!id || !(ACTIVITY_COLUMNS as readonly string[]).includes(columnId)) continue
          const column = columnId as ActivityColumn
          // Clearing many cells leaves titles alone: a row without a name is gone from every list.
          if (column === 'title' && text.trim() === '' && how !== 'edit-cells') continue
          const refused = writeActivityCell(edit, id, column, text, scheduleOf(edit.now))
          if (refused) problems.push(refused)
        }
      })
      if (how === 'edit-cells') {
        const [only] = writes
        const field = only && FIELD_OF_COLUMN[only.columnId]
        if (only && field && problems.length === 0 && view.activity.get(only.rowKey)?.seriesId) setSpread({ id: only.rowKey, field })
        return problems[0] ?? null
      }
      store.say(
        problems.length > 0
          ? `${countOf(writes.length - problems.length, 'cell')} written. Left as they were: ${problems.slice(0, 3).join(' ')}${problems.length > 3 ? ` And ${problems.length - 3} more.` : ''}`
          : `${countOf(writes.length, 'cell')} written.`,
        problems.length > 0,
      )
      return null
    },
    [store, rows, view],
  )
  const onMove = useCallback(
    (key: string, step: 1 | -1) => {
      const row = rows.find((r) => r.key === key)
      if (row?.item.at === 'module') {
        const { id, title } = row.item.module
        return void store.edit('move', { what: title }, (edit) => moveInList(edit, 'module', id, step))
      }
      if (row?.item.at !== 'activity') return
      const { id, title } = row.item.activity
      store.edit('move', { what: title }, (edit) => moveActivity(edit, id, step))
    },
    [store, rows],
  )
  const onDrop = useCallback(
    (key: string, overKey: string, after: boolean) => {
      const over = rows.find((r) => r.key === overKey)
      const moved = view.activity.get(key)
      if (!over || !moved) return
      store.edit('move', { what: moved.title }, (edit) => {
        if (over.item.at === 'new') return placeActivity(edit, key, over.item.moduleId, over.item.partId, Number.MAX_SAFE_INTEGER)
        if (over.item.at !== 'activity') return
        const target = over.item.activity
        const others = indexCourse(edit.now)
          .activitiesOf(target.moduleId)
          .filter((a) => a.partId === target.partId && a.id !== key)
        placeActivity(edit, key, target.moduleId, target.partId, others.findIndex((a) => a.id === target.id) + (after ? 1 : 0))
      })
    },
    [store, rows, view],
  )
  const onRemove = useCallback(
    (keys: readonly string[]) => {
      const gone = keys.filter((k) => view.activity.has(k))
      const what = gone.length === 1 ? (view.activity.get(gone[0] as string)?.title ?? '') : countOf(gone.length, 'activity', 'activities')
      if (store.edit('remove', { what }, (edit) => edit.remove(...gone.map((id) => ({ kind: 'activity' as const, id })))))
        store.say(`Removed ${what}. Ctrl+Z brings it back.`, false)
    },
    [store, view],
  )
  const onSelect = useCallback(
    (key: string | null) => {
      const row = rows.find((r) => r.key === key)
      if (row?.item.at === 'activity') select({ kind: 'activity', id: row.item.activity.id })
      else if (row?.item.at === 'module') select({ kind: 'module', id: row.item.module.id })
    },
    [rows, select],
  )
  const onRange = useCallback((cells: readonly { row: GridRow<Item>; column: GridColumn<Item> }[]) => {
    const numbers = cells.flatMap(({ row, column }) =>
      ['minutes', 'points'].includes(column.id) && column.text(row) !== '' ? [Number(column.text(row))] : [],
    )
    const unit = cells.every((c) => c.column.id === 'minutes') ? ' min' : ''
    setRangeText(
      cells.length === 0
        ? ''
        : `${countOf(cells.length, 'cell')}${numbers.length > 0 ? ` · sum ${formatWhole(numbers.reduce((a, b) => a + b, 0))}${unit}` : ''}`,
    )
  }, [])
  const recordOf = useCallback(
    (row: GridRow<Item>) =>
      row.item.at === 'activity' ? `activity ${row.item.activity.id}` : row.item.at === 'module' ? `module ${row.item.module.id}` : null,
    [],
  )
  const renderHead = useCallback(
    (row: GridRow<Item>) => (
      <ModuleHead
        item={row.item}
        onDetails={(id) => {
          select({ kind: 'module', id })
          panel('details')
        }}
      />
    ),
    [select, panel],
  )
  const activeKey = selected?.kind === 'activity' ? selected.id : selected?.kind === 'module' ? `head ${selected.id}` : null

  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Modules</h1>
        {views}
        <span className="muted small">
          {countOf(index.modules.length, 'module')} · {countOf(index.activities.length, 'activity', 'activities')}
          {minutes > 0 && ` · ${formatWhole(minutes / 60)} h in all`}
        </span>
        <span className="grow" />
        <span className="muted small" aria-live="polite">
          {rangeText}
        </span>
        <PurposeKey />
      </div>
      {index.modules.length === 0 && (
        <p className="empty" style={{ paddingBlock: 4 }}>
          Modules divide the course in time and topic; each holds activities in the course’s parts. Type the title of the first one below,
          or <Link href="/bring">bring a file or a text</Link> that you have.
        </p>
      )}
      {spread && <SpreadBar spread={spread} onDone={() => setSpread(null)} />}
      <Grid
        label="Activities by module"
        rows={rows}
        columns={columns}
        readOnly={!store.may('activity')}
        renderHead={renderHead}
        recordOf={recordOf}
        onWrite={onWrite}
        onMove={onMove}
        onDrop={onDrop}
        onRemove={onRemove}
        onSelect={onSelect}
        onRange={onRange}
        activeKey={activeKey}
      />
    </div>
  )
}

function ModuleHead({ item, onDetails }: { item: Item; onDetails: (id: string) => void }) {
  if (item.at === 'part') return <>{item.part?.title ?? 'No part'}</>
  if (item.at !== 'module') return null
  return (
    <span className="row">
      <b style={{ width: 46, textAlign: 'right', fontSize: 16 }}>{item.number}</b>
      <span className="name">{item.module.title}</span>
      <span className="muted" style={{ overflow: 'hidden', textOverflow: 'ellipsis' }}>
        {item.summary}
      </span>
      <ModuleFindings id={item.module.id} />
      <span className="grow" />
      {item.minutes > 0 && (
        <span>
          <b>{formatWhole(item.minutes)}</b> min
        </span>
      )}
      {item.hours && <span className="muted">{item.hours}</span>}
      {item.points > 0 && (
        <span>
          <b>{formatHundredths(item.points)}</b> points
        </span>
      )}
      <button type="button" className="btn" tabIndex={-1} onClick={() => onDetails(item.module.id)}>
        Weeks…
      </button>
    </span>
  )
}

function ModuleFindings({ id }: { id: string }) {
  const findings = useCourse((s) => s.byRecord.get(`module ${id}`))
  const first = findings?.find((f) => f.accepted === null)
  return first ? <WeightMark weight={first.weight} /> : null
}

function PurposeKey() {
  return (
    <span className="row muted small" style={{ gap: 10 }}>
      {PURPOSES.map((p) => (
        <span key={p}>
          <PurposeShape purpose={p} /> {p}
        </span>
      ))}
    </span>
  )
}
