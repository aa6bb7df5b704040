/** Plain days: ISO dates without a zone, so that the machine's zone never matters. */

/** A course asks for the same few hundred days thousands of times: what was worked out is remembered (Cairn default: 5,000 days). */
function remembered<A, B>(work: (of: A) => B): (of: A) => B {
  const known = new Map<A, B>()
  return (of) => {
    const found = known.get(of)
    if (found !== undefined) return found
    if (known.size >= 5000) known.clear()
    const value = work(of)
    known.set(of, value)
    return value
  }
}

/** Days since 1970-01-01. Throws on what is no ISO date (a bug: parsers check first). */
export const dayNumber = remembered((date: string): number => {
  const ms = Date.parse(`${date}T00:00:00Z`)
  if (Number.isNaN(ms)) throw new Error(`not an ISO date: ${date}`)
  return ms / 86_400_000
})

export const dateOfDay = remembered((day: number): string => new Date(day * 86_400_000).toISOString().slice(0, 10))
export const addDays = (date: string, days: number): string => dateOfDay(dayNumber(date) + days)
/** 0 is Monday, 6 is Sunday. 1970-01-01 was a Thursday. */
export const weekdayOf = (date: string): number => (((dayNumber(date) + 3) % 7) + 7) % 7
/** Days from `from` to `to`. */
export const daysBetween = (from: string, to: string): number => dayNumber(to) - dayNumber(from)

export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const

/** `4 Oct` */
export const dayAndMonth = (date: string): string => `${Number(date.slice(8))} ${MONTHS[Number(date.slice(5, 7)) - 1]}`
/** `Mon 4 Oct` */
export const shortDate = (date: string): string => `${WEEKDAYS[weekdayOf(date)]} ${dayAndMonth(date)}`
/** `4 Oct 2027` */
export const longDate = (date: string): string => `${dayAndMonth(date)} ${date.slice(0, 4)}`
/** `4 to 17 Oct`, `27 Sep to 10 Oct` */
export const dateSpan = (from: string, to: string): string =>
  from === to
    ? dayAndMonth(from)
    : from.slice(0, 7) === to.slice(0, 7)
      ? `${Number(from.slice(8))} to ${dayAndMonth(to)}`
      : `${dayAndMonth(from)} to ${dayAndMonth(to)}`

const DATE_TEXT = /^(?:(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*,?\s+)?(\d{1,2})\.?\s+([a-z]{3})[a-z]*\.?(?:\s+(\d{4}))?$/i

/** Reads `2027-10-04`, `4 Oct` or `Mon 4 Oct 2027`; a year left out is that of the date nearest to `near`. Null when it is none. */
export function readDate(text: string, near: string): string | null {
  const trimmed = text.trim()
  if (/^\d{4}-\d{2}-\d{2}$/.test(trimmed)) return validDate(trimmed)
  const match = DATE_TEXT.exec(trimmed)
  if (!match) return null
  const month = MONTHS.findIndex((m) => m.toLowerCase() === match[2]?.toLowerCase()) + 1
  if (month === 0) return null
  const of = (year: number) => validDate(`${year}-${String(month).padStart(2, '0')}-${String(match[1]).padStart(2, '0')}`)
  if (match[3]) return of(Number(match[3]))
  const year = Number(near.slice(0, 4))
  const found = [year - 1, year, year + 1].flatMap((y) => of(y) ?? [])
  return found.sort((a, b) => Math.abs(daysBetween(near, a)) - Math.abs(daysBetween(near, b)))[0] ?? null
}

export function validDate(date: string): string | null {
  const ms = Date.parse(`${date}T00:00:00Z`)
  return !Number.isNaN(ms) && new Date(ms).toISOString().startsWith(date) ? date : null
}
