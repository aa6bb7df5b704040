/** What pasting, filling down and clearing make of a range of cells. */
import type { Blueprint } from '../../../core/blueprint/blueprint'
import type { Pasted } from '../../../core/edits/pasted'
import type { CellWrite, GridColumn, GridRow, Written } from './types'

const isData = (row: GridRow): boolean => row.type === 'data'
const isWritten = (column: GridColumn): boolean => column.write !== undefined
const writesOf = (rows: readonly GridRow[], columns: readonly GridColumn[], what: (column: GridColumn) => Written): CellWrite[] =>
  rows.filter(isData).flatMap((row) => columns.filter(isWritten).map((c) => ({ rowKey: row.key, columnId: c.id, ...what(c) })))

export const cleared = (rows: readonly GridRow[], columns: readonly GridColumn[]): CellWrite[] =>
  writesOf(rows, columns, () => ({ text: '' }))

/** The first row's cells in all rows below. */
export function filledDown(plan: Blueprint, rows: readonly GridRow[], columns: readonly GridColumn[]): CellWrite[] {
  const [first, ...rest] = rows.filter(isData)
  if (!first) return []
  return writesOf(rest, columns, (c) => ({ text: c.text(plan, first), ...(c.chosen ? { chosen: c.chosen(plan, first) } : {}) }))
}

/**
 * Pasted rows at the range's first cell. One value fills the whole range; lines run down over the rows of the group and, past its
 * last, into the empty row, which makes new ones.
 */
export function pastedWrites(
  { lines, places }: Pasted,
  range: { readonly rows: readonly GridRow[]; readonly columns: readonly GridColumn[] },
  below: readonly GridRow[],
): CellWrite[] {
  const [start] = below
  if (!start || start.type === 'head' || start.type === 'label' || lines.length === 0) return []
  if (lines.length === 1 && lines[0]?.length === 1 && range.rows.length * range.columns.length > 1)
    return writesOf(range.rows, range.columns, () => ({ text: lines[0]?.[0] ?? '' }))
  const end = below.findIndex((r) => r.type === 'head')
  const group = end < 0 ? below : below.slice(0, end)
  const targets = start.type === 'new' ? [] : group.filter(isData)
  const fresh = start.type === 'new' ? start : group.find((r) => r.type === 'new')
  return lines.flatMap((line, i) => {
    const rowKey = targets[i]?.key ?? (fresh ? `${fresh.key}\n${i}` : null)
    if (rowKey === null) return []
    return line.flatMap((text, k) => {
      const columnId = places[k]
      return columnId ? [{ rowKey, columnId, text }] : []
    })
  })
}
