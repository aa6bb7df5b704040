/** CSV as Cairn writes it: RFC 4180, with a byte order mark, and harmless in a spreadsheet. */
import Papa from 'papaparse'

/** How cells begin that a spreadsheet would run; whatever lines follow. Reading takes the apostrophe off again. */
const RUN_BY_SPREADSHEETS = /^[=+\-@\t\r]/

export const csvText = (fields: readonly string[], data: readonly (readonly unknown[])[]): string =>
  `\uFEFF${Papa.unparse({ fields: [...fields], data: data.map((row) => [...row]) }, { newline: '\r\n', escapeFormulae: RUN_BY_SPREADSHEETS })}\r\n`
