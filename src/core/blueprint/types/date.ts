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

/** The years in which courses are planned, as everywhere in Cairn (Cairn defaults). */
const [FIRST_YEAR, LAST_YEAR] = [1900, 2200]
const inReach = (day: string): boolean => day >= `${FIRST_YEAR}-01-01` && day <= `${LAST_YEAR}-12-31`
function isDay(text: string): boolean {
  const ms = /^\d{4}-\d\d-\d\d$/.test(text) ? Date.parse(`${text}T00:00:00Z`) : Number.NaN
  return !Number.isNaN(ms) && new Date(ms).toISOString().startsWith(text) && inReach(text)
}

export const dateType = defineType('date', {
  zod: (_, z) => z.isoDate().check(z.refine(inReach, `a day is from ${FIRST_YEAR} to ${LAST_YEAR}`)),
  empty: () => undefined,
  toFile: asIs,
  fromFile: asIs,
  toText: (_, value) => String(value),
  fromText: (_, text) => (isDay(text) ? ok(text) : err(`A day from ${FIRST_YEAR} to ${LAST_YEAR} is needed.`)),
  describe: (_, value) => String(value),
  sql: { type: 'date', check: () => null, default: null },
})
