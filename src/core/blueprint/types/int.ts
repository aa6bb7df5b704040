import { err, ok } from '../../result'
import { asIs, defineType, type Optional } from './define-type'

/** A whole number. */
export type IntField = Optional & { readonly type: 'int'; readonly min: number; readonly max: number }
declare module './define-type' {
  interface FieldByType {
    int: IntField
  }
  interface ValueByType<F> {
    int: number
  }
}
export const int = (min: number, max: number) => ({ type: 'int', min, max }) as const

export const intType = defineType('int', {
  zod: (field, z) => z.int().check(z.gte(field.min), z.lte(field.max)),
  empty: () => undefined,
  toFile: asIs,
  fromFile: asIs,
  toText: (_, value) => String(value),
  fromText: (field, text) => {
    const n = /^[+-]?\d{1,9}$/.test(text) ? Number(text) : null
    return n !== null && n >= field.min && n <= field.max ? ok(n) : err(`A whole number from ${field.min} to ${field.max}.`)
  },
  describe: (_, value) => String(value),
  sql: { type: 'integer', check: (column, { min, max }) => `${column} between ${min} and ${max}`, default: null },
})
