/** What a cell of the table holds, opened as rows or as a text under its line; Escape closes it and leads back to the cell. */
import { createContext, type ReactNode, useCallback, useMemo, useState } from 'react'
import type { GridColumn, GridRow } from '../parts/grid/types'
import { laterFrom } from '../parts/later'

type Open = { readonly row: string; readonly column: string }
export const CloseOpened = createContext<() => void>(() => undefined)
export const OpenedScope = ({ close, children }: { readonly close: () => void; readonly children: ReactNode }) => (
  <CloseOpened.Provider value={close}>{children}</CloseOpened.Provider>
)

/** The rows with what is opened among them, and how a cell is opened: again closes it. */
export function useOpened(planned: readonly GridRow[]) {
  const [open, setOpen] = useState<Open | null>(null)
  const rows = useMemo(
    () =>
      open === null
        ? planned
        : planned.flatMap((row): GridRow[] =>
            row.key === open.row ? [row, { key: `opened ${open.row}`, type: 'opened', id: open.column, under: open.row }] : [row],
          ),
    [planned, open],
  )
  const onOpen = useCallback(
    (row: GridRow, column: GridColumn) =>
      setOpen((now) => (now?.row === row.key && now.column === column.id ? null : { row: row.key, column: column.id })),
    [],
  )
  const close = useCallback(() => {
    setOpen(null)
    // The cell that it was opened from is where the keys of the table go.
    if (open) document.querySelector<HTMLElement>(`[data-row="${CSS.escape(open.row)}"] > td[tabindex="0"]`)?.focus()
  }, [open])
  return { rows, onOpen, close }
}

export const OpenedActivity = laterFrom(
  () => import('./opened-cell'),
  (m) => m.OpenedActivity,
)
export const OpenedModule = laterFrom(
  () => import('./opened-cell'),
  (m) => m.OpenedModule,
)
