/** The working table of the modules: activities in part order, every cell edited in place. */
import { useCallback, useMemo, useState } from 'react'
import { proposedStage, purposeOf, readLinks, STAGE_LETTER } from '../../core/alignment/proposals'
import type { Blueprint } from '../../core/blueprint/blueprint'
import type { Activity, Module, Part } from '../../core/blueprint/kinds'
import { ACTIVITY_KINDS, PURPOSES } from '../../core/blueprint/kinds/activity'
import { type CourseIndex, indexCourse } from '../../core/blueprint/plan-index'
import { dateSpan, shortDate } from '../../core/calendar/plain-date'
import { readDueRule, resolveDueDate, ruleText, type Schedule, scheduleOf } from '../../core/calendar/schedule'
import {
  ACTIVITY_COLUMNS,
  type ActivityColumn,
  addActivity,
  moveActivity,
  placeActivity,
  writeActivityCell,
} from '../../core/edits/activities'
import { addModule, moveInList } from '../../core/edits/objectives'
import { countOf, formatHundredths, formatWhole, readMinutes } from '../../core/numbers'
import { weeksText } from '../../core/syllabus/assemble'
import { type CellWrite, Grid, type GridColumn, type GridRow } from '../parts/grid'
import { Chip, PurposeShape, WeightMark } from '../parts/marks'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useGo, useSelected } from '../store/navigation'

type Item =
  | {
      readonly at: 'activity'
      readonly activity: Activity
      readonly view: Blueprint
      readonly index: CourseIndex
      readonly schedule: Schedule | null
    }
  | { readonly at: 'new'; readonly moduleId: string; readonly partId: string | null }
  | {
      readonly at: 'module'
      readonly module: Module
      readonly number: string
      readonly summary: string
      readonly minutes: number
      readonly points: number
      readonly hours: string | null
    }
  | { readonly at: 'part'; readonly part: Part | null }
  | { readonly at: 'add-module' }

const isActivity = (row: GridRow<Item>): Activity | null => (row.item.at === 'activity' ? row.item.activity : null)

/** Rows keep their identity while nothing they show has changed, so that they are not drawn again. */
function useRows(view: Blueprint): readonly GridRow<Item>[] {
  const cache = useState(() => new Map<string, { row: GridRow<Item>; signature: unknown[] }>())[0]
  return useMemo(() => {
    const index = indexCourse(view)
    const schedule = scheduleOf(view)
    const keep = (key: string, signature: unknown[], make: () => GridRow<Item>): GridRow<Item> => {
      const known = cache.get(key)
      if (known && known.signature.length === signature.length && known.signature.every((v, i) => v === signature[i])) return known.row
      const row = make()
      cache.set(key, { row, signature })
      return row
    }
    const rows: GridRow<Item>[] = []
    for (const module of index.modules) {
      const activities = index.activitiesOf(module.id)
      const minutes = activities.reduce((sum, a) => sum + (a.minutes ?? 0), 0)
      const points = activities.reduce((sum, a) => sum + (index.assessmentOf(a.id)?.points ?? 0), 0)
      const span = schedule?.spanOf(module.id)
      const weeks = module.firstWeek === null ? 0 : (module.lastWeek ?? module.firstWeek) - module.firstWeek + 1
      const summary = [
        module.subtitle,
        module.firstWeek === null ? 'no weeks yet' : weeksText(module.firstWeek, module.lastWeek),
        span ? dateSpan(span.first, span.last) : null,
        module.planning === 'sketch' ? 'sketch' : null,
      ]
        .filter(Boolean)
        .join(' · ')
      const hours = weeks > 0 && minutes > 0 ? `${(minutes / 60 / weeks).toFixed(1)} h a week` : null
      const number = index.numberOf(module.id)
      rows.push(
        keep(`head ${module.id}`, [module, number, summary, minutes, points], () => ({
          key: `head ${module.id}`,
          type: 'head',
          item: { at: 'module', module, number, summary, minutes, points, hours },
        })),
      )
      for (const part of [...index.parts, null]) {
        const own = activities.filter((a) => a.partId === (part?.id ?? null))
        if (own.length === 0 && part === null) continue
        if (own.length > 0) {
          const key = `part ${module.id} ${part?.id ?? ''}`
          rows.push(keep(key, [part], () => ({ key, type: 'label', item: { at: 'part', part } })))
        }
        for (const activity of own) {
          const links = index.alignmentsOf(activity.id)
          const due = schedule?.dueOf(activity.id)
          const assessment = index.assessmentOf(activity.id)
          const category = assessment?.categoryId ? view.gradeCategory.get(assessment.categoryId) : undefined
          const signature = [
            activity,
            index.numberOf(activity.id),
            part,
            due?.date,
            due?.time,
            assessment,
            category,
            ...links,
            links.map((l) => index.numberOf(l.objectiveId)).join(),
          ]
          rows.push(
            keep(activity.id, signature, () => ({
              key: activity.id,
              type: 'data',
              item: { at: 'activity', activity, view, index, schedule },
            })),
          )
        }
      }
      const last = activities.at(-1)?.partId ?? index.parts[0]?.id ?? null
      const key = `new ${module.id}`
      rows.push(keep(key, [last], () => ({ key, type: 'new', item: { at: 'new', moduleId: module.id, partId: last } })))
    }
    rows.push(keep('add-module', [], () => ({ key: 'add-module', type: 'new', item: { at: 'add-module' } })))
    return rows
  }, [view, cache])
}

const linksText = (row: GridRow<Item>): string => {
  if (row.item.at !== 'activity') return ''
  const { activity, index } = row.item
  return index
    .alignmentsOf(activity.id)
    .map((a) => `${index.numberOf(a.objectiveId)} ${a.stages.map((s) => STAGE_LETTER[s]).join('')}`)
    .join(', ')
}

function dueText(row: GridRow<Item>): string {
  if (row.item.at !== 'activity' || !row.item.activity.dueRule) return ''
  const { activity, schedule } = row.item
  return `${ruleText(activity.dueRule as NonNullable<Activity['dueRule']>, schedule?.term.offering.weekStart ?? 'monday')}${activity.dueTime ? ` ${activity.dueTime}` : ''}`
}

function dueHint(row: GridRow<Item>, text: string): string {
  if (row.item.at !== 'activity') return ''
  const { activity, schedule, view } = row.item
  const rule = readDueRule(text, schedule?.term.offering.weekStart ?? 'monday')
  const module = view.module.get(activity.moduleId)
  const date = rule && module && schedule ? resolveDueDate(rule.rule, module, schedule.term) : undefined
  return date
    ? `${shortDate(date)}${rule?.time ? `, ${rule.time}` : ''}`
    : rule
      ? 'A week the term does not have'
      : 'Sun wk 2, wk 1 Thu 18:00, or a date'
}

const titleOf = (row: GridRow<Item>): string =>
  row.item.at === 'activity' ? row.item.activity.title : row.item.at === 'module' ? row.item.module.title : ''

function useColumns(): readonly GridColumn<Item>[] {
  const { open } = useGo()
  return useMemo((): readonly GridColumn<Item>[] => {
    const assessmentOf = (row: GridRow<Item>) =>
      row.item.at === 'activity' ? row.item.index.assessmentOf(row.item.activity.id) : undefined
    const categoryOf = (row: GridRow<Item>): string => {
      const id = assessmentOf(row)?.categoryId
      return id && row.item.at === 'activity' ? (row.item.view.gradeCategory.get(id)?.title ?? '') : ''
    }
    const partOf = (row: GridRow<Item>): string => {
      const activity = isActivity(row)
      return activity?.partId && row.item.at === 'activity' ? (row.item.view.part.get(activity.partId)?.title ?? '') : ''
    }
    const dash = <span className="muted">–</span>
    return [
      {
        id: 'number',
        header: 'No.',
        width: 62,
        right: true,
        readOnly: true,
        text: (r) => (r.item.at === 'activity' ? r.item.index.numberOf(r.item.activity.id) : ''),
        render: (r) => <span className="number">{r.item.at === 'activity' ? r.item.index.numberOf(r.item.activity.id) : ''}</span>,
      },
      {
        id: 'title',
        header: 'Activity',
        text: titleOf,
        render: (r) =>
          r.type === 'new' ? (
            <span className="muted">
              {r.item.at === 'add-module' ? 'Type a title to add a module' : 'Type a title, or paste rows from a spreadsheet'}
            </span>
          ) : (
            <span title={titleOf(r)}>{titleOf(r)}</span>
          ),
      },
      {
        id: 'part',
        header: 'Part',
        width: 78,
        text: partOf,
        options: (r) => (r.item.at === 'activity' ? r.item.index.parts.map((p) => p.title) : []),
        render: (r) => (isActivity(r) ? partOf(r) || dash : ''),
      },
      {
        id: 'kind',
        header: 'Kind',
        width: 126,
        text: (r) => isActivity(r)?.kind ?? '',
        options: () => ACTIVITY_KINDS,
        render: (r) => (isActivity(r) ? (isActivity(r)?.kind ?? dash) : ''),
      },
      {
        id: 'purpose',
        header: 'Purpose',
        width: 122,
        text: (r) => isActivity(r)?.purpose ?? '',
        options: () => PURPOSES,
        render: (r) => {
          const activity = isActivity(r)
          if (!activity) return ''
          const purpose = purposeOf(activity)
          const proposed = activity.purpose === null && purpose !== null
          return (
            <span className={proposed ? 'est' : ''} title={proposed ? 'Proposed by the kind. Space, then Enter accepts it.' : undefined}>
              <PurposeShape purpose={purpose} /> {purpose ?? '–'}
              {proposed && <span className="visually-hidden"> (proposed)</span>}
            </span>
          )
        },
      },
      {
        id: 'objectives',
        header: 'Objectives',
        width: 150,
        text: linksText,
        hint: (r, text) => {
          const activity = isActivity(r)
          if (!activity || r.item.at !== 'activity') return null
          const { links, unknown } = readLinks(text)
          const index = r.item.index
          const known = links.map((l) => {
            const id = index.idOfNumber(l.number)
            return id
              ? `${l.number} ${l.stages.map((s) => STAGE_LETTER[s]).join('') || `${STAGE_LETTER[proposedStage(activity)]} (proposed)`}: ${r.item.at === 'activity' ? (r.item.view.objective.get(id)?.statement ?? '').slice(0, 60) : ''}`
              : `${l.number}: there is no such objective`
          })
          return [...known, ...unknown.map((u) => `${u}: not understood`)].join('\n') || '4a I, 4b P A: introduces, practises, assesses'
        },
        render: (r) => {
          if (r.item.at !== 'activity') return ''
          const { index, activity } = r.item
          const links = index.alignmentsOf(activity.id)
          return links.length === 0
            ? dash
            : links.map((a) => (
                <span key={a.id}>
                  <Chip
                    kind="objective"
                    number={index.numberOf(a.objectiveId)}
                    suffix={a.stages.map((s) => STAGE_LETTER[s]).join('')}
                    onOpen={() => open({ kind: 'objective', id: a.objectiveId })}
                  />{' '}
                </span>
              ))
        },
      },
      {
        id: 'minutes',
        header: 'Min',
        width: 58,
        right: true,
        text: (r) => String(isActivity(r)?.minutes ?? ''),
        hint: (_, t) => (readMinutes(t) === null ? '45, 1.5 h or 1h30' : `${readMinutes(t)} min`),
        render: (r) => (isActivity(r) ? (isActivity(r)?.minutes === null ? dash : formatWhole(isActivity(r)?.minutes ?? 0)) : ''),
      },
      {
        id: 'due',
        header: 'Due',
        width: 104,
        text: dueText,
        hint: dueHint,
        render: (r) => {
          if (r.item.at !== 'activity') return ''
          const due = r.item.schedule?.dueOf(r.item.activity.id)
          if (due) return <span title={`${dueText(r)} of the module, ${due.time}`}>{shortDate(due.date)}</span>
          return r.item.activity.dueRule ? (
            <span className="weight fix" title="This rule gives no date in the term">
              {dueText(r)}
            </span>
          ) : (
            dash
          )
        },
      },
      {
        id: 'category',
        header: 'Category',
        width: 118,
        text: categoryOf,
        options: (r) => (r.item.at === 'activity' ? r.item.index.categories.map((c) => c.title) : []),
        render: (r) => (isActivity(r) ? categoryOf(r) || dash : ''),
      },
      {
        id: 'points',
        header: 'Points',
        width: 64,
        right: true,
        text: (r) => {
          const p = assessmentOf(r)?.points
          return p == null ? '' : formatHundredths(p)
        },
        render: (r) => {
          const p = assessmentOf(r)?.points
          return isActivity(r) ? (p == null ? dash : formatHundredths(p)) : ''
        },
      },
    ]
  }, [open])
}

export function ModuleTable() {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const rows = useRows(view)
  const columns = useColumns()
  const { select, panel } = useGo()
  const selected = useSelected()
  const [rangeText, setRangeText] = useState('')
  const index = indexCourse(view)
  const minutes = index.activities.reduce((sum, a) => sum + (a.minutes ?? 0), 0)

  const onWrite = useCallback(
    (writes: readonly CellWrite[], how: 'edit-cells' | 'paste-cells' | 'fill-down' | 'clear-cells'): string | null => {
      const problems: string[] = []
      const created = new Map<string, string>()
      store.edit(how, { n: writes.length }, (edit) => {
        for (const { rowKey, columnId, text } of writes) {
          const [key] = rowKey.split('\n') as [string]
          const row = rows.find((r) => r.key === key)
          if (row?.item.at === 'module') {
            const title = text.trim()
            title ? edit.set('module', row.item.module.id, { title: title.slice(0, 300) }) : problems.push('A module needs a title.')
            continue
          }
          if (row?.item.at === 'add-module') {
            if (text.trim()) created.set(rowKey, addModule(edit, text, newId))
            continue
          }
          let id = row?.item.at === 'activity' ? row.item.activity.id : created.get(rowKey)
          if (row?.item.at === 'new' && !id) {
            if (text === '') continue
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
      if (how === 'edit-cells') return problems[0] ?? null
      store.say(
        problems.length > 0
          ? `${countOf(writes.length - problems.length, 'cell')} written. Left as they were: ${problems.slice(0, 3).join(' ')}${problems.length > 3 ? ` And ${problems.length - 3} more.` : ''}`
          : `${countOf(writes.length, 'cell')} written.`,
        problems.length > 0,
      )
      return null
    },
    [store, rows],
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
        <h1>Modules</h1>
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
          Modules divide the course in time and topic; each holds activities in the course’s parts. Type the title of the first one below.
        </p>
      )}
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
      <span>
        <b>{formatWhole(item.minutes)}</b> min
      </span>
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
