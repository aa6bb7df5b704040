/** Cuts a sheet into the tables that stand on it, and turns those that lie on their side. */
import type { Table } from './blocks'
import type { EntryGrid } from './ledger'

/** A part of a table, with the entries of its cells. Rows and columns keep their places. */
export type Region = {
  readonly rows: readonly (readonly string[])[]
  readonly entries: EntryGrid
  /** The place of each row. */
  readonly at: readonly string[]
  readonly name: string | null
  /** Whether a row is coloured as few others are. */
  readonly coloured: readonly boolean[]
}

/** `0` is A, `26` is AA. */
export function columnLetters(column: number): string {
  return column < 26
    ? String.fromCharCode(65 + column)
    : `${columnLetters(Math.floor(column / 26) - 1)}${String.fromCharCode(65 + (column % 26))}`
}

const filled = (cell: string | undefined): boolean => (cell ?? '').trim() !== ''
const isEmpty = (row: readonly string[]): boolean => !row.some(filled)

/**
 * The tables of a sheet, from top to bottom and from left to right. Rows stay together unless an empty column parts a run of them
 * into blocks that each have several columns and something in their first row: those are tables side by side.
 */
export function regionsOf(table: Table, entries: EntryGrid): Region[] {
  const regions: Region[] = []
  let start = 0
  const take = (from: number, to: number, left = 0, right = Number.POSITIVE_INFINITY) => {
    if (from >= to) return
    const cut = <T>(cells: readonly T[]) => (left === 0 && right === Number.POSITIVE_INFINITY ? cells : cells.slice(left, right))
    regions.push({
      rows: table.rows.slice(from, to).map(cut),
      entries: entries.slice(from, to).map(cut),
      at: Array.from({ length: to - from }, (_, i) => `${table.at}, row ${(table.numbers?.[from + i] ?? from + i) + 1}`),
      coloured: Array.from({ length: to - from }, (_, i) => table.marks?.get(table.numbers?.[from + i] ?? from + i) === 'coloured'),
      name: table.name,
    })
  }
  for (const [from, to] of bandsOf(table.rows)) {
    const blocks = sideBySide(table.rows.slice(from, to))
    if (blocks.length < 2) continue
    take(start, from)
    for (const [left, right] of blocks) take(from, to, left, right)
    start = to
  }
  take(start, table.rows.length)
  return regions
}

/** Runs of rows without an empty one among them. */
function bandsOf(rows: Table['rows']): [number, number][] {
  const bands: [number, number][] = []
  let from: number | null = null
  for (let y = 0; y <= rows.length; y++) {
    const empty = y === rows.length || isEmpty(rows[y] as readonly string[])
    if (!empty) from ??= y
    else if (from !== null) {
      bands.push([from, y])
      from = null
    }
  }
  return bands
}

/** Fewer rows are pairs of a label and a value, not tables (Cairn default). */
const LEAST_ROWS = 3

function sideBySide(rows: Table['rows']): [number, number][] {
  if (rows.length < LEAST_ROWS) return []
  const width = Math.max(...rows.map((r) => r.length))
  const used = Array.from({ length: width }, (_, x) => rows.some((r) => filled(r[x])))
  const blocks: [number, number][] = []
  for (let x = 0; x < width; x++) {
    if (!used[x]) continue
    const last = blocks.at(-1)
    if (last && last[1] === x) last[1] = x + 1
    else blocks.push([x, x + 1])
  }
  const [top = []] = rows
  const headed = ([left, right]: [number, number]) => right - left >= 2 && top.slice(left, right).filter(filled).length >= 2
  return blocks.length >= 2 && blocks.every(headed) ? blocks : []
}

/** Rows as columns and columns as rows. */
export function turned(region: Region): Region {
  const width = Math.max(0, ...region.rows.map((r) => r.length))
  const columns = Array.from({ length: width }, (_, x) => x)
  return {
    ...region,
    rows: columns.map((x) => region.rows.map((r) => r[x] ?? '')),
    entries: columns.map((x) => region.entries.map((r) => r[x])),
    coloured: columns.map(() => false),
    at: columns.map((x) => `${region.at[0]?.replace(/, row \d+$/, '')}, column ${columnLetters(x)}`),
  }
}
