import { z } from 'zod'
import { err, ok } from '../../result'
import { asIs, defineType, type Optional, quoted } from './define-type'

/** A time of day, `23:59`. */
export type TimeField = Optional & { readonly type: 'time' }
declare module './define-type' {
  interface FieldByType {
    time: TimeField
  }
  interface ValueByType<F> {
    time: string
  }
}
export const time = () => ({ type: 'time' }) as const

const CLOCK = '^([01][0-9]|2[0-3]):[0-5][0-9]$'
const schema = z.string().regex(new RegExp(CLOCK), 'a time is written 23:59')

export const timeType = defineType('time', {
  zod: () => schema,
  empty: () => undefined,
  toFile: asIs,
  fromFile: asIs,
  toText: (_, value) => String(value),
  fromText: (_, text) => (schema.safeParse(text).success ? ok(text) : err('A time such as 18:00.')),
  describe: (_, value) => String(value),
  sql: { type: 'text', check: (column) => `${column} ~ ${quoted(CLOCK)}`, default: null },
})
