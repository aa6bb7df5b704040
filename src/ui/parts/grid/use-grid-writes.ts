/** The one way from cells to a change of the plan: cells of records, of groups' titles, and of the empty rows that make records. */
import { useCallback, useRef } from 'react'
import type { PlanEdit } from '../../../core/blueprint/edit'
import { nounsOf, specOf } from '../../../core/blueprint/kinds'
import { fitted } from '../../../core/blueprint/text'
import { countOf, listOf } from '../../../core/numbers'
import { type NoticeAction, useCourseStore } from '../../store/course-store'
import type { CellWrite, GridColumn, GridProps, GridRow, HowWritten } from './types'

/** So many reasons are told at once (Cairn default). */
const TOLD = 3

/** Why one edited cell could not be written, and the row that it made. */
export type WriteResult = { readonly refused: string | null; readonly made: GridRow | null }
export type WriteCells = (writes: readonly CellWrite[], how: HowWritten, aside?: Aside) => WriteResult
const DONE: WriteResult = { refused: null, made: null }

/** What is said of many cells that were written beside how many. */
export type Aside = { readonly text: string; readonly action?: NoticeAction | undefined }

type Refusal = {
  readonly why: string
  /** The cell, in the row that was made for it where there was none. */
  readonly write: CellWrite
  readonly column: GridColumn
  /** What it names that could be made. */
  readonly missing: readonly string[]
}

/**
 * Gives the function that writes cells as one change. Of one edited cell it returns why it could not be; of many it says how many
 * were filled, what was left as it was, and offers to make what they name and is not there.
 */
export function useGridWrites({ rows, columns, head, make, onEdited, keeper }: GridProps): WriteCells {
  const store = useCourseStore()
  const latest = useRef<WriteCells>(() => DONE)
  // Bound to the rows as they were drawn: who ends an edit writes to the row that was there, also when it was removed meanwhile.
  const write: WriteCells = useCallback(
    (writes, how, aside) => {
      let refusals: Refusal[] = []
      let filled = new Set<string>()
      let cells = 0
      let made = new Map<string, GridRow | null>()
      const byKey = new Map(rows.map((r) => [r.key, r]))
      const byId = new Map(columns.map((c) => [c.id, c]))
      const isCounted = ({ text }: CellWrite) => how === 'clear-cells' || text.trim() !== ''
      // Told of the step: what was filled, which is known when it is done.
      const facts = { n: writes.length }
      store.edit(how, facts, (edit) => {
        // Done twice where somebody removed meanwhile what is written to: then on the plan that was seen.
        refusals = []
        filled = new Set()
        cells = 0
        made = new Map()
        keeper?.begin()
        const stamp = () => (keeper ? keeper.stamp() : edit.now)
        for (const write of writes) {
          const { rowKey, columnId, ...written } = write
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
          if (written.make) makeMissing(edit, column, target, written.text)
          const before = stamp()
          const why = column.write(edit, target, written)
          if (why)
            refusals.push({
              why,
              column,
              write: { ...write, rowKey: target.key },
              missing: column.makes?.missing(edit.now, written.text) ?? [],
            })
          // What stood there already was not written.
          else if (isCounted(write) && stamp() !== before) {
            cells++
            filled.add(target.key)
          }
        }
        if (how !== 'edit-cells') facts.n = cells
      })
      const back = keeper?.end() ?? null
      const [only] = writes
      if (how === 'edit-cells') {
        if (refusals.length === 0 && only) onEdited?.(only)
        return { refused: refusals[0]?.why ?? null, made: made.values().next().value ?? null }
      }
      const offer = offerOf(refusals, () =>
        latest.current(
          refusals.filter((r) => r.missing.length > 0).map((r) => ({ ...r.write, make: true })),
          how,
        ),
      )
      const more = refusals.length > TOLD ? ` And ${refusals.length - TOLD} more.` : ''
      const told = [...new Set(refusals.map((r) => r.why))].slice(0, TOLD).join(' ')
      store.say(
        [
          `${countOf(cells, 'cell')} ${how === 'clear-cells' ? 'cleared' : 'filled'}${filled.size > 1 ? ` in ${countOf(filled.size, 'row')}` : ''}.`,
          aside?.text,
          refusals.length > 0 && `Left as they were: ${told}${more}`,
        ]
          .filter(Boolean)
          .join(' '),
        refusals.length > 0,
        ...[offer, aside?.action, back].flatMap((a) => a ?? []),
      )
      return DONE
    },
    [store, rows, columns, head, make, onEdited, keeper],
  )
  latest.current = write
  return write
}

/** Makes what a cell names and is not there. */
function makeMissing(edit: PlanEdit, { makes }: GridColumn, row: GridRow, text: string): void {
  for (const name of makes?.missing(edit.now, text) ?? []) makes?.make(edit, row, name)
}

/** The offer to make what refused cells name: one by its name, several by their number. */
function offerOf(refusals: readonly Refusal[], run: () => void): NoticeAction | undefined {
  const names = new Map(
    refusals.flatMap(({ column, missing }) => missing.map((name) => [`${column.id} ${name.toLowerCase()}`, { column, name }] as const)),
  )
  const [first] = names.values()
  if (!first) return undefined
  if (names.size === 1) return { label: makeLabel(first.name), run }
  const kinds = [...new Set([...names.values()].map((n) => n.column.makes?.kind ?? first.column.makes?.kind))]
  const counts = kinds.flatMap((kind) =>
    kind ? [countOf([...names.values()].filter((n) => n.column.makes?.kind === kind).length, specOf(kind).noun, nounsOf(kind))] : [],
  )
  return { label: `Make ${listOf(counts)}`, run }
}

/** Make “Discussions”. */
export const makeLabel = (name: string): string => `Make “${fitted(name, 40)}”`
