/** The clipboard of a table: a range as text, and where pasted text goes. Fetched when somebody comes into a table. */
import Papa from 'papaparse'
import type { Blueprint } from '../../../core/blueprint/blueprint'
import { type PasteInto, placesText, readPasted } from '../../../core/edits/pasted'
import type { GridColumn, GridRow } from './types'

/** The range as lines of cells, as spreadsheets take it. */
export const copied = (plan: Blueprint, rows: readonly GridRow[], columns: readonly GridColumn[]): string =>
  Papa.unparse(
    rows.filter((row) => row.type === 'data').map((row) => columns.map((c) => c.text(plan, row))),
    { delimiter: '\t', newline: '\n' },
  )

const asPasteColumns = (columns: readonly GridColumn[]) =>
  columns.map((c) => ({ id: c.id, header: c.header, isWritten: c.write !== undefined }))

/** Pasted text, where it goes in a table, and what is said of it. */
export function read(text: string, all: readonly GridColumn[], shown: readonly GridColumn[], from: number) {
  const into: PasteInto = { all: asPasteColumns(all), shown: asPasteColumns(shown), from }
  const pasted = readPasted(text, into)
  const isTable = pasted.lines.length > 0 && pasted.places.length > 1
  return { into, pasted, told: placesText(pasted, into.all), isTable }
}
