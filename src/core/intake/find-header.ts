/** The row of a table that names its columns, in words that are known or in others. */

import { type Profile, profileOf } from './column-profile'
import { type Column, columnOf, roleOf, unitOf } from './column-roles'
import { readDuration } from './duration'
import { moduleHead } from './heads'
import { kindIn } from './items'
import { readCodes } from './quantities'
import { readWhen } from './when'

export type Header = {
  /** The row behind the header: where the data begin. */
  readonly from: number
  readonly first: number
  readonly columns: readonly Column[]
}

export type Rows = readonly (readonly string[])[]
/** Whether a text opens a module, by the words of this course. */
type IsHead = (text: string) => boolean
/** Rows looked at for a header (Cairn default): title blocks are rarely longer. */
const HEADER_WITHIN = 25

/**
 * Finds the header of a table: the row in which the most cells name known columns, at least two of them, in which no cell is a
 * long text. A second header row under it, as with merged group headers, fills what the first leaves open.
 */
export function findHeader(rows: Rows, start = 0, isHead?: IsHead): Header | null {
  let best: { at: number; score: number } | null = null
  // A rubric names its levels in words of its own.
  for (let y = start; y < Math.min(rows.length, start + 3); y++) {
    const leading = rows[y] ?? []
    if (/^criteri(?:on|a)$/i.test((leading[0] ?? '').trim())) return { first: y, from: y + 1, columns: leading.map(columnOf) }
  }
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
  const belowIsHeader = isHeaderLike(below, top) || saysCodes(top, below) || isFullerHeader(rows, best.at, isHead)
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
    if (isCodeHeader(u)) return columnOf(`${u} ${l}`)
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
function isFullerHeader(rows: Rows, at: number, isHead?: IsHead): boolean {
  const filled = (row: readonly string[] = []) => row.filter((c) => c.trim() !== '').length
  return filled(rows[at + 1]) > filled(rows[at]) && headerByForm(rows, at + 1, 1, isHead) === at + 1
}

/** Rows that a header stands over, at least (Cairn default). */
const ROWS_BELOW = 2
/** Rows looked at below a header for what their columns are. */
export const LOOKED_BELOW = 40

/**
 * A header in words that are not known: the first row of three short texts or more, none of them a value and no two the same, over
 * rows of which at least two columns hold values of one form.
 */
export function headerByForm(rows: Rows, start: number, within = HEADER_WITHIN, isHead?: IsHead): number | null {
  for (let at = start; at < Math.min(rows.length, start + within); at++) {
    const cells = (rows[at] as readonly string[]).map((c) => c.trim())
    if (isOverMarks(rows, at)) return at
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
          (/\d/.test(c) && !(matrix && codes.includes(c)) && !isOneOfSeveral(c, filled) && (isValue(c) || readCodes(c) !== null)) ||
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

/** "Review 1" beside "Review 2": columns of one name. */
function isOneOfSeveral(cell: string, all: readonly string[]): boolean {
  const word = /^(\p{L}{4,}(?: \p{L}+)?) \d{1,2}$/u.exec(cell)?.[1]
  return word !== undefined && all.some((c) => c !== cell && /\d$/.test(c) && c.startsWith(`${word} `))
}

/** Whether the texts of a row stand over marks alone, each in a column of its own, and what is marked stands left of them. */
function isOverMarks(rows: Rows, at: number): boolean {
  const cells = (rows[at] ?? []).map((c) => c.trim())
  const below = tableBelow(rows, at)
  if (below.length < ROWS_BELOW) return false
  const marked = cells.flatMap((c, x) => (c !== '' && profileOf(below.map((r) => (r[x] ?? '').trim())).marks === 1 ? [x] : []))
  const first = marked[0] ?? 0
  return marked.length >= 2 && first > 0 && cells.slice(first).every((c, i) => c === '' || marked.includes(first + i))
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
export const isCodeHeader = (cell: string): boolean =>
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
  if (words.some((c) => /\d/.test(c) && isValue(c) && !explainsItself(c)) || known < words.length / 2) return 0
  return new Set(roles.filter((r) => r !== null)).size + (matrix ? 1 : 0)
}

/** "Due (Sunday 23:59)": a name of a column with more in brackets. */
const explainsItself = (cell: string): boolean => {
  const bare = cell.replace(/\s*\([^()]*\)\s*$/, '')
  return bare !== cell && !/\d/.test(bare) && roleOf(bare) !== null
}

const isValue = (cell: string): boolean =>
  /^[\d.,%\s]+$/.test(cell) ||
  /^\d+[.:)]?\s+\p{L}/u.test(cell) ||
  moduleHead(cell) !== null ||
  readDuration(cell, 'minutes') !== null ||
  readWhen(cell, null) !== null

/** Whether a row says what the codes above it stand for. */
function saysCodes(top: readonly string[], below: readonly string[]): boolean {
  const coded = top.flatMap((c, x) => (isCodeHeader(c.trim()) ? [x] : []))
  return coded.length >= 2 && coded.every((x) => (below[x] ?? '').trim().split(/\s+/).length >= 2)
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
  const isListOfModules = columns.every((c) => ['module', 'title', 'week', 'date', 'note', 'outcomes', 'unknown'].includes(c.role))
  const isPlain = (c: Column) => c.role === 'title' && /^(?:title|name)s?$/i.test(c.header)
  return columns.map((c, i) =>
    (titles > 1 || isListOfModules) && isPlain(c) && columns[i - 1]?.role === 'module' ? { ...c, role: 'module' as const } : c,
  )
}
