/** What the columns of a table are, from what their headers say and what stands below them. */
import { type Profile, profileOf } from './column-profile'
import { readDuration } from './duration'
import { kindIn, moduleHead } from './items'
import { readCodes } from './quantities'
import { readWhen } from './when'

export const ROLES = [
  'module',
  'week',
  'date',
  'part',
  'number',
  'title',
  'kind',
  'objectives',
  'outcomes',
  'minutes',
  'points',
  'percent',
  'count',
  'due',
  'statement',
  'category',
  'reading',
  'assessments',
  'mark',
  'record',
  'note',
  'unknown',
] as const
export type Role = (typeof ROLES)[number]

/** What each role is called where somebody chooses one. */
export const ROLE_SAYS: Readonly<Record<Role, string>> = {
  module: 'modules',
  week: 'weeks',
  date: 'dates of weeks',
  part: 'parts of a module',
  number: 'numbers or codes',
  title: 'titles of activities',
  kind: 'kinds of activities',
  objectives: 'objectives',
  outcomes: 'course outcomes',
  minutes: 'times',
  points: 'points',
  percent: 'shares of the grade',
  count: 'how many there are',
  due: 'due dates',
  statement: 'statements',
  category: 'grade categories',
  reading: 'readings',
  assessments: 'graded work',
  mark: 'marks of a matrix',
  record: 'what each row is',
  note: 'notes',
  unknown: 'nothing that belongs into the course',
}

export type Column = {
  readonly role: Role
  readonly header: string
  /** For time: what a bare number counts. */
  readonly unit: 'minutes' | 'hours'
  /** Whether the header says what a bare number counts. */
  readonly unitSaid: boolean
  /** Why the role is not what the header says. */
  readonly guess: string | null
}

/** Header words by role, first match wins: what is more specific stands first. */
const WORDS: readonly (readonly [Role, RegExp])[] = [
  // The commonest headers in a few other languages.
  ['points', /^(?:(?:max\.? )?punkte|puntos|pontos)\b/],
  ['minutes', /^(?:dauer|zeit|minuten|stunden|durée|duración|tiempo|heures|horas)\b/],
  ['objectives', /^(?:lernziele?|ziele?|objectifs?|objetivos?)\b/],
  ['title', /^(?:(?:lern)?aktivität(?:en)?|aufgaben?|activités?|tâches?|actividad(?:es)?|tareas?)$/],
  ['kind', /^(?:art|typ|tipo)$/],
  ['module', /^(?:thema|modul|einheit|thème|tema|unidad|módulo)$/],
  ['week', /^(?:woche|semaine|semana)$/],
  ['due', /^(?:abgabe|frist|échéance|entrega)\b/],
  ['date', /^(?:datum|fecha)$/],
  ['statement', /^beschreibung$/],
  ['note', /^(?:bemerkung(?:en)?|notiz(?:en)?|hinweise?|anmerkung(?:en)?|remarques?|notas?|observaciones)$/],
  [
    'note',
    /^(?:notes?|comments?|remarks?|status|links?|url|tools?|technology|owner|who|responsible|developer|author|file|done|media|feedback|interaction\w*|location|room|instructions?|materials? needed|platform|to ?do)\b/,
  ],
  ['count', /^(?:number of|no\.? of (?!module|unit)|# of|qty|quantity|count|how many|times)\b/],
  ['percent', /(?:%|percent|^weight(?:ing)?\b|share|of (?:the )?(?:final )?grade|^grade$|proportion)/],
  ['points', /\b(?:points?|pts|marks?|score|max(?:imum)?)\b/],
  ['due', /\b(?:due|deadline|hand[- ]?in|submit by|abgabe|last date|submission date)\b/],
  ['minutes', /\b(?:minutes?|mins?|duration|hours?|hrs|time|effort|workload|learner time|student time|length|zeit|dauer)\b|^h$/],
  [
    'outcomes',
    /^(?:course (?:learning )?(?:outcomes?|goals?)|clos?\b|cos?$|program(?:me)? outcomes?|plos?\b|supports?|(?:aligned )?course outcome|maps? to(?: outcomes?)?|outcomes? (?:served|supported|met))/,
  ],
  [
    'objectives',
    /\b(?:objectives?|obj\.?s?|mlos?|los?|ilos?|slos?|learning goals?|aligned (?:to|with)|alignment|aligns?|module (?:learning )?outcomes?|learning outcomes?|ziele?)\b/,
  ],
  ['assessments', /^(?:assessments?|assignments?|graded (?:work|items?)|what is graded|evaluation)(?:\s*\(.*\))?$/],
  [
    'reading',
    /^(?:readings?|required reading|materials?|resources?|content|read|watch|reading\s*\/\s*\w+|readings? (?:and|&) \w+|preparation|study materials?)\b/,
  ],
  ['kind', /^(?:types?|kind|format|mode|method|activity (?:type|kind)|type of activity|delivery)$/],
  ['category', /^(?:category|grade category|group|grading category|assessment category)$/],
  ['part', /^(?:part|stage|phase|step|sequence|segment)$/],
  ['week', /^(?:weeks?|wks?|week (?:no\.?|number|#)|week\(s\)|teaching week|woche)$/],
  [
    'date',
    /^(?:dates?|week of|week (?:beginning|commencing|starting)|w\/?[cb]|beginning|starts?|start date|from|dates? \/ week|day|when)$/,
  ],
  [
    'module',
    /^(?:modules?|units?|topics?|themes?|sections?|chapters?|lessons?|blocks?|module\s*\/\s*topic|topic\s*\/\s*module|(?:module|unit|topic|lesson) (?:title|name|no\.?|number|#)|no\.? of (?:module|unit)|subject|content area|title of (?:module|unit))$/,
  ],
  ['number', /^(?:no\.?|nr\.?|#|number|id|ref\.?|code|item no\.?|activity (?:no\.?|number|#|id)|order|seq\.?|s\.?no\.?)$/],
  [
    'statement',
    /^(?:statement|description|text|wording|outcome statement|objective statement|learners? will\b.*|students? will\b.*|outcome text|full text|competenc\w+)$/,
  ],
  ['outcomes', /\boutcomes?\b/],
  [
    'title',
    /^(?:(?:learning |student )?activit(?:y|ies)(?: (?:&|and|or) .*)?|tasks?|titles?|names?|items?|elements?|components?|deliverables?|what|assessment (?:name|title|item)|activity (?:title|name|description)|task (?:title|name)|exercise|learning tasks?|student activit\w+|what (?:learners|students) do|graded component|work)$/,
  ],
]

const bareHeader = (header: string): string =>
  header
    .toLowerCase()
    .replace(/[*†‡:?]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()

/** Longer texts are no headers (Cairn default). */
const MOST_HEADER_WORDS = 7

/** The role that a header names; null where it says nothing known. */
export function roleOf(header: string): Role | null {
  const text = bareHeader(header)
  if (text === '' || text.length > 60 || text.split(' ').length > MOST_HEADER_WORDS) return null
  const bare = text.replace(/\s*[([].*?[)\]]\s*/g, ' ').trim()
  for (const [role, pattern] of WORDS) if (pattern.test(bare) || (role === 'percent' && /[([]\s*%|\bin %/.test(text))) return role
  return /[([]\s*(?:in )?(?:min|mins|minutes|h|hrs?|hours?|std)\.?\s*[)\]]/.test(text) ? 'minutes' : null
}

const HOURS = /\b(?:hours?|hrs?|h|std|stunden|heures|horas)\b/i
const MINUTES = /\b(?:min|mins|minutes|minuten|minutos)\b/i
/** What a bare number under a header of times counts. */
export const unitOf = (header: string): Column['unit'] => (HOURS.test(header) && !MINUTES.test(header) ? 'hours' : 'minutes')

const columnOf = (header: string): Column => ({
  role: roleOf(header) ?? 'unknown',
  header: header.trim(),
  unit: unitOf(header),
  unitSaid: HOURS.test(header) || MINUTES.test(header),
  guess: null,
})

export type Header = {
  /** The row behind the header: where the data begin. */
  readonly from: number
  readonly first: number
  readonly columns: readonly Column[]
}

type Rows = readonly (readonly string[])[]
/** Rows looked at for a header (Cairn default): title blocks are rarely longer. */
const HEADER_WITHIN = 25

/**
 * Finds the header of a table: the row in which the most cells name known columns, at least two of them, in which no cell is a
 * long text. A second header row under it, as with merged group headers, fills what the first leaves open.
 */
export function findHeader(rows: Rows, start = 0, isHead?: Known['isHead']): Header | null {
  let best: { at: number; score: number } | null = null
  for (let at = start; at < Math.min(rows.length, start + HEADER_WITHIN); at++) {
    const score = scoreOf(rows[at] as readonly string[])
    if (score >= 2 && (best === null || score > best.score + 1)) best = { at, score }
    if (best?.at === at && hasRows(rows, at)) break
  }
  // A header in unknown words above the one that was found, or where none was.
  const unnamed = best && best.score > 2 ? null : headerByForm(rows, start, HEADER_WITHIN, isHead)
  if (unnamed !== null && (best === null || unnamed < best.at)) best = { at: unnamed, score: 2 }
  if (!best) return null
  const top = rows[best.at] as readonly string[]
  const below = rows[best.at + 1] ?? []
  const above = best.at > start ? (rows[best.at - 1] as readonly string[]) : []
  const belowIsHeader = isHeaderLike(below, top) || isFullerHeader(rows, best.at, isHead)
  const aboveIsHeader = !belowIsHeader && best.at > start && isHeaderLike(above, top) && scoreOf(above) >= 1
  const width = Math.max(top.length, belowIsHeader ? below.length : 0, aboveIsHeader ? above.length : 0)
  const [upper, lower] = belowIsHeader ? [top, below] : aboveIsHeader ? [above, top] : [top, []]
  let group = ''
  // A header over several columns says what kind of thing they are about, not what each is.
  const isWide = (i: number) => (upper[i + 1] ?? '').trim() === '' && (lower[i + 1] ?? '').trim() !== ''
  const columns = Array.from({ length: width }, (_, i) => {
    const [u, l] = [(upper[i] ?? '').trim(), (lower[i] ?? '').trim()]
    if (u !== '') group = u
    if (l === '') return columnOf(u)
    const own = columnOf(l)
    // The lower row is the more exact one; where it says nothing known, the group above it does.
    if (roleOf(l) !== null) return own.role === 'minutes' ? { ...own, unit: unitOf(`${u || group} ${l}`) } : own
    if (roleOf(`${u || group} ${l}`)) return columnOf(`${u || group} ${l}`)
    return u === '' || isWide(i) ? columnOf(l) : { ...columnOf(u), header: l }
  })
  return {
    first: aboveIsHeader ? best.at - 1 : best.at,
    from: best.at + (belowIsHeader ? 2 : 1),
    columns: withModuleTitles(columns),
  }
}

/** Whether data begin below a row: as many cells as it has, or nearly, and no better header. */
function hasRows(rows: Rows, at: number): boolean {
  const filled = (row: readonly string[] = []) => row.filter((c) => c.trim() !== '').length
  const below = rows[at + 1]
  return below !== undefined && filled(below) >= 2 && scoreOf(below) === 0 && filled(below) >= filled(rows[at]) * 0.4
}

/** Whether the row below a header of groups is a header too: it names more, and what stands under it has another form. */
function isFullerHeader(rows: Rows, at: number, isHead?: Known['isHead']): boolean {
  const filled = (row: readonly string[] = []) => row.filter((c) => c.trim() !== '').length
  return filled(rows[at + 1]) > filled(rows[at]) && headerByForm(rows, at + 1, 1, isHead) === at + 1
}

/** Rows that a header stands over, at least (Cairn default). */
const ROWS_BELOW = 2
/** Rows looked at below a header for what their columns are. */
const LOOKED_BELOW = 40

/**
 * A header in words that are not known: the first row of three short texts or more, none of them a value and no two the same, over
 * rows of which at least two columns hold values of one form.
 */
export function headerByForm(rows: Rows, start: number, within = HEADER_WITHIN, isHead?: Known['isHead']): number | null {
  for (let at = start; at < Math.min(rows.length, start + within); at++) {
    const cells = (rows[at] as readonly string[]).map((c) => c.trim())
    const filled = cells.filter((c) => c !== '')
    const known = filled.filter((c) => roleOf(c) !== null).length
    const codes = filled.filter(isCodeHeader)
    const matrix = codes.length >= 3
    if (filled.length < (known > 0 ? 2 : 3) || new Set(filled).size < filled.length) continue
    if (
      filled.some(
        (c) =>
          c.length > 40 ||
          c.split(/\s+/).length > 5 ||
          (/\d/.test(c) && !(matrix && codes.includes(c)) && (isValue(c) || readCodes(c) !== null)) ||
          isHead?.(c),
      )
    )
      continue
    const below = tableBelow(rows, at).filter((r) => r.filter((c) => c.trim() !== '').length >= 2)
    if (below.length < ROWS_BELOW) continue
    const formed = cells.filter((c, x) => {
      const form = c === '' ? null : profileOf(below.map((r) => (r[x] ?? '').trim()))
      return form !== null && hasForm(form) && !(form.kinds >= 0.7 && kindIn(c) !== null)
    })
    if (matrix || formed.length >= 2 || (formed.length === 1 && known > 0)) return at
  }
  return null
}

/** Rows below a header, up to an empty one. */
function tableBelow(rows: Rows, at: number): Rows {
  const below = rows.slice(at + 1, at + 1 + LOOKED_BELOW)
  const end = below.findIndex((r) => r.every((c) => c.trim() === ''))
  return end < ROWS_BELOW ? below : below.slice(0, end)
}

const hasForm = (p: Profile): boolean =>
  p.n >= 2 && Math.max(p.times, p.numbers, p.percents, p.whens, p.weeks, p.codes, p.heads, p.words <= 3 ? p.kinds : 0) >= 0.7

/** A header that is a code of its own, as over the marks of a matrix. */
const isCodeHeader = (cell: string): boolean =>
  /\d/.test(cell) && !/^\d+$/.test(cell.trim()) && cell.trim().length <= 12 && readCodes(cell)?.length === 1

function scoreOf(row: readonly string[]): number {
  const cells = row.map((c) => c.trim()).filter((c) => c !== '')
  if (cells.length < 2 || cells.some((c) => c.length > 60)) return 0
  // A label and its fact.
  if (cells.length === 2 && /:$/.test(cells[0] as string) && !/:$/.test(cells[1] as string)) return 0
  const codes = cells.filter(isCodeHeader)
  const matrix = codes.length >= 3 && new Set(codes).size === codes.length
  if (!matrix && codes.length > 0) return 0
  const words = matrix ? cells.filter((c) => !codes.includes(c)) : cells
  const roles = words.map((c) => roleOf(c))
  const known = roles.filter((r) => r !== null).length
  // Numbers, times, days and modules stand in data, not in headers.
  if (words.some((c) => /\d/.test(c) && isValue(c)) || known < words.length / 2) return 0
  return new Set(roles.filter((r) => r !== null)).size + (matrix ? 1 : 0)
}

const isValue = (cell: string): boolean =>
  /^[\d.,%\s]+$/.test(cell) ||
  /^\d+[.:)]?\s+\p{L}/u.test(cell) ||
  moduleHead(cell) !== null ||
  readDuration(cell, 'minutes') !== null ||
  readWhen(cell, null) !== null

/** A second header row: short cells, no numbers, most of which name columns or stand under an empty cell. */
function isHeaderLike(row: readonly string[], other: readonly string[]): boolean {
  const cells = row.map((c) => c.trim())
  const filled = cells.filter((c) => c !== '')
  if (filled.length === 0 || filled.some((c) => c.length > 30 || /\d/.test(c))) return false
  const named = cells.filter((c) => c !== '' && (roleOf(c) !== null || /^\(?(?:min|mins|h|hrs|pts|%|no|yes)\.?\)?$/i.test(c))).length
  return (
    named >= Math.max(1, filled.length * 0.6) && (filled.length >= 2 || cells.some((c, i) => c !== '' && (other[i] ?? '').trim() === ''))
  )
}

/** "Module | Title | Activity": a plain title right behind the module's number is the module's, where another column has what is done. */
function withModuleTitles(columns: readonly Column[]): readonly Column[] {
  const titles = columns.filter((c) => c.role === 'title').length
  const isPlain = (c: Column) => c.role === 'title' && /^(?:title|name)s?$/i.test(c.header)
  return columns.map((c, i) => (titles > 1 && isPlain(c) && columns[i - 1]?.role === 'module' ? { ...c, role: 'module' as const } : c))
}

/**
 * The columns of a table once its cells have been looked at: a header that the cells contradict says nothing, and where a header says
 * nothing, the cells do. What they say is a guess.
 */
export function columnsByCells(columns: readonly Column[], rows: Rows, known: Known = NOTHING_KNOWN): readonly Column[] {
  const width = Math.max(columns.length, ...rows.slice(0, 200).map((r) => r.length))
  const look = (i: number): Column => {
    const column = columns[i] ?? columnOf('')
    const profile = profileOf(
      rows.map((r) => (r[i] ?? '').trim()),
      known.isHead,
    )
    if (profile.n === 0) return column
    if (profile.marks === 1 && isCodeHeader(column.header)) return { ...column, role: 'mark' }
    if (profile.records >= 0.9 && profile.n >= 3) return { ...column, role: 'record' }
    // A column of yes and no says whether, not what.
    if (profile.yesNo === 1) return { ...column, role: 'note' }
    const name = column.header === '' ? `column ${i + 1}` : `“${column.header}”`
    const guess = `${name} is read so by what stands in it`
    const named = ['unknown', 'objectives', 'outcomes', 'note', 'reading', 'kind', 'category'].includes(column.role)
      ? codesIn(rows, i, known)
      : null
    if (named !== null && named !== column.role) return { ...column, role: named, guess }
    const before = column.role === 'unknown' ? known.roleOf(column.header) : undefined
    if (before !== undefined && !contradicts(before, profile))
      return { ...column, role: before, guess: `${name} is read as in the table before` }
    if (column.role !== 'unknown' && !contradicts(column.role, profile)) return column
    const role = roleByCells(profile, [...columns.slice(0, i).map((c, x) => decided[x] ?? c), ...columns.slice(i + 1)])
    // Codes that no list of objectives has are codes of something else.
    if (role === null || (role === 'objectives' && profile.codes >= 0.7 && known.listsObjectives())) return column
    return { ...column, role, guess }
  }
  const decided: Column[] = []
  for (let i = 0; i < width; i++) decided.push(look(i))
  return withNotes(onceEach(withModules(withTitle(withoutModuleTitles(decided, rows), rows), rows)), rows)
}

/** What is known of the course so far: the codes that lists have given, and how its parts are numbered. */
export type Known = {
  readonly isOutcome: (code: string) => boolean
  readonly isObjective: (code: string) => boolean
  readonly isHead: (text: string) => boolean
  /** Whether objectives with codes are listed anywhere. */
  readonly listsObjectives: () => boolean
  readonly roleOf: (header: string) => Role | undefined
}
const NOTHING_KNOWN: Known = {
  isOutcome: () => false,
  isObjective: () => false,
  isHead: (text) => moduleHead(text) !== null,
  listsObjectives: () => false,
  roleOf: () => undefined,
}

/** What the codes in a column are codes of; null where no list has them. */
function codesIn(rows: Rows, x: number, known: Known): 'outcomes' | 'objectives' | null {
  const cells = rows.slice(0, LOOKED_BELOW * 5).map((r) => readCodes((r[x] ?? '').trim()))
  const codes = cells.flatMap((c) => c ?? [])
  if (cells.some((c) => c === null)) return null
  const most = (is: (code: string) => boolean) => codes.length > 0 && codes.filter(is).length >= codes.length * 0.8
  return most(known.isObjective) ? 'objectives' : most(known.isOutcome) ? 'outcomes' : null
}

/**
 * Columns that are filled in the first row and then now and then, while the titles go on: what they say holds for the rows below it,
 * as a module does.
 */
function withModules(columns: readonly Column[], rows: Rows): readonly Column[] {
  const title = columns.findIndex((c) => c.role === 'title')
  if (title < 0 || columns.some((c) => c.role === 'module')) return columns
  const filled = (x: number) => rows.filter((r) => (r[title] ?? '').trim() !== '').map((r) => (r[x] ?? '').trim() !== '')
  const named = columns.flatMap((c, x) => {
    const there = x < title && (c.role === 'unknown' || c.role === 'number') ? filled(x) : []
    const n = there.filter(Boolean).length
    return there[0] && n >= 1 && n <= there.length * 0.6 ? [x] : []
  })
  const pattern = named.length === 0 ? '' : filled(named[0] as number).join()
  return columns.map((c, x) =>
    named.includes(x) && filled(x).join() === pattern
      ? { ...c, role: 'module' as const, guess: `“${c.header}” is read so because it is filled where a part begins` }
      : c,
  )
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
  if (title < 1 || columns[title - 1]?.role !== 'module') return columns
  const cells = (x: number) => rows.map((r) => (r[x] ?? '').trim())
  const [own, module] = [cells(title), cells(title - 1)]
  const together = own.every((c, y) => (c === '') === (module[y] === ''))
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
  const work = has('minutes', 'kind', 'due', 'points', 'mark')
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
    case 'number':
      return p.words > 3
    case 'note':
      return p.codes >= 0.8 || p.whens >= 0.8
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
  if (p.whens >= 0.7 && p.daysRise && !taken('date') && (taken('week') || taken('module'))) return 'date'
  if (p.whens >= 0.7 && !taken('due')) return 'due'
  if (p.dated >= 0.6 && !taken('due')) return 'due'
  if (p.codes >= 0.7 && !taken('objectives') && !taken('statement')) return 'objectives'
  // What work is for stands in several rows, in the words of an objective.
  if (p.verbs >= 0.8 && p.distinct < 0.9 && !taken('objectives')) return 'objectives'
  if (p.kinds >= 0.7 && p.words <= 3 && !taken('kind')) return 'kind'
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
    const role = profile.n < 2 ? null : roleByCells(profile, known)
    known.push({ ...columnOf(''), role: role ?? 'unknown', guess: `column ${i + 1} is read so by what stands in it` })
  }
  const title = profiles.findIndex(
    (p, i) => known[i]?.role === 'unknown' && p.words >= 2 && p.distinct >= 0.8 && p.n >= filled.length * 0.8,
  )
  const facts = known.filter((c) => ['minutes', 'points', 'percent', 'objectives', 'kind', 'due'].includes(c.role)).length
  if (title < 0 || facts === 0) return null
  return known.map((c, i) => (i === title ? { ...c, role: 'title' as const } : c))
}
