/**
 * The table that every workspace shares: cells edited in place, ranges, copy and paste, fill down, rows moved by drag or
 * keys, group rows, virtual above 200 rows. It knows nothing of courses: rows and columns say what to show and write.
 */
import {
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { useVirtualizer } from '@tanstack/react-virtual'
import Papa from 'papaparse'
import { memo, type ReactNode, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'

export type GridRow<T> = {
  readonly key: string
  /** `data`: a record; `new`: the empty row that makes one; `head`: a group's title, editable; `label`: a plain group line. */
  readonly type: 'data' | 'new' | 'head' | 'label'
  readonly item: T
}

export type GridColumn<T> = {
  readonly id: string
  readonly header: string
  readonly width?: number
  readonly right?: boolean
  /** The cell as text: copied, and where typing begins. */
  readonly text: (row: GridRow<T>) => string
  readonly render: (row: GridRow<T>) => ReactNode
  /** Values to choose from while typing. */
  readonly options?: (row: GridRow<T>) => readonly string[]
  /** What the typed text is understood as. */
  readonly hint?: (row: GridRow<T>, text: string) => string | null
  readonly readOnly?: boolean
}

export type CellWrite = { readonly rowKey: string; readonly columnId: string; readonly text: string }

export type GridProps<T> = {
  readonly label: string
  readonly rows: readonly GridRow<T>[]
  readonly columns: readonly GridColumn<T>[]
  readonly readOnly: boolean
  readonly renderHead: (row: GridRow<T>) => ReactNode
  /** A class for a cell or row that should stand out, and its accessible description. */
  readonly recordOf: (row: GridRow<T>) => string | null
  /** Writes cells as one change. A sentence comes back where some could not be. New rows: a write to a `new` row makes a record. */
  readonly onWrite: (writes: readonly CellWrite[], how: 'edit-cells' | 'paste-cells' | 'fill-down' | 'clear-cells') => string | null
  readonly onMove: (rowKey: string, step: 1 | -1) => void
  readonly onDrop: (rowKey: string, overKey: string, after: boolean) => void
  readonly onRemove: (rowKeys: readonly string[]) => void
  readonly onSelect: (rowKey: string | null) => void
  readonly onRange: (cells: readonly { readonly row: GridRow<T>; readonly column: GridColumn<T> }[]) => void
  readonly activeKey: string | null
}

/** Where the active cell goes when an editor closes; `leave`: somebody went elsewhere already. */
type Then = 'stay' | 'down' | 'right' | 'left' | 'leave'
type Cell = { readonly row: string; readonly column: number }
/** What a column without a width of its own keeps when the panel takes room; the table then scrolls sideways. */
const LEAST_WIDTH = 250
/** Rows above which only those in sight are drawn. */
const VIRTUAL_ABOVE = 200

export function Grid<T>(props: GridProps<T>) {
  const { rows, columns, readOnly } = props
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
      if (text !== null) {
        const row = rows[position.get(at.row) ?? -1]
        const column = row?.type === 'head' ? columns.find((c) => !c.readOnly) : columns[at.column]
        const empty = row?.type === 'new' && text.trim() === ''
        if (row && column && !empty && (row.type === 'new' || text !== column.text(row))) {
          const refused = latest.current.onWrite([{ rowKey: at.row, columnId: column.id, text }], 'edit-cells')
          if (refused) return refused
        }
      }
      setEditing(null)
      if (then === 'leave') return null
      const next = then === 'down' ? step(at, 1, 0) : then === 'right' ? step(at, 0, 1) : then === 'left' ? step(at, 0, -1) : at
      go(next, false)
      return null
    },
    [editing, rows, columns, position, go],
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
        if (control) return data.length > 0 ? latest.current.onRemove(data.map((r) => r.key)) : undefined
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
          className="grid"
          style={{ minWidth: columns.reduce((sum, c) => sum + (c.width ?? LEAST_WIDTH), 0) }}
          role="grid"
          aria-label={props.label}
          aria-rowcount={rows.length + 1}
          aria-multiselectable="true"
          onKeyDown={onKeyDown}
          onCopy={onCopy}
          onPaste={onPaste}
        >
          <thead>
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

type RowProps = {
  readonly row: GridRow<unknown>
  readonly rowIndex: number
  readonly columns: readonly GridColumn<unknown>[]
  readonly readOnly: boolean
  readonly activeColumn: number
  /** Whether somebody has been in the table: only then the active cell is outlined. */
  readonly marked: boolean
  readonly rangeFrom: number
  readonly rangeTo: number
  readonly editing: { readonly cell: Cell; readonly text: string; readonly all: boolean } | null
  readonly finish: ((text: string | null, then: Then) => string | null) | null
  readonly pointed: (cell: Cell, how: 'click' | 'shift' | 'over' | 'double') => void
  readonly renderHead: (row: GridRow<unknown>) => ReactNode
  readonly record: string | null
  readonly dragging: boolean
  readonly drop: 'before' | 'after' | null
}

/** Rows that have nothing new stay as they are: typing in one cell draws that cell alone. */
const Row = memo(function Row(p: RowProps) {
  const { row, columns, editing } = p
  const draggable = row.type === 'data' && !p.readOnly
  const drag = useDraggable({ id: row.key, disabled: !draggable })
  const drop = useDroppable({ id: row.key, disabled: row.type === 'head' || row.type === 'label' })
  const handlers = (column: number) => ({
    onMouseDown: (e: React.MouseEvent) => {
      if (e.button !== 0 || (e.target as HTMLElement).closest('button,input,a,li')) return
      p.pointed({ row: row.key, column }, e.shiftKey ? 'shift' : 'click')
    },
    onMouseEnter: (e: React.MouseEvent) => {
      if (e.buttons === 1 && !(document.activeElement instanceof HTMLInputElement) && !p.dragging && drag.active === null)
        p.pointed({ row: row.key, column }, 'over')
    },
    onDoubleClick: () => p.pointed({ row: row.key, column }, 'double'),
  })
  if (row.type === 'head' || row.type === 'label')
    return (
      <tr
        className={row.type === 'head' ? 'head' : 'part'}
        data-row={row.key}
        aria-rowindex={p.rowIndex}
        {...(p.record ? { 'data-record': p.record } : {})}
      >
        {row.type === 'label' ? (
          <td colSpan={columns.length}>{p.renderHead(row)}</td>
        ) : (
          <td
            colSpan={columns.length}
            data-column={0}
            tabIndex={p.activeColumn === 0 ? 0 : -1}
            className={`${p.activeColumn === 0 && p.marked ? 'active' : ''}${editing ? ' editing' : ''}`}
            {...handlers(0)}
          >
            {editing && p.finish ? (
              <CellEditor
                initial={editing.text}
                selectAll={editing.all}
                label="Module title"
                options={null}
                hint={null}
                finish={p.finish}
              />
            ) : (
              p.renderHead(row)
            )}
          </td>
        )}
      </tr>
    )
  return (
    <tr
      ref={drop.setNodeRef}
      data-row={row.key}
      aria-rowindex={p.rowIndex}
      className={`${p.drop ? `drop-${p.drop}` : ''}${p.dragging ? ' dragged' : ''}`}
      {...(p.record ? { 'data-record': p.record } : {})}
    >
      {columns.map((column, i) => {
        const isEditing = editing?.cell.column === i
        const ranged = p.rangeFrom >= 0 && i >= p.rangeFrom && i <= p.rangeTo
        return (
          <td
            key={column.id}
            data-column={i}
            tabIndex={p.activeColumn === i ? 0 : -1}
            aria-selected={ranged || p.activeColumn === i}
            aria-readonly={p.readOnly || column.readOnly ? true : undefined}
            className={`${column.right ? 'r' : ''}${p.activeColumn === i && p.marked ? ' active' : ''}${ranged ? ' range' : ''}${isEditing ? ' editing' : ''}`}
            {...handlers(i)}
          >
            {isEditing && p.finish ? (
              <CellEditor
                initial={editing.text}
                selectAll={editing.all}
                label={column.header}
                options={column.options ? column.options(row) : null}
                hint={column.hint ? (text) => column.hint?.(row, text) ?? null : null}
                finish={p.finish}
              />
            ) : (
              <>
                {i === 0 && draggable && (
                  <button
                    ref={drag.setNodeRef}
                    type="button"
                    className="handle"
                    aria-label="Drag row"
                    {...drag.listeners}
                    {...drag.attributes}
                    tabIndex={-1}
                  >
                    ⠿
                  </button>
                )}
                {column.render(row)}
              </>
            )}
          </td>
        )
      })}
    </tr>
  )
})

/** The editor inside a cell; its text is its own until it is committed. */
function CellEditor({
  initial,
  selectAll,
  label,
  options,
  hint,
  finish,
}: {
  readonly initial: string
  readonly selectAll: boolean
  readonly label: string
  readonly options: readonly string[] | null
  readonly hint: ((text: string) => string | null) | null
  readonly finish: (text: string | null, then: Then) => string | null
}) {
  const [text, setText] = useState(initial)
  const [error, setError] = useState<string | null>(null)
  const [pick, setPick] = useState(-1)
  const typed = text !== initial || !selectAll
  const shown = options ? options.filter((o) => !typed || o.toLowerCase().startsWith(text.trim().toLowerCase())) : []
  const done = useRef(false)
  const input = useRef<HTMLInputElement>(null)
  useLayoutEffect(() => {
    input.current?.focus()
    if (selectAll) input.current?.select()
  }, [])
  const commit = (then: Then, value?: string) => {
    const chosen =
      value ??
      (options && pick >= 0
        ? (shown[pick] ?? text)
        : options && typed && shown.length > 0 && text.trim() !== ''
          ? (shown[0] as string)
          : text)
    const refused = finish(chosen, then)
    if (refused) setError(refused)
    else done.current = true
  }
  const told = error ?? (hint && text !== '' ? hint(text) : null)
  return (
    <div className="cell-editor">
      <input
        ref={input}
        aria-label={label}
        data-draft
        value={text}
        aria-invalid={error !== null}
        {...(options
          ? {
              role: 'combobox',
              'aria-expanded': shown.length > 0,
              'aria-controls': 'cell-options',
              'aria-autocomplete': 'list' as const,
              'aria-activedescendant': pick >= 0 ? `cell-option-${pick}` : undefined,
            }
          : {})}
        onChange={(e) => {
          setText(e.target.value)
          setError(null)
          setPick(-1)
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && !e.altKey) {
            e.preventDefault()
            commit('down')
          } else if (e.key === 'Tab') {
            e.preventDefault()
            commit(e.shiftKey ? 'left' : 'right')
          } else if (e.key === 'Escape') {
            e.stopPropagation()
            done.current = true
            finish(null, 'stay')
          } else if (options && (e.key === 'ArrowDown' || e.key === 'ArrowUp')) {
            e.preventDefault()
            setPick((n) => Math.max(0, Math.min(shown.length - 1, n + (e.key === 'ArrowDown' ? 1 : -1))))
          }
        }}
        onBlur={() => {
          if (done.current) return
          // What cannot be stored is not kept half: the cell goes back to what it was.
          if (finish(options && pick >= 0 ? (shown[pick] ?? text) : text, 'leave') !== null) finish(null, 'leave')
        }}
      />
      {options && shown.length > 0 && (
        <ul id="cell-options" role="listbox" aria-label={label}>
          {shown.map((o, i) => (
            <li
              key={o}
              id={`cell-option-${i}`}
              role="option"
              aria-selected={i === pick}
              onMouseDown={(e) => {
                e.preventDefault()
                commit('stay', o)
              }}
            >
              {o}
            </li>
          ))}
        </ul>
      )}
      {!options && told && (
        <div className={`hint${error ? ' bad' : ''}`} role={error ? 'alert' : undefined}>
          {told}
        </div>
      )}
      {options && error && (
        <div className="hint bad" role="alert">
          {error}
        </div>
      )}
    </div>
  )
}
