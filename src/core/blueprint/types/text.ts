import { err, ok } from '../../result'
import { z } from '../../zod'
import { cleanText, isCleanText, shortened } from '../text'
import { defineType, type Optional } from './define-type'

/** Text of at most `max` characters. `lines`: it may hold line breaks. */
export type TextField = Optional & { readonly type: 'text'; readonly max: number; readonly lines: boolean }
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
/** Text that may hold line breaks. */
export const lines = (max = 2000) => ({ type: 'text', max, lines: true }) as const

/** The most characters of text that history and lists say of a value (Cairn default). */
export const LONGEST_SAID = 60

export const textType = defineType('text', {
  zod: (field) =>
    z.string().check(
      z.minLength(1),
      z.maxLength(field.max),
      z.refine((t) => isCleanText(t, field.lines), 'text is NFC, without outer space or control characters'),
    ),
  // What a file holds is cleaned when it is read.
  fileZod: (field) => z.string().check(z.minLength(1), z.maxLength(field.max)),
  empty: () => undefined,
  toFile: (_, value) => value,
  fromFile: (field, value) => cleanText(value as string, field.lines),
  toText: (_, value) => String(value),
  fromText: (field, typed) => (typed.length <= field.max ? ok(typed) : err(`At most ${field.max} characters; this has ${typed.length}.`)),
  describe: (_, value) => `“${shortened(String(value), LONGEST_SAID)}”`,
  sql: { type: 'text', check: (column, { max }) => `char_length(${column}) between 1 and ${max}`, default: null },
})
