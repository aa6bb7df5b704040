import { err, ok } from '../../result'
import { z } from '../../zod'
import { asIs, defineType, type Optional } from './define-type'

/** A plain day, an ISO date without a zone. */
export type DateField = Optional & { readonly type: 'date' }
declare module './define-type' {
  interface FieldByType {
    date: DateField
  }
  interface ValueByType<F> {
    date: string
  }
}
export const date = () => ({ type: 'date' }) as const

/** There is no year 0, neither in the calendar nor in the database. */
const schema = z.iso.date().check(z.refine((d) => !d.startsWith('0000'), 'there is no year 0'))

export const dateType = defineType('date', {
  zod: () => schema,
  empty: () => undefined,
  toFile: asIs,
  fromFile: asIs,
  toText: (_, value) => String(value),
  fromText: (_, text) => (schema.safeParse(text).success ? ok(text) : err('A date is needed.')),
  describe: (_, value) => String(value),
  sql: { type: 'date', check: () => null, default: null },
})
