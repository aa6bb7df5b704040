/** What text may hold: NFC, well-formed, no control characters but newline and tab, and nothing that shows letters in another order than they are written. */

const CONTROL = /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u2028\u2029\u202d\u202e]/g

/**
 * Text as it is stored. One-line fields get their line breaks and tabs as single spaces; outer space goes; what is left
 * empty is null.
 */
export function cleanText(raw: string, lines: boolean): string | null {
  let text = raw.toWellFormed().normalize('NFC').replace(/\r\n?/g, '\n').replace(CONTROL, '')
  if (!lines) text = text.replace(/[\n\t]+/g, ' ')
  text = text.trim()
  return text === '' ? null : text
}

/** Whether text is already in stored form, so that a schema can refuse without changing anything. */
export const isCleanText = (text: string, lines: boolean): boolean => cleanText(text, lines) === text

/** A text as its bare words: case, punctuation and spaces aside. */
export const bareWords = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()

/** The text with its first letter large. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
