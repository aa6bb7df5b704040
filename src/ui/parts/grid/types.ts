/** What the shared table is given. */
import type { ReactNode } from 'react'
import type { Weight } from '../../../core/findings/finding'

export type GridRow<T> = {
  readonly key: string
  /** `data`: a record; `new`: the empty row that makes one; `head`: a group's title, editable; `label`: a plain group line. */
  readonly type: 'data' | 'new' | 'head' | 'label'
  readonly item: T
  /** Neither dragged nor removed. */
  readonly fixed?: boolean
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
  /** Text of several lines: the cell wraps, and Shift+Enter breaks a line. */
  readonly lines?: boolean
  /** What was noticed about a cell. */
  readonly flag?: (row: GridRow<T>) => { readonly weight: Weight; readonly message: string } | null
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
  /** The first row tells what the columns are; their names are left to screen readers. */
  readonly hideHeader?: boolean
  readonly look?: string
}

/** Where the active cell goes when an editor closes; `leave`: somebody went elsewhere already. */
export type Then = 'stay' | 'down' | 'right' | 'left' | 'leave'
/** A cell by its row's key and its column's place. */
export type Cell = { readonly row: string; readonly column: number }
