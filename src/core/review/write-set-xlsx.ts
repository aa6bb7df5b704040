/** A set of quality points as a workbook. */
import ExcelJS from 'exceljs'
import { xmlSafe } from '../xml-text'
import type { ReviewSet } from './review-set'
import { SET_COLUMNS, setRows } from './write-set'

/** Widths of columns, in letters (Cairn default). */
const WIDE: ReadonlySet<string> = new Set(['statement', 'why', 'where', 'basis', 'as learner'])

/** One sheet, a row a point. Texts go in as texts, so that one that begins like a formula stays what it is. */
export async function setWorkbook(set: ReviewSet): Promise<Uint8Array<ArrayBuffer>> {
  const book = new ExcelJS.Workbook()
  book.creator = 'Cairn'
  book.title = xmlSafe(set.title)
  const sheet = book.addWorksheet('Points', { views: [{ state: 'frozen', ySplit: 1 }] })
  sheet.columns = SET_COLUMNS.map((name) => ({ header: name, width: WIDE.has(name) ? 60 : 14 }))
  sheet.getRow(1).font = { bold: true }
  for (const row of xmlSafe(setRows(set))) sheet.addRow(row).alignment = { wrapText: true, vertical: 'top' }
  return new Uint8Array(await book.xlsx.writeBuffer())
}
