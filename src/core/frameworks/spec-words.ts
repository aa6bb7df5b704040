/** The words by which specifications name their parts, and the numbers by which they count them. */
import type { ItemKind } from '../blueprint/kinds/framework'

/** What a heading opens. `elements`: elements and criteria; `prose`: text about the unit, which no item comes from. */
export type Section = 'elements' | 'skills' | 'performance' | 'knowledge' | 'conditions' | 'prose'

export const KIND_OF: Readonly<Record<Exclude<Section, 'elements' | 'prose'>, ItemKind>> = {
  skills: 'foundation skill',
  performance: 'performance evidence',
  knowledge: 'knowledge evidence',
  conditions: 'assessment condition',
}

const HEADINGS: readonly (readonly [Section, RegExp])[] = [
  [
    'skills',
    /^(?:(?:required|essential|core|key|foundation|employability|general|generic|transferable|technical|underpinning|practical)\s+)*skills?(?:\s+(?:required|list|statement|requirements?|and attributes))?$/,
  ],
  ['skills', /^(?:key )?competenc(?:y|ies)$|^foundation skills\b.{0,60}$/],
  [
    'knowledge',
    /^(?:(?:required|essential|underpinning|core|key|technical|background)\s+)*knowledge(?:\s+(?:evidence|requirements?|required|and understanding|criteria|statements?|list))*$/,
  ],
  ['knowledge', /^(?:knowledge|(?:what )?you (?:need to|must|should) know(?: and understand)?|evidence of knowledge)$/],
  [
    'performance',
    /^(?:(?:performance|practical|product|required|critical|essential|skills?)\s+)*evidence(?:\s+(?:requirements?|required|guide|list|of performance))*$/,
  ],
  [
    'performance',
    /^(?:critical aspects.{0,60}|evidence (?:must|should|will|is to) (?:show|include|cover|demonstrate).{0,60}|evidence required.{0,60}|required evidence|evidence requirements?|performance (?:requirements?|tasks?))$/,
  ],
  [
    'conditions',
    /^(?:(?:mandatory|resource)\s+)*(?:assessment|evidence gathering|resource)\s+(?:conditions?|requirements?|context|environment|guidelines?|methods?|resources?|arrangements?|strategy)(?:\s+(?:and|for)\s+.{1,50})?$/,
  ],
  [
    'conditions',
    /^(?:conditions?(?: of assessment| for assessment)?|context of (?:and specific resources for )?assessment|assessor requirements?|requirements? for assessors?|range of conditions|range statement|range)$/,
  ],
  [
    'elements',
    /^(?:elements?(?:\s+of\s+competenc[ey])?|performance criteria|elements?\s*(?:and|&|\/)\s*performance criteria|elements?\s+performance criteria|learning outcomes?|assessment criteria|learning outcomes? (?:and|&) assessment criteria|learning outcomes? assessment criteria|criteria|duties and tasks|tasks?|you must be able to|what you must be able to do|tasks and criteria|criteria for performance|standards?)$/,
  ],
  [
    'prose',
    /^(?:(?:unit\s+)?(?:application|descriptor|description|overview|summary|purpose|sector|mapping(?:\s+information)?|details)(?:\s+of (?:the )?(?:unit|competency|award))?|introduction|background|scope|about this (?:unit|standard|specification)|pre-?requisites?(?:\s+units?)?|co-?requisites?|licensing.{0,60}|links?|modification history|release(?: history)?|competency field|unit sector|glossary|notes?|references?|related (?:units|documents|standards)|version(?: history)?|contents?|table of contents|copyright|credits|who (?:it|this) is for|relationship to .{1,60}|further information|document control|revision history)$/,
  ],
]

const bare = (text: string): string =>
  text
    .toLowerCase()
    .replace(/^(?:section\s+)?(?:\d{1,2}|[a-z]|[ivx]{1,4})[.):]\s+/, '')
    .replace(/[:.\-–—\s]+$/, '')
    .replace(/\s*\((?:continued|cont(?:inue)?d?\.?|ctd\.?)\)$/, '')
    .replace(/\s+/g, ' ')
    .trim()

/** The section that a line heads, or null. */
export function sectionOf(text: string): Section | null {
  if (text.length > 90 || /[,;]$/.test(text)) return null
  const word = bare(text)
  return HEADINGS.find(([, shape]) => shape.test(word))?.[0] ?? null
}

/** `PERFORMANCE EVIDENCE: The candidate ...`, `Title: Inspect`: a name and what it introduces in one line. */
export function labelled(text: string): { readonly name: string; readonly rest: string } | null {
  const found = /^(\p{L}[\p{L} /&-]{2,40}?)\s*(?::|\s[–—-])\s+(\S.*)$/u.exec(text)
  return found ? { name: found[1] as string, rest: found[2] as string } : null
}

export type Coded = {
  /** As it is kept: `1`, `1.1`, `PC 2.3`. */
  readonly code: string
  /** Its numbers: [1, 1]. */
  readonly path: readonly number[]
  readonly letters: string
  readonly rest: string
  /** What the line says that it is. */
  readonly said: 'element' | 'criterion' | 'area' | null
}

const ELEMENT_WORD = /^(?:element|learning outcome|outcome|task|duty|lo)\s+(?=\d)/i
const CRITERION_WORD = /^(?:performance criteri(?:on|a)|assessment criteri(?:on|a)|criteri(?:on|a)|pc|ac)\s*(?=\d)/i
const AREA_WORD = /^(?:area|domain|strand|part|field|cluster)\s+(?=(?:\d{1,2}|[A-Z])\b)/i

/**
 * The number that a line begins with, ragged as people write them: `1.1`, `1. 1`, `1,1`, `1.1.Identify`, `l.2`, `Element 2:`,
 * `PC1.1`, `K3`. Null where none stands; a quantity ("3 phase supply", "2.5 mm cable") is no number.
 */
export function codedLine(line: string): Coded | null {
  const area = AREA_WORD.exec(line)
  if (area) {
    const found = /^(\d{1,2}|[A-Z])\s*[.):–—-]?\s*(.*)$/.exec(line.slice(area[0].length))
    if (found && (found[2] ?? '') !== '')
      return { code: found[1] as string, path: [Number(found[1]) || 0], letters: '', rest: found[2] as string, said: 'area' }
  }
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
  if (
    said === null &&
    path.length > 1 &&
    !closed &&
    /^(?:mm|cm|m|km|kg|g|mg|l|ml|v|kv|a|ma|w|kw|kwh|hz|%|°|hours?|minutes?|metres?|litres?|volts?|amps?)\b/i.test(rest)
  )
    return null
  if (letters !== '' && !/^(?:PC|P|K|KU|KE|PE|E|EL|LO|AC|S|FS|T|D|C|R|CO|PO|A|B|U)$/.test(letters)) return null
  return { code: `${letters}${path.join('.')}`, path, letters, rest, said }
}

const MONTH = /^(?:January|February|March|April|May|June|July|August|September|October|November|December)\b/

/** `a)`, `(b)`, `iv.`: a line of a list that is lettered; null where none stands. */
export function letteredLine(line: string): { readonly mark: string; readonly rest: string } | null {
  const found = /^\(?([a-z]|[ivx]{1,4})[.)]\s+(\S.*)$/.exec(line)
  return found ? { mark: found[1] as string, rest: found[2] as string } : null
}

const NUMBER_WORDS: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
}
const NUMBER = `(\\d{1,3}|${Object.keys(NUMBER_WORDS).join('|')})`
const numberOf = (word: string): number => NUMBER_WORDS[word.toLowerCase()] ?? Number(word)

/** How often something must be shown: "on at least three occasions", "four different arrays", "twice". */
export function timesIn(text: string): number | null {
  if (/\btwice\b/i.test(text)) return 2
  const found =
    new RegExp(`\\b${NUMBER}\\s+(?:separate\\s+|different\\s+|distinct\\s+|occasions?\\b|times\\b|instances?\\b)`, 'i').exec(text) ??
    new RegExp(`\\bat least ${NUMBER}\\s+\\p{L}`, 'iu').exec(text) ??
    new RegExp(`\\bminimum of ${NUMBER}\\s+\\p{L}`, 'iu').exec(text)
  const n = found ? numberOf(found[1] as string) : Number.NaN
  return n > 1 && n <= 200 ? n : null
}

/** How many of a list are enough: "any two of the following", "one or more of", "at least three of these". */
export function anyOfIn(text: string): number | null {
  const found = new RegExp(`\\b(?:any|at least|a minimum of|minimum of)\\s+${NUMBER}\\s+(?:or more\\s+)?of\\b`, 'i').exec(text)
  if (found) return numberOf(found[1] as string)
  if (/\b(?:one or more|at least one|any one|either)\b.*\bof\b/i.test(text)) return 1
  return null
}

/** Wordings that every specification repeats and that ask for nothing. */
export const BOILERPLATE =
  /^(?:elements (?:describe|define)|performance criteria (?:describe|specify)|this section (?:describes|lists)|foundation skills essential to performance|foundation skills are (?:explicit|the)|the (?:foundation )?skills (?:listed )?(?:below|in this table)|where bold|bold(?:ed)? italicised|these (?:elements|criteria) )/i

/** How a mail begins, and how it ends. */
export const GREETING =
  /^(?:(?:from|to|cc|sent|date|subject):|on .{5,80} wrote:?$|(?:hi|hello|dear|hey|begin forwarded|-+ ?(?:forwarded|original) message|here is|here[’']s|please find|see below|attached|as (?:promised|discussed)|fyi)\b)/i
export const SIGN_OFF =
  /^(?:(?:kind|best|warm|many)?\s*(?:regards|wishes|thanks)|thanks|thank you|cheers|yours (?:sincerely|faithfully)|sincerely|all the best|--\s*$)[\s,.!]*(?:\p{L}+){0,2}$/iu
