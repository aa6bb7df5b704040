/** What a cell of the table holds, opened as rows or as a text under its line; Escape closes it and leads back to the cell. */
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef, useState } from 'react'
import { focusFirstIn, leadsOut } from '../focus'
import type { GridColumn, GridRow } from './types'

type Open = { readonly row: string; readonly column: string }
const CloseOpened = createContext<() => void>(() => undefined)
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

/** The box of what is opened: it takes the focus, Escape closes it. `of`: what is opened in it; `told`: what it is. */
export function OpenedBox({ of, told, children }: { readonly of: string; readonly told: ReactNode; readonly children: ReactNode }) {
  const close = useContext(CloseOpened)
  const place = useRef<HTMLDivElement>(null)
  useEffect(() => {
    focusFirstIn(place.current)
  }, [of])
  return (
    <div
      ref={place}
      className="opened-rows"
      onKeyDown={(e) => {
        if (!leadsOut(e)) return
        e.preventDefault()
        e.stopPropagation()
        close()
      }}
    >
      <div className="muted small">{told}</div>
      {children}
    </div>
  )
}
