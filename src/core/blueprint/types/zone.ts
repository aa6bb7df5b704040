import { err, ok } from '../../result'
import { asIs, defineType, type Z } from './define-type'

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

const LONGEST = 60
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
export const zoneSchema = (z: Pick<Z, 'string' | 'maxLength' | 'refine'>) =>
  z.string().check(z.maxLength(LONGEST), z.refine(isZone, 'not a time zone of the IANA list'))

export const zoneType = defineType('zone', {
  zod: (_, z) => zoneSchema(z),
  empty: () => undefined,
  toFile: asIs,
  fromFile: asIs,
  toText: (_, value) => String(value),
  fromText: (_, text) => (text.length <= LONGEST && isZone(text) ? ok(text) : err('A time zone such as Europe/London.')),
  describe: (_, value) => String(value),
  // Which zones there are, PostgreSQL knows by a list of its own.
  sql: { type: 'text', check: () => null, default: null },
})
