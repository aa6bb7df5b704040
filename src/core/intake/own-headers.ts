/** Headers of sheets that Cairn writes and that follow from the plan: what they hold is not read back. */

export const HOURS_HEADER = ['Week', 'From', 'To', 'Hours'] as const
const DERIVED: readonly (readonly string[])[] = [HOURS_HEADER]

/** Whether a row is the header of such a sheet. */
export const isDerived = (row: readonly string[]): boolean =>
  DERIVED.some((header) => row.filter((c) => c !== '').length === header.length && header.every((h, i) => row[i] === h))
