/** How long a recording runs, by the rows of its storyboard. */
import { type Blueprint, courseOf, recordsOf } from '../blueprint/blueprint'
import { groupBy } from '../plan/group-by'

/** Words a minute of somebody who lectures (Tauroza & Allison 1990). */
export const WORDS_A_MINUTE = 140
/** The longest recording where the course says none, in minutes (Cairn default). */
const LONGEST = 10

export type PlannedLength = {
  readonly activityId: string
  /** All rows together, to the second. */
  readonly seconds: number
  /** What the course wants at most, in seconds. */
  readonly target: number
  /** Some of it follows from words. */
  readonly isEstimate: boolean
}

const wordsIn = (text: string | null): number => (text ?? '').split(/\s+/).filter((w) => /[\p{L}\p{N}]/u.test(w)).length

/** The length of each recording that has a storyboard: seconds by hand, else by its words; rounded once, in the sum. */
export function plannedLengths(blueprint: Blueprint): PlannedLength[] {
  const target = (courseOf(blueprint).videoMinutes ?? LONGEST) * 60
  return [...groupBy(recordsOf(blueprint, 'storyRow'), (r) => r.activityId)].map(([activityId, rows]) => ({
    activityId,
    seconds: Math.round(rows.reduce((sum, r) => sum + (r.seconds ?? (wordsIn(r.words) * 60) / WORDS_A_MINUTE), 0)),
    target,
    isEstimate: rows.some((r) => r.seconds === null && wordsIn(r.words) > 0),
  }))
}
