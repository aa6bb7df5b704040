/** What the cells of a column look like, as shares of those that hold something. */

import { verbEntry } from '../objectives/lexicon'
import { readDuration } from './duration'
import { moduleHead } from './heads'
import { kindIn } from './items'
import { readAmount, readCodes, readWeekSpan, splitCode } from './quantities'
import { readWhen, whenInTitle } from './when'

export type Profile = {
  readonly n: number
  /** Times with their unit, or as on a clock. */
  readonly times: number
  readonly numbers: number
  readonly amounts: number
  readonly percents: number
  readonly whens: number
  readonly weeks: number
  /** Weeks that go up from one of the first, never down. */
  readonly rises: boolean
  /** Whole numbers, or titles that begin with one, that go up from 1 a step at a time, each for one row or for several. */
  readonly counts: boolean
  /** Days that go up, never down. */
  readonly daysRise: boolean
  /** Texts with a day in them. */
  readonly dated: number
  /** Weeks of which one at least spans several. */
  readonly spans: boolean
  readonly codes: number
  readonly kinds: number
  readonly marks: number
  readonly yesNo: number
  /** Texts, or lists of them, that begin with a verb that says what somebody can do. */
  readonly verbs: number
  /** Codes with what somebody can do behind them: `1.1 Identify cables by their uses`. */
  readonly statements: number
  /** Words that say what a row is: module, objective, activity. */
  readonly records: number
  /** `Module 2: Flow` */
  readonly heads: number
  /** Words in a cell, on average. */
  readonly words: number
  /** Numbers that say that they count points. */
  readonly points: number
  /** Cells that differ from all above them. */
  readonly distinct: number
}

const isModuleHead = (text: string): boolean => moduleHead(text) !== null

/** Cells looked at in a long column (Cairn default). */
const LOOKED_AT = 200

const RECORD =
  /^(?:course |learning |module |unit |program(?:me)? )*(?:module|unit|topic|section|lesson|outcome|goal|objective|activity|task|assessment|assignment|reading|resource|material)s?(?:\s+\d{1,2}(?:\.\d{1,2})?)?$/i
/** What a cell says that a row is, its number aside; null where it says nothing of the kind. */
export const recordWord = (cell: string): string | null =>
  RECORD.test(cell.trim())
    ? cell
        .trim()
        .toLowerCase()
        .replace(/\s+[\d.]+$/, '')
    : null

/** Activities alone may be called so; rows that say what they are name modules or objectives too. */
function tellsRecords(cells: readonly string[]): boolean {
  const words = new Set(cells.flatMap((c) => recordWord(c) ?? []))
  return words.size >= 2 && [...words].some((w) => /module|unit|objective|outcome|goal/.test(w))
}

const isTotal = (text: string): boolean => /^(?:grand\s+|sub-?)?(?:totals?|sum|summe)\b/i.test(text)

export function profileOf(column: readonly string[], isHead: (text: string) => boolean = isModuleHead): Profile {
  const all = column.filter((c) => c !== '' && !isTotal(c) && !/^[-–—]+$/.test(c))
  const step = Math.max(1, Math.floor(all.length / LOOKED_AT))
  const cells = all.filter((_, i) => i % step === 0)
  const share = (is: (cell: string) => boolean) => (cells.length === 0 ? 0 : cells.filter(is).length / cells.length)
  const bare = /^[\d.,]+$/
  return {
    n: all.length,
    times: share((c) => /\p{L}|['’′¼½¾:]/u.test(c) && readDuration(c, 'minutes') !== null),
    numbers: share((c) => bare.test(c)),
    amounts: share((c) => readAmount(c, 'points') !== null),
    percents: share((c) => /^[\d.,]+\s*%$/.test(c)),
    whens: share((c) => !/^\d+(?:[.,]\d+)?$/.test(c) && readWhen(c, null) !== null),
    weeks: share((c) => c.length < 20 && !c.includes('/') && readWeekSpan(c) !== null),
    rises: rises(cells),
    counts: counts(cells),
    daysRise: daysRise(cells),
    dated: share((c) => c.split('\n').some((l) => whenInTitle(l, null) !== null)),
    spans: cells.some((c) => /^\D{0,8}\d{1,2}\s*[-–—]\s*\d{1,2}$/.test(c)),
    codes: dottedCodes(cells) ? 1 : share((c) => !bare.test(c) && (readCodes(c)?.length ?? 0) > 0),
    points: share((c) => /^\d+(?:[.,]\d+)?\s*(?:points?|pts?|marks?)\.?$/i.test(c)),
    kinds: share((c) => c.length < 30 && kindIn(c) !== null),
    marks: share((c) => /^[xX✓✔●•*+]$/.test(c)),
    yesNo: share((c) => /^(?:yes|no|y|n|true|false|ja|nein|✓|✔|x)$/i.test(c)),
    verbs: share((c) =>
      c
        .split(/\n|;\s/)
        .every((l) => l.split(/\s+/).length >= 4 && verbEntry(/^\W*(\p{L}+)/u.exec(l)?.[1]?.toLowerCase() ?? '') !== undefined),
    ),
    statements: share((c) => {
      const { code, rest } = splitCode(c)
      return code !== null && rest.split(/\s+/).length >= 3 && verbEntry(/^\W*(\p{L}+)/u.exec(rest)?.[1]?.toLowerCase() ?? '') !== undefined
    }),
    records: tellsRecords(cells) ? share((c) => recordWord(c) !== null) : 0,
    heads: share((c) => isHead(c) || /^\d{1,2}[.:)]\s+\p{Lu}/u.test(c)),
    words: cells.reduce((n, c) => n + c.split(/\s+/).length, 0) / Math.max(1, cells.length),
    distinct: new Set(cells).size / Math.max(1, cells.length),
  }
}

function rises(cells: readonly string[]): boolean {
  const spans = cells.map((c) => (c.length < 20 ? readWeekSpan(c) : null))
  return (
    spans.length >= 2 &&
    (spans[0]?.first ?? 99) <= 3 &&
    spans.every((s, i) => s !== null && (i === 0 || s.first >= (spans[i - 1]?.first ?? 99))) &&
    (spans.at(-1)?.last ?? 0) > (spans[0]?.first ?? 0)
  )
}

/** `1.1`, `1.2 1.3`, `2.1`: numbers of two steps whose first counts up. */
function dottedCodes(cells: readonly string[]): boolean {
  // Codes of another kind below them are those of another list.
  const numbers = cells.filter((c) => !/^\p{Lu}{1,4}\s?\d{1,2}$/u.test(c))
  if (numbers.length < cells.length * 0.6) return false
  const dotted = numbers.map((c) => (/^\d{1,2}\.\d{1,2}(?:[\s,;&]+\d{1,2}\.\d{1,2})*$/.test(c) ? Number.parseInt(c, 10) : null))
  return (
    dotted.length >= 3 &&
    dotted[0] === 1 &&
    dotted.every((n, i) => n !== null && n - (dotted[i - 1] ?? 1) >= 0 && n - (dotted[i - 1] ?? 1) <= 1) &&
    dotted.at(-1) !== 1
  )
}

function counts(cells: readonly string[]): boolean {
  let last = 0
  for (const cell of cells) {
    const number = Number(/^(\d{1,2})(?:\.0)?(?:$|[.:)]?\s+\p{L})/u.exec(cell)?.[1] ?? Number.NaN)
    if (!(number === last || number === last + 1)) return false
    last = number
  }
  return last >= 2
}

function daysRise(cells: readonly string[]): boolean {
  const days = cells.map((c) => readWhen(c, null)?.date ?? null)
  const known = days.flatMap((d) => (d === null ? [] : [Number(d.slice(-5, -3)) * 31 + Number(d.slice(-2))]))
  // A year may turn once.
  const falls = known.filter((d, i) => i > 0 && d < (known[i - 1] as number)).length
  return known.length >= 3 && known.length >= cells.length * 0.7 && falls <= 1 && new Set(known).size >= known.length * 0.7
}
