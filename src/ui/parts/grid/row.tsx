/** One row of the shared table: a record's cells, an empty row, a group's title or a line. */
import DragIcon from '@mui/icons-material/DragIndicator'
import './grid.css'
import { memo } from 'react'
import { GridCell, type Pointed, pointHandlers } from './cell'
import { CellEditor } from './cell-editor'
import type { GridColumn, GridProps, GridRow, Then, Written } from './types'
import type { Editing } from './use-editing'
import type { Lift } from './use-row-drag'

type RowProps = {
  readonly row: GridRow
  readonly rowIndex: number
  readonly columns: readonly GridColumn[]
  readonly kind: GridProps['kind']
  readonly head: GridProps['head']
  readonly Label: GridProps['Label']
  readonly readOnly: boolean
  readonly activeColumn: number
  /** Whether somebody has been in the table: only then the active cell is outlined. */
  readonly marked: boolean
  /** The columns of the range, by place; -1 for none. */
  readonly rangeFrom: number
  readonly rangeTo: number
  readonly editing: Editing | null
  readonly finish: ((written: Written | null, then: Then) => string | null) | null
  readonly pointed: Pointed
  readonly movable: boolean
  readonly dragging: boolean
  readonly lift: Lift
  /** Whether a row is held by its handle, this one or another. */
  readonly isHeld: () => boolean
  readonly drop: 'before' | 'after' | null
  readonly startOf: (column: GridColumn) => number | undefined
  /** Of a row whose height follows from what is in it: tells it, with its place among all. */
  readonly measure: ((element: HTMLElement | null) => void) | undefined
  readonly place: number
}

/** Rows that have nothing new stay as they are: typing in one cell draws that cell alone. */
export const Row = memo(function Row(p: RowProps) {
  if (p.row.type === 'opened') return <OpenedRow {...p} />
  return p.row.type === 'label' ? <LabelRow {...p} /> : p.row.type === 'head' ? <HeadRow {...p} /> : <CellsRow {...p} />
})

const LabelRow = ({ row, rowIndex, columns, Label }: RowProps) => (
  <tr className="part" data-row={row.key} aria-rowindex={rowIndex}>
    <td colSpan={columns.length}>{Label && <Label row={row} />}</td>
  </tr>
)

const OpenedRow = ({ row, rowIndex, columns, Label, measure, place }: RowProps) => (
  <tr className="opened" data-row={row.key} aria-rowindex={rowIndex} ref={measure} data-index={place}>
    <td colSpan={columns.length}>{Label && <Label row={row} />}</td>
  </tr>
)

function HeadRow({ row, rowIndex, columns, head, activeColumn, marked, editing, finish, pointed }: RowProps) {
  if (!head) return null
  return (
    <tr
      className="head"
      data-row={row.key}
      data-record={`${head.kind} ${row.id}`}
      aria-rowindex={rowIndex}
      {...pointHandlers(row.key, pointed, () => false)}
    >
      <td
        colSpan={columns.length}
        data-column={0}
        tabIndex={activeColumn === 0 ? 0 : -1}
        className={`${activeColumn === 0 && marked ? 'active' : ''}${editing ? ' editing' : ''}`}
      >
        {editing && finish ? (
          <CellEditor row={row} column={head.title} initial={editing.text} selectAll={editing.all} finish={finish} />
        ) : (
          <head.Head id={row.id} />
        )}
      </td>
    </tr>
  )
}

function CellsRow(p: RowProps) {
  const { row, columns, editing } = p
  const draggable = row.type === 'data' && !row.fixed && !p.readOnly && p.movable
  const handle = draggable && (
    <button type="button" className="handle" aria-label="Drag row" tabIndex={-1} onPointerDown={(e) => p.lift(row.key, e)}>
      <DragIcon fontSize="small" />
    </button>
  )
  return (
    <tr
      data-row={row.key}
      {...(row.type === 'data' && row.id !== '' && p.kind !== null ? { 'data-record': `${p.kind} ${row.id}` } : {})}
      aria-rowindex={p.rowIndex}
      className={`${p.drop ? `drop-${p.drop}` : ''}${p.dragging ? ' dragged' : ''}`}
      {...pointHandlers(row.key, p.pointed, p.isHeld)}
    >
      {columns.map((column, i) => (
        <GridCell
          key={column.id}
          row={row}
          column={column}
          place={i}
          readOnly={p.readOnly}
          active={p.activeColumn === i}
          marked={p.marked}
          chosen={p.rangeFrom >= 0 && i >= p.rangeFrom && i <= p.rangeTo}
          editing={editing?.cell.column === i ? editing : null}
          finish={editing?.cell.column === i ? p.finish : null}
          start={p.startOf(column)}
          handle={i === 0 ? handle : null}
        />
      ))}
    </tr>
  )
}
