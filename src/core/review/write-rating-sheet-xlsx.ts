/** The rating sheet of a seat as a workbook, in which a rating is chosen from a list. */
import ExcelJS from 'exceljs'
import { RATING_VALUES } from '../beside/review-records'
import { xmlSafe } from '../xml-text'
import { SHEET_COLUMNS } from './rating-sheet'
import { VALUE_WORDS } from './words'

/** Widths of columns, in letters (Cairn default). */
const WIDTHS = { code: 10, statement: 60, rating: 18, seen: 40, where: 24, change: 40 } as const

export async function sheetWorkbook(title: string, rows: readonly (readonly string[])[]): Promise<Uint8Array<ArrayBuffer>> {
  const book = new ExcelJS.Workbook()
  book.creator = 'Cairn'
  book.title = xmlSafe(title)
  const sheet = book.addWorksheet('Ratings', { views: [{ state: 'frozen', ySplit: 1 }] })
  sheet.columns = SHEET_COLUMNS.map((name) => ({ header: name, width: WIDTHS[name] }))
  sheet.getRow(1).font = { bold: true }
  const words = RATING_VALUES.map((v) => VALUE_WORDS[v]).join(',')
  for (const row of xmlSafe(rows)) {
    const added = sheet.addRow(row)
    added.alignment = { wrapText: true, vertical: 'top' }
    added.getCell(SHEET_COLUMNS.indexOf('rating') + 1).dataValidation = { type: 'list', allowBlank: true, formulae: [`"${words}"`] }
  }
  return new Uint8Array(await book.xlsx.writeBuffer())
}
