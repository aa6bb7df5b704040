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
const clockForm = new RegExp(CLOCK)

/** A time as people write it: `18:00`, `9.30`, `18h`, `6 pm`, `6:15pm`. Null where it is none. */
export function readClock(text: string): string | null {
  const [all, hour, minute = '00', half] = /^(\d{1,2})(?:[:.h](\d{2})?)?\s*(?:([ap])(?:\.?m\.?)?)?$/i.exec(text.trim()) ?? []
  if (all === undefined || /^\d+$/.test(all) || (half && (Number(hour) < 1 || Number(hour) > 12))) return null
  const hours = half ? (Number(hour) % 12) + (half.toLowerCase() === 'p' ? 12 : 0) : Number(hour)
  const clock = `${String(hours).padStart(2, '0')}:${minute}`
  return clockForm.test(clock) ? clock : null
}

export const timeType = defineType('time', {
  zod: (_, z) => z.string().check(z.regex(clockForm, 'a time is written 23:59')),
  empty: () => undefined,
  toFile: asIs,
  fromFile: asIs,
  toText: (_, value) => String(value),
  fromText: (_, text) => {
    const clock = readClock(text)
    return clock === null ? err('A time such as 18:00.') : ok(clock)
  },
  describe: (_, value) => String(value),
  sql: { type: 'text', check: (column) => `${column} ~ ${quoted(CLOCK)}`, default: null },
})
