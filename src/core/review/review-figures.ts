/** All figures of a review, round by round: what the command line prints and the interface shows. */
import type { Blueprint } from '../blueprint/blueprint'
import { analyse } from '../findings/analyse'
import type { Problem } from '../result'
import { type Agreement, agreementOf, pairsOn, type SeatRatings, stancesOf } from './agreement'
import { type Evidence, evidenceIn } from './evidence'
import { type Compared, comparedOf, type Next, nextOf } from './from-round-to-round'
import { type AnalysisOf, baseOf, type PlanBase, type Staleness, unheld, watching } from './rests-on'
import type { Action, Review, Round } from './review'
import { type Priority, pointsOf } from './review-set'
import { askedCodes, askedOf, type Standing, standingsOf } from './standing'
import type { Merged, RatingValue } from './values'
import { type Acted, type Blocking, blockingOf, openReason, scoreOf, type Verdict, verdictOf } from './verdict'

export type AreaCounts = Readonly<
  Record<'inPlace' | 'partly' | 'notInPlace' | 'notApplicable' | 'disagree' | 'notJudged' | 'stale', number>
>
export type StaleRating = { readonly code: string; readonly seat: string } & Staleness
export type PointFigures = {
  readonly code: string
  readonly priority: Priority
  readonly ratings: Readonly<Record<string, RatingValue>>
  readonly merged: Merged
  readonly by: Standing['by']
  readonly stale: boolean
  readonly agreeing: number
  readonly pairs: number
  /** Nothing is left to do about it. */
  readonly settled: boolean
  /** Null where there is no plan to look at. */
  readonly evidence: Evidence | null
}
export type RoundFigures = {
  readonly id: string
  readonly seats: readonly {
    readonly id: string
    readonly handedIn: string | null
    readonly rated: number
    readonly of: number
    readonly lower: number
    readonly same: number
    readonly higher: number
  }[]
  readonly points: readonly PointFigures[]
  readonly areas: readonly ({ readonly title: string } & Readonly<Record<Priority, AreaCounts>>)[]
  readonly agreement: Agreement
  readonly score: number | null
  readonly verdict: Verdict
  readonly blocking: readonly Blocking[]
  readonly stale: readonly StaleRating[]
  readonly compared: readonly Compared[]
  readonly next: readonly Next[]
}
export type ReviewFigures = {
  readonly set: { readonly title: string; readonly version: string | null; readonly points: number }
  readonly rounds: readonly RoundFigures[]
}

export type Looked = {
  /** The plan as it is now; null: nothing is stale, and evidence is that of each round's snapshot. */
  readonly plan: Blueprint | null
  /** The day on which it is looked at, ISO. */
  readonly on: string
  /** Where analyses are kept already. */
  readonly analysisOf?: AnalysisOf
}

/** Works out all rounds. Returns the figures, and citations that their plan does not hold. */
export function reviewFigures(
  review: Review,
  { plan, on, analysisOf = analyse }: Looked,
): { readonly figures: ReviewFigures; readonly problems: readonly Problem[] } {
  const standings = standingsOf(review)
  const bases = new Map<Blueprint, PlanBase>()
  const of = (of: Blueprint | null): PlanBase | null => {
    if (of === null) return null
    const base = bases.get(of) ?? baseOf(of, analysisOf)
    bases.set(of, base)
    return base
  }
  const evidence = new Map<Blueprint, (codes: readonly string[]) => Evidence>()
  const evidenceOf = (of: Blueprint | null) => {
    if (of === null) return () => null
    const found = evidence.get(of) ?? evidenceIn(of, analysisOf(of, on))
    evidence.set(of, found)
    return found
  }
  const rounds = review.rounds.map((round): RoundFigures => {
    const found = standings.get(round.id) ?? []
    const stale = plan === null ? [] : staleRatings(found, of, of(plan) as PlanBase)
    const staleCodes = new Set(stale.map((s) => s.code))
    const points = found.map((s) => ({ ...s, stale: staleCodes.has(s.point.code) }))
    const acted = { actions: actionsOf(review, round), on }
    const seats = round.seats.filter((s) => s.handedIn !== null).map((s) => seatRatings(s.id, found))
    const asked = [...askedCodes(round)]
    const stances = stancesOf(seats, asked)
    const blocking = blockingOf(points, round.set.rule, acted)
    const before = (round.follows && standings.get(round.follows)) || []
    return {
      id: round.id,
      seats: round.seats.map((s) => {
        const codes = askedOf(asked, s)
        const given = new Set(s.ratings.map((r) => r.point))
        const rated = codes.filter((c) => given.has(c)).length
        return { id: s.id, handedIn: s.handedIn, rated, of: codes.length, ...(stances.get(s.id) ?? NO_STANCE) }
      }),
      points: points.map((p) => pointFigures(p, seats, round, acted, evidenceOf(plan ?? round.snapshot))),
      areas: round.set.areas.map((a) => areaCounts(a.title, points)),
      agreement: agreementOf(seats, asked),
      score: round.set.rule.scoreFrom === null ? null : scoreOf(points),
      verdict: verdictOf(blocking, points.length),
      blocking,
      stale,
      compared: round.follows === null ? [] : comparedOf(found, before),
      next: nextOf(review.set, points),
    }
  })
  const { title, version } = review.set
  const problems = review.rounds.flatMap((round, i) => unheldIn(round, `rounds[${i}]`, of(round.snapshot)))
  return { figures: { set: { title, version, points: pointsOf(review.set).length }, rounds }, problems }
}

/** The actions of a round and of those that it follows. */
function actionsOf(review: Review, round: Round): readonly Action[] {
  const before = round.follows === null ? undefined : review.rounds.find((r) => r.id === round.follows)
  return before ? [...round.actions, ...actionsOf(review, before)] : round.actions
}

const seatRatings = (id: string, standings: readonly Standing[]): SeatRatings => ({
  id,
  ratings: new Map(
    standings.flatMap((s) => {
      const rating = s.ratings.get(id)
      return rating ? [[s.point.code, { ...rating, value: rating.first ?? rating.value }] as const] : []
    }),
  ),
})

const NO_STANCE = { lower: 0, same: 0, higher: 0 }

/** The ratings of which something differs, in the order of points and seats; each against the plan that it was made on. */
function staleRatings(
  standings: readonly Standing[],
  baseAt: (plan: Blueprint | null) => PlanBase | null,
  now: PlanBase,
): readonly StaleRating[] {
  const watchers = new Map<Blueprint | null, ReturnType<typeof watching>>()
  return standings.flatMap(({ point, rests }) =>
    rests.flatMap(({ round: { snapshot }, seat, rating }) => {
      const watch = watchers.get(snapshot) ?? watching(baseAt(snapshot), now)
      watchers.set(snapshot, watch)
      const differs = watch(rating, point.findings)
      return differs ? [{ code: point.code, seat: seat.id, ...differs }] : []
    }),
  )
}

function pointFigures(
  at: Standing & { readonly stale: boolean },
  seats: readonly SeatRatings[],
  round: Round,
  acted: Acted,
  evidence: (codes: readonly string[]) => Evidence | null,
): PointFigures {
  const { point, merged, by, stale, ratings } = at
  return {
    code: point.code,
    priority: point.priority,
    ratings: Object.fromEntries([...ratings].map(([seat, r]) => [seat, r.value])),
    merged,
    by,
    stale,
    ...pairsOn(seats, point.code),
    settled: openReason(at, round.set.rule, acted) === null,
    evidence: evidence(point.findings),
  }
}

const COUNTED = {
  'in place': 'inPlace',
  partly: 'partly',
  'not in place': 'notInPlace',
  'not applicable': 'notApplicable',
  disagree: 'disagree',
  'cannot be judged yet': 'notJudged',
} as const satisfies Record<NonNullable<Merged>, keyof AreaCounts>

function areaCounts(title: string, points: readonly (Standing & { readonly stale: boolean })[]): RoundFigures['areas'][number] {
  const of = (priority: Priority): AreaCounts => {
    const counts = { inPlace: 0, partly: 0, notInPlace: 0, notApplicable: 0, disagree: 0, notJudged: 0, stale: 0 }
    for (const { point, merged, stale } of points)
      if (point.area === title && point.priority === priority) counts[stale ? 'stale' : merged === null ? 'notJudged' : COUNTED[merged]]++
    return counts
  }
  return { title, must: of('must'), should: of('should'), could: of('could') }
}

/** What a round cites that its snapshot does not hold: told, and not watched. */
const unheldIn = (round: Round, at: string, base: PlanBase | null): readonly Problem[] =>
  round.seats.flatMap((seat, s) =>
    seat.ratings.flatMap((rating, r) =>
      unheld(rating, base).map(
        ({ kind, id }): Problem => ({
          code: 'citation-not-held',
          message: `the plan that was rated has no ${kind} ${id}: it is not watched`,
          at: `${at}.seats[${s}].ratings[${r}]`,
        }),
      ),
    ),
  )
