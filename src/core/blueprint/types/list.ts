import { err, ok } from '../../result'
import { asIs, defineType, listed, matchOne } from './define-type'

/** A set of distinct scalars, kept in the order of `values`; what says nothing is the empty set. */
export type ListField<V extends string = string> = { readonly type: 'list'; readonly values: readonly V[]; readonly optional?: false }
declare module './define-type' {
  interface FieldByType {
    list: ListField
  }
  interface ValueByType<F> {
    list: F extends { readonly values: readonly (infer V)[] } ? readonly V[] : never
  }
}
export const someOf = <const V extends string>(values: readonly V[]) => ({ type: 'list', values }) as const

export const listType = defineType('list', {
  zod: (field, z) =>
    z.array(z.enum(field.values as [string, ...string[]])).check(
      z.maxLength(field.values.length),
      z.refine((list) => new Set(list).size === list.length, 'each value once'),
    ),
  empty: () => [],
  toFile: (_, value) => ((value as readonly string[]).length > 0 ? value : undefined),
  fromFile: asIs,
  toText: (_, value) => (value as readonly string[]).join(', '),
  fromText: (field, text) => {
    const tokens = text.split(/[,;]+/).flatMap((t) => t.trim() || [])
    const found = tokens.map((t) => matchOne(field.values, t))
    const unknown = tokens.filter((_, i) => found[i] === undefined)
    return unknown.length > 0
      ? err(`There is no “${unknown[0]}”. Of: ${field.values.join(', ')}.`)
      : ok(field.values.filter((v) => found.includes(v)))
  },
  describe: (_, value) => (value as readonly string[]).join(', ') || 'nothing',
  sql: { type: 'text[]', check: (column, { values }) => `${column} <@ array[${listed(values)}]::text[]`, default: '{}' },
})
