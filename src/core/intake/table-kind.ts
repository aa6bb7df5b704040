/** What a table lists, and what its columns are once its cells have been looked at. */
import type { Block } from './blocks'
import type { Column, Header, Role } from './columns'
import { isTotal, type Place } from './read-prose'

export type TableKind = 'outcomes' | 'objectives' | 'activities' | 'plan' | 'grades' | 'modules'
export type Table = Extract<Block, { type: 'table' }>

/** What a table lists, from its columns, the sheet it is on and the heading above it. */
export function kindOf({ columns }: Header, place: Place, table: Table): TableKind {
  const roles = new Set(columns.map((c) => c.role))
  const has = (...list: Role[]) => list.some((r) => roles.has(r))
  const work = has('title', 'kind', 'minutes', 'assessments', 'reading', 'due')
  if (place.section === 'grading' && has('percent', 'points', 'count')) return 'grades'
  if (!work && !has('points', 'percent', 'count')) {
    if (has('objectives') && (has('statement', 'number', 'module', 'outcomes') || place.section === 'objectives')) return 'objectives'
    if (has('outcomes') && !has('module')) return 'outcomes'
    if (has('statement') && place.section === 'outcomes') return 'outcomes'
    if (has('statement')) return place.module !== null || has('module') || place.section === 'objectives' ? 'objectives' : 'outcomes'
    if (has('module')) return 'modules'
  }
  if (has('outcomes') && !work && has('statement', 'number') && !has('objectives', 'module')) return 'outcomes'
  if (has('objectives') && !work && !has('points')) return 'objectives'
  if (
    has('week', 'date', 'module') &&
    !has('minutes', 'kind') &&
    (has('reading', 'assessments', 'due') || (has('week', 'date') && !has('points', 'percent', 'number')))
  )
    return 'plan'
  if (has('module') && has('assessments', 'reading', 'objectives') && !has('minutes', 'kind', 'points', 'part')) return 'plan'
  if (has('module') && has('title') && !has('minutes', 'kind', 'points', 'number') && wholeModules(table.rows)) return 'plan'
  if (has('count') || (has('percent') && !has('minutes', 'objectives', 'module', 'part'))) return 'grades'
  if (has('points') && !has('minutes', 'kind', 'objectives', 'module', 'part', 'week') && place.module === null && !has('number'))
    return 'grades'
  return 'activities'
}

/** Whether cells hold lists: then a row is a whole module. */
const wholeModules = (rows: readonly (readonly string[])[]): boolean => rows.some((r) => r.some((c) => c.trim().split('\n').length > 2))

/** A column of yes and no says whether, not what. */
export function withoutYesNo(columns: readonly Column[], rows: readonly (readonly string[])[]): readonly Column[] {
  return columns.map((c, i) => {
    const cells = rows.map((r) => (r[i] ?? '').trim()).filter((t) => t !== '' && !isTotal(t))
    const yesNo = c.role !== 'ignored' && cells.length > 0 && cells.every((t) => /^(?:yes|no|y|n|x|✓|✔|true|false|ja|nein)$/i.test(t))
    return yesNo ? { ...c, role: 'ignored' as const } : c
  })
}

/** In a grade table a column of numbers that do not run 1, 2, 3 says how many there are. */
export function countedColumns(columns: readonly Column[], rows: readonly (readonly string[])[]): readonly Column[] {
  const at = columns.findIndex((c) => c.role === 'number')
  if (at < 0 || columns.some((c) => c.role === 'count')) return columns
  const numbers = rows.map((r) => (r[at] ?? '').trim()).filter((c) => c !== '')
  const counts = numbers.length > 0 && numbers.every((n) => /^\d{1,2}$/.test(n)) && numbers.some((n, i) => Number(n) !== i + 1)
  return counts ? columns.map((c, i) => (i === at ? { ...c, role: 'count' as const } : c)) : columns
}
