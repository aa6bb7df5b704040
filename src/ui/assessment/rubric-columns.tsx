/** The columns of a rubric: its criteria, its levels, weights and links. Its first row is that of the levels. */
import { useMemo } from 'react'
import type { Blueprint } from '../../core/blueprint/blueprint'
import { linkId } from '../../core/blueprint/ids'
import type { Criterion, Rubric, RubricLevel } from '../../core/blueprint/kinds'
import { levelText, writeCriterionLinks, writeDescriptor, writeLevel } from '../../core/edits/rubrics'
import { formatHundredths } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { fieldColumn, LinkChips, textColumn } from '../parts/grid/field-column'
import type { GridColumn, GridRow } from '../parts/grid/types'
import { type CourseState, useCourse, useCourseData } from '../store/course-store'

/** The row that holds the levels' titles and percents. */
export const LEVELS: GridRow = { key: 'levels', type: 'data', id: '', fixed: true }
const isLevels = (row: GridRow): boolean => row.key === LEVELS.key

/** A column that says its name in the levels' row, beside what it holds for each criterion. */
const named = (name: string, column: GridColumn): GridColumn => {
  const { Cell, write } = column
  return {
    ...column,
    text: (plan, row) => (isLevels(row) ? '' : column.text(plan, row)),
    Cell: ({ row }) => (isLevels(row) ? name : <Cell row={row} />),
    ...(write ? { write: (edit, row, written) => (isLevels(row) ? null : write(edit, row, written)) } : {}),
  }
}

/** What was found of one of a criterion's or the rubric's fields. */
const found = (state: CourseState, record: string, field: string, cell?: string) =>
  (state.byRecord.get(record) ?? []).find((f) => f.accepted === null && f.field === field && (cell === undefined || f.cell === cell)) ??
  null

const criterionFlag =
  (field: string): GridColumn['flag'] =>
  (state, row) =>
    row.id === '' ? null : found(state, `criterion ${row.id}`, field)

export function useRubricColumns(rubric: Rubric, levels: readonly RubricLevel[]): readonly GridColumn[] {
  return useMemo(() => {
    const unit = rubric.scale === 'percent' ? '%' : 'Points'
    return [
      TITLE,
      ...levels.map((level) => levelColumn(rubric.id, level, level === levels.at(-1))),
      named(unit, fieldColumn('criterion', 'weight', { header: unit, width: 70, Cell: Weight })),
      OBJECTIVES,
      MUST,
    ]
  }, [rubric.id, rubric.scale, levels])
}

const TITLE = named(
  'Criterion',
  fieldColumn('criterion', 'title', {
    header: 'Criterion',
    width: 160,
    cell: { name: 'text', lines: true },
    flag: criterionFlag('title'),
    Cell: ({ row }) => {
      const title = useCourse((s) => s.view.criterion.get(row.id)?.title)
      return row.type === 'new' ? <span className="muted">Type a criterion, or paste rows</span> : <b>{title}</b>
    },
  }),
)

function Weight({ row }: { readonly row: GridRow }) {
  const weight = useCourse((s) => s.view.criterion.get(row.id)?.weight)
  if (weight === undefined) return null
  return weight === null ? <span className="muted">–</span> : <b>{formatHundredths(weight)}</b>
}

const descriptorText = (plan: Blueprint, criterionId: string, levelId: string): string =>
  plan.descriptor.get(linkId([criterionId, levelId]))?.text ?? ''

const levelColumn = (rubricId: string, level: RubricLevel, isLast: boolean): GridColumn =>
  textColumn({
    id: level.id,
    header: levelText(level),
    width: 140,
    cell: { name: 'text', lines: true },
    // Emptying many cells at once keeps the levels: they are what the other cells belong to.
    kept: isLevels,
    text: (plan, row) => (isLevels(row) ? levelText(plan.rubricLevel.get(level.id) ?? level) : descriptorText(plan, row.id, level.id)),
    flag: (state, row) =>
      isLevels(row)
        ? isLast
          ? found(state, `rubric ${rubricId}`, 'levels')
          : null
        : found(state, `criterion ${row.id}`, 'descriptors', level.id),
    hint: (_plan, row) => (isLevels(row) ? 'Title and percent of the full mark, such as Partly 50. Empty removes the level.' : null),
    write: (edit, row, { text }) => (isLevels(row) ? writeLevel(edit, level.id, text) : writeDescriptor(edit, row.id, level.id, text)),
    Cell: ({ row }) => <LevelCell row={row} level={level} />,
  })

function LevelCell({ row, level }: { readonly row: GridRow; readonly level: RubricLevel }) {
  const text = useCourse((s) => descriptorText(s.view, row.id, level.id))
  if (isLevels(row))
    return (
      <>
        {level.title} <span className="muted">· {formatHundredths(level.value)} %</span>
      </>
    )
  return text || (row.type === 'data' ? <span className="muted">–</span> : '')
}

const linksOf = (plan: Blueprint, criterion: Criterion) => {
  const index = indexCourse(plan)
  return index.objectivesOfCriterion(criterion.id).map((o) => ({ kind: 'objective' as const, id: o.id, number: index.numberOf(o.id) }))
}

const OBJECTIVES = named(
  'Objectives',
  textColumn({
    id: 'objectives',
    header: 'Objectives',
    width: 104,
    cell: { name: 'link' },
    flag: criterionFlag('objectives'),
    hint: () => 'Numbers such as 4c 4d, or general',
    text: (plan, row) => {
      const criterion = plan.criterion.get(row.id)
      if (!criterion) return ''
      return criterion.general
        ? 'general'
        : linksOf(plan, criterion)
            .map((l) => l.number)
            .join(' ')
    },
    write: (edit, row, { text }) => writeCriterionLinks(edit, row.id, text),
    Cell: ({ row }) => {
      const isGeneral = useCourse((s) => s.view.criterion.get(row.id)?.general === true)
      const ends = useCourseData((s) => {
        const criterion = s.view.criterion.get(row.id)
        return criterion ? linksOf(s.view, criterion) : null
      })
      return isGeneral ? <span className="muted">general</span> : ends && <LinkChips ends={ends} />
    },
  }),
)

const MUST = named(
  'Must',
  fieldColumn('criterion', 'critical', {
    header: 'Must be met',
    width: 58,
    text: (plan, row) => (plan.criterion.get(row.id)?.critical ? 'must' : ''),
    Cell: ({ row }) => useCourse((s) => (s.view.criterion.get(row.id)?.critical ? 'must' : '')),
  }),
)
