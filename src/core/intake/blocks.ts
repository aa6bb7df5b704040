/** What a file or a pasted text consists of, before anything of it is understood. */
import type { Section } from './sections'
import type { IntakeProblem } from './understanding'

/** Rows of cells; cells may hold several lines. `name`: of the sheet. */
export type Table = {
  readonly type: 'table'
  readonly name: string | null
  readonly rows: readonly (readonly string[])[]
  readonly at: string
  /** Cells, as `row:column` from 0, that only repeat a merged cell above them. */
  readonly copies?: ReadonlySet<string>
  /** Rows, from 0, that look otherwise than the rest. */
  readonly marks?: ReadonlyMap<number, RowMark>
  /** The sheet is hidden. */
  readonly hidden?: boolean
  /** The numbers of the rows, from 0, where not all are there. */
  readonly numbers?: readonly number[]
}
export type RowMark = 'hidden' | 'struck through' | 'coloured'

export type Block =
  | {
      readonly type: 'heading'
      readonly text: string
      readonly at: string
      /** The module that it opens, where its surroundings say so. */
      readonly module?: { readonly number: string; readonly title: string }
      readonly titles?: boolean
      readonly section?: Section
    }
  /** One line or paragraph; `item` where it stood in a list. */
  | {
      readonly type: 'line'
      readonly text: string
      readonly item: boolean
      readonly at: string
      /** It stands above a text of its own, as a heading that nobody knows. */
      readonly opens?: boolean
      /** It is struck through. */
      readonly struck?: boolean
      /** How far in it begins. */
      readonly indent?: number
      /** An empty line stands above it. */
      readonly apart?: boolean
      /** It stands behind a list and is no part of it. */
      readonly leaves?: boolean
      /** Whether it is an entry of a table of contents. */
      readonly again?: boolean
      /** Whether it stands apart behind a list. */
      readonly behindList?: boolean
      /** It stands over a list, apart from others. */
      readonly heads?: boolean
      /** The lines around it tell times or points, and it does not. */
      readonly bare?: boolean
      /** It is the title of the module whose number stands above it. */
      readonly titles?: boolean
      /** What its surroundings say that it heads. */
      readonly section?: Section
    }
  | Table

/** One thing that was brought: a file, or what was pasted. */
export type Source = {
  readonly name: string
  readonly blocks: readonly Block[]
  /** What was left out because there is too much of it. */
  readonly cut?: readonly IntakeProblem[]
}

/** Cairn defaults: a workbook of a whole programme is far below them. */
export const LIMITS = {
  fileBytes: 20_000_000,
  unpackedBytes: 80_000_000,
  files: 2_000,
  cells: 400_000,
  lines: 60_000,
  cellCharacters: 20_000,
  /** Of all cells together: one long text in many cells is more than it seems. */
  characters: 40_000_000,
} as const
