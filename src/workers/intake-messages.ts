import type { Understanding } from '../core/intake/understanding'

/** A piece that was brought: text, or a file as it is. */
export type Piece = { readonly name: string; readonly content: string | Uint8Array }
export type ToIntake = { readonly sequence: number; readonly pieces: readonly Piece[] }
export type FromIntake = {
  readonly sequence: number
  readonly understanding: Understanding
  /** Files that could not be read, by name. */
  readonly unreadable: readonly { readonly name: string; readonly message: string }[]
}
