import { err, ok } from '../../result'
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
const hasYear = (day: string): boolean => !day.startsWith('0000')
function isDay(text: string): boolean {
  const ms = /^\d{4}-\d\d-\d\d$/.test(text) ? Date.parse(`${text}T00:00:00Z`) : Number.NaN
  return !Number.isNaN(ms) && new Date(ms).toISOString().startsWith(text) && hasYear(text)
}

export const dateType = defineType('date', {
  zod: (_, z) => z.isoDate().check(z.refine(hasYear, 'there is no year 0')),
  empty: () => undefined,
  toFile: asIs,
  fromFile: asIs,
  toText: (_, value) => String(value),
  fromText: (_, text) => (isDay(text) ? ok(text) : err('A date is needed.')),
  describe: (_, value) => String(value),
  sql: { type: 'date', check: () => null, default: null },
})
