import type { Role } from '../roles'
import type { Fields, ValuesOf } from './field'

/**
 * How a record kind is declared. From it follow its TypeScript type, schemas, file form, table, who may write it, what it is called
 * in history, search and details, and the edits by which tests try it.
 */
export type KindSpec<N extends string = string, F extends Fields = Fields> = {
  readonly name: N
  /** Its key in files and the word for several. */
  readonly plural: string
  /** Its word in the interface. */
  readonly noun: string
  /** Its word for several, where that does not follow from the noun. */
  readonly nouns?: string
  readonly fields: F
  /**
   * `plan` (unless said): of the blueprint; changes, undo, files. `beside`: data about a course with a service of their own
   * (core/beside), no part of undo. `library`: of a space of its own.
   */
  readonly family?: 'beside' | 'library'
  /** Windows get its records only when they ask for them (core/blueprint/asked.ts); no other kind may refer to it. */
  readonly loads?: 'when asked'
  /** What fields are called where their names, taken apart, would not say it. */
  readonly called?: { readonly [N in keyof F & string]?: string }
  /** The field whose text a record is called by. */
  readonly nameField?: keyof F & string
  /** It is called as the record that this field refers to. */
  readonly namedBy?: keyof F & string
  /** It has a number that follows from its place in the plan. */
  readonly numbered?: true
  /** Who writes it beside the designer, who writes everything. */
  readonly writers?: readonly Role[]
  /** Fields that others write besides, of a kind that they do not. */
  readonly fieldWriters?: { readonly [R in Role]?: readonly (keyof F & string)[] }
  /** Fields that a move writes together, as one; the last writer wins. */
  readonly place?: readonly (keyof F & string)[]
  /** A link record: its id is made of these fields, which never change. */
  readonly ends?: readonly (keyof F & string)[]
  /** Of a link between two records of one kind: no record is linked with itself. */
  readonly notItself?: true
  /** Exactly one a course, with the kind's name as id. */
  readonly single?: true
  /** Fields that the team keeps to itself: whoever comes from outside sees them only where that is said. */
  readonly inside?: readonly (keyof F & string)[]
  /** It only says how far the work is: a rating that rests on what it belongs to takes no notice of it. */
  readonly tellsProgress?: true
  /** The name of its table, where its own would be a poor one. */
  readonly table?: string
}

export const defineKind = <const N extends string, const F extends Fields>(spec: KindSpec<N, F>): KindSpec<N, F> => spec

export type RecordOf<K> = K extends KindSpec<string, infer F> ? { readonly id: string } & ValuesOf<F> : never
