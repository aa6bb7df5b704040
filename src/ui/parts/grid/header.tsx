/** The names of the columns: each opens what can be done with its column, and has an edge to drag its width by. */
import './grid.css'
import ArrowDownward from '@mui/icons-material/ArrowDownward'
import ArrowUpward from '@mui/icons-material/ArrowUpward'
import FilterAlt from '@mui/icons-material/FilterAltOutlined'
import ButtonBase from '@mui/material/ButtonBase'
import { type KeyboardEvent, useState } from 'react'
import { laterFrom } from '../later'
import { columnKey } from './column-moves'
import { type GridColumn, isRight } from './types'
import type { ColumnState } from './use-column-state'

/** Fetched when it is first opened. */
const ColumnDialog = laterFrom(
  () => import('./column-dialog'),
  (m) => m.ColumnDialog,
)

type HeaderProps = {
  readonly state: ColumnState
  /** `hidden`: the first row tells what the columns are, their names are left to screen readers; `plain`: names alone. */
  readonly look: 'arranged' | 'plain' | 'hidden'
  /** Down into the rows. */
  readonly toRows: (column: number) => void
}

export function GridHeader({ state, look, toRows }: HeaderProps) {
  const [open, setOpen] = useState<{ readonly column: GridColumn; readonly at: HTMLElement } | null>(null)
  const onKeyDown = (event: KeyboardEvent<HTMLElement>, column: number) => {
    const place = { ArrowLeft: column - 1, ArrowRight: column + 1, Home: 0, End: state.shown.length - 1 }[event.key]
    const id = state.shown[column]?.id
    if (
      id !== undefined &&
      look === 'arranged' &&
      columnKey(
        state,
        id,
        event,
        state.shown.map((c) => c.id),
      )
    )
      return
    if (event.key === 'ArrowDown' || event.key === 'Escape') toRows(column)
    else if (place !== undefined) event.currentTarget.closest('tr')?.querySelector<HTMLElement>(`[data-header="${place}"]`)?.focus()
    else return
    event.preventDefault()
  }
  return (
    <thead className={look === 'hidden' ? 'visually-hidden' : ''}>
      <tr aria-rowindex={1}>
        {state.shown.map((column, i) => (
          <ColumnName
            key={column.id}
            column={column}
            state={state}
            plain={look !== 'arranged'}
            place={i}
            onOpen={(at) => setOpen({ column, at })}
            onKeyDown={(e) => onKeyDown(e, i)}
          />
        ))}
      </tr>
      {open && <ColumnDialog column={open.column} state={state} at={open.at} onClose={() => setOpen(null)} />}
    </thead>
  )
}

type NameProps = {
  readonly column: GridColumn
  readonly state: ColumnState
  readonly plain: boolean
  readonly place: number
  readonly onOpen: (at: HTMLElement) => void
  readonly onKeyDown: (event: KeyboardEvent<HTMLElement>) => void
}

function ColumnName({ column, state, plain, place, onOpen, onKeyDown }: NameProps) {
  const own = state.table.getColumn(column.id)
  const sorted = own?.getIsSorted() || null
  const header = state.table.getFlatHeaders().find((h) => h.id === column.id)
  const start = state.startOf(column)
  return (
    <th
      scope="col"
      className={isRight(column) ? 'r' : ''}
      aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : undefined}
      style={start === undefined ? undefined : { left: start, zIndex: 4 }}
    >
      {plain ? (
        column.header
      ) : (
        <>
          <ButtonBase
            className="column-name"
            tabIndex={-1}
            aria-haspopup="dialog"
            data-header={place}
            onClick={(e) => onOpen(e.currentTarget)}
            onKeyDown={onKeyDown}
          >
            {column.header}
            {sorted === 'asc' && <ArrowUpward aria-hidden />}
            {sorted === 'desc' && <ArrowDownward aria-hidden />}
            {own?.getIsFiltered() && <FilterAlt titleAccess="filtered" />}
          </ButtonBase>
          <span
            className={`column-edge${own?.getIsResizing() ? ' dragged' : ''}`}
            aria-hidden
            onMouseDown={header?.getResizeHandler()}
            onTouchStart={header?.getResizeHandler()}
            onDoubleClick={() => own?.resetSize()}
          />
        </>
      )}
    </th>
  )
}
