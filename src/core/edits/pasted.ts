/** Rows that are pasted into a table: whether the first line names the columns, and which column each pasted one goes to. */
import Papa from 'papaparse'
import { roleOf, unitOf } from '../intake/column-roles'

/** A column of the table that is pasted into. */
export type PasteColumn = { readonly id: string; readonly header: string; readonly isWritten: boolean }

/** The columns by their names, and where the rows begin when the first line names none. */
export type PasteInto = {
  /** All that the table has, in any order. */
  readonly all: readonly PasteColumn[]
  /** Those that are shown, in their order. */
  readonly shown: readonly PasteColumn[]
  /** The place, among those shown, of the first pasted cell. */
  readonly from: number
}

export type Pasted = {
  /** The rows without the line that names the columns. */
  readonly lines: readonly (readonly string[])[]
  readonly header: readonly string[] | null
  /** For each pasted column, the id of the one it goes to; null where it is left out. */
  readonly places: readonly (string | null)[]
}

const folded = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[\s.:*]+/g, ' ')
    .trim()

/** The column that a name is of: by its own name, else by what spreadsheets call it. */
function named(name: string, { all }: PasteInto, taken: ReadonlySet<string>): PasteColumn | null {
  const free = all.filter((c) => !taken.has(c.id))
  const role = roleOf(name)
  return free.find((c) => folded(c.header) === folded(name) || c.id === folded(name)) ?? free.find((c) => c.id === role) ?? null
}

/** The columns that the cells of a line name; null for a cell that names none. */
function namedBy(line: readonly string[], into: PasteInto): readonly (PasteColumn | null)[] {
  const taken = new Set<string>()
  return line.map((cell) => {
    const column = folded(cell) === '' ? null : named(cell, into, taken)
    if (column) taken.add(column.id)
    return column
  })
}

/**
 * Whether a line names the columns below it: of two or more names most are known; of one alone, it is the name of a column to
 * the letter (Cairn default).
 */
function isHeader(line: readonly string[], into: PasteInto): boolean {
  const cells = line.filter((c) => folded(c) !== '')
  if (cells.length === 0 || cells.some((c) => c.length > 60)) return false
  if (cells.length === 1) return into.all.some((c) => folded(c.header) === folded(cells[0] as string))
  const known = namedBy(line, into).filter((c) => c !== null).length
  return known >= 2 && known * 2 > cells.length
}

/**
 * Reads pasted text: lines of cells split by tabs, quoted as spreadsheets do. A first line that names columns is not a row; it
 * says where the others go, in any order, `asHeader` settles whether it does. Without one the cells go by the order shown.
 */
export function readPasted(text: string, into: PasteInto, asHeader?: boolean): Pasted {
  const all = Papa.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' }).data
  const [first = [], ...rest] = all
  const header = (asHeader ?? (rest.length > 0 && isHeader(first, into))) ? first.map((c) => c.trim()) : null
  const lines = (header ? rest : all).map((line) => line.map((cell) => cell.trim()))
  const width = Math.max(0, header?.length ?? 0, ...lines.map((l) => l.length))
  const byName = header && namedBy(header, into)
  const places = Array.from({ length: width }, (_, k) => {
    const column = byName ? byName[k] : into.shown[into.from + k]
    return column?.isWritten ? column.id : null
  })
  return { lines: lines.map((line) => line.map((cell, k) => inItsUnit(cell, header?.[k]))), header, places }
}

/** A bare number under a name that counts hours is hours. */
const inItsUnit = (cell: string, name: string | undefined): string =>
  name !== undefined && roleOf(name) === 'minutes' && unitOf(name) === 'hours' && /^\d+(?:[.,]\d+)?$/.test(cell) ? `${cell} h` : cell

/** What went where, in one sentence: “By their names: Activity, Min. Left out: Owner.” Empty when all went by the order shown. */
export function placesText({ header, lines, places }: Pasted, all: readonly PasteColumn[]): string {
  const nameOf = (id: string) => all.find((c) => c.id === id)?.header ?? id
  const filled = (k: number) => lines.some((l) => (l[k] ?? '') !== '')
  const left = places.flatMap((id, k) => (id === null && filled(k) ? [header?.[k] || `column ${k + 1}`] : []))
  const went = places.flatMap((id) => (id === null ? [] : [nameOf(id)]))
  const said = [
    ...(header && went.length > 0 ? [`By their names: ${went.join(', ')}.`] : []),
    ...(left.length > 0 ? [`Left out: ${left.join(', ')}.`] : []),
  ]
  return said.join(' ')
}
