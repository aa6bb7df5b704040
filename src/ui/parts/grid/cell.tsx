/** One cell: what its column draws, what was noticed about it, or its editor. */
import './grid.css'
import { memo } from 'react'
import { useCourse } from '../../store/course-store'
import { WeightMark } from '../marks'
import { CellEditor } from './cell-editor'
import { type GridColumn, type GridRow, isRight, isTypedLines, type Then, type Written } from './types'
import type { Editing } from './use-editing'

export type Pointed = (cell: { readonly row: string; readonly column: number }, how: 'click' | 'shift' | 'over' | 'double') => void

type CellProps = {
  readonly row: GridRow
  readonly column: GridColumn
  readonly place: number
  readonly readOnly: boolean
  /** Whether it is where the keys go; `marked`: and somebody has been in the table. */
  readonly active: boolean
  readonly marked: boolean
  readonly chosen: boolean
  readonly editing: Editing | null
  readonly finish: ((written: Written | null, then: Then) => string | null) | null
  readonly start: number | undefined
  readonly handle: React.ReactNode
}

export const GridCell = memo(function GridCell(p: CellProps) {
  const { row, column, editing } = p
  const flag = useCourse((s) => column.flag?.(s, row) ?? null)
  const classes = [
    isRight(column) && 'r',
    isTypedLines(column) && 'lines',
    flag && `flagged ${flag.weight}`,
    p.active && p.marked && 'active',
    p.chosen && 'range',
    editing && 'editing',
    p.start !== undefined && 'pinned',
  ]
  return (
    <td
      data-column={p.place}
      data-field={column.id}
      tabIndex={p.active ? 0 : -1}
      aria-selected={p.chosen || p.active}
      aria-readonly={p.readOnly || !column.write ? true : undefined}
      className={classes.filter(Boolean).join(' ')}
      style={p.start === undefined ? undefined : { left: p.start }}
    >
      {editing && p.finish ? (
        <CellEditor row={row} column={column} initial={editing.text} selectAll={editing.all} finish={p.finish} />
      ) : (
        <>
          {p.handle}
          <column.Cell row={row} />
          {flag && (
            <span className="flag" data-tip={flag.message}>
              <WeightMark weight={flag.weight} />
              <span className="visually-hidden">: {flag.message}</span>
            </span>
          )}
        </>
      )}
    </td>
  )
})

/** What the mouse does in a cell, by the row that it is in; found from where it happened, so that cells carry no handlers. */
export const pointHandlers = (rowKey: string, pointed: Pointed, isDragging: () => boolean) => {
  const columnAt = (e: React.MouseEvent): number | null => {
    const cell = (e.target as HTMLElement).closest<HTMLElement>('td[data-column]')
    return cell && e.currentTarget.contains(cell) ? Number(cell.dataset.column) : null
  }
  const at = (e: React.MouseEvent, how: Parameters<Pointed>[1]) => {
    const column = columnAt(e)
    if (column !== null) pointed({ row: rowKey, column }, how)
  }
  return {
    onMouseDown: (e: React.MouseEvent) => {
      if (e.button === 0 && !(e.target as HTMLElement).closest('button,input,textarea,a,li')) at(e, e.shiftKey ? 'shift' : 'click')
    },
    onMouseOver: (e: React.MouseEvent) => {
      if (e.buttons === 1 && !(document.activeElement instanceof HTMLInputElement) && !isDragging()) at(e, 'over')
    },
    onDoubleClick: (e: React.MouseEvent) => at(e, 'double'),
  }
}
