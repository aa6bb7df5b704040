/** The items of a framework as a working table: every link is typed where it shows, as in a spreadsheet. */
import { useCallback } from 'react'
import type { Blueprint } from '../../core/blueprint/blueprint'
import type { PlanEdit } from '../../core/blueprint/edit'
import type { FrameworkItem } from '../../core/blueprint/kinds'
import {
  addItem,
  directActivities,
  type ItemColumn,
  itemCellText,
  moveItem,
  placeItem,
  STAGE_OF_COLUMN,
  writeItemCell,
} from '../../core/frameworks/item-cells'
import { frameworkCoverage, type ItemCoverage } from '../../core/frameworks/item-coverage'
import { indexFrameworks } from '../../core/plan/framework-index'
import { indexCourse } from '../../core/plan/plan-index'
import { fieldColumn, textColumn } from '../parts/grid/field-column'
import { Grid } from '../parts/grid/grid'
import type { GridColumn, GridRow } from '../parts/grid/types'
import { useRows } from '../parts/grid/use-rows'
import { newId, useCourse, useCourseData, useCourseStore } from '../store/course-store'

const NOTHING_MISSING = ['introduces', 'practises', 'assesses'] as const
const WORD = { introduces: 'not taught', practises: 'not practised', assesses: 'not assessed' } as const

type ItemRows = { readonly gapsOnly: boolean; readonly may: boolean; readonly withEvidence: boolean }

export function FrameworkTable({ frameworkId, gapsOnly, withEvidence }: { frameworkId: string; gapsOnly: boolean; withEvidence: boolean }) {
  const may = useCourseStore().may('frameworkItem')
  const rows = useRows(
    useCallback(
      (plan: Blueprint) => itemRows(plan, frameworkId, { gapsOnly, may, withEvidence }),
      [frameworkId, gapsOnly, may, withEvidence],
    ),
  )
  return (
    <Grid
      label="Framework items"
      keptAs="frameworks"
      kind="frameworkItem"
      Label={EvidenceLine}
      rows={rows}
      columns={COLUMNS}
      readOnly={!may}
      make={makeRow}
      move={(edit, row, step) => moveItem(edit, row.id, step)}
      place={placeRow}
    />
  )
}

/** The items of a framework, each with what it is shown by below it where that is wanted, and the row of one more. */
function itemRows(plan: Blueprint, frameworkId: string, { gapsOnly, may, withEvidence }: ItemRows): GridRow[] {
  const frameworks = indexFrameworks(plan)
  const coverage = frameworkCoverage(plan)
  const rows = frameworks.itemsOf(frameworkId).flatMap(({ item: { id } }): GridRow[] => {
    const found = coverage.of(id)
    if (!found || (gapsOnly && found.missing.length === 0 && !found.short)) return []
    const shown = withEvidence && frameworks.partsOf(id).length === 0 ? found.evidence : []
    return [
      { key: id, type: 'data', id },
      ...shown.map((_, n): GridRow => ({ key: `${id} evidence ${n}`, type: 'label', id: `${id} ${n}`, under: id })),
    ]
  })
  return may && !gapsOnly ? [...rows, { key: 'new', type: 'new', id: frameworkId }] : rows
}

function makeRow(edit: PlanEdit, row: GridRow): GridRow | null {
  if (!edit.now.framework.has(row.id)) return null
  const id = addItem(edit, row.id, 'Untitled', newId)
  return { key: id, type: 'data', id }
}

function placeRow(edit: PlanEdit, { id }: GridRow, overRow: GridRow, after: boolean): void {
  const over = edit.now.frameworkItem.get(overRow.id)
  if (!over || over.id === id) return
  const index = indexFrameworks(edit.now)
  const beside =
    over.parentId === null
      ? index.itemsOf(over.frameworkId).flatMap(({ item, depth }) => (depth === 0 ? [item] : []))
      : index.partsOf(over.parentId)
  const others = beside.filter((s) => s.id !== id)
  placeItem(edit, id, over.parentId, others.findIndex((s) => s.id === over.id) + (after ? 1 : 0))
}

function EvidenceLine({ row }: { readonly row: GridRow }) {
  const shown = useCourseData(({ view }) => {
    const id = row.under ?? ''
    const e = frameworkCoverage(view).of(id)?.evidence[Number(row.id.slice(id.length + 1))]
    if (!e) return null
    const index = indexCourse(view)
    const activity = `${index.numberOf(e.activityId)} ${index.activity(e.activityId)?.title ?? ''}`
    const part = e.from === 'activity' ? '' : `: ${e.title}`
    const how = `${e.from === 'criterion' ? 'criterion, ' : ''}${e.method}${e.occasions > 1 ? `, ${e.occasions} occasions` : ''}`
    return { depth: indexFrameworks(view).depthOf(id), text: `${activity}${part} · ${how}` }
  })
  return shown && <span style={{ paddingLeft: 96 + shown.depth * 16 }}>{shown.text}</span>
}

const itemOf = (plan: Blueprint, row: GridRow): FrameworkItem | undefined => plan.frameworkItem.get(row.id)
const coverageOf = (plan: Blueprint, row: GridRow): ItemCoverage | undefined =>
  itemOf(plan, row) ? frameworkCoverage(plan).of(row.id) : undefined

const links = (id: ItemColumn, header: string, width: number, hint: string, more: Partial<GridColumn> = {}): GridColumn =>
  textColumn({
    id,
    header,
    width,
    cell: { name: 'link' },
    hint: () => hint,
    text: (plan, row) => {
      const item = itemOf(plan, row)
      return item ? itemCellText(plan, item, id) : ''
    },
    write: (edit, row, { text }) => writeItemCell(edit, row.id, id, text),
    ...more,
  })

const stage = (id: keyof typeof STAGE_OF_COLUMN, header: string): GridColumn =>
  links(id, header, 104, 'Numbers of activities: 2.4 3.1', { Cell: ({ row }) => <StageCell row={row} of={STAGE_OF_COLUMN[id]} /> })

/** The activities of a stage: those that are linked with the item itself, muted those that serve it through what it is linked with. */
function StageCell({ row, of }: { readonly row: GridRow; readonly of: (typeof STAGE_OF_COLUMN)[keyof typeof STAGE_OF_COLUMN] }) {
  const shown = useCourseData(({ view }) => {
    const coverage = coverageOf(view, row)
    if (!coverage) return null
    const index = indexCourse(view)
    const own = new Set(directActivities(view, row.id, of))
    return {
      missing: coverage.missing.includes(of),
      activities: coverage.activities[of].map((id) => ({
        id,
        number: index.numberOf(id),
        title: index.activity(id)?.title ?? '',
        own: own.has(id),
      })),
    }
  })
  if (!shown) return null
  if (shown.missing && shown.activities.length === 0)
    return (
      <span className="hole" data-tip={WORD[of]}>
        nothing
      </span>
    )
  return (
    <span>
      {shown.activities.map((a, i) => (
        <span key={a.id} className={a.own ? '' : 'est'} data-tip={a.title}>
          {i > 0 ? ' ' : ''}
          {a.number}
        </span>
      ))}
      {shown.missing && <span className="hole"> in part</span>}
    </span>
  )
}

/** The framework's own code, or the one that follows from kind and place. */
function Code({ row }: { readonly row: GridRow }) {
  const own = useCourse((s) => itemOf(s.view, row)?.code)
  const following = useCourse((s) => (own === null ? indexFrameworks(s.view).codeOf(row.id) : ''))
  if (own === undefined) return null
  if (own) return <b>{own}</b>
  return (
    <span className="est" data-tip="The framework gives it no code; this one follows from its kind and place.">
      {following}
    </span>
  )
}

function Statement({ row }: { readonly row: GridRow }) {
  const item = useCourse((s) => itemOf(s.view, row))
  const depth = useCourse((s) => indexFrameworks(s.view).depthOf(row.id))
  const hasParts = useCourse((s) => item !== undefined && indexFrameworks(s.view).partsOf(row.id).length > 0)
  if (!item) return <span className="muted">Type a requirement, or paste rows from a spreadsheet</span>
  return (
    <span style={{ paddingLeft: depth * 16, fontWeight: hasParts ? 650 : 400 }} data-tip={item.statement}>
      {item.statement}
      {!item.required && <span className="tag">not required</span>}
    </span>
  )
}

function Occasions({ row }: { readonly row: GridRow }) {
  const shown = useCourseData(({ view }) => {
    const coverage = coverageOf(view, row)
    if (!coverage?.needs.includes('assesses') || indexFrameworks(view).partsOf(row.id).length > 0) return null
    const index = indexCourse(view)
    return {
      text: `${coverage.planned} of ${coverage.wanted}`,
      by: coverage.evidence.map((e) => `${index.numberOf(e.activityId)} ${e.title} (${e.method})`).join('\n'),
    }
  })
  return shown && <span data-tip={shown.by}>{shown.text}</span>
}

/** The same flag for the same figures, so that nothing is drawn anew. */
const SHORT = new Map<string, { readonly weight: 'check'; readonly message: string }>()
const shortFlag: GridColumn['flag'] = (state, row) => {
  const coverage = coverageOf(state.view, row)
  if (!coverage?.short) return null
  const message = `${coverage.planned} planned, ${coverage.wanted} required`
  const flag = SHORT.get(message) ?? { weight: 'check', message }
  SHORT.set(message, flag)
  return flag
}

const COLUMNS: readonly GridColumn[] = [
  fieldColumn('frameworkItem', 'code', { width: 76, Cell: Code }),
  fieldColumn('frameworkItem', 'statement', { header: 'Requirement', cell: { name: 'text' }, Cell: Statement }),
  fieldColumn('frameworkItem', 'kind', {
    width: 104,
    Cell: ({ row }) =>
      useCourse((s) => {
        const kind = itemOf(s.view, row)?.kind
        return kind ? (KIND_SHORT[kind] ?? kind) : ''
      }),
  }),
  links('outcomes', 'Outcomes', 86, 'CO1 CO3'),
  links('objectives', 'Objectives', 90, '2a 3b'),
  stage('taught', 'Taught'),
  stage('practised', 'Practised'),
  stage('assessed', 'Assessed'),
  fieldColumn('frameworkItem', 'times', {
    header: 'Occasions',
    width: 90,
    hint: () => 'How often it must be shown',
    flag: shortFlag,
    Cell: Occasions,
  }),
  fieldColumn('frameworkItem', 'required', { width: 92, hidden: true }),
  fieldColumn('frameworkItem', 'anyOf', { header: 'Parts enough', width: 104, hidden: true }),
  fieldColumn('frameworkItem', 'contexts', { width: 180, hidden: true }),
  fieldColumn('frameworkItem', 'notes', { width: 220, hidden: true }),
]

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
