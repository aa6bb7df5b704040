import { err, ok } from '../../result'
import { asIs, defineType, type Optional, quoted } from './define-type'

/** An opaque colour, `#20282b`. */
export type ColourField = Optional & { readonly type: 'colour' }
declare module './define-type' {
  interface FieldByType {
    colour: ColourField
  }
  interface ValueByType<F> {
    colour: string
  }
}
export const colour = () => ({ type: 'colour' }) as const

const SHAPE = '^#[0-9a-f]{6}$'

/** A colour as people write it: `#20282B`, `20282b`, `#fff`. Null where it is none. */
export function readHex(text: string): string | null {
  const digits = /^#?([0-9a-f]{3}|[0-9a-f]{6})$/.exec(text.trim().toLowerCase())?.[1]
  return digits ? `#${digits.length === 3 ? [...digits].map((d) => d + d).join('') : digits}` : null
}

export const colourType = defineType('colour', {
  zod: (_, z) => z.string().check(z.regex(new RegExp(SHAPE), 'a colour is written #20282b')),
  // Written with capitals as well.
  fileZod: (_, z) => z.string().check(z.regex(new RegExp(SHAPE, 'i'), 'a colour is written #20282b')),
  empty: () => undefined,
  toFile: asIs,
  fromFile: (_, value) => String(value).toLowerCase(),
  toText: (_, value) => String(value),
  fromText: (_, text) => {
    const read = readHex(text)
    return read === null ? err('A colour such as #20282b.') : ok(read)
  },
  describe: (_, value) => String(value),
  sql: { type: 'text', check: (column) => `${column} ~ ${quoted(SHAPE)}`, default: null },
})
