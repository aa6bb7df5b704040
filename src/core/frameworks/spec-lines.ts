/**
 * A specification as text, line by line, freed of what its way here left in it: marks of mail quotes, headers and footers of
 * pages, two columns side by side. What is taken out is kept apart, never dropped.
 */

import { LIMITS } from '../intake/blocks'
import { Cuts } from '../intake/cuts'
import { type Row, unfoldColumns } from './spec-columns'
import { BULLET, markPages } from './spec-pages'

export type SpecLine = {
  readonly text: string
  readonly bullet: boolean
  /** Cells of a row of a table; one cell elsewhere. */
  readonly cells: readonly string[]
  /** An empty line stood above, and no end of a page. */
  readonly apart: boolean
  /** It stands below the second column of a table of text. */
  readonly hanging: boolean
  /** How far in it begins. */
  readonly indent: number
  /** It reaches as far as the text usually does: the next one may go on with it. */
  readonly full: boolean
  readonly at: string
}
export type SpecText = {
  readonly lines: readonly SpecLine[]
  readonly furniture: readonly { readonly text: string; readonly at: string }[]
}

export function specLines(input: string, cuts: Cuts = new Cuts()): SpecText {
  const whole = cellsInQuotes(input)
    .replace(/^\uFEFF/, '')
    .replace(/\u00ad\r?\n\s*/g, '')
    .replace(/[\u00ad\u200b-\u200d\u2060]/g, '')
    .replace(/[\u00a0\u2007\u202f]/g, ' ')
    .split(/\r\n?|\n|\u2028|\u2029/)
  cuts.leftOut('cut-lines', whole.length - LIMITS.lines, `line ${LIMITS.lines + 1}`)
  const raw = whole
    .slice(0, LIMITS.lines)
    .flatMap((l) => lineParts(l.replace(/^(?:\s*>)+\s?/, '').replace(/^(\s*[^\p{L}\p{N}\s|])\t+(?=\S)/u, '$1 ')))
  const furniture: { text: string; at: string }[] = []
  const paged = markPages(raw)
  const said = new Set<string>()
  paged.forEach((isFurniture, i) => {
    const text = (raw[i] as string).replaceAll('\f', '').trim()
    if (!isFurniture || text === '') return
    const key = text.replace(/\d+/g, '#')
    if (!said.has(key)) furniture.push({ text, at: `line ${i + 1}` })
    said.add(key)
  })
  const width = wrapWidth(raw.filter((_, i) => !paged[i]))
  const rows = unfoldColumns(raw, paged)
  const lines: SpecLine[] = []
  let empty = false
  let cut = false
  for (const [i, { text: whole, at, furniture: skip }] of rows.entries()) {
    if (skip) {
      cut = true
      continue
    }
    const text = whole.trim()
    if (text === '') {
      empty = true
      continue
    }
    const cells = cellsOf(whole)
    // The rule below the head of a table.
    if (/^[\s|:+-]*-[\s|:+-]*$/.test(whole) && whole.includes('|')) continue
    lines.push({
      text: withoutMarks(cells.join(' ')),
      bullet: BULLET.test(whole),
      cells,
      apart: empty && !cut,
      hanging: /^ {12,}\S/.test(whole),
      indent: /^\s*/.exec(whole)?.[0].length ?? 0,
      full: whole.trimEnd().length + 1 + firstWordAfter(rows, i) > width,
      at,
    })
    empty = false
    cut = false
  }
  return { lines, furniture }
}

/** A text of a cell as a line of its own, where the cell stood. */
export const lineOf = (text: string, line: SpecLine): SpecLine => ({
  ...line,
  text: withoutMarks(text),
  bullet: BULLET.test(text),
  cells: [text],
  indent: /^\s*/.exec(text)?.[0].length ?? 0,
})

/** A line without its bullet and the marks of bold text. */
const withoutMarks = (text: string): string =>
  text
    .replace(BULLET, '')
    .replace(/(\*\*|__)(?=\S)(.+?)(?<=\S)\1/g, '$2')
    .replace(/\s+/g, ' ')
    .trim()

/** Cells of several lines, as spreadsheets put them on the clipboard in quotes, on one line each. */
function cellsInQuotes(text: string): string {
  if (!text.includes('\t') || !text.includes('"')) return text
  return text.replace(/(^|[\t\n])"((?:[^"]|"")*)"(?=[\t\r\n]|$)/g, (whole, before: string, cell: string) =>
    cell.includes('\n') ? `${before}${cell.replaceAll('""', '"').replace(/\r?\n/g, '<br>')}` : whole,
  )
}

/** A line of several bullets as several lines; marks of headings come off. */
function lineParts(line: string): string[] {
  const bare = line.replace(/^\s*#{1,6}\s+/, '')
  const parts = bare.includes('\t') || /\S\s{4,}[•●▪]/.test(bare) ? [bare] : bare.split(/(?<=\S.*)\s(?=[•●▪]\s*\S)/)
  return parts.length > 1 && parts.every((p, i) => i === 0 || /^[•●▪]/.test(p)) ? parts : [bare]
}

const clean = (cell: string): string => cell.replace(/\s+/g, ' ').trim()

/** A row's cells by tabs or bars; a rule between rows has none. */
function cellsOf(line: string): string[] {
  const bars = /^\s*\|.*\|\s*$/.test(line)
  // Cells of a page's text stand apart by spaces; a margin is no cell.
  const spaced = !line.includes('\t') && /\S\s{4,}\S/.test(line)
  const cells = (bars ? line.trim().slice(1, -1).split('|') : spaced ? line.trim().split(/\s{4,}/) : line.split('\t')).map(clean)
  const filled = cells.filter((c) => c !== '' && !/^:?-{2,}:?$/.test(c))
  return filled.length > 1 || cells.length > 1 ? cells : [clean(line)]
}

/** The length of the next line's first word: it stood too long to go on the line above. */
function firstWordAfter(rows: readonly Row[], at: number): number {
  for (let i = at + 1; i < rows.length; i++) {
    const row = rows[i] as Row
    if (!row.furniture && row.text.trim() !== '') return (/^\S+/.exec(row.text.trim())?.[0] ?? '').length
  }
  return 0
}

/** The width at which lines were broken by hand; infinite where every line is a paragraph of its own. */
function wrapWidth(lines: readonly string[]): number {
  const plain = lines.filter((l) => !l.includes('\t') && !/\S\s{3,}\S/.test(l) && !/^ {12,}/.test(l)).map((l) => l.trimEnd())
  const goingOn = plain.filter((l, i) => /^\s*\p{Ll}{2}/u.test(l) && !letteredStart(l) && (plain[i - 1] ?? '').length > 30)
  const lengths = plain.map((l) => l.length).sort((a, b) => a - b)
  const longest = lengths[Math.floor(lengths.length * 0.99)] ?? 0
  return goingOn.length < 2 || longest > 130 ? Number.POSITIVE_INFINITY : longest
}

const letteredStart = (line: string): boolean => /^\s*\(?[a-z]{1,3}[.)]\s/.test(line)
