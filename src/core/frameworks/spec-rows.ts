/** Rows of tables: headings of columns, a pair of element and criterion, a skill and what it is, or cells that are lines. */
import { codedLine, isOnlyNumber, numberedText } from './spec-codes'
import { isList, sectionOf } from './spec-headings'
import { lineOf, type SpecLine } from './spec-lines'
import { goesOn, listItem, readLine, readSection } from './spec-read-lines'
import type { Reading } from './spec-reading'
import { metaOf, setMeta } from './spec-top'
import { BOILERPLATE } from './spec-words'

const COLUMN_WORD =
  /^(?:description|no\.?|number|code|ref\.?|statement|details?|criteria|title|what it means|meaning|definition|examples?|how .{1,40})$/i

export function readRow(r: Reading, line: SpecLine): void {
  const cells = line.cells.map((c) =>
    c
      .split(/<br\s*\/?>/i)
      .map((x) => x.trim())
      .filter(Boolean),
  )
  const filled = cells.flat().filter((c) => !BOILERPLATE.test(c))
  for (const text of cells.flat()) if (BOILERPLATE.test(text)) r.leave({ ...line, text })
  if (filled.length === 0) return
  // A table's sentence about itself goes on below itself.
  if (r.last === 'left' && !line.apart && filled.every((c) => /^\p{Ll}/u.test(c))) return r.leave(line)
  if (isHead(filled)) {
    const heads = line.cells.map(sectionOf)
    r.columns = heads
    return readSection(r, heads.find((h) => h !== null) ?? 'prose', line)
  }
  const meta = filled.length === 2 ? metaOf(filled[0] as string) : null
  if (meta && !codedLine(filled[0] as string, r.scheme)) return setMeta(r, meta, filled[1] as string, line)
  const own = sectionOf(filled[0] as string)
  if (own !== null && own !== 'prose' && filled.length > 1 && (own !== 'elements' || cells[0]?.length === 1)) {
    readSection(r, own, { ...line, text: filled[0] as string })
    return readCells(r, filled.slice(1), line)
  }
  const whole = withNumbers(filled)
  if (r.section === 'elements' || r.section === null) return readElementRow(r, cells, whole, line)
  if (!isList(r.section)) return r.leave(line)
  const [first = '', ...rest] = whole
  const said = rest.length > 0 ? `${first.replace(/\s*:$/, '')}: ${rest.map((c) => lineOf(c, line).text).join(' ')}` : first
  listItem(r, r.section, lineOf(said, line))
}

/** Whether every cell names a column. */
const isHead = (filled: readonly string[]): boolean =>
  filled.length > 1 && filled.some((c) => sectionOf(c) !== null) && filled.every((c) => sectionOf(c) !== null || COLUMN_WORD.test(c))

/** Each text of a row's cells as a line of its own. */
function readCells(r: Reading, texts: readonly string[], line: SpecLine): void {
  texts.forEach((text, i) => {
    const next = texts[i + 1]
    r.next = next === undefined ? null : lineOf(next, line)
    const own = lineOf(text, line)
    readLine(r, own)
    r.lastLine = own
  })
}

/** A cell that holds only a number belongs to the next. */
export function withNumbers(filled: readonly string[]): string[] {
  const out: string[] = []
  for (let i = 0; i < filled.length; i++) {
    const cell = filled[i] as string
    const next = filled[i + 1]
    if (next !== undefined && isOnlyNumber(cell)) {
      out.push(numberedText(cell, next))
      i++
    } else out.push(cell)
  }
  return out
}

function readElementRow(r: Reading, cells: readonly (readonly string[])[], whole: readonly string[], line: SpecLine): void {
  if (whole.some((c) => codedLine(c, r.scheme))) return readCells(r, whole, line)
  if (r.section !== 'elements') return r.leave(line)
  const [first = '', ...rest] = whole
  const below = (cells[0] ?? []).length === 0
  // A cell below a numbered criterion goes on with it.
  if (below && whole.length === 1 && r.criterion?.code?.includes('.') && goesOn(r, lineOf(first, line))) return
  if (!below || !r.element) r.startElement(null, lineOf(first, line).text, line)
  for (const cell of below && r.element ? whole : rest) if (cell !== first || below) r.startCriterion(null, lineOf(cell, line).text, line)
}
