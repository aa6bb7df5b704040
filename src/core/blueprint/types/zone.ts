import { err, ok } from '../../result'
import { z } from '../../zod'
import { asIs, defineType } from './define-type'

/** A time zone of the IANA list. */
export type ZoneField = { readonly type: 'zone'; readonly optional?: false }
declare module './define-type' {
  interface FieldByType {
    zone: ZoneField
  }
  interface ValueByType<F> {
    zone: string
  }
}
export const zone = () => ({ type: 'zone' }) as const

/** Whether a name is a zone that this machine's calendar knows. */
export function isZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch {
    return false
  }
}
/** A zone by its name, for edges that take one. */
export const zoneSchema = z.string().check(z.maxLength(60), z.refine(isZone, 'not a time zone of the IANA list'))

export const zoneType = defineType('zone', {
  zod: () => zoneSchema,
  empty: () => undefined,
  toFile: asIs,
  fromFile: asIs,
  toText: (_, value) => String(value),
  fromText: (_, text) => (zoneSchema.safeParse(text).success ? ok(text) : err('A time zone such as Europe/London.')),
  describe: (_, value) => String(value),
  // Which zones there are, PostgreSQL knows by a list of its own.
  sql: { type: 'text', check: () => null, default: null },
})
