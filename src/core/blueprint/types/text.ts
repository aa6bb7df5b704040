import { err, ok } from '../../result'
import { capital, cleanText, isCleanText, shortened } from '../text'
import { defineType, type Optional } from './define-type'

/** Text of at most `max` characters. `lines`: it may hold line breaks. */
export type TextField = Optional & {
  readonly type: 'text'
  readonly max: number
  readonly lines: boolean
  /** It is an address that begins with one of these and `://`. */
  readonly schemes?: readonly string[]
}
declare module './define-type' {
  interface FieldByType {
    text: TextField
  }
  interface ValueByType<F> {
    text: string
  }
}

/** One line of text; 300 characters unless said otherwise. */
export const line = (max = 300) => ({ type: 'text', max, lines: false }) as const
/** The address of a page or a picture, beginning with one of `schemes`. */
export const address = (...schemes: readonly string[]) => ({ type: 'text', max: 2000, lines: false, schemes }) as const
/** Text that may hold line breaks. */
export const lines = (max = 2000) => ({ type: 'text', max, lines: true }) as const

/** The most characters of text that history and lists say of a value (Cairn default). */
export const LONGEST_SAID = 60

const isAddress = ({ schemes }: TextField, text: string): boolean =>
  schemes === undefined ||
  schemes.some((s) => text.toLowerCase().startsWith(`${s}://`) && /^[^\s"'<>]+$/.test(text) && text.length > s.length + 3)
const addressSaid = ({ schemes = [] }: TextField): string => `an address begins with ${schemes.map((s) => `${s}://`).join(' or ')}`

export const textType = defineType('text', {
  zod: (field, z) =>
    z.string().check(
      z.minLength(1),
      z.maxLength(field.max),
      z.refine((t) => isCleanText(t, field.lines), 'text is NFC, without outer space or control characters'),
      z.refine((t) => isAddress(field, t), addressSaid(field)),
    ),
  // What a file holds is cleaned when it is read.
  fileZod: (field, z) =>
    z.string().check(
      z.minLength(1),
      z.maxLength(field.max),
      z.refine((t) => isAddress(field, t), addressSaid(field)),
    ),
  empty: () => undefined,
  toFile: (_, value) => value,
  fromFile: (field, value) => cleanText(value as string, field.lines),
  toText: (_, value) => String(value),
  fromText: (field, typed) => {
    if (typed.length > field.max) return err(`At most ${field.max} characters; this has ${typed.length}.`)
    return isAddress(field, typed) ? ok(typed) : err(`${capital(addressSaid(field))}.`)
  },
  describe: (_, value) => `“${shortened(String(value), LONGEST_SAID)}”`,
  sql: {
    type: 'text',
    check: (column, { max, schemes }) =>
      `char_length(${column}) between 1 and ${max}${schemes ? ` and ${column} ~* '^(${schemes.join('|')})://'` : ''}`,
    default: null,
  },
})
