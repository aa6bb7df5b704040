/**
 * What a field type is: everything that follows from it is declared in one file a type (beside this one), and `index.ts` lists
 * them. Of a value the record form is meant (wire, log, memory) unless `file` is said (decimals, what says nothing left out).
 */

import type { Result } from '../../result'
import type { z } from '../../zod'

/** The field definitions, by type: each type's file adds its own. */
// biome-ignore lint/suspicious/noEmptyInterface: filled by the types' files.
export interface FieldByType {}
/** The TypeScript type of a value that is set, by field type; `F` is the field's definition. */
export interface ValueByType<F> {
  /** No field has it: the others are added by the types' files. */
  none: F
}

export type FieldTypeName = keyof FieldByType
export type Field = FieldByType[FieldTypeName]
export type Fields = { readonly [name: string]: Field }
export type Optional = { readonly optional?: boolean }

/** The value a field holds when it is set. */
type SetValue<F> = F extends { readonly type: infer T extends keyof ValueByType<F> } ? ValueByType<F>[T] : never

/** Optional is null in records (and left out in files). */
export type ValueOf<F> = F extends { optional: true } ? SetValue<F> | null : SetValue<F>
export type ValuesOf<S> = { readonly [N in keyof S]: ValueOf<S[N]> }

/** The names around a value, for words: of records, of days. */
export type Names = {
  /** What a record is called, short: `2a`, `Labs`; null where it is not there. */
  readonly nameOf: (kind: string, id: string) => string | null
  /** The record of a kind that a text names; null for none. */
  readonly find: (kind: string, text: string) => string | null
  readonly weekStart: 'monday' | 'sunday'
}

/** A database column as plain data; the server makes the real one of it. */
export type SqlColumn<F> = {
  readonly type: 'text' | 'text[]' | 'integer' | 'boolean' | 'date' | 'jsonb' | 'order key'
  /** A condition on the column (given as it is quoted) that PostgreSQL holds by itself; null: its type is enough. */
  readonly check: (column: string, field: F) => string | null
  /** What rows hold that were there before the field was; null where nothing can stand for it. */
  readonly default: string | boolean | null
}

/** What of Zod the schemas of fields are made of. */
export type Z = Pick<
  typeof z,
  | 'string'
  | 'minLength'
  | 'maxLength'
  | 'regex'
  | 'refine'
  | 'int'
  | 'number'
  | 'gte'
  | 'lte'
  | 'boolean'
  | 'literal'
  | 'enum'
  | 'array'
  | 'strictObject'
  | 'optional'
  | 'lazy'
  | 'discriminatedUnion'
> & { readonly isoDate: typeof z.iso.date }

/** The schema of another field, where a type is made of others. */
export type SchemaOf = (field: Field, form: 'record' | 'file') => z.ZodMiniType

export type FieldType<F> = {
  /** The schema of a value that is set. It is given Zod: who does not judge what comes from outside goes without it. */
  readonly zod: (field: F, z: Z, schemaOf: SchemaOf) => z.ZodMiniType
  /** The schema in files, where it differs. */
  readonly fileZod?: (field: F, z: Z, schemaOf: SchemaOf) => z.ZodMiniType
  /** What stands where nothing was said and the field is not optional; undefined: something must be said. */
  readonly empty: (field: F) => unknown
  /** Undefined: left out of the file. */
  readonly toFile: (field: F, value: unknown) => unknown
  /** A value of a file that passed the schema; null where it says nothing. */
  readonly fromFile: (field: F, value: unknown) => unknown
  /** The value as it is typed and copied. */
  readonly toText: (field: F, value: unknown, names: Names) => string
  /** Reads typed text that is not empty: a value, or one sentence that says what can be stored. Null: it is not typed. */
  readonly fromText: ((field: F, text: string, names: Names) => Result<unknown, string>) | null
  /** The value in the words of the history. */
  readonly describe: (field: F, value: unknown, names: Names) => string
  readonly sql: SqlColumn<F>
}

const TYPES = new Map<string, FieldType<never>>()

/** Declares what a field type is. `index.ts` sees to it that all of them are declared. */
export function defineType<N extends FieldTypeName>(name: N, type: FieldType<FieldByType[N]>): FieldType<FieldByType[N]> {
  TYPES.set(name, type as FieldType<never>)
  return type
}

/** The type of a field. */
export function typeOf(field: Field): FieldType<Field> {
  const type = TYPES.get(field.type)
  if (!type) throw new Error(`no field type ${field.type}`)
  return type as unknown as FieldType<Field>
}

/** A text as an SQL literal. */
export const quoted = (text: string): string => `'${text.replaceAll("'", "''")}'`
export const listed = (values: readonly string[]): string => values.map(quoted).join(', ')
export const asIs = (_field: unknown, value: unknown): unknown => value

/** The value that a text names: itself, the only one it begins, or the only one in which it begins a word. */
export function matchOne<T extends string>(values: readonly T[], text: string): T | undefined {
  const wanted = text.toLowerCase()
  const exact = values.find((v) => v.toLowerCase() === wanted)
  if (exact) return exact
  const begun = values.filter((v) => v.toLowerCase().startsWith(wanted))
  const within = begun.length > 0 ? begun : values.filter((v) => v.toLowerCase().includes(` ${wanted}`))
  return within.length === 1 ? within[0] : undefined
}
