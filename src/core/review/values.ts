/** What a point can be rated with, what several ratings come to, and whether something counts as judged. */

import type { MERGES, RATING_VALUES } from '../beside/review-records'

export type RatingValue = (typeof RATING_VALUES)[number]
/** The three that say how far a point is met, from the lowest. */
export const GRADED = ['not in place', 'partly', 'in place'] as const
export type Graded = (typeof GRADED)[number]
/** What several ratings come to; null: nothing was judged. */
export type Merged = RatingValue | 'disagree' | null
export type Merge = (typeof MERGES)[number]

export type Rated = { readonly value: RatingValue; readonly reason: string | null }

export const isGraded = (value: string | null): value is Graded => GRADED.some((g) => g === value)
/** The place among the graded values, the lowest 0. */
export const rankOf = (value: Graded): number => GRADED.indexOf(value)
/** Whether a rating counts: one of the three, or not applicable with a reason. */
export const isJudged = ({ value, reason }: Rated): boolean =>
  isGraded(value) || (value === 'not applicable' && reason !== null && reason.trim() !== '')
/** Whether a merged value says something about the course. */
export const isSettledValue = (value: Merged): boolean => isGraded(value) || value === 'not applicable'

/** What the ratings of one point come to (rules of the set's round; Cairn defaults). Ratings that do not count are left out. */
export function mergedOf(ratings: readonly Rated[], merge: Merge): Merged {
  const judged = ratings.filter(isJudged).map((r) => r.value)
  const [first = null] = judged
  if (first === null) return null
  if (merge === 'agreed') return judged.every((v) => v === first) ? first : 'disagree'
  const graded = judged.filter(isGraded)
  if ((judged.length - graded.length) * 2 > judged.length) return 'not applicable'
  if (merge === 'strictest') return graded.reduce((low, v) => (rankOf(v) < rankOf(low) ? v : low))
  return GRADED.find((g) => graded.filter((v) => v === g).length * 2 > graded.length) ?? 'disagree'
}
