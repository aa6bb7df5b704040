/**
 * The numbers by which specifications count their parts: `1`, `1.1`, `1a`, `A1`, `II.`, `PC 2.3`. Some of them are words as well
 * ("A", "I", "5m"), so that first the whole text says which forms count something in it.
 */

/** Which ambiguous forms count something in a text. */
export type Scheme = {
  /** `A` numbers an element. */
  readonly capitals: boolean
  /** `II.` numbers an element. */
  readonly roman: boolean
  /** `1a` numbers a criterion. */
  readonly suffix: boolean
}
export const PLAIN_SCHEME: Scheme = { capitals: false, roman: false, suffix: false }

export type Coded = {
  /** As it is kept: `1`, `1.1`, `1a`, `PC2.3`. */
  readonly code: string
  /** Its numbers: [1, 1]. */
  readonly path: readonly number[]
  readonly letters: string
  readonly rest: string
  /** What the line says that it is. */
  readonly said: 'element' | 'criterion' | 'area' | null
  /** A letter alone without a mark behind it may be a word as well: it counts only where it is the next. */
  readonly loose: boolean
}

const ROMAN = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII', 'VIII', 'IX', 'X', 'XI', 'XII']
const CAPITAL = /^([A-Z])(?:\s?[.):–—-]\s*|\s+)(?=\p{L})(.*)$/u
const ROMAN_LINE = /^([IVX]{1,4})\s?[.):–—-]\s*(\p{L}.*)$/u
const SUFFIX = /^(\d{1,2})\.?([a-z])(?:\s?[.):–—-]\s*|\s+)(\S.*)$/u
const NUMBERED_CAPITAL = /^([A-Z])\s?(\d{1,2})(?:\s?[.):–—-]\s*|\s+)(\S.*)$/u
const placeOf = (letter: string): number => letter.toLowerCase().charCodeAt(0) - 96

/** What a text's lines say about its numbering. A form counts where it begins at the beginning and goes on. */
export function schemeOf(lines: readonly string[]): Scheme {
  const capitals = new Set<number>()
  const numbered = new Set<number>()
  const closed = new Set<number>()
  const roman = new Set<number>()
  const suffixes = new Set<string>()
  for (const line of lines) {
    const capital = CAPITAL.exec(line)
    if (capital) {
      capitals.add(placeOf(capital[1] as string))
      if (/^[A-Z]\s?[.):]/.test(line)) closed.add(placeOf(capital[1] as string))
    }
    const letterNumber = NUMBERED_CAPITAL.exec(line)
    if (letterNumber) numbered.add(placeOf(letterNumber[1] as string))
    const number = ROMAN_LINE.exec(line)
    if (number && ROMAN.includes(number[1] as string)) roman.add(ROMAN.indexOf(number[1] as string) + 1)
    const suffix = SUFFIX.exec(line)
    if (suffix) suffixes.add(`${suffix[1]}${suffix[2]}`)
  }
  const first = (set: ReadonlySet<number>) => set.has(1) && set.has(2)
  return {
    capitals: first(closed) || (capitals.has(1) && capitals.has(2) && first(numbered)),
    roman: first(roman),
    suffix: suffixes.has('1a') && (suffixes.has('1b') || suffixes.has('2a')),
  }
}

const ELEMENT_WORD = /^(?:element|learning outcome|outcome|task|duty|lo)\s+(?=\d)/i
const CRITERION_WORD = /^(?:performance criteri(?:on|a)|assessment criteri(?:on|a)|criteri(?:on|a)|pc|ac)\s*(?=\d)/i
const AREA_WORD = /^(?:area|domain|strand|part|field|cluster)\s+(?=(?:\d{1,2}|[A-Z])\b)/i
const MONTH = /^(?:January|February|March|April|May|June|July|August|September|October|November|December)\b/
const UNIT_OF_MEASURE =
  /^(?:mm|cm|m|km|kg|g|mg|l|ml|v|kv|a|ma|w|kw|kwh|hz|%|°|hours?|minutes?|metres?|litres?|volts?|amps?|days?|weeks?|months?|years?)\b/i
/** Letters before a number that stand for a word: performance criterion, knowledge, skill, element, outcome, ... */
const LETTERS = /^(?:PC|P|K|KU|KE|PE|E|EL|LO|AC|S|FS|T|D|C|R|CO|PO|A|B|U)$/

/**
 * The number that a line begins with, ragged as people write them: `1.1`, `1. 1`, `1,1`, `1.1.Identify`, `l.2`, `Element 2:`,
 * `PC1.1`, `K3`, and what the text's scheme adds. Null where none stands; a quantity ("3 phase supply", "2.5 mm cable") is none.
 */
export function codedLine(line: string, scheme: Scheme = PLAIN_SCHEME): Coded | null {
  const area = AREA_WORD.exec(line)
  if (area) {
    const found = /^(\d{1,2}|[A-Z])\s*[.):–—-]?\s*(.*)$/.exec(line.slice(area[0].length))
    if (found && (found[2] ?? '') !== '')
      return { code: found[1] as string, path: [Number(found[1]) || 0], letters: '', rest: found[2] as string, said: 'area', loose: false }
  }
  return byScheme(line, scheme) ?? byNumbers(line)
}

function byScheme(line: string, scheme: Scheme): Coded | null {
  const made = (code: string, path: readonly number[], rest: string): Coded => ({
    code,
    path,
    letters: '',
    rest: rest.trim(),
    said: null,
    loose: /^[A-Z]\s+\p{L}/u.test(line),
  })
  const roman = scheme.roman ? ROMAN_LINE.exec(line) : null
  if (roman && ROMAN.includes(roman[1] as string))
    return made(roman[1] as string, [ROMAN.indexOf(roman[1] as string) + 1], roman[2] as string)
  const capital = scheme.capitals ? (CAPITAL.exec(line) ?? NUMBERED_CAPITAL.exec(line)) : null
  if (capital) {
    const [, letter = '', ...more] = capital
    return more.length === 1
      ? made(letter, [placeOf(letter)], more[0] as string)
      : made(`${letter}${more[0]}`, [placeOf(letter), Number(more[0])], more[1] as string)
  }
  const suffix = scheme.suffix ? SUFFIX.exec(line) : null
  if (suffix) return made(`${suffix[1]}${suffix[2]}`, [Number(suffix[1]), placeOf(suffix[2] as string)], suffix[3] as string)
  return null
}

function byNumbers(line: string): Coded | null {
  const said = CRITERION_WORD.test(line) ? 'criterion' : ELEMENT_WORD.test(line) ? 'element' : null
  const text =
    said === 'element'
      ? line.replace(ELEMENT_WORD, '')
      : line.replace(/^(?:performance criteri(?:on|a)|assessment criteri(?:on|a)|criteri(?:on|a))\s*(?=\d)/i, '')
  // A small l and a capital O stand for digits where text was read from a picture.
  const mended = text
    .replace(/^([lI])(?=[.,]\s?\d)/, '1')
    .replace(/^(\d{1,2}[.,])([lI])(?=[\s.)])/, '$11')
    .replace(/^(\d{1,2}[.,])O(?=[\s.)])/, '$10')
  const found = /^([A-Z]{1,4}\s?-?)?(\d{1,3}(?:\s?[.,]\s?\d{1,3}|-\d{1,2}(?=\s))*)(\s?[.):–—-]+|(?=\s)|(?=\p{Lu}\p{Ll})|$)\s*(.*)$/u.exec(
    mended,
  )
  if (!found) return null
  const letters = (found[1] ?? '').replace(/[\s-]/g, '')
  const path = (found[2] as string).split(/\s?[.,-]\s?/).map(Number)
  const closed = (found[3] ?? '').trim() !== ''
  const rest = (found[4] ?? '').trim()
  if (path.length > 4 || path.some((n) => n > 150)) return null
  if (path.length === 1 && !closed && MONTH.test(rest)) return null
  // "3 phase supplies", "2.5 mm": a number that counts the next word. A capital, a mark, or a word of a number tells otherwise.
  if (said === null && letters === '' && !closed && rest !== '' && !/^[\p{Lu}"“‘'(]/u.test(rest) && path.length === 1) return null
  if (said === null && !closed && UNIT_OF_MEASURE.test(rest)) return null
  if (letters !== '' && !LETTERS.test(letters)) return null
  return { code: `${letters}${path.join('.')}`, path, letters, rest, said, loose: false }
}

const ONLY_NUMBER =
  /^(?:\d{1,3}(?:\.\d{1,3})*[a-z]?|[A-Z]{1,3}\d{1,3}(?:\.\d{1,3})*|[IVX]{1,4}|[A-Z]|(?:element|outcome|learning outcome|task)\s+\d{1,2})[.):]?$/i
/** Whether a text is a number and nothing else: it belongs to what comes next. */
export const isOnlyNumber = (text: string): boolean => ONLY_NUMBER.test(text)
/** A number and the text that it stands apart from, as one line. */
export const numberedText = (number: string, text: string): string =>
  /[.):]$/.test(number) ? `${number} ${text}` : `${number}${/^\p{L}/u.test(number) && /\s/.test(number) ? ':' : '.'} ${text}`

/** `a)`, `(b)`, `iv.`: a line of a list that is lettered; null where none stands. */
export function letteredLine(line: string): { readonly mark: string; readonly rest: string } | null {
  const found = /^\(?([a-z]|[ivx]{1,4})[.)]\s+(\S.*)$/.exec(line)
  return found ? { mark: found[1] as string, rest: found[2] as string } : null
}
