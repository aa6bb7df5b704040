/** Numbers as people write and read them. Hundredths are whole numbers inside, decimals outside. */

/** `1250` as `12.5`; with `places` always that many decimals. */
export function formatHundredths(value: number, places?: number): string {
  return places === undefined ? String(value / 100) : (value / 100).toFixed(places)
}

/**
 * Reads `12.5`, `12,5`, `12.5 %`, `40 pts`, `1 200` as hundredths. Null when it is no number or has more than two decimals.
 */
export function readHundredths(text: string): number | null {
  const match = /^\s*(\d{1,3}(?:[ \u00a0\u202f']\d{3})+|\d+)?(?:[.,](\d{1,2}))?\s*(?:%|points?|pts?\.?|marks?)?\s*$/i.exec(text)
  if (!match || (match[1] === undefined && match[2] === undefined)) return null
  const whole = Number((match[1] ?? '0').replace(/\D/g, ''))
  return whole * 100 + Number((match[2] ?? '0').padEnd(2, '0'))
}

/** Reads minutes: `45`, `45 min`, `1.5 h`, `1,5 h`, `1 h 30`, `1h30`, `2:15`. Null when it is none of these. */
export function readMinutes(text: string): number | null {
  const t = text.trim().toLowerCase()
  const plain = /^(\d{1,6})(?:[.,](\d))?\s*(?:m|min|mins|minutes?)?\.?$/.exec(t)
  if (plain) return Math.round(Number(`${plain[1]}.${plain[2] ?? 0}`))
  const hours = /^(\d{1,4})(?:[.,](\d{1,2}))?\s*(?:h|hr|hrs|hours?)\.?(?:\s*(\d{1,2})\s*(?:m|min|mins|minutes?)?\.?)?$/.exec(t)
  if (hours) return Math.round(Number(`${hours[1]}.${hours[2] ?? 0}`) * 60) + Number(hours[3] ?? 0)
  const clock = /^(\d{1,4}):([0-5]\d)$/.exec(t)
  return clock ? Number(clock[1]) * 60 + Number(clock[2]) : null
}

/** `1,092`: groups of three. */
export const formatWhole = (n: number): string => String(Math.round(n)).replace(/\B(?=(\d{3})+(?!\d))/g, ',')

/** `1 objective`, `2 objectives`. */
export const countOf = (n: number, one: string, many = `${one}s`): string => `${formatWhole(n)} ${n === 1 ? one : many}`

/** Words as one list: `a, b and c`. */
export const listOf = (words: readonly string[]): string => new Intl.ListFormat('en-GB').format(words)

const ENDINGS = { one: 'st', two: 'nd', few: 'rd', other: 'th', zero: 'th', many: 'th' } as const
const ordinals = new Intl.PluralRules('en-GB', { type: 'ordinal' })

/** `1st`, `2nd`, `11th`. */
export const nthOf = (n: number): string => `${n}${ENDINGS[ordinals.select(n)]}`
