/** Where one is in the table: the active cell, the range from an anchor to it, and the focus that follows. */
import { type RefObject, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { focusIsFree } from '../focus'
import { ToldRows } from './told-rows'
import type { Cell, GridColumn, GridRow } from './types'

export type Range = {
  readonly rows: readonly GridRow[]
  readonly columns: readonly GridColumn[]
  /** Whether it is the active cell alone. */
  readonly single: boolean
  /** The columns that a row shows as chosen, by place; null for none. */
  readonly within: (row: GridRow) => { readonly from: number; readonly to: number } | null
}

type Wanted = {
  readonly rows: readonly GridRow[]
  readonly columns: readonly GridColumn[]
  readonly table: RefObject<HTMLTableElement | null>
  /** Key of the row that was named from outside: by the address, a finding. */
  readonly named: string | null
  /** Brings a row by its place into sight where only those in sight are drawn; null where all are. */
  readonly scrollTo: ((index: number, align?: 'center') => void) | null
  readonly editing: boolean
  /** The row that one came to. Returns whether that changed what is named from outside. */
  readonly onRow: (row: GridRow) => boolean
  /** The row that was being edited is gone. */
  readonly onLost: () => void
}

export function useSelection({ rows, columns, table, named, scrollTo, editing, onRow, onLost }: Wanted) {
  const [active, setActive] = useState<Cell | null>(null)
  const [anchor, setAnchor] = useState<Cell | null>(null)
  const focusWanted = useRef(false)
  const position = useMemo(() => new Map(rows.map((r, i) => [r.key, i])), [rows])
  const stops = useMemo(() => rows.filter((r) => r.type !== 'label' && r.type !== 'opened'), [rows])
  const stopAt = useMemo(() => new Map(stops.map((r, i) => [r.key, i])), [stops])

  // The row that somebody else removed hands the cursor to the one in its place.
  const lastStop = useRef(0)
  if (active && stopAt.has(active.row)) lastStop.current = stopAt.get(active.row) ?? 0
  useEffect(() => {
    if (!active || stopAt.has(active.row)) return
    const near = stops[Math.min(lastStop.current, stops.length - 1)]
    if (!near) return
    onLost()
    setActive({ row: near.key, column: active.column })
    focusWanted.current = document.activeElement === document.body
  }, [active, stops, stopAt, onLost])

  // Where nobody was yet, one comes to the first cell that can be written.
  const firstWritable = Math.max(
    0,
    columns.findIndex((c) => c.write),
  )
  const held = active && position.has(active.row) ? active : stops[0] ? { row: stops[0].key, column: firstWritable } : null
  const current: Cell | null = held && { row: held.row, column: Math.min(held.column, columns.length - 1) }

  const go = useCallback(
    (cell: Cell, extend: boolean) => {
      setActive(cell)
      if (!extend) setAnchor(null)
      focusWanted.current = true
      const index = position.get(cell.row)
      if (index !== undefined) scrollTo?.(index)
    },
    [position, scrollTo],
  )

  const [told] = useState(() => new ToldRows())
  const isThere = named !== null && position.has(named)
  useEffect(() => {
    const index = named === null ? undefined : position.get(named)
    if (!told.isWish(named) || named === null || named === active?.row || index === undefined) return
    setActive({ row: named, column: 0 })
    setAnchor(null)
    focusWanted.current = focusIsFree()
    if (scrollTo) scrollTo(index, 'center')
    else requestAnimationFrame(() => rowElement(table.current, named)?.scrollIntoView({ block: 'center' }))
  }, [named, isThere])

  useLayoutEffect(() => {
    if (!focusWanted.current || editing || !current) return
    const row = rowElement(table.current, current.row)
    // A group's title is one cell, whatever column one comes from.
    const found = row?.querySelector<HTMLElement>(`[data-column="${current.column}"]`) ?? row?.querySelector<HTMLElement>('[data-column]')
    if (!found) return
    focusWanted.current = false
    found.focus({ preventScroll: scrollTo !== null })
    if (!scrollTo) found.scrollIntoView({ block: 'nearest' })
  })

  useEffect(() => {
    const row = active && rows[position.get(active.row) ?? -1]
    if (row && onRow(row)) told.tell(row.key)
  }, [active?.row])

  const range = useMemo((): Range | null => {
    if (!current) return null
    const from = anchor && stopAt.has(anchor.row) ? anchor : current
    const [r1, r2] = [stopAt.get(from.row) ?? 0, stopAt.get(current.row) ?? 0].sort((a, b) => a - b) as [number, number]
    const [c1, c2] = [from.column, current.column].sort((a, b) => a - b) as [number, number]
    const single = r1 === r2 && c1 === c2
    return {
      rows: stops.slice(r1, r2 + 1).filter((r) => r.type !== 'head' || r1 === r2),
      columns: columns.slice(c1, c2 + 1),
      single,
      within: (row) => {
        const at = stopAt.get(row.key)
        return !single && at !== undefined && row.type !== 'head' && at >= r1 && at <= r2 ? { from: c1, to: c2 } : null
      },
    }
  }, [current?.row, current?.column, anchor, stops, stopAt, columns])

  const step = (cell: Cell, dRow: number, dColumn: number): Cell => {
    const at = Math.max(0, Math.min(stops.length - 1, (stopAt.get(cell.row) ?? 0) + dRow))
    return { row: stops[at]?.key ?? cell.row, column: Math.max(0, Math.min(columns.length - 1, cell.column + dColumn)) }
  }
  const extendTo = useCallback((cell: Cell, from: Cell | null, withFocus: boolean) => {
    setAnchor((a) => a ?? from)
    setActive(cell)
    if (withFocus) focusWanted.current = true
  }, [])

  return {
    current,
    /** Whether somebody has been in the table: only then the active cell is outlined. */
    marked: active !== null,
    range,
    stops,
    position,
    go,
    step,
    extendTo,
    /** The active cell without moving the focus to it: an editor has it. */
    take: useCallback((cell: Cell) => {
      setActive(cell)
      setAnchor(null)
    }, []),
    beginRange: () => setAnchor((a) => a ?? current),
    endRange: () => setAnchor(null),
    /** The focus follows the active cell at the next drawing, wherever its row has gone. */
    keepFocus: () => {
      focusWanted.current = true
    },
    rowOf: (cell: Cell): GridRow | undefined => rows[position.get(cell.row) ?? -1],
  }
}

export type Selection = ReturnType<typeof useSelection>

const rowElement = (table: HTMLTableElement | null, key: string): HTMLElement | null =>
  table?.querySelector<HTMLElement>(`[data-row="${CSS.escape(key)}"]`) ?? null
