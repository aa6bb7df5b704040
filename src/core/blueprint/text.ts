/** What text may hold. Fields: NFC, well-formed, no control characters but newline and tab, and nothing that shows letters in another order than they are written. */

/**
 * What no stored text holds: NUL, which PostgreSQL's `text` and `jsonb` cannot (its manual, 8.3 and 8.14); signs that show letters in
 * another order than they are written (Unicode 15, 23.2: overrides); and tag signs, which nobody sees, but for those that make a flag
 * (UTS 51, annex C).
 */
const NEVER = /[\u0000\u202d\u202e]|(?<!\u{1f3f4}[\u{e0020}-\u{e007e}]*)[\u{e0000}-\u{e007f}]/u
const NEVER_ANY = new RegExp(NEVER, 'gu')

/** Whether text can be stored, in a column or within JSON: whole letters, none of them hidden. The one definition for every string that is stored. */
export const isStorable = (text: string): boolean => text.isWellFormed() && !NEVER.test(text)

/** Text made storable: halves of letters become U+FFFD, what no stored text holds goes; all else stays as it is. */
export const storable = (text: string): string => (isStorable(text) ? text : text.toWellFormed().replace(NEVER_ANY, ''))

const CONTROL = /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u2028\u2029]/g

/**
 * Text as it is stored. One-line fields get their line breaks and tabs as single spaces; outer space goes; what is left
 * empty is null.
 */
export function cleanText(raw: string, lines: boolean): string | null {
  let text = storable(raw).normalize('NFC').replace(/\r\n?/g, '\n').replace(CONTROL, '')
  if (!lines) text = text.replace(/[\n\t]+/g, ' ')
  text = text.trim()
  return text === '' ? null : text
}

const graphemes = new Intl.Segmenter('en', { granularity: 'grapheme' })

/** The longest beginning of a text that has at most `most` characters (UTF-16 units) and ends between two letters as people see them. */
export function fitted(text: string, most: number): string {
  if (text.length <= most) return text
  // A letter of several parts is seldom longer than this; looking from further back would cost more and find the same.
  const from = Math.max(0, most - 200)
  let end = from
  for (const { index, segment } of graphemes.segment(text.slice(from, most + 200))) {
    if (from + index + segment.length > most) break
    end = from + index + segment.length
  }
  return text.slice(0, end)
}

/** A text to read: cut between letters where it is longer than `most`, with an ellipsis in the place of the rest. */
export const shortened = (text: string, most: number): string => (text.length > most ? `${fitted(text, most - 1).trimEnd()}…` : text)

/** Whether text is already in stored form, so that a schema can refuse without changing anything. */
export const isCleanText = (text: string, lines: boolean): boolean => cleanText(text, lines) === text

/** A text as its bare words: case, punctuation and spaces aside. */
export const bareWords = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()

/** A noun with its indefinite article: an item, a module. */
export const article = (noun: string): string => `${/^(?:[aeio]|u(?!ni|se))/i.test(noun) ? 'an' : 'a'} ${noun}`

/** The text with its first letter large. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** Text as HTML, within elements and within attributes in double or single quotes. */
export const escapeHtml = (text: string): string =>
  text.replace(/[&<>"']/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' })[c] ?? c)
