import { formatHundredths, readHundredths } from '../../numbers'
import { err, ok } from '../../result'
import { defineType, type Optional } from './define-type'

/** An integer count of hundredths (12.5 % is 1250); decimal only in files and on screen. */
export type HundredthsField = Optional & { readonly type: 'hundredths'; readonly min: number; readonly max: number }
declare module './define-type' {
  interface FieldByType {
    hundredths: HundredthsField
  }
  interface ValueByType<F> {
    hundredths: number
  }
}
/** `min` and `max` in whole units: `hundredths(0, 100)` holds 0 to 10000. */
export const hundredths = (min: number, max: number) => ({ type: 'hundredths', min: min * 100, max: max * 100 }) as const

export const hundredthsType = defineType('hundredths', {
  zod: (field, z) => z.int().check(z.gte(field.min), z.lte(field.max)),
  fileZod: (field, z) =>
    z.number().check(
      z.gte(field.min / 100),
      z.lte(field.max / 100),
      z.refine((n) => Math.abs(n * 100 - Math.round(n * 100)) < 1e-6, 'at most two decimals'),
    ),
  empty: () => undefined,
  toFile: (_, value) => (value as number) / 100,
  fromFile: (_, value) => Math.round((value as number) * 100),
  toText: (_, value) => formatHundredths(value as number),
  fromText: (field, text) => {
    const n = readHundredths(text.replace(/\s*%$/, ''))
    return n !== null && n >= field.min && n <= field.max
      ? ok(n)
      : err(`A number from ${formatHundredths(field.min)} to ${formatHundredths(field.max)}.`)
  },
  describe: (_, value) => formatHundredths(value as number),
  sql: { type: 'integer', check: (column, { min, max }) => `${column} between ${min} and ${max}`, default: null },
})
