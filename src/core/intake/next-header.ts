/** Where another table begins below a header, and a header that comes again. */
import { findHeader, type Header, headerByForm, type Rows } from './find-header'
import { sectionOf } from './sections'

/** The row where another header begins; the end where there is none. */
export function nextHeader(rows: Rows, header: Header, isHead: (text: string) => boolean): number {
  const own = new Set(header.columns.map((c) => c.header.toLowerCase()))
  for (let at = header.from + 1; at < rows.length; at++) {
    const row = rows[at] as readonly string[]
    const filled = row.map((c) => c.trim()).filter((c) => c !== '')
    // A heading between empty rows opens another part of the sheet.
    const isHeading = filled.length === 1 && sectionOf(filled[0] as string) !== null && (isEmptyRow(rows[at - 1]) || isListBelow(rows, at))
    if (isHeading && !isEmptyRow(rows[at + 1])) return at
    if (filled.length === 1 && isEmptyRow(rows[at - 1]) && isHead(filled[0] as string) && repeatsBelow(rows, at, own)) return at
    if (filled.length < 2) continue
    const repeats = filled.length >= 3 && filled.every((c) => own.has(c.toLowerCase()))
    const gap = (rows[at - 1] ?? []).every((c) => c.trim() === '') || (rows[at - 1] ?? []).filter((c) => c.trim() !== '').length === 1
    if (!repeats && !gap) continue
    if (gap && headerByForm(rows, at, 1) === at) return titledFrom(rows, at, header.from)
    const found = findHeader(rows.slice(at, at + 1))
    if (found && (repeats || found.columns.filter((c) => c.role !== 'unknown').length >= Math.max(2, filled.length * 0.6)))
      return titledFrom(rows, at, header.from)
  }
  return rows.length
}

/** Whether nothing but single cells stands below a row. */
const isListBelow = (rows: Rows, at: number): boolean =>
  rows.length - at >= 3 && rows.slice(at + 1).every((r) => r.filter((c) => c.trim() !== '').length <= 1)

/** Rows between the name of a module and its header, at most (Cairn default). */
const BEFORE_HEADER = 15
const isSame = (row: readonly string[], own: ReadonlySet<string>): boolean => {
  const cells = row.map((c) => c.trim().toLowerCase()).filter((c) => c !== '')
  return cells.length >= 2 && cells.every((c) => own.has(c))
}
/** Whether the same header comes again below the name of a module, with something in between. */
const repeatsBelow = (rows: Rows, at: number, own: ReadonlySet<string>): boolean =>
  !isSame(rows[at + 1] ?? [], own) && rows.slice(at + 2, at + 1 + BEFORE_HEADER).some((row) => isSame(row, own))

/** The header of the part above where it comes again, with what its columns were. */
export function sameHeader(rows: Rows, start: number, before: Header | null): Header | null {
  if (!before) return null
  const own = new Set(before.columns.map((c) => c.header.toLowerCase()))
  const at = rows.findIndex((row, y) => y >= start && y < start + BEFORE_HEADER && isSame(row, own))
  return at < 0 ? null : { first: at, from: at + 1, columns: before.columns }
}

const isEmptyRow = (row: readonly string[] = []): boolean => row.every((c) => c.trim() === '')

/** Title rows right above a header belong to the table below it. */
function titledFrom(rows: Rows, at: number, least: number): number {
  const lone = (y: number) => (rows[y] ?? []).filter((c) => c.trim() !== '').length === 1
  let from = at
  while (from - 1 > least && lone(from - 1)) from--
  return from
}
