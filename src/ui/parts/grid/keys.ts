/** The keys of the table while no editor is open. */
import type { KeyboardEvent } from 'react'
import type { CourseStore } from '../../store/course-store'
import type { Cell, CellWrite, GridColumn, GridRow, HowWritten } from './types'
import type { Selection } from './use-selection'
import { cleared, filledDown } from './writes'

/** Rows that PageUp and PageDown go (Cairn default). */
const PAGE = 15
/** What can be pressed in a cell, beside the handle of the row. */
const PRESSED = 'button:not(.handle),a[href]'
type Move = readonly [dRow: number, dColumn: number]

type Wanted = {
  readonly at: Selection
  readonly columns: readonly GridColumn[]
  readonly readOnly: boolean
  readonly store: CourseStore
  readonly begin: (cell: Cell, typed: string | null) => void
  readonly write: (writes: readonly CellWrite[], how: HowWritten) => void
  readonly remove: (rows: readonly GridRow[]) => void
  readonly move: (row: GridRow, step: 1 | -1) => void
  /** Above the first row: to the names of the columns. */
  readonly toHeader: (column: number) => void
  /** Takes back the last gesture, where the rows are no part of the plan and its undo does not know of them. */
  readonly takeBack: (() => void) | undefined
  /** Opens what the cell holds; false where it opens nothing. */
  readonly onOpen: (cell: Cell) => boolean
}

/** Among what can be pressed in a cell: arrows go from one to the next, Escape back to the cell. Returns whether the key was one of them. */
function withinCell(key: string, at: HTMLElement): boolean {
  const cell = at.closest('td')
  const step = { ArrowLeft: -1, ArrowRight: 1 }[key]
  if (key !== 'Escape' && !step) return false
  const all = [...(cell?.querySelectorAll<HTMLElement>(PRESSED) ?? [])]
  const to = step ? all[all.indexOf(at) + step] : cell
  to?.focus()
  return true
}

/** Takes all that the chosen cells propose, as one change. */
function confirmRange(store: CourseStore, { rows, columns }: NonNullable<Selection['range']>): void {
  const plan = store.store.getState().view
  const cells = rows.flatMap((row) => columns.filter((c) => c.proposes?.(plan, row)).map((column) => ({ row, column })))
  const n = new Set(cells.map((c) => c.row.key)).size
  if (n === 0) return store.say('Nothing is proposed here.', false)
  store.edit('confirm-proposals', { n }, (edit) => {
    for (const { row, column } of cells) column.confirm?.(edit, row)
  })
}

export function gridKeys({ at, columns, readOnly, store, begin, write, remove, move, toHeader, takeBack, onOpen }: Wanted) {
  const { current, range, stops } = at
  const moves = (control: boolean): Readonly<Record<string, Move>> => ({
    ArrowUp: [control ? -stops.length : -1, 0],
    ArrowDown: [control ? stops.length : 1, 0],
    ArrowLeft: [0, control ? -columns.length : -1],
    ArrowRight: [0, control ? columns.length : 1],
    Home: [control ? -stops.length : 0, -columns.length],
    End: [control ? stops.length : 0, columns.length],
    PageUp: [-PAGE, 0],
    PageDown: [PAGE, 0],
  })
  const some = (writes: readonly CellWrite[], how: HowWritten) => {
    if (writes.length > 0) write(writes, how)
  }
  const onDelete = (whole: boolean) => {
    if (readOnly || !range) return
    if (!whole) return some(cleared(range.rows, range.columns), 'clear-cells')
    const gone = range.rows.filter((r) => r.type === 'data' && !r.fixed)
    if (gone.length > 0) remove(gone)
  }
  return (event: KeyboardEvent) => {
    const target = event.target as HTMLElement
    if (target.matches(`td :is(${PRESSED})`) && withinCell(event.key, target)) return event.preventDefault()
    if (!current || !target.matches('td')) return
    const control = event.ctrlKey || event.metaKey
    if (control && !event.shiftKey && event.key.toLowerCase() === 'z' && takeBack) {
      event.preventDefault()
      return takeBack()
    }
    if (control && event.key === 'Enter') {
      event.preventDefault()
      return target.querySelector<HTMLElement>(PRESSED)?.focus()
    }
    if (event.altKey) {
      if (event.key === 'Enter' && range && !readOnly) {
        event.preventDefault()
        return confirmRange(store, range)
      }
      const step = { ArrowUp: -1, ArrowDown: 1 }[event.key] as 1 | -1 | undefined
      const row = at.rowOf(current)
      if (!step) return
      event.preventDefault()
      at.keepFocus()
      if (!readOnly && row) move(row, step)
      return
    }
    const by = moves(control)[event.key]
    if (by) {
      event.preventDefault()
      if (event.key === 'ArrowUp' && !event.shiftKey && current.row === stops[0]?.key) return toHeader(current.column)
      if (event.shiftKey) at.beginRange()
      return at.go(at.step(current, ...by), event.shiftKey)
    }
    if (event.key === 'Escape') return at.endRange()
    if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault()
      return onDelete(control)
    }
    if (event.key === 'Enter' || event.key === 'F2') {
      event.preventDefault()
      if (event.key === 'Enter' && onOpen(current)) return
      return begin(current, null)
    }
    if (control && event.key.toLowerCase() === 'd' && range && !readOnly) {
      event.preventDefault()
      return some(filledDown(store.store.getState().view, range.rows, range.columns), 'fill-down')
    }
    if (event.key.length === 1 && !control) {
      event.preventDefault()
      begin(current, event.key === ' ' ? null : event.key)
    }
  }
}
