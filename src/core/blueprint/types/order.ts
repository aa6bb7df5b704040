import { isOrderKey } from '../order'
import { asIs, defineType } from './define-type'

/** A place among siblings: a fractional key, compared by code unit. Files have the position in the list instead. */
export type OrderField = { readonly type: 'order'; readonly optional?: false }
declare module './define-type' {
  interface FieldByType {
    order: OrderField
  }
  interface ValueByType<F> {
    order: string
  }
}
export const order = () => ({ type: 'order' }) as const

export const orderType = defineType('order', {
  zod: (_, z) => z.string().check(z.refine(isOrderKey, 'not an order key')),
  empty: () => undefined,
  toFile: () => undefined,
  fromFile: asIs,
  toText: () => '',
  fromText: null,
  describe: (_, value) => String(value),
  sql: { type: 'order key', check: (column) => `char_length(${column}) between 1 and 200`, default: null },
})
