/** One row of the shared table. */
import { useDraggable, useDroppable } from '@dnd-kit/core'
import { memo, type ReactNode } from 'react'
import { WeightMark } from '../marks'
import { CellEditor } from './cell-editor'
import type { Cell, GridColumn, GridRow, Then } from './types'

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
export const Row = memo(function Row(p: RowProps) {
  const { row, columns, editing } = p
  const draggable = row.type === 'data' && !row.fixed && !p.readOnly
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
                lines={false}
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
        const flag = column.flag?.(row) ?? null
        const ranged = p.rangeFrom >= 0 && i >= p.rangeFrom && i <= p.rangeTo
        return (
          <td
            key={column.id}
            data-column={i}
            data-field={column.id}
            tabIndex={p.activeColumn === i ? 0 : -1}
            aria-selected={ranged || p.activeColumn === i}
            aria-readonly={p.readOnly || column.readOnly ? true : undefined}
            className={`${column.right ? 'r' : ''}${column.lines ? ' lines' : ''}${flag ? ` flagged ${flag.weight}` : ''}${p.activeColumn === i && p.marked ? ' active' : ''}${ranged ? ' range' : ''}${isEditing ? ' editing' : ''}`}
            {...handlers(i)}
          >
            {isEditing && p.finish ? (
              <CellEditor
                initial={editing.text}
                selectAll={editing.all}
                label={column.header}
                lines={column.lines ?? false}
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
                {flag && (
                  <span className="flag" title={flag.message}>
                    <WeightMark weight={flag.weight} />
                    <span className="visually-hidden">: {flag.message}</span>
                  </span>
                )}
              </>
            )}
          </td>
        )
      })}
    </tr>
  )
})
