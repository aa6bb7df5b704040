/** What a table lists: each form that is known is declared once, with what it needs and what else it may be. */
import type { Table } from './blocks'
import type { Column, Role } from './column-roles'
import type { Header } from './find-header'
import type { Place } from './place'
import { isTotal } from './prose-grades'
import { readCodes, splitCode, titleKey } from './quantities'

export const TABLE_FORMS = {
  activities: {
    says: 'activities, one in a row',
    uses: [
      'title',
      'minutes',
      'kind',
      'points',
      'objectives',
      'due',
      'number',
      'module',
      'week',
      'mark',
      'part',
      'category',
      'percent',
      'outcomes',
    ],
  },
  plan: {
    says: 'a schedule, or a plan with a module in a row',
    uses: ['module', 'week', 'date', 'reading', 'title', 'assessments', 'due', 'objectives', 'points'],
  },
  objectives: { says: 'objectives', uses: ['statement', 'objectives', 'number', 'module', 'outcomes'] },
  outcomes: { says: 'course outcomes', uses: ['statement', 'outcomes', 'number'] },
  modules: { says: 'modules', uses: ['module', 'week', 'number'] },
  grades: { says: 'what the grade consists of', uses: ['title', 'category', 'percent', 'points', 'count', 'assessments'] },
  rubric: { says: 'a rubric: kept as text', uses: [] },
  records: { says: 'rows that say what they are', uses: ['record', 'title', 'statement', 'minutes', 'points', 'due', 'number'] },
  text: { says: 'text, no table', uses: [] },
} as const satisfies Record<string, { readonly says: string; readonly uses: readonly Role[] }>
export type TableKind = keyof typeof TABLE_FORMS
export const TABLE_KINDS = Object.keys(TABLE_FORMS) as TableKind[]

/** Forms that a table may be read as, those that use the most of its columns first; `text` always is one. */
export function otherKinds(columns: readonly Column[], chosen: TableKind): TableKind[] {
  const used = (kind: TableKind) => columns.filter((c) => (TABLE_FORMS[kind].uses as readonly Role[]).includes(c.role)).length
  return TABLE_KINDS.filter((k) => k !== chosen && (k === 'text' || used(k) > 0)).toSorted((a, b) => used(b) - used(a))
}

/** What a table lists, from its columns, the sheet it is on and the heading above it. */
export function kindOf({ columns }: Pick<Header, 'columns'>, place: Place, rows: Table['rows']): TableKind {
  const roles = new Set(columns.map((c) => c.role))
  const has = (...list: Role[]) => list.some((r) => roles.has(r))
  if (columns.some((c) => /^criteri(?:on|a)\b/i.test(c.header))) return 'rubric'
  if (has('record') && has('title', 'statement', 'reading')) return 'records'
  const work = has('title', 'kind', 'minutes', 'assessments', 'reading', 'due')
  if (place.section === 'grading' && has('percent', 'points', 'count')) return 'grades'
  if (!work && !has('points', 'percent', 'count')) {
    if (has('statement') && namesOutcomes(columns, rows)) return 'outcomes'
    if (has('statement') && (codesOfModules(rows).size > 1 || holdsCodes(columns, rows, 'outcomes'))) return 'objectives'
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
    (has('reading', 'assessments', 'due') || (has('week', 'date') && !has('points', 'percent', 'number'))) &&
    !(has('title') && has('points', 'objectives') && !has('assessments', 'reading') && !listsInCells(rows, columns))
  )
    return 'plan'
  // A row for each module, with its work in lists that tell their own times.
  // Work with a time of its own beside it is told row by row.
  const isItsTime = (c: Column | undefined) => c?.role === 'minutes' && /^(?:est|min|time|duration|hours?|hrs?|h\b|\()|^$/i.test(c.header)
  const kinds = columns.filter((c, x) => ['title', 'reading', 'assessments'].includes(c.role) && !isItsTime(columns[x + 1])).length
  if (has('module') && modulesDiffer(rows, columns) && ((has('title') && listsInCells(rows, columns)) || kinds >= 2)) return 'plan'
  if (has('module') && has('assessments', 'reading', 'objectives') && !has('minutes', 'kind', 'points', 'part', 'title')) return 'plan'
  if (
    has('module') &&
    has('title') &&
    !has('minutes', 'kind', 'points', 'number') &&
    (has('assessments', 'reading') || listsInCells(rows, columns))
  )
    return 'plan'
  if (has('count') || (has('percent') && !has('minutes', 'objectives', 'module', 'part', 'mark'))) return 'grades'
  if (has('points') && !has('minutes', 'kind', 'objectives', 'module', 'part', 'week', 'due') && place.module === null && !has('number'))
    return 'grades'
  return 'activities'
}

/** The modules that codes such as `3b` and `MLO 3.2` at the beginning of rows name. */
export const codesOfModules = (rows: Table['rows']): Set<string> =>
  new Set(rows.flatMap((cells) => moduleNumberOf(splitCode(`${cells.find((c) => c.trim() !== '')?.trim() ?? ''} x`).code) ?? []))

/** `3` for `3b` and `MLO 3.2`; null for a code that names no module. */
export function moduleNumberOf(code: string | null): string | null {
  const number = /(\d{1,2})(?:[a-z]$|\.\d)/i.exec(code ?? '')?.[1]
  return number === undefined ? null : String(Number(number))
}

/** Whether the cells under a role are codes and nothing else. */
const holdsCodes = (columns: readonly Column[], rows: Table['rows'], role: Role): boolean => {
  const at = columns.findIndex((c) => c.role === role)
  const cells = at < 0 ? [] : rows.map((r) => (r[at] ?? '').trim()).filter((c) => c !== '')
  return cells.length > 0 && cells.every((c) => readCodes(c) !== null)
}

/** "Outcome | Text": the codes before the statements are their own, each once. */
function namesOutcomes(columns: readonly Column[], rows: Table['rows']): boolean {
  const at = columns.findIndex((c) => c.role === 'outcomes')
  const codes = rows.map((r) => (r[at] ?? '').trim()).filter((c) => c !== '')
  const isFirst = at >= 0 && columns.slice(at + 1).some((c) => c.role === 'statement')
  const isAlone = columns.every((c) => !['objectives', 'module', 'number'].includes(c.role))
  return isFirst && isAlone && codes.length > 1 && new Set(codes).size === codes.length && codes.every((c) => readCodes(c)?.length === 1)
}

/** Whether cells of work hold lists: then a row is a whole module. */
const listsInCells = (rows: Table['rows'], columns: readonly Column[]): boolean =>
  rows.some((r) =>
    r.some((c, i) => ['title', 'assessments', 'reading'].includes(columns[i]?.role ?? '') && c.trim().split('\n').length > 1),
  )

/** Whether every row names a module of its own. */
function modulesDiffer(rows: Table['rows'], columns: readonly Column[]): boolean {
  const at = columns.findIndex((c) => c.role === 'module')
  // A code and what it stands for, below the rows, are a list of their own.
  const filled = rows.filter((r) => {
    const texts = r.filter((c) => c.trim() !== '')
    return texts.length > 0 && !texts.slice(0, 2).some(isTotal) && !(texts.length === 2 && readCodes(texts[0] as string)?.length === 1)
  })
  const names = filled.map((r) => (r[at] ?? '').trim())
  return at >= 0 && !names.includes('') && new Set(names).size === names.length
}

/** Ways to assess, which are no work of their own. */
const WAYS =
  /^(?:rubric|checklist|observation|self[- ]?(?:check|assessment)|peer feedback|(?:instructor|tutor|teacher|automatic|auto)?[- ]?(?:feedback|marked|graded)|formative|summative|participation|completion|yes|no|graded|ungraded|pass\/fail)\b/i

/**
 * Whether assessments beside titles are work of their own: they differ from row to row, are called otherwise than the titles beside
 * them, and no row has points or a share without one.
 */
export function namesGradedWork(columns: readonly Column[], rows: Table['rows']): boolean {
  const at = (...roles: Role[]) => columns.findIndex((c) => roles.includes(c.role))
  const [title, graded, amount] = [at('title'), at('assessments'), at('points', 'percent')]
  if (title < 0 || graded < 0 || amount < 0) return false
  const cell = (r: readonly string[], x: number) => (r[x] ?? '').trim()
  const work = rows.filter((r) => cell(r, title) !== '')
  const named = work.filter((r) => cell(r, graded) !== '')
  const isNumber = (r: readonly string[]) => /\d/.test(cell(r, amount))
  const texts = named.map((r) => cell(r, graded))
  return (
    named.length >= 2 &&
    work.filter(isNumber).every((r) => named.includes(r)) &&
    named.filter(isNumber).length >= named.length * 0.6 &&
    new Set(texts).size >= texts.length * 0.7 &&
    !texts.some((t) => WAYS.test(t)) &&
    named.every((r) => titleKey(cell(r, title)) !== titleKey(cell(r, graded)))
  )
}

/** In a grade table a column of numbers that do not run 1, 2, 3 says how many there are. */
export function countedColumns(columns: readonly Column[], rows: Table['rows']): readonly Column[] {
  const at = columns.findIndex((c) => c.role === 'number')
  if (at < 0 || columns.some((c) => c.role === 'count')) return columns
  const numbers = rows.map((r) => (r[at] ?? '').trim()).filter((c) => c !== '')
  const counts = numbers.length > 0 && numbers.every((n) => /^\d{1,2}$/.test(n)) && numbers.some((n, i) => Number(n) !== i + 1)
  return counts ? columns.map((c, i) => (i === at ? { ...c, role: 'count' as const } : c)) : columns
}
