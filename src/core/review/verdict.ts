/** Whether a round finds the course ready, what holds it up, and the score where a set asks for one. */

import type { Action } from './review'
import { DEFAULT_RULE, DEFAULT_WEIGHT, type SetPoint, type SetRule } from './review-set'
import { isGraded, type Merged, rankOf } from './values'

/** Why a point holds a course up, and that a score is too low. */
export type Reason = 'stale' | 'not-judged' | 'disagree' | 'must-open' | 'should-open' | 'should-overdue' | 'score-low'
export type Verdict = 'ready' | 'not ready' | 'undecided'
export type Judgement = { readonly point: SetPoint; readonly merged: Merged; readonly stale: boolean }
export type Blocking = { readonly code: string | null; readonly reason: Reason }

/** Actions of the round and of those it follows, and the day on which they are looked at. */
export type Acted = { readonly actions: readonly Action[]; readonly on: string }

/** Why a point is not done with, whatever its priority; null where it is. A could is looked at as a should that has to be in place. */
export function openReason({ point, merged, stale }: Judgement, rule: SetRule, acted: Acted): Reason | null {
  if (stale) return 'stale'
  if (merged === null || merged === 'cannot be judged yet') return 'not-judged'
  if (merged === 'disagree') return 'disagree'
  if (merged === 'in place' || merged === 'not applicable') return null
  if (point.priority === 'must') return merged === 'partly' && (rule.mustNeeds ?? DEFAULT_RULE.mustNeeds) === 'partly' ? null : 'must-open'
  const needs = point.priority === 'could' ? 'in place' : (rule.shouldNeeds ?? DEFAULT_RULE.shouldNeeds)
  if (needs === 'nothing') return null
  return needs === 'in place' ? 'should-open' : shouldReason(point.code, acted)
}

/** Whether a dated action settles a should. */
function shouldReason(code: string, { actions, on }: Acted): Reason | null {
  const dated = actions.filter((a) => a.point === code && a.state !== 'dropped' && a.who !== null && a.by !== null)
  if (dated.some((a) => a.state === 'done' || on <= (a.by as string))) return null
  return dated.length > 0 ? 'should-overdue' : 'should-open'
}

/** Why a point holds the course up; null where it does not: a could never does, nor a should of which nothing is needed. */
export function blockingReason(judged: Judgement, rule: SetRule, acted: Acted): Reason | null {
  const { priority } = judged.point
  const never = priority === 'could' || (priority === 'should' && (rule.shouldNeeds ?? DEFAULT_RULE.shouldNeeds) === 'nothing')
  return never ? null : openReason(judged, rule, acted)
}

/** Millionths, so that sums of weights are whole numbers. */
const millionths = (weight: number | null): bigint => BigInt(Math.round((weight ?? DEFAULT_WEIGHT) * 1e6))

/** 100 x sum(weight x value) / sum(weight), half up to two places; null where no point has one of the three values. */
export function scoreOf(points: readonly Judgement[]): number | null {
  let [met, all] = [0n, 0n]
  for (const { point, merged, stale } of points) {
    if (stale || !isGraded(merged)) continue
    // In place counts two halves, partly one.
    met += millionths(point.weight) * BigInt(rankOf(merged))
    all += millionths(point.weight) * 2n
  }
  return all === 0n ? null : Number((2n * 10_000n * met + all) / (2n * all)) / 100
}

/** What holds the course up, in the order of the points; a score that is too low stands last. */
export function blockingOf(points: readonly Judgement[], rule: SetRule, acted: Acted): readonly Blocking[] {
  const held = points.flatMap((p): Blocking[] => {
    const reason = blockingReason(p, rule, acted)
    return reason ? [{ code: p.point.code, reason }] : []
  })
  if (rule.scoreFrom === null) return held
  const score = scoreOf(points)
  return score === null || score < rule.scoreFrom ? [...held, { code: null, reason: 'score-low' }] : held
}

const NOT_READY: ReadonlySet<Reason> = new Set(['must-open', 'should-open', 'should-overdue', 'score-low'])

/** Ready: nothing holds it up. Not ready: something is known to be missing. Else, and without points, undecided. */
export function verdictOf(blocking: readonly Blocking[], points: number): Verdict {
  if (blocking.some((b) => NOT_READY.has(b.reason))) return 'not ready'
  return blocking.length === 0 && points > 0 ? 'ready' : 'undecided'
}
