/** What is done with a column by keys or by pressing: its place, its width, whether it stays in sight, whether it is shown. */
import type { KeyboardEvent } from 'react'
import { type ColumnState, NARROWEST, WIDEST } from './use-column-state'

/** Pixels that a key makes a column wider or narrower (Cairn default). */
const STEP = 16

/** Every column as it is listed: those that stay in sight first, then in order. */
export function listedColumns({ table }: ColumnState): readonly string[] {
  const pinned = table.state.columnPinning.start
  const all = table.getAllLeafColumns().map((c) => c.id)
  return [...pinned.filter((id) => all.includes(id)), ...all.filter((id) => !pinned.includes(id))]
}

/** Puts a column before another one; behind all others for null. */
export function putColumnBefore(state: ColumnState, id: string, before: string | null): void {
  const { table } = state
  const others = listedColumns(state).filter((c) => c !== id)
  const at = before === null ? others.length : others.indexOf(before)
  const order = others.toSpliced(at < 0 ? others.length : at, 0, id)
  table.setColumnOrder(order)
  const { start, end } = table.state.columnPinning
  if (start.includes(id)) table.setColumnPinning({ start: order.filter((c) => start.includes(c)), end })
}

/** Moves a column past the next one of its sort: among those that stay in sight, or among the others. */
export function moveColumn(state: ColumnState, id: string, step: 1 | -1, among: readonly string[] = listedColumns(state)): void {
  const at = among.indexOf(id) + step
  const over = among[at]
  if (over === undefined) return
  putColumnBefore(state, id, step < 0 ? over : (among[at + 1] ?? null))
}

export function sizeColumn({ table, widthOf, byId }: ColumnState, id: string, by: number): void {
  const column = byId.get(id)
  const now = (column && widthOf(column)) ?? table.getColumn(id)?.getSize() ?? 0
  table.setColumnSizing((all) => ({ ...all, [id]: Math.min(WIDEST, Math.max(NARROWEST, now + by)) }))
}

export function freezeColumn({ table }: ColumnState, id: string): void {
  const own = table.getColumn(id)
  own?.pin(own.getIsPinned() === 'start' ? false : 'start')
}

/** Shows or hides a column; the last one that is shown stays. */
export function turnColumn({ table, shown }: ColumnState, id: string): void {
  const own = table.getColumn(id)
  if (own && !(own.getIsVisible() && shown.length === 1)) own.toggleVisibility()
}

/**
 * The keys of a column, in its name or in the list: Alt and arrows move it, with Shift they size it, F lets it stay in sight.
 * Returns whether the key was one of them.
 */
export function columnKey(state: ColumnState, id: string, event: KeyboardEvent, among?: readonly string[]): boolean {
  const step = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key] as 1 | -1 | undefined
  if (event.altKey && step) event.shiftKey ? sizeColumn(state, id, step * STEP) : moveColumn(state, id, step, among)
  else if (event.key.toLowerCase() === 'f' && !event.altKey && !event.ctrlKey && !event.metaKey) freezeColumn(state, id)
  else return false
  event.preventDefault()
  return true
}
