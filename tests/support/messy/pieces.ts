/** Tables and texts as the files that people bring. */
import ExcelJS from 'exceljs'
import Papa from 'papaparse'

export type Table = { readonly name: string; readonly rows: readonly (readonly string[])[]; readonly merges?: readonly string[] }
/** A file or a pasted text; a workbook is written when it is asked for. */
export type Piece = { readonly name: string; readonly content: string | readonly Table[] }

export const text = (name: string, rows: Table['rows'], delimiter: string): Piece => ({
  name,
  content: Papa.unparse(rows as string[][], { delimiter, newline: '\r\n' }),
})
export const pasted = (rows: Table['rows']): Piece => ({
  name: 'pasted text',
  content: Papa.unparse(rows as string[][], { delimiter: '\t' }),
})
export const sheetFile = (name: string, tables: readonly Table[]): Piece => ({ name, content: tables })

/** A workbook as a spreadsheet program writes it: numbers as numbers, the rest as text. */
export async function workbookOf(tables: readonly Table[]): Promise<Uint8Array> {
  const book = new ExcelJS.Workbook()
  for (const { name, rows, merges } of tables) {
    const sheet = book.addWorksheet(name)
    rows.forEach((cells, y) => {
      cells.forEach((cell, x) => {
        if (cell !== '') sheet.getCell(y + 1, x + 1).value = /^\d+(?:\.\d+)?$/.test(cell) ? Number(cell) : cell
      })
    })
    for (const range of merges ?? []) sheet.mergeCells(range)
  }
  return new Uint8Array(await book.xlsx.writeBuffer())
}
