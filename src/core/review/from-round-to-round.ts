/** What a round made of what the one before found, and what should come back in the next. */
import { pointsOf, type ReviewSet, type SetPoint } from './review-set'
import type { Standing } from './standing'
import { isGraded, isSettledValue, type Merged, rankOf } from './values'

export type Change = 'carried' | 'not-judged' | 'new' | 'same' | 'other' | 'mended' | 'better' | 'worse'
export type Compared = { readonly code: string; readonly was: Merged; readonly now: Merged; readonly change: Change }
export type NextReason = 'improve' | 'disagree' | 'not-judged' | 'stale' | 'reworded' | 'new'
export type Next = { readonly code: string; readonly reasons: readonly NextReason[] }

function changeOf(was: Merged, now: Merged, isCarried: boolean): Change {
  if (isCarried) return 'carried'
  if (!isSettledValue(now)) return 'not-judged'
  if (!isSettledValue(was)) return 'new'
  if (was === now) return 'same'
  if (!isGraded(was) || !isGraded(now)) return 'other'
  if (now === 'in place') return 'mended'
  return rankOf(now) > rankOf(was) ? 'better' : 'worse'
}

/** Each point of a round beside the round it follows. */
export function comparedOf(now: readonly Standing[], before: readonly Standing[]): readonly Compared[] {
  const earlier = new Map(before.map((s) => [s.point.code, s.merged]))
  return now.map(({ point: { code }, merged, by }) => {
    const was = earlier.get(code) ?? null
    return { code, was, now: merged, change: changeOf(was, merged, by === 'carried') }
  })
}

const words = (text: string): string => text.trim().replace(/\s+/g, ' ')
const isReworded = (a: SetPoint, b: SetPoint): boolean => words(a.statement) !== words(b.statement) || a.priority !== b.priority

/** The points of the set as it is now that should come back after a round, with why, in its order. */
export function nextOf(set: ReviewSet, round: readonly (Standing & { readonly stale: boolean })[]): readonly Next[] {
  const standing = new Map(round.map((s) => [s.point.code, s]))
  return pointsOf(set).flatMap((point): Next[] => {
    const at = standing.get(point.code)
    if (!at) return [{ code: point.code, reasons: ['new'] }]
    const { merged, stale } = at
    const reasons = (
      [
        ['improve', merged === 'partly' || merged === 'not in place'],
        ['disagree', merged === 'disagree'],
        ['not-judged', merged === null || merged === 'cannot be judged yet'],
        ['stale', stale],
        ['reworded', isReworded(point, at.point)],
      ] as const
    ).flatMap(([reason, holds]) => (holds ? [reason] : []))
    return reasons.length > 0 ? [{ code: point.code, reasons }] : []
  })
}
