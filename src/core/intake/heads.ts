/** Lines and cells that name a module or a week. */
import { capital } from '../blueprint/text'
import { tidy } from './items'
import { type WeekSpan, weeksInText } from './quantities'
import { readWhen } from './when'

export type ModuleRef = {
  readonly number: string | null
  readonly title: string | null
  readonly weeks: WeekSpan | null
  /** How many weeks it takes, where its heading says that alone. */
  readonly length?: number
  /** What all of it takes, where its heading says from when to when it is. */
  readonly minutes?: number
  /** Its first and its last day, where its heading names them. */
  readonly dates?: readonly [string, string]
}

const ROMAN: Readonly<Record<string, number>> = { i: 1, ii: 2, iii: 3, iv: 4, v: 5, vi: 6, vii: 7, viii: 8, ix: 9, x: 10, xi: 11, xii: 12 }
const WORD_NUMBERS = ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve']
const numberIn = (text: string): string => {
  const t = text.toLowerCase()
  const word = WORD_NUMBERS.indexOf(t)
  return String(ROMAN[t] ?? (word > 0 ? word : Number(t)))
}

const NAMED =
  /^(?:modules?|units?|topics?|lessons?|chapters?|sections?|blocks?|sessions?|mod\.?|modul|theme)\s*(?:no\.?\s*)?#?\s*(\d{1,2}|[ivx]{1,4}|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)\b\s*[:.)–—|·•/-]*\s*(.*)$/is
const SHORT = /^[mu]\s?(\d{1,2})\b(?!\.\d)\s*[:.)–—-]*\s*(.*)$/is
const WEEK = /^(?:weeks?|wks?\.?|wochen?|semaines?|semanas?)\s*(\d{1,2})(?:\s*(?:-|–|—|to|and|&)\s*(\d{1,2}))?\b\s*[:.,)–—|-]*\s*(.*)$/is

/** A word that may number the parts of a course, with its number or letter: `Block 3: Flow`, `Modul 1`, `Part B: Riots`. */
const NUMBERED = /^(\p{Lu}\p{L}{2,14}|day|part|step|stage|phase)\s+(?:(\d{1,2})\b(?![.,:]\d)|([A-H])(?=\s*[:.–—-]))\s*[:.)–—|-]*\s*(.*)$/su
const placeIn = (number: string | undefined, letter: string | undefined): number =>
  number === undefined ? (letter ?? 'A').charCodeAt(0) - 64 : Number(number)

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth']
/** `1st fortnight. Terms`, `Second evening: Nets`. */
const ORDERED = new RegExp(
  `^(?:the )?(\\d{1,2}(?:st|nd|rd|th)|${ORDINALS.join('|')}) (fortnight|month|day|evening|morning|weekend|meeting|part|block|unit|module|lesson|phase|stage)(?:\\s*[:.–—-]+\\s*(.*))?$`,
  'is',
)
function orderedHead(text: string): { readonly word: string; readonly number: number; readonly rest: string } | null {
  const match = ORDERED.exec(text.trim())
  if (!match || readWhen(match[3] ?? '', null)) return null
  const ordinal = (match[1] as string).toLowerCase()
  const number = Number.parseInt(ordinal, 10) || ORDINALS.indexOf(ordinal) + 1
  return { word: (match[2] as string).toLowerCase(), number, rest: (match[3] ?? '').replace(/^(?:topic|theme|title)\s*:\s*/i, '') }
}

/** The word and number that a line begins with, for finding out which word this course numbers its parts with. */
export function numberedWord(text: string): { readonly word: string; readonly number: number } | null {
  const ordered = orderedHead(text)
  if (ordered) return ordered
  const match = NUMBERED.exec(text.trim())
  // A few capitals before a number are a code; so is a word that numbers and more stand close behind.
  if (
    !match ||
    (/^\p{Lu}{2,5}$/u.test(match[1] as string) && !/^(?:DAY|PART|STEP|BLOCK|UNIT|TOPIC|STAGE|PHASE|THEME|TEMA)$/.test(match[1] as string))
  )
    return null
  return { word: (match[1] as string).toLowerCase(), number: placeIn(match[2], match[3]) }
}

/**
 * A line that opens a module: `Module 3: Measuring flow (weeks 3–4)`, `Unit II`, `M3 – Flow`, and whatever word in `words` this
 * course numbers its parts with. Null for any other.
 */
export function moduleHead(text: string, words: ReadonlySet<string> = NO_WORDS): ModuleRef | null {
  const t = text.trim()
  if (t.length > 200) return null
  const ordered = orderedHead(t)
  if (ordered && words.has(ordered.word)) return { number: String(ordered.number), ...titleAndWeeks(ordered.rest) }
  const own = NUMBERED.exec(t)
  if (own && words.has((own[1] as string).toLowerCase())) {
    const ref = {
      number: own[2] === undefined ? (own[3] ?? null) : String(Number(own[2])),
      ...titleAndWeeks((own[4] as string).replace(WEEKDAY_ONLY, '')),
    }
    // "Day 1" alone is called so.
    return ref.title === null && /^(?:day|part|step|stage|phase)$/i.test(own[1] as string)
      ? { ...ref, title: `${capital((own[1] as string).toLowerCase())} ${own[2] ?? own[3]}` }
      : ref
  }
  const match = NAMED.exec(t) ?? SHORT.exec(t)
  return match && { number: numberIn(match[1] as string), ...titleAndWeeks(match[2] as string) }
}
/** "Day 1 (Monday)" is called day 1. */
const WEEKDAY_ONLY = /^[([]\s*(?:mon|tues?|wed(?:nes)?|thu(?:rs)?|fri|sat(?:ur)?|sun)(?:day)?\.?\s*[)\]]$/i
const NO_WORDS: ReadonlySet<string> = new Set()

/** `Week 3: Measuring flow`, `Weeks 3–4 Flow`. */
export function weekHead(text: string): { readonly weeks: WeekSpan; readonly title: string | null } | null {
  const match = WEEK.exec(text.trim())
  if (!match) return null
  const [first, last] = [Number(match[1]), Number(match[2] ?? match[1])]
  if (first < 1 || last > 60 || first > last) return null
  return { weeks: { first, last }, title: tidy(match[3] as string) || null }
}

/** `(09:00–10:30)` behind the name of a session, or before it. */
const CLOCKS = /\s*[([](\d{1,2})[:.](\d{2})\s*(?:-|–|—|to)\s*(\d{1,2})[:.](\d{2})[)\]]\s*[:.–—-]?\s*/

function titleAndWeeks(text: string): Omit<ModuleRef, 'number'> {
  const clocks = CLOCKS.exec(text)
  if (clocks) {
    const [h1 = 0, m1 = 0, h2 = 0, m2 = 0] = clocks.slice(1).map(Number)
    const minutes = h2 * 60 + m2 - h1 * 60 - m1
    return { ...titleAndWeeks(text.replace(clocks[0], ' ')), ...(minutes > 0 ? { minutes } : {}) }
  }
  const long = /\s*\((\d{1,2})\s*(?:weeks?|wks?|wochen?|semaines?|semanas?)\)\s*$/i.exec(text)
  if (long) return { ...titleAndWeeks(text.slice(0, long.index)), length: Number(long[1]) }
  const dated = datesInHead(text)
  const found = weeksInText(dated?.rest ?? text)
  const title = tidy((found ? found.rest : (dated?.rest ?? text)).replace(/^\s*[/|]\s*|\s*[/|]\s*$/g, '')) || null
  return { title, weeks: found?.weeks ?? null, ...(dated ? { dates: dated.dates } : {}) }
}

/** `Jan 13` and `26` of "Jan 13–26", the second with its month; so of "13–26 Jan". */
function inFull(ends: readonly string[]): readonly string[] {
  const [from = '', to] = ends
  if (to === undefined) return ends
  if (/^\d{1,2}$/.test(to)) return [from, from.replace(/\d{1,2}/, to)]
  return /^\d{1,2}$/.test(from) ? [to.replace(/\d{1,2}/, from), to] : ends
}

/** `(Jan 14 – Jan 27)` or `(Jan 14)` behind the name of a module. */
function datesInHead(text: string): { readonly rest: string; readonly dates: readonly [string, string] } | null {
  const found = /\s*[([]([^()[\]]*\d[^()[\]]*)[)\]]\s*$/.exec(text) ?? /^\s*[([]([^()[\]]*\d[^()[\]]*)[)\]]\s*[:.–—-]?\s*(?=\S)/.exec(text)
  const ends = found?.[1]?.split(/\s*(?:[–—]|\bto\b|\bbis\b|\s-\s)\s*/)
  if (!found || ends === undefined || ends.length > 2) return null
  const [from, to = from] = inFull(ends).map((end) => readWhen(end, null)?.date ?? null)
  return from && to ? { rest: text.replace(found[0], ' '), dates: [from, to] } : null
}

/** What stands in a column of modules where work is of no single one. */
export const EVERYWHERE = /^(?:all|every|each|throughout)(?: modules?| units?)?$/i

/** What a cell of a module column names: a number, a title or both. */
export function moduleRef(text: string, words: ReadonlySet<string> = NO_WORDS): ModuleRef | null {
  const t = text.replace(/\s+/g, ' ').trim()
  if (t === '' || /^[-–—/]+$/.test(t) || EVERYWHERE.test(t)) return null
  const head = moduleHead(t, words)
  if (head) return head
  const numbered = /^(\d{1,2})(?:\s*[:.)–—-]+\s*|\s+(?=[A-Z]))(.*)$/.exec(t)
  if (numbered) return { number: String(Number(numbered[1])), ...titleAndWeeks(numbered[2] as string) }
  // "L1 Reading a seam"
  const lettered = /^\p{Lu}\s?(\d{1,2})\s*[:.)–—-]*\s+(\p{Lu}.*)$/u.exec(t)
  if (lettered) return { number: String(Number(lettered[1])), ...titleAndWeeks(lettered[2] as string) }
  if (/^\d{1,2}(?:\.0)?$/.test(t)) return { number: String(Number.parseInt(t, 10)), title: null, weeks: null }
  const week = weekHead(t)
  if (week) return { number: null, title: week.title, weeks: week.weeks }
  return { number: null, ...titleAndWeeks(t) }
}
