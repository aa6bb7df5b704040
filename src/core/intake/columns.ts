/** What the columns of a table hold, from what their headers say and what stands below them. */

import {
  clockPairs,
  descriptionsOfWork,
  groupedStatements,
  lessonsInUnits,
  meetingsAsParts,
  topicsInDays,
  topicsOfSchedule,
  withModules,
  withPairs,
  withParallel,
  withRuns,
  workByKind,
  workWithTimes,
} from './column-groups'
import { type Profile, profileOf } from './column-profile'
import { type Column, columnOf, PASS_MARK, type Role } from './column-roles'
import { isCodeHeader, LOOKED_BELOW, type Rows } from './find-header'
import { moduleHead } from './heads'
import { readCodes } from './quantities'

/**
 * The columns of a table once its cells have been looked at: a header that the cells contradict says nothing, and where a header says
 * nothing, the cells do. What they say is a guess.
 */
export function columnsByCells(columns: readonly Column[], rows: Rows, known: Known = NOTHING_KNOWN): readonly Column[] {
  const width = Math.max(columns.length, ...rows.slice(0, 200).map((r) => r.length))
  const look = (i: number): Column => {
    const given = columns[i] ?? columnOf('')
    const profile = profileOf(
      rows.map((r) => (r[i] ?? '').trim()),
      known.isHead,
    )
    // A header that is only like a known word says nothing where the cells say otherwise.
    const column = given.guess !== null && contradicts(given.role, profile) ? { ...given, role: 'unknown' as const, guess: null } : given
    if (profile.n === 0) return column
    if (profile.marks === 1 && (isCodeHeader(column.header) || isStatementHeader(column.header))) return { ...column, role: 'mark' }
    // Beside modules, 1.1, 1.2, 2.1 number what is in them.
    const others = columns.some((c, x) => x !== i && c.role === 'module')
    const isTitled = /^(?:titles?|names?)$/i.test(columns[i + 1]?.header ?? '')
    if (column.role === 'module' && others && !isTitled && profile.codes === 1 && profile.distinct >= 0.9)
      return { ...column, role: 'number' }
    if (column.role === 'percent' && /^grade$/i.test(column.header) && !isShares(rows, i))
      return { ...column, role: 'points', guess: `“${column.header}” is read as points: it does not sum to 100` }
    if (profile.records >= 0.9 && profile.n >= 3) return { ...column, role: 'record' }
    // "Graded?" over points and no: what is graded counts them.
    if (column.role === 'unknown' && /^graded\b/i.test(column.header) && profile.amounts > 0 && profile.amounts + profile.yesNo === 1)
      return { ...column, role: 'points' }
    // A column of yes and no says whether, not what.
    if (profile.yesNo === 1) return { ...column, role: 'note' }
    const name = column.header === '' ? `column ${i + 1}` : `“${column.header}”`
    const guess = `${name} is read so by what stands in it`
    if (PASS_MARK.test(column.header)) return column
    const named = ['unknown', 'objectives', 'outcomes', 'note', 'reading', 'kind', 'category'].includes(column.role)
      ? codesIn(rows, i, known)
      : null
    if (named !== null && named !== column.role) return { ...column, role: named, guess }
    const before = column.role === 'unknown' ? known.roleOf(column.header) : undefined
    // Anything can be a note.
    if (before !== undefined && (before === 'note' || !contradicts(before, profile)))
      return { ...column, role: before, guess: `${name} is read as in the table before` }
    if (column.role !== 'unknown' && !contradicts(column.role, profile)) return column
    const role = roleByCells(profile, [...columns.slice(0, i).map((c, x) => decided[x] ?? c), ...columns.slice(i + 1)])
    // Codes that no list of objectives has are codes of something else.
    if (role === null || (role === 'objectives' && profile.codes >= 0.7 && known.listsObjectives())) return column
    return { ...column, role, guess }
  }
  const looked: Column[] = []
  const decided = looked
  for (let i = 0; i < width; i++) looked.push(look(i))
  clockPairs(looked, rows)
  topicsInDays(looked, rows)
  groupedStatements(looked, rows)
  workByKind(looked, rows)
  workWithTimes(looked, rows)
  meetingsAsParts(looked)
  topicsOfSchedule(looked, rows)
  descriptionsOfWork(looked)
  return withNotes(
    withParallel(
      onceEach(
        withModules(withRuns(withPairs(withTitle(lessonsInUnits(withoutModuleTitles(decided, rows), rows), rows), rows), rows), rows),
      ),
      rows,
    ),
    rows,
  )
}

/** What is known of the course so far: the codes that lists have given, and how its parts are numbered. */
export type Known = {
  readonly isOutcome: (code: string) => boolean
  readonly isObjective: (code: string) => boolean
  /** Whether a list of objectives has it, word for word. */
  readonly isStatement: (text: string) => boolean
  readonly isHead: (text: string) => boolean
  /** Whether objectives with codes are listed anywhere. */
  readonly listsObjectives: () => boolean
  readonly roleOf: (header: string) => Role | undefined
}
const NOTHING_KNOWN: Known = {
  isOutcome: () => false,
  isObjective: () => false,
  isStatement: () => false,
  isHead: (text) => moduleHead(text) !== null,
  listsObjectives: () => false,
  roleOf: () => undefined,
}

/** What the codes in a column are codes of; null where no list has them. */
function codesIn(rows: Rows, x: number, known: Known): 'outcomes' | 'objectives' | null {
  const texts = rows.slice(0, LOOKED_BELOW * 5).flatMap((r) =>
    (r[x] ?? '')
      .split(/\n|;\s/)
      .map((t) => t.trim())
      .filter((t) => t !== ''),
  )
  if (texts.length >= 2 && texts.filter(known.isStatement).length >= texts.length * 0.8) return 'objectives'
  const cells = rows.slice(0, LOOKED_BELOW * 5).map((r) => readCodes((r[x] ?? '').trim()))
  const codes = cells.flatMap((c) => c ?? [])
  if (cells.some((c) => c === null)) return null
  const most = (is: (code: string) => boolean) => codes.length > 0 && codes.filter(is).length >= codes.length * 0.8
  return most(known.isObjective) ? 'objectives' : most(known.isOutcome) ? 'outcomes' : null
}

/** What an objective of a matrix says above its marks. */
const isStatementHeader = (header: string): boolean => header.trim().split(/\s+/).length >= 3

/** Whether numbers without a sign are shares: they sum to a hundred, or say so. */
function isShares(rows: Rows, x: number): boolean {
  const cells = rows.map((r) => (r[x] ?? '').trim()).filter((c) => c !== '')
  if (cells.some((c) => c.includes('%'))) return true
  return Math.abs(cells.reduce((sum, c) => sum + (Number(c.replace(',', '.')) || 0), 0) - 100) < 1
}

/** Texts of no form beside named work are remarks on it. */
function withNotes(columns: readonly Column[], rows: Rows): readonly Column[] {
  if (!columns.some((c) => c.role === 'title')) return columns
  return columns.map((c, x) => {
    if (c.role !== 'unknown') return c
    const p = profileOf(rows.map((r) => (r[x] ?? '').trim()))
    const isRemark = p.words >= 1.5 && Math.max(p.amounts, p.codes, p.whens, p.times) < 0.3
    return isRemark ? { ...c, role: 'note' as const, guess: `“${c.header}” is read so by what stands in it` } : c
  })
}

/** "Module | Title | (unknown)": titles that repeat, or stand where modules begin, are those of modules where another column has texts that differ. */
function withoutModuleTitles(columns: readonly Column[], rows: Rows): readonly Column[] {
  const title = columns.findIndex((c) => c.role === 'title')
  const module = columns.findIndex((c) => c.role === 'module')
  // A list of modules: nothing but what they are called and when they are.
  const plain = columns.every((c) => ['module', 'title', 'week', 'date', 'number', 'note'].includes(c.role))
  // "Lab | Date | Title | Pre-lab | Post-lab": a number alone, and work in columns of its own.
  const counted = columns.every((c) => ['module', 'title', 'week', 'date', 'note', 'assessments', 'reading', 'due'].includes(c.role))
  const isCounted = counted && module >= 0 && rows.every((r) => /^(?:\d{1,2})?$/.test((r[module] ?? '').trim()))
  if ((plain || isCounted) && title >= 0 && module >= 0 && /^(?:title|name|topic)s?$/i.test(columns[title]?.header ?? '')) {
    const refs = rows.map((r) => (r[module] ?? '').trim()).filter((c) => c !== '')
    if (refs.length > 0 && new Set(refs).size === refs.length)
      return columns.map((c, x) => (x === title ? { ...c, role: 'module' as const } : c))
  }
  if (title < 1 || columns[title - 1]?.role !== 'module') return columns
  const cells = (x: number) => rows.map((r) => (r[x] ?? '').trim())
  const [own, above] = [cells(title), cells(title - 1)]
  const together = own.every((c, y) => (c === '') === (above[y] === ''))
  const repeats = profileOf(own).distinct < 0.7 || own.filter((c) => c !== '').length < own.length * 0.6
  const other = columns.some(
    (c, x) =>
      x !== title &&
      (c.role === 'unknown' || c.role === 'title') &&
      profileOf(cells(x)).words >= 1.5 &&
      profileOf(cells(x)).distinct >= 0.7,
  )
  return together && repeats && other ? columns.map((c, x) => (x === title ? { ...c, role: 'module' as const } : c)) : columns
}

/** Where facts about work are known and no column names it, the column of texts that differ does. */
function withTitle(columns: readonly Column[], rows: Rows): readonly Column[] {
  const has = (...roles: Role[]) => columns.some((c) => roles.includes(c.role))
  const work = has('minutes', 'ends', 'kind', 'due', 'points', 'mark')
  if (has('title', 'assessments', 'reading', 'statement', 'record') || !(work || has('objectives', 'number'))) return columns
  const filled = rows.filter((r) => r.filter((c) => c.trim() !== '').length >= 2).length
  const texts = columns.map((c, x) => ({ c, x, p: profileOf(rows.map((r) => (r[x] ?? '').trim())) }))
  const [best] = texts
    .filter(({ c, p }) => c.role === 'unknown' && p.words >= 1.5 && p.distinct >= 0.7 && p.n >= filled * 0.6 && p.codes < 0.5)
    .toSorted((a, b) => b.p.words - a.p.words)
  if (!best) return columns
  const guess = `“${best.c.header}” is read so by what stands in it`
  // Codes with a text beside them and nothing about work are a list of what is to be learnt.
  const role: Role = work ? 'title' : 'statement'
  return columns.map((c, x) =>
    x === best.x ? { ...c, role, guess } : c.role === 'objectives' && !work ? { ...c, role: has('number') ? 'outcomes' : 'number' } : c,
  )
}

/** Whether cells cannot be what a header says. */
function contradicts(role: Role, p: Profile): boolean {
  switch (role) {
    case 'minutes':
      return p.times + p.numbers < 0.4
    case 'points':
    case 'percent':
      return p.amounts < 0.4 && p.words > 1.5
    case 'week':
      return p.weeks < 0.5 && p.whens < 0.5
    case 'date':
      return p.whens + p.weeks < 0.4 && p.words > 3
    case 'kind':
      return p.words > 4
    case 'assessments':
      return p.times + p.numbers >= 0.9 && p.n >= 2
    case 'number':
      return p.words > 3
    case 'note':
      return p.codes >= 0.8 || p.whens >= 0.8 || (p.amounts >= 0.9 && p.n >= 2)
    default:
      return false
  }
}

/** What a column is by its cells alone; null where they do not tell. */
function roleByCells(p: Profile, others: readonly Column[]): Role | null {
  const taken = (role: Role) => others.some((c) => c.role === role)
  if (p.heads >= 0.7 && !taken('module')) return 'module'
  if (p.weeks === 1 && p.rises && p.spans && !taken('week')) return 'week'
  if (p.counts && !taken('module')) return 'module'
  if (p.weeks === 1 && p.rises && !taken('week')) return 'week'
  if ((p.times >= 0.6 || (p.times >= 0.2 && p.times + p.numbers >= 0.95)) && !taken('minutes')) return 'minutes'
  if (p.percents >= 0.7 && !taken('percent')) return 'percent'
  if (p.points >= 0.7 && !taken('points')) return 'points'
  if (p.whens >= 0.7 && p.daysRise && !taken('date') && (taken('week') || taken('module'))) return 'date'
  if (p.whens >= 0.7 && !taken('due')) return 'due'
  if (p.dated >= 0.6 && !taken('due')) return 'due'
  if (p.codes >= 0.7 && !taken('objectives') && !taken('statement')) return 'objectives'
  if (p.codes === 1 && p.distinct === 1 && taken('objectives') && taken('title') && !taken('number')) return 'number'
  if (p.statements >= 0.7 && !taken('objectives') && !taken('statement')) return 'objectives'
  // What work is for stands in several rows, in the words of an objective.
  if (p.verbs >= 0.8 && (p.distinct < 0.9 || taken('title')) && !taken('objectives')) return 'objectives'
  // Names of work tell kinds as well, and each is another.
  if (p.kinds >= 0.7 && p.words <= 3 && (p.words < 1.3 || p.distinct < 0.9) && !taken('kind')) return 'kind'
  if (p.amounts >= 0.9 && p.words < 1.3 && !p.rises && !taken('points')) return 'points'
  return null
}

/** Roles that one column plays: of several the first, the others are asked about. */
function onceEach(columns: readonly Column[]): Column[] {
  const seen = new Set<Role>()
  const many: readonly Role[] = [
    'unknown',
    'note',
    'mark',
    'module',
    'outcomes',
    'objectives',
    'assessments',
    'reading',
    'title',
    'minutes',
  ]
  return columns.map((c) => {
    if (many.includes(c.role) || !seen.has(c.role)) {
      seen.add(c.role)
      return c
    }
    return { ...c, role: 'unknown' as const }
  })
}

/** The columns of a table without a header, where its cells tell a title and something about it; null where they do not. */
export function columnsWithoutHeader(rows: Rows, isHead?: Known['isHead']): readonly Column[] | null {
  const filled = rows.filter((r) => r.filter((c) => c.trim() !== '').length >= 2)
  if (filled.length < 3 || filled.length < rows.length * 0.6) return null
  const width = Math.max(...filled.map((r) => r.length))
  // Labels with their facts are no table.
  const labels = filled.filter((r) => /:\s*$/.test(r.find((c) => c.trim() !== '') ?? '')).length
  if (labels > filled.length / 2 || (width < 3 && filled.length < 5)) return null
  const known: Column[] = []
  const profiles = Array.from({ length: width }, (_, i) =>
    profileOf(
      filled.map((r) => (r[i] ?? '').trim()),
      isHead,
    ),
  )
  for (const [i, profile] of profiles.entries()) {
    const isRecord = i === 0 && profile.records >= 0.9
    const role = profile.n < 2 ? null : isRecord ? 'record' : roleByCells(profile, known)
    known.push({ ...columnOf(''), role: role ?? 'unknown', guess: `column ${i + 1} is read so by what stands in it` })
  }
  const title = profiles.findIndex(
    (p, i) => known[i]?.role === 'unknown' && p.words >= 2 && p.distinct >= 0.8 && p.n >= filled.length * 0.8,
  )
  const facts = known.filter((c) => ['minutes', 'points', 'percent', 'objectives', 'kind', 'due', 'record'].includes(c.role)).length
  const plan = title < 0 || facts === 0 ? scheduleColumns(known, profiles, filled.length) : null
  if (plan) return plan
  if (title < 0 || facts === 0) return null
  return known.map((c, i) => (i === title ? { ...c, role: 'title' as const } : c))
}

/** "Week 1 | Jan 16 | Topic | Read ch. 1": weeks or days that go on, then what they are about, then what is done. */
function scheduleColumns(known: readonly Column[], profiles: readonly Profile[], rows: number): readonly Column[] | null {
  const isTime = (c: Column, i: number) => c.role === 'week' || c.role === 'date' || (c.role === 'due' && profiles[i]?.daysRise === true)
  const texts = known.flatMap((c, i) => (c.role === 'unknown' && (profiles[i]?.n ?? 0) > 0 ? [i] : []))
  const [topic, ...work] = texts
  const times = known.filter(isTime).length
  if (times === 0 || times + texts.length < known.length || topic === undefined || work.length === 0) return null
  if ((profiles[topic]?.n ?? 0) < rows * 0.8 || known.slice(topic + 1).some(isTime)) return null
  return known.map((c, i) => {
    const role = i === topic ? 'module' : work.includes(i) ? 'assessments' : c.role === 'due' ? 'date' : c.role
    return { ...c, role }
  })
}
