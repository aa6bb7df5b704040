import { err, ok } from '../../result'
import { asIs, defineType, listed, matchOne, type Optional } from './define-type'

/** One of a few values. */
export type EnumField<V extends string = string> = Optional & {
  readonly type: 'enum'
  readonly values: readonly V[]
  /** How the values are listed where there are many: under these heads, in this order. */
  readonly groups?: readonly Group[]
}
type Group = { readonly head: string; readonly values: readonly string[] }
declare module './define-type' {
  interface FieldByType {
    enum: EnumField
  }
  interface ValueByType<F> {
    enum: F extends { readonly values: readonly (infer V)[] } ? V : never
  }
}
export const oneOf = <const V extends string>(values: readonly V[], groups?: readonly Group[]) =>
  ({ type: 'enum', values, ...(groups ? { groups } : {}) }) as const

/** The values of a choice as they are listed, each with its head where it has one. */
export const listedValues = ({ values, groups }: Pick<EnumField, 'values' | 'groups'>): readonly { value: string; group?: string }[] =>
  groups?.flatMap(({ head, values }) => values.map((value) => ({ value, group: head }))) ?? values.map((value) => ({ value }))

export const choiceType = defineType('enum', {
  zod: (field, z) => z.enum(field.values as [string, ...string[]]),
  empty: () => undefined,
  toFile: asIs,
  fromFile: asIs,
  toText: (_, value) => String(value),
  fromText: (field, text) => {
    const value = matchOne(field.values, text)
    return value === undefined ? err(`There is no “${text}”. One of: ${field.values.join(', ')}.`) : ok(value)
  },
  describe: (_, value) => String(value),
  sql: { type: 'text', check: (column, { values }) => `${column} in (${listed(values)})`, default: null },
})
