/** Headers of tables that Cairn writes: what they hold is read as it was written, or follows from the plan and is not read back. */

export const ACTIVITY_HEADER = [
  'Module',
  'Week',
  'No.',
  'Activity',
  'Part',
  'Kind',
  'Purpose',
  'Objectives',
  'Minutes',
  'Due',
  'Category',
  'Points',
  'Percent of grade',
] as const

/** Whether columns are those of Cairn's own table of activities. */
export const isOwnActivities = (headers: readonly string[]): boolean =>
  headers.length === ACTIVITY_HEADER.length && ACTIVITY_HEADER.every((h, i) => headers[i] === h)

/** Cells that would be formulas are written with a mark before them; it comes off again. */
export const unguarded = (cell: string): string => cell.replace(/^'(?=[=+\-@\t\r])/, '')

export const HOURS_HEADER = ['Week', 'From', 'To', 'Hours'] as const
const DERIVED: readonly (readonly string[])[] = [HOURS_HEADER]

/** Whether a row is the header of such a sheet. */
export const isDerived = (row: readonly string[]): boolean =>
  DERIVED.some((header) => row.filter((c) => c !== '').length === header.length && header.every((h, i) => row[i] === h))
