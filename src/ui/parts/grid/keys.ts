/** The keys of the table while no editor is open. */
import type { KeyboardEvent } from 'react'
import type { CourseStore } from '../../store/course-store'
import type { Cell, CellWrite, GridColumn, GridRow, HowWritten } from './types'
import type { Selection } from './use-selection'
import { cleared, filledDown } from './writes'

/** Rows that PageUp and PageDown go (Cairn default). */
const PAGE = 15
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
}

export function gridKeys({ at, columns, readOnly, store, begin, write, remove, move, toHeader }: Wanted) {
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
    if (!current || !(event.target as HTMLElement).matches('td')) return
    const control = event.ctrlKey || event.metaKey
    if (event.altKey) {
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
