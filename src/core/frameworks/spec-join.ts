/** Lines that go on with the one above, and the words that the end of a line divided. */
import type { SpecLine } from './spec-lines'

/** Parts of words that keep their hyphen at the end of a line. */
const KEEPS =
  /(?:^|[\s(])(?:\p{L}{1,2}|self|non|pre|post|multi|well|long|short|high|low|cross|semi|anti|inter|first|second|third|two|three|four|part|full|half|real|time|fire|work|step|site|end|hands|face|cost|user|risk|quality|load|hand)-$/iu

/** Whether a list of words has a word, in small letters. */
export type IsWord = (text: string) => boolean
export type Join = (a: string, b: string) => string

/** Two pieces of one text; `divided` says whether a word that a line's end divided is written with a hyphen. */
function joined(a: string, b: string, hyphened: (first: string, second: string) => boolean): string {
  if (/\p{Ll}-$/u.test(a) && /^\p{Ll}/u.test(b)) {
    const first = /(\p{L}[\p{L}-]*)-$/u.exec(a)?.[1] ?? ''
    const second = /^\p{Ll}+/u.exec(b)?.[0] ?? ''
    return hyphened(first, second) ? a + b : a.slice(0, -1) + b
  }
  return /[/–—]$/u.test(a) && !/\s[–—]$/u.test(a) ? a + b : `${a} ${b}`
}
const keeps = (first: string): boolean => KEEPS.test(`${first}-`)
export const joinText: Join = (a, b) => joined(a, b, keeps)

/**
 * Joins by the text itself: a divided word that elsewhere stands with its hyphen keeps it, one that stands there as one word, or is
 * one by a list of words, has none, one whose two parts are words of the text keeps it; else by the usual first parts of such words.
 */
export function joiner(lines: readonly string[], isWord: IsWord = () => false): Join {
  const words = new Set<string>()
  for (const line of lines) for (const word of line.toLowerCase().match(/\p{L}+(?:-\p{L}+)*(?!\p{L}|-)/gu) ?? []) words.add(word)
  return (a, b) =>
    joined(a, b, (first, second) => {
      const [head, tail] = [first.toLowerCase(), second.toLowerCase()]
      if (words.has(`${head}-${tail}`)) return true
      if (words.has(`${head}${tail}`) || isWord(`${head}${tail}`)) return false
      return keeps(first) || (head.length > 2 && tail.length > 3 && words.has(head) && words.has(tail))
    })
}

/** Words after which a sentence cannot end. */
export const OPEN_END =
  /(?:^|\s)(?:a|an|the|and|or|of|to|for|with|in|on|at|by|from|as|into|onto|under|over|between|their|its|that|which|where|when|all|any|each|other|including|such|using|according|per|without|within|against|not|are|is|be|been|if|before|after|than|required|relevant)$|[,(/–—-]$/i

/** Whether a line goes on with the text above it. */
export function continues(above: SpecLine | null, line: SpecLine, text: string): boolean {
  if (!above) return false
  const small = /^[\p{Ll}(]/u.test(line.text) || /^\d/.test(line.text)
  const open = OPEN_END.test(text)
  if (line.apart) return small && (open || !/[.;:!?]$/.test(text)) && text.length < 600
  if (small || open) return !/[.!?]$/.test(text) || (small && !/^\d/.test(line.text))
  return above.full && !/[.;:!?]$/.test(text)
}
