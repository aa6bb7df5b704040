import type { z } from '../../zod'
import { defineType, type Fields, type SchemaOf, type ValuesOf, type Z } from './define-type'
import { fileValue, recordValue } from './forms'

/** A few small facts of one shape, in the order in which they were added; what says nothing is none. */
export type ObjectListField<S extends Fields = Fields> = {
  readonly type: 'object list'
  readonly of: S
  /** How many there may be. */
  readonly most: number
  readonly optional?: false
}
declare module './define-type' {
  interface FieldByType {
    'object list': ObjectListField
  }
  interface ValueByType<F> {
    'object list': F extends { readonly of: infer S } ? readonly ValuesOf<S>[] : never
  }
}
type Facts = Readonly<Record<string, unknown>>

export const objectList = <const S extends Fields>(
  of: S,
  most: number,
): { readonly type: 'object list'; readonly of: S; readonly most: number } => ({
  type: 'object list',
  of,
  most,
})

const schema = ({ of, most }: ObjectListField, form: 'record' | 'file', z: Z, schemaOf: SchemaOf) =>
  z
    .array(
      z.strictObject(
        Object.fromEntries(Object.entries(of).map(([name, part]) => [name, schemaOf(part, form)])) as Record<string, z.ZodMiniType>,
      ),
    )
    .check(z.maxLength(most))
const each = ({ of }: ObjectListField, value: unknown, make: (part: Fields[string], value: unknown) => unknown): readonly Facts[] =>
  (value as readonly Facts[]).map((facts) => Object.fromEntries(Object.entries(of).map(([name, part]) => [name, make(part, facts[name])])))
const words = (_: ObjectListField, value: unknown): string =>
  (value as readonly Facts[])
    .map((facts) =>
      Object.values(facts)
        .filter((v) => v !== null)
        .join(' '),
    )
    .join('; ')

export const objectListType = defineType('object list', {
  zod: (field, z, schemaOf) => schema(field, 'record', z, schemaOf),
  fileZod: (field, z, schemaOf) => schema(field, 'file', z, schemaOf),
  empty: () => [],
  toFile: (field, value) => ((value as readonly Facts[]).length > 0 ? each(field, value, fileValue) : undefined),
  fromFile: (field, value) => each(field, value, recordValue),
  toText: words,
  fromText: null,
  describe: (field, value) => words(field, value) || 'nothing',
  sql: { type: 'jsonb', check: (column) => `jsonb_typeof(${column}) = 'array'`, default: '[]' },
})
