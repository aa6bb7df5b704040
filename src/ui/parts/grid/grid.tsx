/**
 * The table that every workspace shares: cells edited in place, ranges, copy and paste, fill down, rows moved by drag or keys,
 * group rows, columns as people want them, virtual above 200 rows. Rows are ids; cells select from the plan what they show.
 */
import { Button } from '../button'
import './grid.css'
import { useVirtualizer } from '@tanstack/react-virtual'
import { type ClipboardEvent, useCallback, useEffect, useRef, useState } from 'react'
import { createPortal } from 'react-dom'
import { anyRecord } from '../../../core/blueprint/blueprint'
import { nounsOf, specOf } from '../../../core/blueprint/kinds'
import { fitted } from '../../../core/blueprint/text'
import type { Pasted, PasteInto } from '../../../core/edits/pasted'
import { countOf } from '../../../core/numbers'
import { useCourseStore } from '../../store/course-store'
import { useGo, useSelected } from '../../store/navigation'
import { fetched } from '../fetched'
import { laterFrom } from '../later'
import { useLatest } from '../use-latest'
import { usePrinting } from '../use-printing'
import type { Pointed } from './cell'
import { ListEditor } from './cell-editor'
import { ColumnsButton } from './columns-button'
import { GridHeader } from './header'
import { gridKeys } from './keys'
import { Row } from './row'
import type { Cell, GridProps, GridRow } from './types'
import { type ColumnState, LEAST_WIDTH, useColumnState } from './use-column-state'
import { type Editing, useEditing } from './use-editing'
import { useGridWrites } from './use-grid-writes'
import { useRowDrag } from './use-row-drag'
import { useSelection } from './use-selection'
import { pastedWrites } from './writes'

/** Rows above which only those in sight are drawn. */
const VIRTUAL_ABOVE = 200
/** Heights of rows in pixels before they are measured, by their type. */
const HEIGHT: Readonly<Partial<Record<GridRow['type'], number>>> = { head: 41, label: 27, opened: 180 }
const USUAL_HEIGHT = 34

const PasteDialog = laterFrom(
  () => import('./paste'),
  (m) => m.PasteDialog,
)
const RowDrag = laterFrom(
  () => import('./row-drag'),
  (m) => m.RowDrag,
)
const fetchClipboard = fetched(
  () => import('./clipboard'),
  (m) => m,
)
/** Where it came already, what is copied can be given to the event, which does not wait. */
let clipboard: Awaited<ReturnType<typeof fetchClipboard>> | null = null
type Pasting = { readonly text: string; readonly into: PasteInto; readonly onPaste: (pasted: Pasted) => void }

export function Grid(props: GridProps) {
  const { kind, head, readOnly } = props
  const store = useCourseStore()
  const scroller = useRef<HTMLDivElement>(null)
  const table = useRef<HTMLTableElement>(null)
  const [editing, setEditing] = useState<Editing | null>(null)
  const [pasting, setPasting] = useState<Pasting | null>(null)
  const columnState = useColumnState(props)
  const { rows, shown: columns } = columnState
  const write = useGridWrites(props)
  const changes = useRowChanges(props, columnState)

  const printing = usePrinting()
  const virtual = rows.length > VIRTUAL_ABOVE && !printing
  const virtualizer = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => HEIGHT[rows[i]?.type ?? 'data'] ?? USUAL_HEIGHT,
    overscan: 12,
    enabled: virtual,
  })
  const scrollTo = useCallback(
    (index: number, align?: 'center') => virtualizer.scrollToIndex(index, align ? { align } : undefined),
    [virtualizer],
  )
  const { select } = useGo()
  const selected = useSelected()
  const outer = props.isWithin ? null : selected
  const named = !outer ? null : outer.kind === kind ? outer.id : outer.kind === head?.kind ? headKey(outer.id) : null
  // Who is led to a row that is filtered out wants to see it.
  useEffect(() => {
    if (columnState.isFiltered && props.rows.some((r) => r.key === named) && !rows.some((r) => r.key === named)) columnState.asPlanned()
  }, [named])
  const at = useSelection({
    rows,
    columns,
    table,
    named,
    scrollTo: virtual ? scrollTo : null,
    editing: editing !== null,
    onRow: (row) => {
      const of = row.type === 'head' ? head?.kind : row.type === 'data' && row.id !== '' && kind !== null ? kind : undefined
      const before = window.location.search
      if (of && !props.isWithin) select({ kind: of, id: row.id })
      return window.location.search !== before
    },
    onLost: useCallback(() => setEditing(null), []),
  })
  const { current, range } = at
  const { begin, finish, typedAhead } = useEditing({ props, columns, rows, store, write }, editing, setEditing, at)
  const { onRange } = props
  useEffect(() => {
    onRange?.(!range || range.single ? [] : range.rows.flatMap((row) => range.columns.map((column) => ({ row, column }))))
  }, [range, onRange])

  const onOpen = (cell: Cell): boolean => {
    const [row, column] = [at.rowOf(cell), columns[cell.column]]
    if (row?.type !== 'data' || !column?.opens || !props.onOpen) return false
    props.onOpen(row, column)
    return true
  }
  // What is opened from the table and drawn elsewhere has keys and a clipboard of its own.
  const isInside = ({ target }: { readonly target: EventTarget }) => (target as HTMLElement).closest('table.grid') === table.current
  const toHeader = (column: number) => table.current?.querySelector<HTMLElement>(`[data-header="${column}"]`)?.focus()
  const onKeyDown = gridKeys({ at, columns, readOnly, store, begin, write, toHeader, takeBack: props.keeper?.takeBack, onOpen, ...changes })
  const onCopy = (event: ClipboardEvent) => {
    if (editing || !range) return
    event.preventDefault()
    const of = [store.state.view, range.rows, range.columns] as const
    if (clipboard) event.clipboardData.setData('text/plain', clipboard.copied(...of))
    else void fetchClipboard().then(({ copied }) => navigator.clipboard.writeText(copied(...of)))
  }
  const onPaste = (event: ClipboardEvent) => {
    if (editing || !current || !range || readOnly) return
    event.preventDefault()
    const below = rows.slice(at.position.get(current.row) ?? 0)
    const isRead = !columns[current.column]?.write
    const first = below[0]?.type === 'new' && isRead ? columns.findIndex((c) => c.write) : current.column
    const text = event.clipboardData.getData('text/plain')
    const put = (pasted: Pasted, told: string, again?: () => void) => {
      const writes = pastedWrites(pasted, range, below)
      const action = again && { label: 'Other columns…', run: again }
      if (writes.length > 0) write(writes, 'paste-cells', { text: told, action })
    }
    void fetchClipboard().then(({ read }) => {
      const { into, pasted, told, isTable } = read(text, props.columns, columns, first)
      const correct = () => setPasting({ text, into, onPaste: (p) => put(p, '') })
      put(pasted, told, isTable ? correct : undefined)
    })
  }

  // Who came to this view before it was drawn is in the work as a whole: the table is where keys go about.
  useEffect(() => {
    const stop = document.activeElement?.id === 'work' && !props.isWithin && table.current?.querySelector<HTMLElement>('[tabindex="0"]')
    if (stop) stop.focus({ preventScroll: true })
  }, [])

  const drag = useRowDrag(changes.drop)
  const isMovable = !readOnly && !columnState.isSorted && props.place !== undefined
  const pointed = useLatest((...[cell, how]: Parameters<Pointed>) => {
    if (how === 'double') onOpen(cell) || begin(cell, null)
    else if (how === 'click') at.go(cell, false)
    else at.extendTo(cell, current, how === 'shift')
  })
  const items = virtual ? virtualizer.getVirtualItems() : rows.map((_, index) => ({ index, start: 0, end: 0 }))
  return (
    <>
      {props.sets && props.barPlace && createPortal(<ColumnsButton state={columnState} sets={props.sets} />, props.barPlace)}
      <Arranged state={columnState} />
      {pasting && (
        <PasteDialog
          text={pasting.text}
          into={pasting.into}
          onClose={() => setPasting(null)}
          onPaste={(pasted) => {
            setPasting(null)
            if (props.keeper ? props.keeper.takeBack() : store.undoLast('paste-cells')) pasting.onPaste(pasted)
          }}
        />
      )}
      {drag.held && (
        <RowDrag
          held={drag.held}
          table={table}
          rows={items.flatMap(({ index }) => {
            const row = rows[index]
            return row?.type === 'data' || row?.type === 'new' ? [row.key] : []
          })}
          {...drag.on}
        />
      )}
      <div className={props.isWithin ? 'scroll-area within' : 'scroll-area'} ref={scroller}>
        <table
          ref={table}
          className={props.look ? `grid ${props.look}` : 'grid'}
          style={{ minWidth: columns.reduce((sum, c) => sum + (columnState.widthOf(c) ?? LEAST_WIDTH), 0) }}
          role="grid"
          aria-label={props.label}
          aria-rowcount={rows.length + 1}
          aria-multiselectable="true"
          onFocus={() => void fetchAhead()}
          onPointerEnter={() => isMovable && void RowDrag.fetch().catch(() => undefined)}
          onKeyDown={(e) => isInside(e) && (editing ? typedAhead(e) : onKeyDown(e))}
          onCopy={(e) => isInside(e) && onCopy(e)}
          onPaste={(e) => isInside(e) && onPaste(e)}
        >
          <colgroup>
            {columns.map((c) => (
              <col key={c.id} style={{ width: columnState.widthOf(c) }} />
            ))}
          </colgroup>
          <GridHeader
            state={columnState}
            look={props.keptAs !== undefined ? 'arranged' : props.isWithin ? 'plain' : 'hidden'}
            toRows={(column) => rows[0] && at.go({ row: (at.stops[0] ?? rows[0]).key, column }, false)}
          />
          <tbody>
            <Space height={virtual ? (items[0]?.start ?? 0) : 0} columns={columns.length} />
            {items.map(({ index }) => {
              const row = rows[index]
              if (!row) return null
              const edit = editing?.cell.row === row.key ? editing : null
              const within = row.type === 'data' || row.type === 'new' ? range?.within(row) : null
              return (
                <Row
                  key={row.key}
                  row={row}
                  rowIndex={index + 2}
                  columns={columns}
                  kind={kind}
                  head={head}
                  Label={row.type === 'opened' ? props.Opened : props.Label}
                  measure={virtual && row.type === 'opened' ? virtualizer.measureElement : undefined}
                  place={index}
                  readOnly={readOnly}
                  activeColumn={current?.row !== row.key ? -1 : row.type === 'head' ? 0 : current.column}
                  marked={at.marked}
                  rangeFrom={within?.from ?? -1}
                  rangeTo={within?.to ?? -1}
                  editing={edit}
                  finish={edit ? finish : null}
                  pointed={pointed}
                  movable={isMovable}
                  dragging={drag.isDragged(row.key)}
                  lift={drag.lift}
                  isHeld={drag.isHeld}
                  drop={drag.dropAt(row.key)}
                  startOf={columnState.startOf}
                />
              )
            })}
            <Space height={virtual ? virtualizer.getTotalSize() - (items.at(-1)?.end ?? 0) : 0} columns={columns.length} />
          </tbody>
        </table>
      </div>
    </>
  )
}

/** What is needed soon by whoever comes into a table; what does not come is asked for again when it is needed. */
async function fetchAhead() {
  await ListEditor.fetch().catch(() => undefined)
  clipboard = await fetchClipboard().catch(() => null)
}

/** The key of a group's row. */
export const headKey = (id: string): string => `head ${id}`

/** The room of rows that are out of sight. */
const Space = ({ height, columns }: { readonly height: number; readonly columns: number }) =>
  height > 0 && (
    <tr aria-hidden="true">
      <td colSpan={columns} style={{ height, padding: 0, border: 0 }} />
    </tr>
  )

/** That rows are sorted or left out, and the way back. */
function Arranged({ state }: { readonly state: ColumnState }) {
  if (!state.isSorted && !state.isFiltered) return null
  const told = state.table.getAllLeafColumns().flatMap((c) => {
    const name = state.byId.get(c.id)?.header ?? c.id
    const sorted = c.getIsSorted()
    return [
      ...(sorted ? [`by ${name}, ${sorted === 'asc' ? 'rising' : 'falling'} in each group`] : []),
      ...(c.getIsFiltered() ? [`only where ${name} has “${c.getFilterValue()}”`] : []),
    ]
  })
  const records = state.rows.filter((r) => r.type === 'data').length
  return (
    <div className="bar small" role="status">
      <span>
        {countOf(records, 'row')} {told.join('; ')}
      </span>
      <Button rank="rest" onClick={state.asPlanned}>
        All rows as planned
      </Button>
    </div>
  )
}

/** Rows moved and removed, each as one change. */
function useRowChanges({ kind, head, rows, move, place, keeper }: GridProps, state: ColumnState) {
  const store = useCourseStore()
  const nameOf = (row: GridRow): string => {
    const of = row.type === 'head' && head ? head.kind : kind
    if (of === null) return ''
    const { nameField, noun } = specOf(of)
    const record = anyRecord(store.store.getState().view, { kind: of, id: row.id })
    return fitted(String((nameField && record?.[nameField]) || noun), 40)
  }
  return {
    move: (row: GridRow, step: 1 | -1) => {
      if (row.type === 'new' || !move) return
      if (state.isSorted) return store.say('The rows are sorted; they can be moved where they stand as planned.', true)
      store.edit('move', { what: nameOf(row) }, (edit) => move(edit, row, step))
    },
    drop: (key: string, overKey: string, after: boolean) => {
      const [row, over] = [key, overKey].map((k) => rows.find((r) => r.key === k))
      if (row && over && place) store.edit('move', { what: nameOf(row) }, (edit) => place(edit, row, over, after))
    },
    remove: (gone: readonly GridRow[]) => {
      if (keeper || kind === null) return keeper?.remove(gone)
      const what = gone.length === 1 ? nameOf(gone[0] as GridRow) : countOf(gone.length, specOf(kind).noun, nounsOf(kind))
      if (store.edit('remove', { what }, (edit) => edit.remove(...gone.map(({ id }) => ({ kind, id })))))
        store.say(`Removed ${what}. Ctrl+Z brings it back.`, false)
    },
  }
}
