/** What the cells of a column look like, as shares of those that hold something. */
import { readDuration } from './duration'
import { kindIn, moduleHead } from './items'
import { readAmount, readCodes, readWeekSpan } from './quantities'
import { readWhen } from './when'

export type Profile = {
  readonly n: number
  /** Times with their unit, or as on a clock. */
  readonly times: number
  readonly numbers: number
  readonly amounts: number
  readonly percents: number
  readonly whens: number
  readonly weeks: number
  readonly codes: number
  readonly kinds: number
  readonly marks: number
  readonly yesNo: number
  /** Words that say what a row is: module, objective, activity. */
  readonly records: number
  /** `Module 2: Flow` */
  readonly heads: number
  /** Words in a cell, on average. */
  readonly words: number
  /** Cells that differ from all above them. */
  readonly distinct: number
}

/** Cells looked at in a long column (Cairn default). */
const LOOKED_AT = 200

const RECORD = /^(?:course |learning |module |unit |program(?:me)? )*(?:module|unit|topic|section|lesson|outcome|goal|objective|activity|task|assessment|assignment|reading|resource|material)s?$/i
/** What a cell says that a row is; null where it says nothing of the kind. */
export const recordWord = (cell: string): string | null => (RECORD.test(cell.trim()) ? cell.trim().toLowerCase() : null)

const isTotal = (text: string): boolean => /^(?:grand\s+|sub-?)?(?:totals?|sum|summe)\b/i.test(text)

export function profileOf(column: readonly string[]): Profile {
  const all = column.filter((c) => c !== '' && !isTotal(c) && !/^[-–—]+$/.test(c))
  const step = Math.max(1, Math.floor(all.length / LOOKED_AT))
  const cells = all.filter((_, i) => i % step === 0)
  const share = (is: (cell: string) => boolean) => (cells.length === 0 ? 0 : cells.filter(is).length / cells.length)
  const bare = /^[\d.,]+$/
  return {
    n: all.length,
    times: share((c) => !bare.test(c) && readDuration(c, 'minutes') !== null),
    numbers: share((c) => bare.test(c)),
    amounts: share((c) => readAmount(c, 'points') !== null),
    percents: share((c) => /^[\d.,]+\s*%$/.test(c)),
    whens: share((c) => !bare.test(c) && readWhen(c, null) !== null),
    weeks: share((c) => c.length < 20 && readWeekSpan(c) !== null),
    codes: share((c) => !bare.test(c) && (readCodes(c)?.length ?? 0) > 0),
    kinds: share((c) => c.length < 30 && kindIn(c) !== null),
    marks: share((c) => /^[xX✓✔●•*+]$/.test(c)),
    yesNo: share((c) => /^(?:yes|no|y|n|true|false|ja|nein|✓|✔|x)$/i.test(c)),
    records: share((c) => recordWord(c) !== null),
    heads: share((c) => moduleHead(c) !== null),
    words: cells.reduce((n, c) => n + c.split(/\s+/).length, 0) / Math.max(1, cells.length),
    distinct: new Set(cells).size / Math.max(1, cells.length),
  }
}
