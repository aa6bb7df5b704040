import { err, ok } from '../../result'
import { ID_PATTERN } from '../id-pattern'
import { asIs, defineType, type Optional } from './define-type'

/** What removing the record referred to does to the record that refers. */
export type OnRemove = 'remove' | 'unlink'
/** A record of the same course. */
export type RefField = Optional & { readonly type: 'ref'; readonly to: string; readonly onRemove: OnRemove }
declare module './define-type' {
  interface FieldByType {
    ref: RefField
  }
  interface ValueByType<F> {
    ref: string
  }
}
export const ref = <const K extends string>(to: K, onRemove: OnRemove) => ({ type: 'ref', to, onRemove }) as const

export const refType = defineType('ref', {
  zod: (_, z) => z.string().check(z.regex(ID_PATTERN)),
  empty: () => undefined,
  toFile: asIs,
  fromFile: asIs,
  toText: (field, value, names) => names.nameOf(field.to, String(value)) ?? '',
  fromText: (field, text, names) => {
    const id = names.find(field.to, text)
    return id === null ? err(`There is no “${text}”.`) : ok(id)
  },
  describe: (field, value, names) => names.nameOf(field.to, String(value)) ?? 'something removed',
  // The foreign key holds the rest.
  sql: { type: 'text', check: (column) => `char_length(${column}) between 1 and 200`, default: null },
})
