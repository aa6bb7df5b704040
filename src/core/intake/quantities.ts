/** Numbers, times and references as people type them into tables, slips included. */
import { readHundredths } from '../numbers'

/** What was read, and whether it took a guess. */
export type Read<T> = { readonly value: T; readonly guess: string | null }

/** `1O` and `l5` for 10 and 15: letters typed for the digits they look like. Null where there is none. */
function withoutSlips(text: string): string | null {
  if (!/\d/.test(text)) return null
  const fixed = text.replace(/(?<=[\d.,]|^)[OolI]+(?=[\d.,\s]|$)|(?<=\d)[OolI](?=\d)/g, (letters) =>
    letters.replace(/[Oo]/g, '0').replace(/[lI]/g, '1'),
  )
  return fixed === text ? null : fixed
}

/** Without the words that say that a number is rough. */
export const cleaned = (text: string): string =>
  text
    .replace(/[\u00a0\u202f\u2009]/g, ' ')
    .replace(/^(?:~|≈|c(?:irc)?a\.?|approx(?:imately)?\.?|about|around|roughly|some|max\.?|up to|est\.?)\s*/i, '')
    .replace(/\s*\(?(?:approx(?:imately)?\.?|est\.?|or so)\)?$/i, '')
    .replace(/^\((.*)\)$/, '$1')
    .trim()

/** Tries the text, then without slips. */
export function readWith<T>(text: string, read: (text: string) => T | null, said = text): Read<T> | null {
  const plain = cleaned(text)
  const value = read(plain)
  if (value !== null) return { value, guess: null }
  const fixed = withoutSlips(plain)
  const repaired = fixed === null ? null : read(fixed)
  return repaired === null ? null : { value: repaired, guess: `“${said.trim()}” read as ${fixed}` }
}

export type Amount = { readonly kind: 'points' | 'percent' /** Hundredths. */; readonly value: number }

/**
 * Points or percent from `50`, `50 pts`, `5 %`, `12,5 points`, `/50`, `50/50`, `2 x 25`. A bare number is what `usual` says.
 * Null where it tells neither.
 */
export function readAmount(text: string, usual: Amount['kind']): Read<Amount> | null {
  return readWith(text, (t): Amount | null => {
    const kind = /%|percent|per cent/i.test(t)
      ? 'percent'
      : /p(?:oin)?ts?\b|marks?\b|punkte?\b|puntos?\b|punten\b|pontos?\b/i.test(t)
        ? 'points'
        : usual
    const number = t.replace(/%|per ?cent|\b(?:p(?:oin)?ts?|marks?|punkte?|puntos?|punten|pontos?|each|total)\b\.?/gi, '').trim()
    const times = /^(\d{1,3})\s*[x×*]\s*([\d.,]+)$/.exec(number)
    const value = times
      ? Number(times[1]) * (readHundredths(times[2] as string) ?? Number.NaN)
      : readHundredths(number.replace(/^\/\s*|^[\d.,]+\s*\/\s*(?=[\d.,]+$)/, ''))
    return value === null || Number.isNaN(value) ? null : { kind, value }
  })
}

export type WeekSpan = { readonly first: number; readonly last: number }

/** `3`, `3-4`, `Week 3`, `Wk 3–4`, `weeks 3 to 4`, `3 & 4`; null where it names no week from 1 to 60. */
export function readWeekSpan(text: string): WeekSpan | null {
  const match =
    /^(?:(?:weeks?|wks?|w|woche)\.?\s*)?(\d{1,2})(?:\s*(?:-|–|—|to|and|&|,|\/|bis)\s*(?:(?:weeks?|wks?|w)\.?\s*)?(\d{1,2}))?\b/i.exec(
      text.trim(),
    )
  if (!match) return null
  const [first, last] = [Number(match[1]), Number(match[2] ?? match[1])]
  return first >= 1 && last <= 60 && first <= last ? { first, last } : null
}

/** Weeks named anywhere in a text: `Measuring flow (weeks 3–4)`. */
export function weeksInText(text: string): { readonly weeks: WeekSpan; readonly rest: string } | null {
  const match =
    /[([,;:–—-]?\s*\b(?:weeks?|wks?\.?|wochen?|semaines?|semanas?)\s*(\d{1,2})(?:\s*(?:-|–|—|to|and|&|bis|à|a|y|et|und)\s*(\d{1,2}))?\s*[)\]]?\s*[:.–—-]?/i.exec(
      text,
    )
  if (!match) return null
  const weeks = readWeekSpan(match[2] ? `${match[1]}-${match[2]}` : (match[1] as string))
  return weeks && { weeks, rest: text.replace(match[0], ' ').replace(/\s+/g, ' ').trim() }
}

/** `mlo1.1` for `MLO 1.1`: how codes are compared. */
export const codeKey = (code: string): string =>
  code
    .toLowerCase()
    .replace(/[\s.:)–-]+$/, '')
    .replace(/[\s_-]+/g, '')

/**
 * When two names are the same name: case, spaces and typographic signs (quotes, dashes, ellipses, ligatures) aside. Other signs
 * tell things apart: C, C++ and C# are three.
 */
export const nameKey = (text: string): string =>
  text
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[‘’‚‛′`´]/g, "'")
    .replace(/[“”„‟″«»]/g, '"')
    .replace(/[\p{Pd}\u2212\u00ad]/gu, '-')
    .replace(/\s+/g, ' ')
    .trim()

/** What two names look like: letters and digits alone. For what is near, never for what is the same. */
export const titleKey = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^\p{L}\p{N}]+/gu, '')

/** A code at the start of a statement: `CO1`, `MLO 2.1`, `1a`, `2.1.3`, `LO-3`, and whatever few capitals stand before a number. */
const LEADING_CODE =
  /^\(?((?:(?:[CMPSI]?L?O|CLO|MLO|PLO|SLO|ILO|ULO|OBJ|Obj(?:ective)?|Outcome|Goal|Aim|O|K|S|A)[\s._-]?)?\d{1,2}(?:\.\d{1,2}){0,2}[a-z]?|(?:\d{1,2})[a-z]{1,2}|[a-z])\)?[.):–—-]*\s+(?=\S)/i
const CAPITALS_CODE = /^\(?(\p{Lu}{1,5}[\s._-]?\d{1,2}(?:\.\d{1,2}){0,2}[a-z]?)(?!\d)\)?[.):–—-]*\s+(?=\S)/u

/** Splits a leading code off a statement. A code is anything numbered; a lone letter only with a mark behind it. */
export function splitCode(text: string): { readonly code: string | null; readonly rest: string } {
  const t = text.trim()
  const match = LEADING_CODE.exec(t) ?? CAPITALS_CODE.exec(t)
  if (!match) return { code: null, rest: t }
  const code = match[1] as string
  if (/^[a-z]$/i.test(code) && !/^\(?[a-z][.):]/i.test(t)) return { code: null, rest: t }
  // "3 stones are counted" begins with a number, not with a code.
  if (/^\d{1,2}$/.test(code) && !/^\(?\d{1,2}[.):–—-]/.test(t) && !/^\d{1,2}\s+[A-Z]/.test(t)) return { code: null, rest: t }
  return { code: code.replace(/\s+/g, ''), rest: t.slice(match[0].length).trim() }
}

/** Letters alone, `a` and `a, c`: codes where objectives are counted so; null where a text is anything else. */
export const readLetters = (text: string): string[] | null =>
  /^\(?[a-z]\)?(?:\s*[,;&/]\s*\(?[a-z]\)?)*$/.test(text.trim()) ? (text.match(/[a-z]/g) ?? null) : null

/** Codes listed in a cell: `1a, 1b`, `MLO 1.1; 1.2`, `CO1 & CO3`, `1a-1c`; null where the cell is anything else. */
export function readCodes(text: string): string[] | null {
  const t = text.trim().replace(/^[[(]|[\])]$/g, '')
  if (t === '') return []
  const tokens = t
    .replace(/\b(and|und)\b|[&+;/\n]/gi, ',')
    .replace(/\b([A-Za-z]{1,10})[\s.]+(?=\d)/g, '$1')
    .split(/[,\s]+/)
    .filter(Boolean)
  const codes: string[] = []
  let prefix = ''
  for (const raw of tokens) {
    const token = raw.replace(/[.:)]+$/, '').replace(/^[([]+/, '')
    const range = /^([A-Za-z]{0,10})(\d{1,2}\.)?(\d{1,2})?([a-z])?\s*[-–]\s*[A-Za-z]{0,10}?(\d{1,2}\.)?(\d{1,2})?([a-z])?$/.exec(token)
    const spelled = range ? spellRange(range) : null
    if (spelled) {
      codes.push(...spelled)
      continue
    }
    if (!/^(?:[A-Za-z]{1,10})?[-_]?\d{1,2}(?:\.\d{1,2}){0,2}[A-Za-z]{0,2}$/.test(token)) return null
    const own = /^[A-Za-z]+/.exec(token)?.[0]
    // "CO1, 3" goes on with the prefix of the first.
    codes.push(own === undefined && prefix && /^\d+$/.test(token) ? `${prefix}${token}` : token)
    if (own !== undefined) prefix = own
  }
  return codes
}

/** `1a-1c`, `1a-c`, `CO1-3`, `2.1-2.4`. Null where it is no rising range. */
function spellRange(m: RegExpExecArray): string[] | null {
  const [, prefix = '', group = '', number = '', letter, , toNumber, toLetter] = m
  const span = (from: number, to: number, make: (n: number) => string) =>
    to > from && to - from <= 30 ? Array.from({ length: to - from + 1 }, (_, i) => make(from + i)) : null
  if (letter && toLetter && (toNumber === undefined || toNumber === number))
    return span(letter.charCodeAt(0), toLetter.charCodeAt(0), (n) => `${prefix}${group}${number}${String.fromCharCode(n)}`)
  if (!letter && !toLetter && number && toNumber) return span(Number(number), Number(toNumber), (n) => `${prefix}${group}${n}`)
  return null
}
