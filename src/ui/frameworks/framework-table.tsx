/** The items of a framework as a working table: every link is typed where it shows, as in a spreadsheet. */

import { useCallback, useMemo } from 'react'
import type { Blueprint } from '../../core/blueprint/blueprint'
import type { FrameworkItem } from '../../core/blueprint/kinds'
import { ITEM_KINDS } from '../../core/blueprint/kinds/framework'
import { fitted } from '../../core/blueprint/text'
import {
  addItem,
  directActivities,
  ITEM_COLUMNS,
  type ItemColumn,
  itemCellText,
  moveItem,
  placeItem,
  STAGE_OF_COLUMN,
  writeItemCell,
} from '../../core/frameworks/item-cells'
import { type Evidence, frameworkCoverage, type ItemCoverage } from '../../core/frameworks/item-coverage'
import { countOf } from '../../core/numbers'
import { indexFrameworks } from '../../core/plan/framework-index'
import { type CourseIndex, indexCourse } from '../../core/plan/plan-index'
import { Grid } from '../parts/grid/grid'
import type { CellWrite, GridColumn, GridRow } from '../parts/grid/types'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useGo, useSelected } from '../store/navigation'

type Row =
  | {
      readonly at: 'item'
      readonly item: FrameworkItem
      readonly depth: number
      readonly coverage: ItemCoverage
      readonly parts: number
      readonly view: Blueprint
      readonly index: CourseIndex
    }
  | { readonly at: 'evidence'; readonly text: string; readonly depth: number }
  | { readonly at: 'new' }

const NOTHING_MISSING = ['introduces', 'practises', 'assesses'] as const
const WORD = { introduces: 'not taught', practises: 'not practised', assesses: 'not assessed' } as const

export function FrameworkTable({ frameworkId, gapsOnly, withEvidence }: { frameworkId: string; gapsOnly: boolean; withEvidence: boolean }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const { select } = useGo()
  const selected = useSelected()
  const may = store.may('frameworkItem')
  const rows = useMemo(() => rowsOf(view, frameworkId, { gapsOnly, may, withEvidence }), [view, frameworkId, gapsOnly, may, withEvidence])
  const onWrite = useCallback(
    (writes: readonly CellWrite[], how: 'edit-cells' | 'paste-cells' | 'fill-down' | 'clear-cells'): string | null => {
      const problems: string[] = []
      const created = new Map<string, string>()
      store.edit(how, { n: writes.length }, (edit) => {
        for (const { rowKey, columnId, text } of writes) {
          let id = edit.now.frameworkItem.has(rowKey) ? rowKey : created.get(rowKey)
          if (!id) {
            if (text.trim() === '') continue
            id = addItem(edit, frameworkId, 'Untitled', newId)
            created.set(rowKey, id)
          }
          if (!(ITEM_COLUMNS as readonly string[]).includes(columnId)) continue
          if (columnId === 'statement' && text.trim() === '' && how !== 'edit-cells') continue
          const refused = writeItemCell(edit, id, columnId as ItemColumn, text)
          if (refused) problems.push(refused)
        }
      })
      if (how === 'edit-cells') return problems[0] ?? null
      store.say(
        problems.length > 0
          ? `${countOf(writes.length - problems.length, 'cell')} written. Left as they were: ${problems.slice(0, 3).join(' ')}`
          : `${countOf(writes.length, 'cell')} written.`,
        problems.length > 0,
      )
      return null
    },
    [store, frameworkId],
  )
  const columns = useColumns()
  return (
    <Grid<Row>
      label="Framework items"
      rows={rows}
      columns={columns}
      readOnly={!may}
      renderHead={(row) =>
        row.item.at === 'evidence' ? <span style={{ paddingLeft: 96 + row.item.depth * 16 }}>{row.item.text}</span> : null
      }
      recordOf={(row) => (row.item.at === 'item' ? `frameworkItem ${row.item.item.id}` : null)}
      onWrite={onWrite}
      onMove={(key, step) => store.edit('move', { what: nameOf(view, key) }, (edit) => void moveItem(edit, key, step))}
      onDrop={(key, overKey, after) => {
        const over = view.frameworkItem.get(overKey)
        if (!over || key === overKey) return
        store.edit('move', { what: nameOf(view, key) }, (edit) => {
          const beside = indexFrameworks(edit.now)
          const siblings = (
            over.parentId === null
              ? beside
                  .itemsOf(over.frameworkId)
                  .filter((p) => p.depth === 0)
                  .map((p) => p.item)
              : beside.partsOf(over.parentId)
          ).filter((s) => s.id !== key)
          placeItem(edit, key, over.parentId, siblings.findIndex((s) => s.id === overKey) + (after ? 1 : 0))
        })
      }}
      onRemove={(keys) => {
        const gone = keys.filter((k) => view.frameworkItem.has(k))
        const what = gone.length === 1 ? nameOf(view, gone[0] as string) : countOf(gone.length, 'item')
        if (store.edit('remove', { what }, (edit) => edit.remove(...gone.map((id) => ({ kind: 'frameworkItem' as const, id })))))
          store.say(`Removed ${what} with its parts and links. Ctrl+Z brings it back.`, false)
      }}
      onSelect={(key) => key && view.frameworkItem.has(key) && select({ kind: 'frameworkItem', id: key })}
      onRange={() => undefined}
      activeKey={selected?.kind === 'frameworkItem' ? selected.id : null}
    />
  )
}

const nameOf = (view: Blueprint, id: string): string => {
  const item = view.frameworkItem.get(id)
  return item?.code ?? (item ? fitted(item.statement, 40) : '')
}

type Shown = { readonly gapsOnly: boolean; readonly may: boolean; readonly withEvidence: boolean }

function rowsOf(view: Blueprint, frameworkId: string, { gapsOnly, may, withEvidence }: Shown): GridRow<Row>[] {
  const frameworks = indexFrameworks(view)
  const coverage = frameworkCoverage(view)
  const index = indexCourse(view)
  const rows = frameworks.itemsOf(frameworkId).flatMap(({ item, depth }): GridRow<Row>[] => {
    const found = coverage.of(item.id)
    if (!found || (gapsOnly && found.missing.length === 0 && !found.short)) return []
    const parts = frameworks.partsOf(item.id).length
    return [
      { key: item.id, type: 'data', item: { at: 'item', item, depth, coverage: found, parts, view, index } },
      ...(withEvidence && parts === 0 ? found.evidence.map((e, i) => evidenceRow(item.id, i, e, depth, index)) : []),
    ]
  })
  return may && !gapsOnly ? [...rows, { key: 'new', type: 'new', item: { at: 'new' } }] : rows
}

const evidenceRow = (itemId: string, n: number, e: Evidence, depth: number, index: CourseIndex): GridRow<Row> => ({
  key: `${itemId} evidence ${n}`,
  type: 'label',
  item: {
    at: 'evidence',
    depth,
    text: `${index.numberOf(e.activityId)} ${index.activity(e.activityId)?.title ?? ''}${e.from === 'activity' ? '' : `: ${e.title}`} · ${e.from === 'criterion' ? 'criterion, ' : ''}${e.method}${e.occasions > 1 ? `, ${e.occasions} occasions` : ''}`,
  },
})

function useColumns(): readonly GridColumn<Row>[] {
  return useMemo((): readonly GridColumn<Row>[] => {
    const text = (column: ItemColumn) => (row: GridRow<Row>) =>
      row.item.at === 'item' ? itemCellText(row.item.view, row.item.item, column) : ''
    const plain = (column: ItemColumn) => (row: GridRow<Row>) =>
      text(column)(row) || (row.item.at === 'item' ? <span className="muted">–</span> : '')
    const stage = (column: keyof typeof STAGE_OF_COLUMN, header: string): GridColumn<Row> => ({
      id: column,
      header,
      width: 104,
      text: text(column),
      hint: () => 'Numbers of activities: 2.4 3.1',
      render: ({ item: row }) => {
        if (row.at !== 'item') return ''
        const of = STAGE_OF_COLUMN[column]
        if (row.coverage.missing.includes(of) && row.coverage.activities[of].length === 0)
          return (
            <span className="hole" title={WORD[of]}>
              nothing
            </span>
          )
        const own = new Set(directActivities(row.view, row.item.id, of))
        return (
          <span>
            {row.coverage.activities[of].map((id, i) => (
              <span key={id} className={own.has(id) ? '' : 'est'} title={row.index.activity(id)?.title}>
                {i > 0 ? ' ' : ''}
                {row.index.numberOf(id)}
              </span>
            ))}
            {row.coverage.missing.includes(of) && <span className="hole"> in part</span>}
          </span>
        )
      },
    })
    return [
      {
        id: 'code',
        header: 'Code',
        width: 76,
        text: text('code'),
        render: ({ item: row }) => (row.at === 'item' ? <Code row={row} /> : ''),
      },
      {
        id: 'statement',
        header: 'Requirement',
        text: text('statement'),
        render: ({ item: row }) =>
          row.at !== 'item' ? (
            <span className="muted">Type a requirement, or paste rows from a spreadsheet</span>
          ) : (
            <span style={{ paddingLeft: row.depth * 16, fontWeight: row.parts > 0 ? 650 : 400 }} title={row.item.statement}>
              {row.item.statement}
              {!row.item.required && <span className="tag">not required</span>}
            </span>
          ),
      },
      {
        id: 'kind',
        header: 'Kind',
        width: 104,
        text: text('kind'),
        options: () => ITEM_KINDS,
        render: ({ item: row }) => (row.at === 'item' ? (KIND_SHORT[row.item.kind] ?? row.item.kind) : ''),
      },
      { id: 'outcomes', header: 'Outcomes', width: 86, text: text('outcomes'), hint: () => 'CO1 CO3', render: plain('outcomes') },
      { id: 'objectives', header: 'Objectives', width: 90, text: text('objectives'), hint: () => '2a 3b', render: plain('objectives') },
      stage('taught', 'Taught'),
      stage('practised', 'Practised'),
      stage('assessed', 'Assessed'),
      {
        id: 'occasions',
        header: 'Occasions',
        width: 90,
        right: true,
        text: text('occasions'),
        hint: () => 'How often it must be shown',
        flag: ({ item: row }) =>
          row.at === 'item' && row.coverage.short
            ? { weight: 'check', message: `${row.coverage.planned} planned, ${row.coverage.wanted} required` }
            : null,
        render: ({ item: row }) =>
          row.at !== 'item' || !row.coverage.needs.includes('assesses') || row.parts > 0 ? (
            ''
          ) : (
            <span title={row.coverage.evidence.map((e) => `${row.index.numberOf(e.activityId)} ${e.title} (${e.method})`).join('\n')}>
              {row.coverage.planned} of {row.coverage.wanted}
            </span>
          ),
      },
    ]
  }, [])
}

/** The framework's own code, or the one that follows from kind and place. */
function Code({ row }: { row: Extract<Row, { at: 'item' }> }) {
  if (row.item.code) return <b>{row.item.code}</b>
  return (
    <span className="est" title="The framework gives it no code; this one follows from its kind and place.">
      {indexFrameworks(row.view).codeOf(row.item.id)}
    </span>
  )
}

const KIND_SHORT: Readonly<Partial<Record<FrameworkItem['kind'], string>>> = {
  'performance criterion': 'criterion',
  'performance evidence': 'performance',
  'knowledge evidence': 'knowledge',
  'foundation skill': 'skill',
  'assessment condition': 'condition',
}

/** Whether an item misses anything, in words; empty where it does not. */
export const missingWords = (coverage: ItemCoverage): string =>
  [
    ...NOTHING_MISSING.filter((s) => coverage.missing.includes(s)).map((s) => WORD[s]),
    ...(coverage.short ? ['too few occasions'] : []),
  ].join(', ')
