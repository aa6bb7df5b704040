/** The one way from cells to a change of the plan: cells of records, of groups' titles, and of the empty rows that make records. */
import { useCallback } from 'react'
import { countOf } from '../../../core/numbers'
import { useCourseStore } from '../../store/course-store'
import type { CellWrite, GridProps, GridRow, HowWritten } from './types'

/** So many reasons are told at once (Cairn default). */
const TOLD = 3

/**
 * Gives the function that writes cells as one change. Of one edited cell it returns why it could not be; of many it says how many
 * were written, and what was left as it was.
 */
export function useGridWrites({
  rows,
  columns,
  head,
  make,
  onEdited,
}: GridProps): (writes: readonly CellWrite[], how: HowWritten) => string | null {
  const store = useCourseStore()
  return useCallback(
    (writes, how) => {
      let problems: string[] = []
      const byKey = new Map(rows.map((r) => [r.key, r]))
      const byId = new Map(columns.map((c) => [c.id, c]))
      store.edit(how, { n: writes.length }, (edit) => {
        // Done twice where somebody removed meanwhile what is written to: then on the plan that was seen.
        problems = []
        const made = new Map<string, GridRow | null>()
        for (const { rowKey, columnId, ...written } of writes) {
          // A row of several that are pasted into one empty row has that row's key, a line end and its place.
          const row = byKey.get(rowKey.split('\n', 1)[0] as string)
          const isEmpty = written.text.trim() === ''
          if (!row || (row.type === 'new' && isEmpty && !made.has(rowKey))) continue
          if (row.type === 'new' && !made.has(rowKey)) made.set(rowKey, make(edit, row))
          const target = row.type === 'new' ? made.get(rowKey) : row
          const column =
            target?.type === 'head'
              ? row.type === 'head' || byId.get(columnId)?.kept?.(row)
                ? head?.title
                : undefined
              : byId.get(columnId)
          if (!target || !column?.write || (column.kept?.(target) && isEmpty && how !== 'edit-cells')) continue
          const refused = column.write(edit, target, written)
          if (refused) problems.push(refused)
        }
      })
      const [only] = writes
      if (how === 'edit-cells') {
        if (problems.length === 0 && only) onEdited?.(only)
        return problems[0] ?? null
      }
      const more = problems.length > TOLD ? ` And ${problems.length - TOLD} more.` : ''
      const left = problems.length > 0 ? ` Left as they were: ${problems.slice(0, TOLD).join(' ')}${more}` : ''
      store.say(`${countOf(writes.length - problems.length, 'cell')} written.${left}`, problems.length > 0)
      return null
    },
    [store, rows, columns, head, make, onEdited],
  )
}
