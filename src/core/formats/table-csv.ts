/** The activities as a table of text, one row each. */

import type { Blueprint } from '../blueprint/blueprint'
import { csvText } from '../csv'
import { ACTIVITY_HEADER, activityRows } from './activity-rows'

/**
 * Comma-separated values (RFC 4180) with a header row and a byte order mark, which spreadsheets need to read it as UTF-8.
 * Text that a spreadsheet would take for a formula is led by an apostrophe.
 */
export function writeActivitiesCsv(blueprint: Blueprint): string {
  const data = activityRows(blueprint).map((row) => row.map((cell) => (cell === null ? '' : String(cell))))
  return csvText(ACTIVITY_HEADER, data)
}
