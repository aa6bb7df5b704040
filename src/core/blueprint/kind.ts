import type { Fields, ValuesOf } from './field'

/** How a record kind is declared. */
export type KindSpec<N extends string = string, F extends Fields = Fields> = {
  readonly name: N
  /** Its key in files and the word for several. */
  readonly plural: string
  /** Its word in the interface. */
  readonly noun: string
  readonly fields: F
  /** Fields that a move writes together, as one; the last writer wins. */
  readonly place?: readonly (keyof F & string)[]
  /** A link record: its id is made of these fields, which never change. */
  readonly ends?: readonly (keyof F & string)[]
  /** Exactly one a course, with the kind's name as id. */
  readonly single?: true
}

export const defineKind = <const N extends string, const F extends Fields>(spec: KindSpec<N, F>): KindSpec<N, F> => spec

export type RecordOf<K> = K extends KindSpec<string, infer F> ? { readonly id: string } & ValuesOf<F> : never
