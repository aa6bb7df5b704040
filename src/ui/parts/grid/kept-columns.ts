/** How somebody arranged the columns of a table: as it is given, kept in this browser, named by a set or by the address. */
import type { SetColumn } from '../../../core/edits/column-sets'
import { z } from '../../../core/zod'
import type { GridColumn } from './types'

const arrangement = z.object({
  columnVisibility: z.record(z.string(), z.boolean()),
  columnOrder: z.array(z.string()),
  columnSizing: z.record(z.string(), z.number().check(z.gte(0))),
  columnPinning: z.object({ start: z.array(z.string()), end: z.array(z.string()) }),
})
export type Arrangement = z.infer<typeof arrangement>

const keyOf = (name: string) => `cairn columns ${name}`

/** The arrangement that shows just these columns, in this order; the others follow, hidden. */
export function arrangementOf(columns: readonly GridColumn[], shown: readonly SetColumn[]): Arrangement {
  const known = shown.filter((s) => columns.some((c) => c.id === s.id))
  const ids = known.map((c) => c.id)
  const others = columns.flatMap((c) => (ids.includes(c.id) ? [] : c.id))
  return {
    columnVisibility: Object.fromEntries([...ids.map((id) => [id, true]), ...others.map((id) => [id, false])]),
    columnOrder: [...ids, ...others],
    columnSizing: Object.fromEntries(known.flatMap((c) => (c.width === null ? [] : [[c.id, c.width]]))),
    columnPinning: { start: known.flatMap((c) => (c.frozen ? c.id : [])), end: [] },
  }
}

/** The arrangement that a table's columns are given with. */
export const asGiven = (columns: readonly GridColumn[]): Arrangement => ({
  columnVisibility: Object.fromEntries(columns.filter((c) => c.hidden).map((c) => [c.id, false])),
  columnOrder: [],
  columnSizing: {},
  columnPinning: { start: [], end: [] },
})

/** The kept arrangement; `given` where there is none, or where it cannot be read. */
export function keptColumns(name: string | undefined, given: Arrangement): Arrangement {
  try {
    const kept = name === undefined ? null : arrangement.safeParse(JSON.parse(localStorage.getItem(keyOf(name)) ?? 'null'))
    if (!kept?.success) return given
    // A column that came later is as it is given.
    return { ...kept.data, columnVisibility: { ...given.columnVisibility, ...kept.data.columnVisibility } }
  } catch {
    return given
  }
}

/** Keeps an arrangement. Where the browser has no room, it lasts as long as the page. */
export function keepColumns(name: string | undefined, kept: Arrangement): void {
  if (name === undefined) return
  try {
    localStorage.setItem(keyOf(name), JSON.stringify(kept))
  } catch {
    localStorage.removeItem(keyOf(name))
  }
}
