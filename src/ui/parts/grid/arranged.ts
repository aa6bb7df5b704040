/** Rows sorted and filtered within their groups. */
import type { Blueprint } from '../../../core/blueprint/blueprint'
import type { GridColumn, GridRow } from './types'

/** What a row is sorted and filtered by: numbers by their value, all else by its text; what is open stands last. */
export function sortedBy(column: GridColumn, plan: Blueprint | null, row: GridRow): string | number | undefined {
  const text = plan ? column.text(plan, row) : ''
  if (text === '') return undefined
  const number = column.cell.name === 'number' ? Number(text.replace(',', '.')) : Number.NaN
  return Number.isNaN(number) ? text : number
}

export const isRecord = (row: GridRow): boolean => row.type === 'data' && !row.fixed

/**
 * The rows as they are grouped, with each group's records in the order of `passed`; records that are not in it are left out, and
 * where `filtered`, also groups without any and the empty rows. Lines under a record go with it.
 */
export function arranged(rows: readonly GridRow[], passed: readonly GridRow[], filtered: boolean): GridRow[] {
  const place = new Map(passed.map((r, i) => [r.key, i]))
  const placeOf = (block: readonly GridRow[]) => place.get(block[0]?.key ?? '') ?? -1
  const result: GridRow[] = []
  let run: GridRow[][] = []
  const endRun = () => {
    const kept = run.filter((block) => placeOf(block) >= 0)
    result.push(...kept.toSorted((a, b) => placeOf(a) - placeOf(b)).flat())
    run = []
  }
  for (const row of rows) {
    if (isRecord(row)) run.push([row])
    else if (row.under !== undefined && run.length > 0) run.at(-1)?.push(row)
    else {
      endRun()
      result.push(row)
    }
  }
  endRun()
  return filtered ? withoutEmptyGroups(result) : result
}

/** From the last row up: a group's title or line stays where a record stands below it, before the next of its sort. */
function withoutEmptyGroups(rows: readonly GridRow[]): GridRow[] {
  const kept: GridRow[] = []
  const has = { label: false, head: false }
  for (const row of rows.toReversed()) {
    if (row.type === 'new') continue
    if (row.type === 'data' || row.under !== undefined || (row.type !== 'opened' && has[row.type])) kept.push(row)
    if (row.type === 'data') has.label = has.head = true
    else if (row.under === undefined) has.label = false
    if (row.type === 'head') has.head = false
  }
  return kept.reverse()
}
