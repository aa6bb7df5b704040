import { err, ok } from '../../result'
import { z } from '../../zod'
import { asIs, defineType, listed, matchOne, type Optional } from './define-type'

/** One of a few values. */
export type EnumField<V extends string = string> = Optional & { readonly type: 'enum'; readonly values: readonly V[] }
declare module './define-type' {
  interface FieldByType {
    enum: EnumField
  }
  interface ValueByType<F> {
    enum: F extends { readonly values: readonly (infer V)[] } ? V : never
  }
}
export const oneOf = <const V extends string>(values: readonly V[]) => ({ type: 'enum', values }) as const

export const choiceType = defineType('enum', {
  zod: (field) => z.enum(field.values as [string, ...string[]]),
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
