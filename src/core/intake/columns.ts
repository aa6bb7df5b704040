/** What the columns of a table are, from what their headers say. */

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
  'ignored',
] as const
export type Role = (typeof ROLES)[number]

export type Column = {
  readonly role: Role
  readonly header: string
  /** For time: what a bare number counts. */
  readonly unit: 'minutes' | 'hours'
}

/** Header words by role, first match wins: what is more specific stands first. */
const WORDS: readonly (readonly [Role, RegExp])[] = [
  // The commonest headers in a few other languages.
  ['points', /^(?:punkte|puntos|pontos)\b/],
  ['minutes', /^(?:dauer|zeit|minuten|stunden|durée|duración|tiempo|heures|horas)\b/],
  ['objectives', /^(?:lernziele?|ziele?|objectifs?|objetivos?)\b/],
  ['title', /^(?:aktivität(?:en)?|aufgaben?|activités?|tâches?|actividad(?:es)?|tareas?)$/],
  ['kind', /^(?:art|typ|tipo)$/],
  ['module', /^(?:thema|modul|einheit|thème|tema|unidad|módulo)$/],
  ['week', /^(?:woche|semaine|semana)$/],
  ['due', /^(?:abgabe|échéance|entrega)\b/],
  [
    'ignored',
    /^(?:notes?|comments?|remarks?|status|links?|url|tools?|technology|owner|who|responsible|developer|author|file|done|media|feedback|interaction\w*|location|instructions?|materials? needed|platform)\b/,
  ],
  ['count', /^(?:number of|no\.? of|# of|qty|quantity|count|how many|times)\b/],
  ['percent', /(?:%|percent|weight(?:ing)?\b|share|of (?:the )?(?:final )?grade|^grade$|proportion)/],
  ['points', /\b(?:points?|pts|marks?|score|max(?:imum)?)\b/],
  ['minutes', /\b(?:minutes?|mins?|duration|hours?|hrs|time|effort|workload|learner time|student time|length|zeit|dauer)\b|^h$/],
  ['due', /\b(?:due|deadline|hand[- ]?in|submit by|abgabe)\b/],
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
  ['date', /^(?:dates?|week of|beginning|starts?|start date|from|dates? \/ week|day|when)$/],
  [
    'module',
    /^(?:modules?|units?|topics?|themes?|sections?|chapters?|lessons?|blocks?|module\s*\/\s*topic|topic\s*\/\s*module|(?:module|unit|topic|lesson) (?:title|name|no\.?|number|#)|subject|content area|title of (?:module|unit))$/,
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

/** The role that a header names; null where it says nothing known. */
export function roleOf(header: string): Role | null {
  const text = header
    .toLowerCase()
    .replace(/[*†‡:?]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  if (text === '' || text.length > 60) return null
  const bare = text.replace(/\s*[([].*?[)\]]\s*/g, ' ').trim()
  for (const [role, pattern] of WORDS) if (pattern.test(bare) || (role === 'percent' && /[([]\s*%|\bin %/.test(text))) return role
  return null
}

/** What a bare number under a header of times counts. */
export const unitOf = (header: string): Column['unit'] =>
  /\b(?:hours?|hrs?|h|std)\b/i.test(header) && !/\b(?:min|mins|minutes)\b/i.test(header) ? 'hours' : 'minutes'

const columnOf = (header: string): Column => ({ role: roleOf(header) ?? 'ignored', header: header.trim(), unit: unitOf(header) })

export type Header = {
  /** The row behind the header: where the data begin. */
  readonly from: number
  readonly first: number
  readonly columns: readonly Column[]
}

/** Rows looked at for a header (Cairn default): title blocks are rarely longer. */
const HEADER_WITHIN = 25

/**
 * Finds the header of a table: the row in which the most cells name known columns, at least two of them, in which no cell is a
 * long text. A second header row under it, as with merged group headers, fills what the first leaves open.
 */
export function findHeader(rows: readonly (readonly string[])[], start = 0): Header | null {
  let best: { at: number; score: number } | null = null
  for (let at = start; at < Math.min(rows.length, start + HEADER_WITHIN); at++) {
    const score = scoreOf(rows[at] as readonly string[])
    if (score >= 2 && (best === null || score > best.score + 1)) best = { at, score }
  }
  if (!best) return null
  const top = rows[best.at] as readonly string[]
  const below = rows[best.at + 1] ?? []
  const above = best.at > start ? (rows[best.at - 1] as readonly string[]) : []
  const belowIsHeader = isHeaderLike(below, top)
  const aboveIsHeader = !belowIsHeader && best.at > start && isHeaderLike(above, top) && scoreOf(above) >= 1
  const width = Math.max(top.length, belowIsHeader ? below.length : 0, aboveIsHeader ? above.length : 0)
  const [upper, lower] = belowIsHeader ? [top, below] : aboveIsHeader ? [above, top] : [top, []]
  let group = ''
  const columns = Array.from({ length: width }, (_, i) => {
    const [u, l] = [(upper[i] ?? '').trim(), (lower[i] ?? '').trim()]
    if (u !== '') group = u
    if (l === '') return columnOf(u)
    const own = columnOf(l)
    // The lower row is the more exact one; where it says nothing known, the group above it does.
    if (roleOf(l) !== null) return own.role === 'minutes' ? { ...own, unit: unitOf(`${u || group} ${l}`) } : own
    return roleOf(`${u || group} ${l}`) ? columnOf(`${u || group} ${l}`) : { ...columnOf(u || group), header: l }
  })
  return {
    first: aboveIsHeader ? best.at - 1 : best.at,
    from: best.at + (belowIsHeader ? 2 : 1),
    columns: onceEach(withModuleTitles(columns)),
  }
}

function scoreOf(row: readonly string[]): number {
  const cells = row.map((c) => c.trim()).filter((c) => c !== '')
  if (cells.length < 2 || cells.some((c) => c.length > 60)) return 0
  const roles = cells.map((c) => roleOf(c))
  const known = roles.filter((r) => r !== null).length
  // Numbers stand in data, not in headers.
  return cells.some((c) => /^[\d.,%\s]+$/.test(c)) || known < cells.length / 2 ? 0 : new Set(roles.filter((r) => r !== null)).size
}

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

/** Roles that one column plays: of several titles the first, the others are looked at as notes. */
function onceEach(columns: readonly Column[]): Column[] {
  const seen = new Set<Role>()
  const many: readonly Role[] = ['ignored', 'module', 'outcomes', 'objectives', 'assessments', 'reading', 'title']
  return columns.map((c) => {
    if (many.includes(c.role) || !seen.has(c.role)) {
      seen.add(c.role)
      return c
    }
    return { ...c, role: 'ignored' as const }
  })
}
