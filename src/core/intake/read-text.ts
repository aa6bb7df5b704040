/** Plain text and delimited text as blocks. */
import Papa from 'papaparse'
import { type Block, LIMITS } from './blocks'
import type { Cuts } from './cuts'

/** Marks of list items; a word processor's hollow bullet comes out as a small o. */
const BULLET = /^\s*(?:[-*•·▪◦‣–—▶►➤✓✔]|\p{Extended_Pictographic}\uFE0F?|\[[ x]?\]|o(?=\s+\p{Lu}))\s+(?=\S)/u

/** Text as blocks: runs of lines with tabs or bars are tables, the rest are headings and lines. */
export function readPlain(text: string, at: string, cuts: Cuts): Block[] {
  const all = text.replace(/^\uFEFF/, '').split(/\r\n?|\n/)
  const lines = all.slice(0, LIMITS.lines)
  cuts.leftOut('cut-lines', all.length - lines.length, `${at}, line ${LIMITS.lines + 1}`)
  const blocks: Block[] = []
  for (let i = 0; i < lines.length; ) {
    const table = tableAt(lines, i)
    if (table) {
      const place = `${at}, line ${i + 1}`
      blocks.push({ type: 'table', name: null, rows: table.rows.map((r) => r.map((c) => cuts.cell(c, place))), at: place })
      i += table.length
      continue
    }
    const line = (lines[i] as string).replace(/^\s*>+\s?/, '')
    const block = lineBlock(line, `${at}, line ${i + 1}`, /^[>\s]*$/.test(lines[i - 1] ?? 'x'))
    if (block) blocks.push(block)
    i++
  }
  return blocks
}

/** A line as a heading, a list item or plain; null when it is empty. */
function lineBlock(line: string, at: string, apart: boolean): Block | null {
  const text = line.trim()
  if (text === '' || /^[-=_*~#\s]+$/.test(text)) return null
  const ruled = /^([=~*_-]{2,})\s*([^=~*_-].*?)\s*[=~*_-]{2,}$/.exec(text)
  if (ruled) return { type: 'heading', text: bare(ruled[2] as string), at }
  const marked = /^#{1,6}\s+(.*?)\s*#*$/.exec(text)
  if (marked) return { type: 'heading', text: bare(marked[1] as string), at }
  const indent = /^\s*/.exec(line.replaceAll('\t', '    '))?.[0].length ?? 0
  return { type: 'line', text: bare(text.replace(BULLET, '')), item: BULLET.test(line), at, indent, apart }
}

const bare = (text: string): string =>
  text
    .replace(/\*\*(.+?)\*\*/g, '$1')
    .replace(/__(.+?)__/g, '$1')
    .trim()

/** The table that begins at a line: at least two lines in a row with tabs, or with bars. */
function tableAt(lines: readonly string[], start: number): { rows: string[][]; length: number } | null {
  const first = lines[start] as string
  const spaced = spacedTable(lines, start)
  if (spaced) return spaced
  const split = first.includes('\t') ? tabbed : /\|.*\|/.test(first.trim()) || /\S\s*\|\s*\S/.test(first) ? barred : null
  if (!split) return null
  if (split === tabbed) {
    const end = lines.findIndex((l, i) => i > start && !l.includes('\t') && !insideQuotes(lines, start, i) && !standsAmongRows(lines, i))
    const length = (end < 0 ? lines.length : end) - start
    if (length < 2) return null
    return { rows: Papa.parse<string[]>(lines.slice(start, start + length).join('\n'), { delimiter: '\t' }).data, length }
  }
  const end = lines.findIndex((l, i) => i > start && !l.includes('|'))
  const length = (end < 0 ? lines.length : end) - start
  if (length < 2) return null
  const rows = lines.slice(start, start + length).map(barred)
  return { rows: rows.filter((r) => !r.every((c) => /^:?-*:?$/.test(c))), length }
}

/** Columns that a text keeps apart by spaces: at least three, over at least three lines. */
function spacedTable(lines: readonly string[], start: number): { rows: string[][]; length: number } | null {
  const head = lines[start] as string
  const starts = startsOf(head)
  // Its first line names the columns: a value there is no name.
  if (starts.length < 3 || /\d|\t|\|/.test(head)) return null
  let end = start + 1
  while (end < lines.length && startsOf(lines[end] as string).length >= 2 && isAligned(startsOf(lines[end] as string), starts)) end++
  if (end - start < 3) return null
  const rows = lines.slice(start, end).map((line) => {
    const cells = starts.map(() => '')
    const own = startsOf(line)
    own.forEach((from, i) => {
      const column = starts.findLastIndex((s) => s <= from + 2)
      const text = line.slice(from, own[i + 1] ?? line.length).trim()
      if (column >= 0) cells[column] = [cells[column], text].filter(Boolean).join(' ')
    })
    return cells
  })
  return { rows, length: end - start }
}

/** Where the texts of a line begin that two spaces or more keep apart. */
const startsOf = (line: string): number[] =>
  [...line.matchAll(/(?:^|\s{2,})(?=\S)/g)].map((m) => m.index + m[0].length).filter((at) => at < line.length)
/** Whether texts begin where columns do, a sign or two aside. */
const isAligned = (own: readonly number[], columns: readonly number[]): boolean =>
  own.every((at) => columns.some((c) => Math.abs(c - at) <= 2))

const tabsIn = (line: string | undefined): number => line?.match(/\t/g)?.length ?? 0
/** Whether a line without tabs, or an empty one, stands between rows of three cells or more: a heading in a table. */
function standsAmongRows(lines: readonly string[], at: number): boolean {
  const next = lines.slice(at + 1, at + 4).find((l) => l.includes('\t'))
  const before = lines.slice(Math.max(0, at - 3), at).findLast((l) => l.includes('\t'))
  // Other columns behind an empty line are another table's.
  const isApart = tabsIn(next) !== tabsIn(before) && [lines[at - 1], lines[at], lines[at + 1]].some((l) => l?.trim() === '')
  return tabsIn(next) >= 2 && tabsIn(before) >= 2 && (lines[at] as string).length <= 200 && !isApart
}

/** Whether a line lies inside a quoted cell that began above it. */
const insideQuotes = (lines: readonly string[], start: number, at: number): boolean =>
  (lines.slice(start, at).join('\n').match(/"/g)?.length ?? 0) % 2 === 1

const tabbed = (line: string): string[] => line.split('\t')
const barred = (line: string): string[] =>
  line
    .trim()
    .replace(/^\||\|$/g, '')
    .split('|')
    .map((c) => bare(c.trim()))

/** The sign that parts the most lines, and of those the one that stands most often; quoted text aside. */
function delimiterOf(text: string): string {
  const lines = text
    .slice(0, 200_000)
    .replace(/"(?:[^"]|"")*"/g, '')
    .split(/\r\n?|\n/)
  const [best] = [',', ';', '\t', '|']
    .map((mark) => {
      const counts = lines.map((l) => l.split(mark).length - 1)
      return { mark, lines: counts.filter((n) => n > 0).length, signs: counts.reduce((a, b) => a + b, 0) }
    })
    .toSorted((a, b) => b.lines - a.lines || b.signs - a.signs)
  return best?.mark ?? ','
}

/** Comma, semicolon, tab or bar separated text as one table; null where fewer than `least` rows have several cells. */
export function readDelimited(text: string, at: string, cuts: Cuts, least = 2): Block[] | null {
  const body = text.replace(/^\uFEFF/, '').replace(/^sep=(.)\r?\n/i, '')
  const parsed = Papa.parse<string[]>(body, { skipEmptyLines: false, delimiter: delimiterOf(body) })
  const rows = parsed.data.slice(0, LIMITS.lines).map((r, i) => r.map((c) => cuts.cell(String(c), `${at}, row ${i + 1}`)))
  const filled = parsed.data.slice(LIMITS.lines).filter((r) => r.some((c) => c.trim() !== ''))
  cuts.leftOut('cut-lines', filled.length, `${at}, row ${LIMITS.lines + 1}`)
  if (rows.filter((r) => r.filter((c) => c.trim() !== '').length > 1).length < least) return null
  return [{ type: 'table', name: null, rows, at }]
}
