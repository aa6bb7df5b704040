/**
 * The table that every workspace shares: cells edited in place, ranges, copy and paste, fill down, rows moved by drag or
 * keys, group rows, virtual above 200 rows. It knows nothing of courses: rows and columns say what to show and write.
 */
import { DndContext, type DragEndEvent, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import { useVirtualizer } from '@tanstack/react-virtual'
import Papa from 'papaparse'
import { type ReactNode, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { focusIsFree } from '../focus'
import { Row } from './row'
import type { Cell, CellWrite, GridColumn, GridProps, GridRow, Then } from './types'

/** What a column without a width of its own keeps when the panel takes room; the table then scrolls sideways. */
const LEAST_WIDTH = 250
/** Rows above which only those in sight are drawn. */
const VIRTUAL_ABOVE = 200

export function Grid<T>(props: GridProps<T>) {
  const { rows, columns, readOnly, onWrite } = props
  const scroller = useRef<HTMLDivElement>(null)
  const table = useRef<HTMLTableElement>(null)
  const [active, setActive] = useState<Cell | null>(null)
  const [anchor, setAnchor] = useState<Cell | null>(null)
  const [editing, setEditing] = useState<{ cell: Cell; text: string; all: boolean } | null>(null)
  const focusWanted = useRef(false)
  const latest = useRef(props)
  latest.current = props

  const position = useMemo(() => new Map(rows.map((r, i) => [r.key, i])), [rows])
  const stops = useMemo(() => rows.filter((r) => r.type !== 'label'), [rows])
  const stopAt = useMemo(() => new Map(stops.map((r, i) => [r.key, i])), [stops])

  const virtual = rows.length > VIRTUAL_ABOVE
  const virtualizer = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => (rows[i]?.type === 'head' ? 41 : rows[i]?.type === 'label' ? 27 : 34),
    overscan: 12,
    enabled: virtual,
  })
  const items = virtual ? virtualizer.getVirtualItems() : rows.map((_, index) => ({ index, start: 0, end: 0 }))
  const before = virtual ? (items[0]?.start ?? 0) : 0
  const after = virtual ? virtualizer.getTotalSize() - (items.at(-1)?.end ?? 0) : 0

  // The row that somebody else removed hands the cursor to the one in its place.
  const lastStop = useRef(0)
  if (active && stopAt.has(active.row)) lastStop.current = stopAt.get(active.row) ?? 0
  useEffect(() => {
    if (!active || stopAt.has(active.row)) return
    const near = stops[Math.min(lastStop.current, stops.length - 1)]
    if (!near) return
    setEditing(null)
    setActive({ row: near.key, column: active.column })
    focusWanted.current = document.activeElement === document.body
  }, [active, stops, stopAt])

  const current: Cell | null = active && position.has(active.row) ? active : stops[0] ? { row: stops[0].key, column: 0 } : null

  const go = useCallback(
    (cell: Cell, extend: boolean) => {
      setActive(cell)
      if (!extend) setAnchor(null)
      focusWanted.current = true
      const index = position.get(cell.row)
      if (virtual && index !== undefined) virtualizer.scrollToIndex(index)
    },
    [position, virtual, virtualizer],
  )

  // A row named from outside (the address, a finding) becomes the active one.
  useEffect(() => {
    const key = props.activeKey
    if (key && key !== active?.row && position.has(key)) {
      setActive({ row: key, column: 0 })
      setAnchor(null)
      focusWanted.current = focusIsFree()
      const index = position.get(key) ?? 0
      if (virtual) virtualizer.scrollToIndex(index, { align: 'center' })
      else requestAnimationFrame(() => table.current?.querySelector(`[data-row="${CSS.escape(key)}"]`)?.scrollIntoView({ block: 'center' }))
    }
  }, [props.activeKey])

  useLayoutEffect(() => {
    if (!focusWanted.current || editing) return
    const found =
      current && table.current?.querySelector<HTMLElement>(`[data-row="${CSS.escape(current.row)}"] [data-column="${current.column}"]`)
    if (found) {
      focusWanted.current = false
      found.focus({ preventScroll: virtual })
      if (!virtual) found.scrollIntoView({ block: 'nearest' })
    }
  })

  useEffect(() => {
    if (active) latest.current.onSelect(active.row)
  }, [active?.row])

  const range = useMemo(() => {
    if (!current) return null
    const from = anchor && stopAt.has(anchor.row) ? anchor : current
    const [r1, r2] = [stopAt.get(from.row) ?? 0, stopAt.get(current.row) ?? 0].sort((a, b) => a - b) as [number, number]
    const [c1, c2] = [from.column, current.column].sort((a, b) => a - b) as [number, number]
    return { rows: stops.slice(r1, r2 + 1).filter((r) => r.type !== 'head' || r1 === r2), c1, c2, single: r1 === r2 && c1 === c2, r1, r2 }
  }, [current?.row, current?.column, anchor, stops, stopAt])
  const inRange = (row: GridRow<T>, column: number): boolean => {
    if (!range || range.single) return false
    const at = stopAt.get(row.key)
    return at !== undefined && row.type !== 'head' && at >= range.r1 && at <= range.r2 && column >= range.c1 && column <= range.c2
  }
  useEffect(() => {
    if (!range || range.single) return latest.current.onRange([])
    latest.current.onRange(range.rows.flatMap((row) => columns.slice(range.c1, range.c2 + 1).map((column) => ({ row, column }))))
  }, [range, columns])

  const step = (cell: Cell, dRow: number, dColumn: number): Cell => {
    const at = Math.max(0, Math.min(stops.length - 1, (stopAt.get(cell.row) ?? 0) + dRow))
    return { row: stops[at]?.key ?? cell.row, column: Math.max(0, Math.min(columns.length - 1, cell.column + dColumn)) }
  }
  const rowOf = (cell: Cell): GridRow<T> | undefined => rows[position.get(cell.row) ?? -1]
  const canEdit = (cell: Cell): boolean => {
    const row = rowOf(cell)
    if (!row || readOnly) return false
    return row.type === 'head' ? true : !columns[row.type === 'new' ? editableColumn(cell.column) : cell.column]?.readOnly
  }
  const editableColumn = (column: number) => (columns[column]?.readOnly ? columns.findIndex((c) => !c.readOnly) : column)

  const begin = (cell: Cell, typed: string | null) => {
    if (!canEdit(cell)) return
    const row = rowOf(cell) as GridRow<T>
    const column = row.type === 'head' ? 0 : editableColumn(cell.column)
    const at = { row: cell.row, column }
    setActive(at)
    setAnchor(null)
    setEditing({ cell: at, text: typed ?? (row.type === 'head' ? headText(row) : (columns[column]?.text(row) ?? '')), all: typed === null })
  }
  const headText = (row: GridRow<T>): string => columns.find((c) => !c.readOnly)?.text(row) ?? ''

  const finish = useCallback(
    (text: string | null, then: Then): string | null => {
      const at = editing?.cell
      if (!at) return null
      let made = false
      if (text !== null) {
        const row = rows[position.get(at.row) ?? -1]
        const column = row?.type === 'head' ? columns.find((c) => !c.readOnly) : columns[at.column]
        const empty = row?.type === 'new' && text.trim() === ''
        if (row && column && !empty && (row.type === 'new' || text !== column.text(row))) {
          // As it was when this was drawn: it knows the row even when somebody else removed it meanwhile.
          const refused = onWrite([{ rowKey: at.row, columnId: column.id, text }], 'edit-cells')
          if (refused) return refused
          made = row.type === 'new'
        }
      }
      setEditing(null)
      if (then === 'leave') return null
      // The empty row that made a record is there for the next one.
      const next = then === 'down' && !made ? step(at, 1, 0) : then === 'right' ? step(at, 0, 1) : then === 'left' ? step(at, 0, -1) : at
      go(next, false)
      return null
    },
    [editing, rows, columns, position, go, onWrite],
  )

  const onKeyDown = (event: React.KeyboardEvent) => {
    if (editing || !current || !(event.target as HTMLElement).matches('td')) return
    const control = event.ctrlKey || event.metaKey
    const move = (dRow: number, dColumn: number) => {
      event.preventDefault()
      if (event.shiftKey && !anchor) setAnchor(current)
      go(step(current, dRow, dColumn), event.shiftKey)
    }
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault()
      focusWanted.current = true
      if (!readOnly) latest.current.onMove(current.row, event.key === 'ArrowUp' ? -1 : 1)
      return
    }
    if (event.altKey) return
    switch (event.key) {
      case 'ArrowUp':
        return move(control ? -stops.length : -1, 0)
      case 'ArrowDown':
        return move(control ? stops.length : 1, 0)
      case 'ArrowLeft':
        return move(0, control ? -columns.length : -1)
      case 'ArrowRight':
        return move(0, control ? columns.length : 1)
      case 'Home':
        return move(control ? -stops.length : 0, -columns.length)
      case 'End':
        return move(control ? stops.length : 0, columns.length)
      case 'PageUp':
        return move(-15, 0)
      case 'PageDown':
        return move(15, 0)
      case 'Enter':
      case 'F2':
        event.preventDefault()
        return begin(current, null)
      case 'Escape':
        setAnchor(null)
        return
      case 'Delete':
      case 'Backspace': {
        event.preventDefault()
        if (readOnly || !range) return
        const data = range.rows.filter((r) => r.type === 'data')
        const removable = data.filter((r) => !r.fixed)
        if (control) return removable.length > 0 ? latest.current.onRemove(removable.map((r) => r.key)) : undefined
        write(
          data.flatMap((row) =>
            columns
              .slice(range.c1, range.c2 + 1)
              .filter((c) => !c.readOnly)
              .map((column) => ({ rowKey: row.key, columnId: column.id, text: '' })),
          ),
          'clear-cells',
        )
        return
      }
      default:
        if (control && event.key.toLowerCase() === 'd' && range && !readOnly) {
          event.preventDefault()
          const [first, ...rest] = range.rows.filter((r) => r.type === 'data')
          if (first)
            write(
              rest.flatMap((row) =>
                columns
                  .slice(range.c1, range.c2 + 1)
                  .filter((c) => !c.readOnly)
                  .map((c) => ({ rowKey: row.key, columnId: c.id, text: c.text(first) })),
              ),
              'fill-down',
            )
          return
        }
        if (event.key.length === 1 && !control) {
          event.preventDefault()
          begin(current, event.key === ' ' ? null : event.key)
        }
    }
  }
  const write = (writes: readonly CellWrite[], how: 'paste-cells' | 'fill-down' | 'clear-cells') => {
    if (writes.length > 0) latest.current.onWrite(writes, how)
  }

  const onCopy = (event: React.ClipboardEvent) => {
    if (editing || !range) return
    event.preventDefault()
    const text = Papa.unparse(
      range.rows.filter((r) => r.type === 'data').map((row) => columns.slice(range.c1, range.c2 + 1).map((c) => c.text(row))),
      { delimiter: '\t', newline: '\n' },
    )
    event.clipboardData.setData('text/plain', text)
  }
  const onPaste = (event: React.ClipboardEvent) => {
    if (editing || !current || readOnly) return
    event.preventDefault()
    const text = event.clipboardData.getData('text/plain').replace(/\r?\n$/, '')
    const cells = Papa.parse<string[]>(text, { delimiter: '\t' }).data
    const start = rowOf(current)
    if (!start || start.type === 'head' || cells.length === 0) return
    const first = start.type === 'new' ? editableColumn(current.column) : current.column
    // One value fills the whole range; more run down over rows and, past the last, into new ones of the same group.
    if (cells.length === 1 && cells[0]?.length === 1 && range && !range.single) {
      const value = cells[0]?.[0] ?? ''
      return write(
        range.rows
          .filter((r) => r.type === 'data')
          .flatMap((row) =>
            columns
              .slice(range.c1, range.c2 + 1)
              .filter((c) => !c.readOnly)
              .map((c) => ({ rowKey: row.key, columnId: c.id, text: value })),
          ),
        'paste-cells',
      )
    }
    const below = rows.slice(position.get(current.row) ?? 0)
    const end = below.findIndex((r) => r.type === 'head')
    const group = (end < 0 ? below : below.slice(0, end)).filter((r) => r.type === 'data' || r.type === 'new')
    const targets = start.type === 'new' ? [] : group.filter((r) => r.type === 'data')
    const fresh = start.type === 'new' ? start : group.find((r) => r.type === 'new')
    write(
      cells.flatMap((line, i) => {
        const target = targets[i]
        const rowKey = target?.key ?? (fresh ? `${fresh.key}\n${i}` : null)
        if (rowKey === null) return []
        return line.flatMap((value, k) => {
          const column = columns[first + k]
          return column && !column.readOnly ? [{ rowKey, columnId: column.id, text: value.trim() }] : []
        })
      }),
      'paste-cells',
    )
  }

  const [dragged, setDragged] = useState<string | null>(null)
  const [over, setOver] = useState<{ key: string; after: boolean } | null>(null)
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }), useSensor(KeyboardSensor))
  const onDragEnd = ({ active: from }: DragEndEvent) => {
    if (over && String(from.id) !== over.key) props.onDrop(String(from.id), over.key, over.after)
    setDragged(null)
    setOver(null)
  }

  const beginRef = useRef(begin)
  beginRef.current = begin
  const pointed = useCallback(
    (cell: Cell, how: 'click' | 'shift' | 'over' | 'double') => {
      if (how === 'double') return beginRef.current(cell, null)
      if (how === 'click') return go(cell, false)
      setAnchor((a) => a ?? activeRef.current)
      setActive(cell)
      if (how === 'shift') focusWanted.current = true
    },
    [go],
  )
  const activeRef = useRef(current)
  activeRef.current = current

  return (
    <div className="scroll-area" ref={scroller}>
      <DndContext
        sensors={sensors}
        onDragStart={({ active: from }) => setDragged(String(from.id))}
        onDragMove={({ over: target, active: from }) => {
          if (!target) return setOver(null)
          const middle = target.rect.top + target.rect.height / 2
          const at = from.rect.current.translated
          const next = { key: String(target.id), after: at ? at.top + at.height / 2 > middle : true }
          setOver((o) => (o?.key === next.key && o.after === next.after ? o : next))
        }}
        onDragEnd={onDragEnd}
        onDragCancel={() => {
          setDragged(null)
          setOver(null)
        }}
      >
        <table
          ref={table}
          className={props.look ? `grid ${props.look}` : 'grid'}
          style={{ minWidth: columns.reduce((sum, c) => sum + (c.width ?? LEAST_WIDTH), 0) }}
          role="grid"
          aria-label={props.label}
          aria-rowcount={rows.length + 1}
          aria-multiselectable="true"
          onKeyDown={onKeyDown}
          onCopy={onCopy}
          onPaste={onPaste}
        >
          <colgroup>
            {columns.map((c) => (
              <col key={c.id} style={c.width ? { width: c.width } : undefined} />
            ))}
          </colgroup>
          <thead className={props.hideHeader ? 'visually-hidden' : ''}>
            <tr aria-rowindex={1}>
              {columns.map((c) => (
                <th key={c.id} scope="col" className={c.right ? 'r' : ''} style={c.width ? { width: c.width } : undefined}>
                  {c.header}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {before > 0 && (
              <tr aria-hidden="true">
                <td colSpan={columns.length} style={{ height: before, padding: 0, border: 0 }} />
              </tr>
            )}
            {items.map(({ index }) => {
              const row = rows[index]
              if (!row) return null
              const isCurrent = current?.row === row.key
              const edit = editing?.cell.row === row.key ? editing : null
              const first = row.type === 'head' || row.type === 'label' ? 0 : columns.findIndex((_, i) => inRange(row, i))
              const last = first < 0 || !range ? -1 : range.c2
              return (
                <Row
                  key={row.key}
                  row={row}
                  rowIndex={index + 2}
                  columns={columns as readonly GridColumn<unknown>[]}
                  readOnly={readOnly}
                  activeColumn={isCurrent ? (row.type === 'head' ? 0 : (current?.column ?? 0)) : -1}
                  marked={active !== null}
                  rangeFrom={row.type === 'head' || row.type === 'label' ? -1 : first}
                  rangeTo={last}
                  editing={edit}
                  finish={edit ? finish : null}
                  pointed={pointed}
                  renderHead={props.renderHead as (row: GridRow<unknown>) => ReactNode}
                  record={props.recordOf(row)}
                  dragging={dragged === row.key}
                  drop={over?.key === row.key && dragged !== null ? (over.after ? 'after' : 'before') : null}
                />
              )
            })}
            {after > 0 && (
              <tr aria-hidden="true">
                <td colSpan={columns.length} style={{ height: after, padding: 0, border: 0 }} />
              </tr>
            )}
          </tbody>
        </table>
      </DndContext>
    </div>
  )
}
