import { err, ok } from '../../result'
import type { z } from '../../zod'
import { defineType, type Field, type Fields, type Names, type Optional, type ValuesOf } from './define-type'
import { fileValue, recordValue } from './forms'

/** A few values that are written as one. */
export type ObjectField<S extends Fields = Fields> = Optional & {
  readonly type: 'object'
  readonly of: S
  /** The value in words; else its parts, last first. */
  readonly words?: (value: never, names: Names) => string
  /** Reads typed words; without it the value is not typed as text. */
  readonly read?: (text: string, names: Names) => unknown
  /** What can be typed, as a sentence. */
  readonly hint?: string
}
declare module './define-type' {
  interface FieldByType {
    object: ObjectField
  }
  interface ValueByType<F> {
    object: F extends { readonly of: infer S } ? ValuesOf<S> : never
  }
}
type Facts = Readonly<Record<string, unknown>>

export const object = <const S extends Fields>(
  of: S,
  how: Pick<ObjectField, 'words' | 'read' | 'hint'> = {},
): { readonly type: 'object'; readonly of: S } & Pick<ObjectField, 'words' | 'read' | 'hint'> => ({ type: 'object', of, ...how })

const each = (field: ObjectField, make: (part: Field, name: string) => unknown): Facts =>
  Object.fromEntries(Object.entries(field.of).flatMap(([name, part]) => [[name, make(part, name)]]))

const words = (field: ObjectField, value: unknown, names: Names): string =>
  field.words
    ? field.words(value as never, names)
    : Object.values(value as Facts)
        .reverse()
        .join(' ')

export const objectType = defineType('object', {
  zod: (field, z, schemaOf) => z.strictObject(each(field, (part) => schemaOf(part, 'record')) as Record<string, z.ZodMiniType>),
  fileZod: (field, z, schemaOf) => z.strictObject(each(field, (part) => schemaOf(part, 'file')) as Record<string, z.ZodMiniType>),
  empty: () => undefined,
  toFile: (field, value) => each(field, (part, name) => fileValue(part, (value as Facts)[name])),
  fromFile: (field, value) => each(field, (part, name) => recordValue(part, (value as Facts)[name])),
  toText: words,
  fromText: (field, text, names) => {
    const value = field.read?.(text, names) ?? null
    return value === null ? err(field.hint ?? 'This cannot be typed.') : ok(value)
  },
  describe: words,
  sql: { type: 'jsonb', check: () => null, default: null },
})
