/** What the shared table is given: rows that are ids, and columns that select from the plan what a cell shows. */
import type { ComponentType, ReactNode } from 'react'
import type { Blueprint } from '../../../core/blueprint/blueprint'
import type { PlanEdit } from '../../../core/blueprint/edit'
import type { KindName } from '../../../core/blueprint/kinds'
import type { ColumnSet } from '../../../core/edits/column-sets'
import type { Weight } from '../../../core/findings/finding'
import type { Refused } from '../../../core/result'
import type { CourseState, NoticeAction } from '../../store/course-store'

export type GridRow = {
  readonly key: string
  /**
   * `data`: a record; `new`: the empty row that makes one; `head`: a group's title, editable; `label`: a plain group line;
   * `opened`: what was opened under the line above.
   */
  readonly type: 'data' | 'new' | 'head' | 'label' | 'opened'
  /** Of the record that it shows; of a new row: where its record will stand. Empty where it stands for none. */
  readonly id: string
  /** A line that belongs to the record of this key, above it. */
  readonly under?: string
  /** Of a row that is no record of the plan: what it shows. */
  readonly shows?: object
  /** Neither dragged nor removed. */
  readonly fixed?: boolean
}

export type Choice = { readonly value: string; readonly label: string; readonly group?: string }
type Choices = (plan: Blueprint, row: GridRow) => readonly Choice[]

/** How a cell is edited. `check` is turned by a key; all others are typed, the choices also taken from a list, by id. */
export type CellType =
  | { readonly name: 'text'; readonly lines?: boolean }
  | { readonly name: 'number' | 'date' | 'time' | 'link' | 'check' }
  | { readonly name: 'choice' | 'choices'; readonly choices: Choices }

/** What was written into a cell: a text, and where it was chosen, not typed, the value that the text stands for. */
export type Written = {
  readonly text: string
  readonly chosen?: string | readonly string[] | boolean | null
  /** What the text names and is not there is made. */
  readonly make?: boolean
}
export type Flag = { readonly weight: Weight; readonly message: string }

export type GridColumn = {
  readonly id: string
  readonly header: string
  readonly cell: CellType
  readonly width?: number
  /** Shown only when somebody asks for it. */
  readonly hidden?: boolean
  /** Clearing many cells leaves it alone: a row without it is gone from every list. */
  readonly kept?: (row: GridRow) => boolean
  /** The cell as text: copied, sorted and filtered by, and where typing begins. */
  readonly text: (plan: Blueprint, row: GridRow) => string
  /** What the text stands for, where two values may have the same text. */
  readonly chosen?: (plan: Blueprint, row: GridRow) => Written['chosen']
  /** Draws the cell. A row that is no record draws by itself what it needs to. */
  readonly Cell: (props: { readonly row: GridRow }) => ReactNode
  /** What the typed text is understood as. */
  readonly hint?: (plan: Blueprint, row: GridRow, text: string) => string | null
  /** What was noticed about a cell; the same object while nothing changes. */
  readonly flag?: (state: CourseState, row: GridRow) => Flag | null
  /** What a text may name that is not there yet: which of it is missing, and how one of them is made. */
  readonly makes?: {
    readonly kind: KindName
    readonly missing: (plan: Blueprint, text: string) => readonly string[]
    readonly make: (edit: PlanEdit, row: GridRow, name: string) => void
  }
  /** Whether the cell shows what is only proposed. */
  readonly proposes?: (plan: Blueprint, row: GridRow) => boolean
  /** Takes what the cell proposes. */
  readonly confirm?: (edit: PlanEdit, row: GridRow) => void
  /** Enter opens what the cell holds under its line; typing still writes it. */
  readonly opens?: boolean
  /** Writes the cell. Without it, the column is for reading. */
  readonly write?: (edit: PlanEdit, row: GridRow, written: Written) => Refused
}

/** Keeps rows that are no records of the plan: what one gesture writes in them is gathered, and kept when it ends. */
export type RowKeeper = {
  readonly begin: () => void
  /** Another value after each cell that wrote something. */
  readonly stamp: () => unknown
  /** Keeps what was gathered; gives the way back, null where nothing was written. */
  readonly end: () => NoticeAction | null
  /** Takes back the last gesture; false where something was written since. */
  readonly takeBack: () => boolean
  readonly remove: (rows: readonly GridRow[]) => void
}

export type CellWrite = Written & { readonly rowKey: string; readonly columnId: string }
export type HowWritten = 'edit-cells' | 'paste-cells' | 'fill-down' | 'clear-cells'

export type GridProps = {
  readonly label: string
  /** What the records of the data rows are; null where they are none of the plan, and `keeper` keeps them. */
  readonly kind: KindName | null
  readonly keeper?: RowKeeper
  /** Groups: what their records are, how their title is edited, and how it is drawn. */
  readonly head?: { readonly kind: KindName; readonly title: GridColumn; readonly Head: (props: { readonly id: string }) => ReactNode }
  readonly Label?: ComponentType<{ readonly row: GridRow }>
  /** What stands in a row of type `opened`. */
  readonly Opened?: ComponentType<{ readonly row: GridRow }>
  /** A cell of a column that opens was entered. */
  readonly onOpen?: (row: GridRow, column: GridColumn) => void
  /** It stands within something else: as high as its rows, its names of columns plain, its row no selection of the view. */
  readonly isWithin?: boolean
  readonly rows: readonly GridRow[]
  readonly columns: readonly GridColumn[]
  readonly readOnly: boolean
  /** Makes the record that an empty row stands for; gives the row to write on in. Null where it can no longer be made. */
  readonly make: (edit: PlanEdit, row: GridRow) => GridRow | null
  /** Without them the rows stand in an order of their own. */
  readonly move?: (edit: PlanEdit, row: GridRow, step: 1 | -1) => void
  readonly place?: (edit: PlanEdit, row: GridRow, over: GridRow, after: boolean) => void
  /** After cells were edited one by one, without anything refused. */
  readonly onEdited?: (write: CellWrite) => void
  readonly onRange?: (cells: readonly { readonly row: GridRow; readonly column: GridColumn }[]) => void
  /** Keeps which columns are shown, how wide and in what order, under this name; without one they are as given. */
  readonly keptAs?: string
  readonly look?: string
  /** Sets of columns that ship with the table, the one it begins with first; the course's own come behind them. */
  readonly sets?: readonly ColumnSet[]
  /** Where the choice of columns stands. */
  readonly barPlace?: HTMLElement | null
}

/** Where the active cell goes when an editor closes; `leave`: somebody went elsewhere already. */
export type Then = 'stay' | 'down' | 'right' | 'left' | 'leave'
/** A cell by its row's key and its column's place. */
export type Cell = { readonly row: string; readonly column: number }

export const isTypedLines = (column: GridColumn): boolean => column.cell.name === 'text' && column.cell.lines === true
export const isRight = (column: GridColumn): boolean => column.cell.name === 'number'
