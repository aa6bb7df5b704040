/** The columns of a set of points: a row a point, under its area. */
import { isKindName, nounsOf } from '../../core/blueprint/kinds'
import { ACTIVITY_KINDS } from '../../core/blueprint/kinds/activity'
import { listOf } from '../../core/numbers'
import { isRule } from '../../core/review/own-set'
import { matchesOf } from '../../core/review/plan-sets'
import { matchByCodes, writeCode, writeLooksAt } from '../../core/review/set-edits'
import { fieldColumn, textColumn } from '../parts/grid/field-column'
import type { Flag, GridColumn, GridRow } from '../parts/grid/types'
import { type CourseState, useCourse } from '../store/course-store'

/** The same object for the same words, as cells want it. */
const flags = new Map<string, Flag>()
function flagOf(message: string): Flag {
  const flag = flags.get(message) ?? { weight: 'open', message }
  flags.set(message, flag)
  return flag
}

const isKnownKind = (text: string): boolean => {
  const [kind = '', of] = text.split(':')
  return isKindName(kind) && (of === undefined || (kind === 'activity' && ACTIVITY_KINDS.some((k) => k === of)))
}

/** `framework items`, `lab activities`. */
const kindWords = (text: string): string => {
  const [kind = '', of] = text.split(':')
  return isKindName(kind) ? `${of ? `${of}: ` : ''}${nounsOf(kind)}` : text
}

/** Marks what of a list is not known here. */
const unknownIn =
  (field: 'findings' | 'looksAt', isKnown: (text: string) => boolean, says: (texts: string, n: number) => string) =>
  (state: CourseState, row: GridRow): Flag | null => {
    const unknown = (state.view.reviewPoint.get(row.id)?.[field] ?? []).filter((t) => !isKnown(t))
    return unknown.length === 0 ? null : flagOf(says(listOf(unknown), unknown.length))
  }

export const SET_COLUMNS: readonly GridColumn[] = [
  fieldColumn('reviewPoint', 'code', {
    width: 76,
    kept: () => true,
    write: (edit, { id }, { text }) => writeCode(edit, id, text),
  }),
  fieldColumn('reviewPoint', 'statement', {
    width: 420,
    Cell: ({ row }) => {
      const statement = useCourse((s) => s.view.reviewPoint.get(row.id)?.statement)
      if (row.type === 'new')
        return <span className="muted">{row.id === '' ? 'Type the title of an area' : 'Type a point, or paste rows'}</span>
      return statement
    },
  }),
  fieldColumn('reviewPoint', 'priority', { width: 84 }),
  fieldColumn('reviewPoint', 'looksAt', {
    width: 150,
    write: (edit, { id }, { text }) => writeLooksAt(edit, id, text),
    Cell: ({ row }) => {
      const looksAt = useCourse((s) => s.view.reviewPoint.get(row.id)?.looksAt)
      return looksAt && looksAt.length > 0 ? looksAt.map(kindWords).join(', ') : row.type === 'data' && <span className="muted">–</span>
    },
    flag: unknownIn('looksAt', isKnownKind, (texts, n) => `${texts}: ${n === 1 ? 'no kind' : 'no kinds'} of record here yet`),
  }),
  fieldColumn('reviewPoint', 'findings', {
    width: 190,
    flag: unknownIn('findings', isRule, (texts, n) => `${texts}: ${n === 1 ? 'no rule' : 'no rules'} here yet`),
  }),
  textColumn({
    id: 'matches',
    header: 'Asks the same as',
    cell: { name: 'text' },
    width: 130,
    text: (plan, row) =>
      matchesOf(plan, row.id)
        .map((m) => m.point.code)
        .join(', '),
    write: (edit, { id }, { text }) => matchByCodes(edit, id, text),
  }),
  fieldColumn('reviewPoint', 'weight', { width: 76, hidden: true }),
  fieldColumn('reviewPoint', 'tags', { width: 140, hidden: true }),
  fieldColumn('reviewPoint', 'why', { width: 260, hidden: true }),
  fieldColumn('reviewPoint', 'where', { width: 260, hidden: true }),
  fieldColumn('reviewPoint', 'basis', { width: 200, hidden: true }),
  fieldColumn('reviewPoint', 'asLearner', { width: 260, hidden: true }),
]
