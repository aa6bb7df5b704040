/** Where one is in the matrix, and what range is marked: by keys, and by the mouse. */
import { useMemo, useState } from 'react'

export type At = { readonly row: number; readonly column: number }
export type Box = { readonly top: number; readonly bottom: number; readonly left: number; readonly right: number }

const within = (n: number, most: number) => Math.max(0, Math.min(most - 1, n))

export function useMatrixCursor(rows: number, columns: number) {
  const [at, setAt] = useState<At>({ row: 0, column: 0 })
  const [anchor, setAnchor] = useState<At | null>(null)
  // Rows and columns that went away hand the cursor to what is there.
  const current: At = { row: within(at.row, rows), column: within(at.column, columns) }
  const from: At = anchor ? { row: within(anchor.row, rows), column: within(anchor.column, columns) } : current
  const box: Box = useMemo(
    () => ({
      top: Math.min(from.row, current.row),
      bottom: Math.max(from.row, current.row),
      left: Math.min(from.column, current.column),
      right: Math.max(from.column, current.column),
    }),
    [from.row, from.column, current.row, current.column],
  )
  return {
    current,
    box,
    go: (to: At, extend: boolean) => {
      setAnchor(extend ? from : null)
      setAt({ row: within(to.row, rows), column: within(to.column, columns) })
    },
    endRange: () => setAnchor(null),
  }
}

export type MatrixCursor = ReturnType<typeof useMatrixCursor>

/** Cells that PageUp and PageDown go (Cairn default). */
const PAGE = 12

/** Where a key leads from a cell; null for keys that lead nowhere. */
export function stepOf(key: string, control: boolean, { row, column }: At, rows: number, columns: number): At | null {
  const far = control ? Number.MAX_SAFE_INTEGER : 1
  switch (key) {
    case 'ArrowUp':
      return { row: row - far, column }
    case 'ArrowDown':
      return { row: row + far, column }
    case 'ArrowLeft':
      return { row, column: column - far }
    case 'ArrowRight':
      return { row, column: column + far }
    case 'Home':
      return { row: control ? 0 : row, column: 0 }
    case 'End':
      return { row: control ? rows : row, column: columns }
    case 'PageUp':
      return { row: row - PAGE, column }
    case 'PageDown':
      return { row: row + PAGE, column }
    default:
      return null
  }
}
