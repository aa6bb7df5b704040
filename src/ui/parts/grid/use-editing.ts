/** The editor in a cell: opened by typing or Enter, closed with what was written and where to go on. */
import { type KeyboardEvent, useCallback } from 'react'
import type { CourseStore } from '../../store/course-store'
import type { Cell, GridColumn, GridProps, GridRow, Then, Written } from './types'
import type { WriteCells } from './use-grid-writes'
import type { Selection } from './use-selection'

export type Editing = { readonly cell: Cell; readonly text: string; readonly all: boolean }
type Wanted = {
  readonly props: GridProps
  /** The columns as they are shown. */
  readonly columns: readonly GridColumn[]
  readonly rows: readonly GridRow[]
  readonly store: CourseStore
  readonly write: WriteCells
}

export function useEditing(
  { props, columns, rows, store, write }: Wanted,
  editing: Editing | null,
  setEditing: (to: Editing | null) => void,
  at: Selection,
) {
  const plan = () => store.store.getState().view
  const firstWritten = columns.findIndex((c) => c.write)
  /** The column that is edited where a row offers only some: a group its title, an empty row none that are for reading. */
  const columnAt = (row: GridRow, column: number): GridColumn | undefined =>
    row.type === 'head' ? props.head?.title : columns[row.type === 'new' && !columns[column]?.write ? firstWritten : column]

  const turn = (cell: Cell, row: GridRow, column: GridColumn, typed: string | null) => {
    const written: Written = typed === null ? { text: '', chosen: !column.chosen?.(plan(), row) } : { text: typed }
    const { refused } = write([{ rowKey: cell.row, columnId: column.id, ...written }], 'edit-cells')
    if (refused) store.say(refused, true)
  }
  /** Opens the editor, with what stands in the cell or with what was typed. */
  const begin = (cell: Cell, typed: string | null) => {
    const row = at.rowOf(cell)
    const column = row && columnAt(row, cell.column)
    if (!row || !column?.write || props.readOnly) return
    if (column.cell.name === 'check') return turn(cell, row, column, typed)
    const place = { row: cell.row, column: row.type === 'head' ? 0 : columns.indexOf(column) }
    at.take(place)
    setEditing({ cell: place, text: typed ?? column.text(plan(), row), all: typed === null })
  }
  /** Closes it; gives why it stays open. */
  const finish = useCallback(
    (written: Written | null, then: Then): string | null => {
      const cell = editing?.cell
      if (!cell) return null
      let made: GridRow | null = null
      // As it was when this was drawn: it knows the row even when somebody else removed it meanwhile.
      const row = at.rowOf(cell)
      const column = row && columnAt(row, cell.column)
      if (written !== null && row && column) {
        const isNew = row.type === 'new'
        if (isNew ? written.text.trim() !== '' : written.chosen !== undefined || written.text !== column.text(plan(), row)) {
          const done = write([{ rowKey: cell.row, columnId: column.id, ...written }], 'edit-cells')
          if (done.refused) return done.refused
          made = done.made
        }
      }
      setEditing(null)
      if (then === 'leave') return null
      // The empty row that made a record is there for the next one; along the row one goes on in what was made.
      const [dRow, dColumn] = then === 'down' && !made ? [1, 0] : then === 'right' ? [0, 1] : then === 'left' ? [0, -1] : [0, 0]
      const next = at.step(cell, dRow, dColumn)
      at.go(made && dColumn !== 0 ? { row: made.key, column: next.column } : next, false)
      return null
    },
    [editing, rows, columns, write, at.position, at.go],
  )
  /** What is typed while the files of the editor are on their way is what it opens with. */
  const typedAhead = (event: KeyboardEvent) => {
    const { key, target, ctrlKey, metaKey, altKey } = event
    if (!editing || !(target as HTMLElement).matches('td') || ctrlKey || metaKey || altKey) return
    if (key === 'Escape') return setEditing(null)
    if (key.length > 1 && key !== 'Backspace') return
    event.preventDefault()
    const before = editing.all ? '' : editing.text
    setEditing({ ...editing, text: key === 'Backspace' ? before.slice(0, -1) : before + key, all: false })
  }
  return { begin, finish, typedAhead, columnAt }
}
