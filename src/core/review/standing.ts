/** Where each point of a round stands: what its ratings, a decision, or the round before came to, and which ratings that rests on. */

import type { Decision, Rating, Review, Round, Seat } from './review'
import { pointsOf, type SetPoint } from './review-set'
import { isJudged, isSettledValue, type Merged, mergedOf } from './values'

export type RestingOn = { readonly round: Round; readonly seat: Seat; readonly rating: Rating }
export type Standing = {
  readonly point: SetPoint & { readonly area: string }
  readonly merged: Merged
  /** What the value comes from; null: there is none. */
  readonly by: 'rule' | 'hand' | 'carried' | null
  /** The ratings that count for it, of this round or of the one it is carried over from. */
  readonly rests: readonly RestingOn[]
  /** All ratings of this round by those who handed in, by seat. */
  readonly ratings: ReadonlyMap<string, Rating>
}

/** The last rating that a seat gave of a point on its list. */
const ratingOf = (seat: Seat, code: string): Rating | undefined =>
  seat.points && !seat.points.includes(code) ? undefined : seat.ratings.findLast((r) => r.point === code)

/** The last decision by hand on a point: one with a value and a reason. */
const decisionOn = (round: Round, code: string): Decision | undefined =>
  round.decisions.findLast((d) => d.point === code && d.value !== null && d.reason !== null && d.reason.trim() !== '')

/** The codes that a round asks for: on its list, or all of its set. */
export function askedCodes(round: Round): ReadonlySet<string> {
  const all = pointsOf(round.set).map((p) => p.code)
  return new Set(round.points === null ? all : all.filter((c) => round.points?.includes(c)))
}

/** Which of the codes that a round asks for a seat is asked for. */
export const askedOf = (asked: readonly string[], seat: Seat): readonly string[] =>
  asked.filter((code) => seat.points === null || seat.points.includes(code))

/** The standings of every round by its id, in set order. Rounds stand before those that follow them. */
export function standingsOf(review: Review): ReadonlyMap<string, readonly Standing[]> {
  const all = new Map<string, readonly Standing[]>()
  for (const round of review.rounds) all.set(round.id, roundStandings(round, (round.follows && all.get(round.follows)) || []))
  return all
}

function roundStandings(round: Round, before: readonly Standing[]): readonly Standing[] {
  const asked = askedCodes(round)
  const followed = new Map(before.map((s) => [s.point.code, s]))
  const seats = round.seats.filter((s) => s.handedIn !== null)
  return pointsOf(round.set).flatMap((point): Standing[] => {
    const { code } = point
    const earlier = followed.get(code)
    if (!asked.has(code) && !earlier) return []
    const rated = asked.has(code) ? seats.flatMap((seat) => ({ seat, rating: ratingOf(seat, code) })) : []
    const given = rated.flatMap(({ seat, rating }) => (rating ? [{ round, seat, rating }] : []))
    const judged = given.filter((g) => isJudged(g.rating))
    const carried = !asked.has(code) && earlier && isSettledValue(earlier.merged) ? earlier : null
    const hand = decisionOn(round, code)
    const ruled = mergedOf(
      judged.map((g) => g.rating),
      round.merge,
    )
    const merged = hand?.value ?? (carried ? carried.merged : ruled)
    return [
      {
        point,
        merged,
        by: hand ? 'hand' : carried ? 'carried' : merged === null ? null : 'rule',
        rests: carried ? carried.rests : judged,
        ratings: new Map(given.map((g) => [g.seat.id, g.rating])),
      },
    ]
  })
}
