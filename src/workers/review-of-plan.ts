/** The figures of a review, kept up with the plan that the analysis worker holds. */
import { type Blueprint, blueprintOf, type Records } from '../core/blueprint/blueprint'
import { dayOfCourse } from '../core/calendar/today'
import { Analyser, type Analysis } from '../core/findings/analyse'
import type { BesideFacts } from '../core/findings/beside-facts'
import { besideFactsOf } from '../core/review/beside-facts'
import { type ReviewRecords, reviewOf } from '../core/review/of-course'
import { type AnalysisOf, baseOf, watching } from '../core/review/rests-on'
import type { Round } from '../core/review/review'
import { type ReviewFigures, reviewFigures, type StaleRating } from '../core/review/review-figures'
import { pointsOf } from '../core/review/review-set'

export type AskedReview = {
  /** Counts what was asked, so that an old answer is known. */
  readonly review: number
  readonly records: ReviewRecords
  readonly roundId: string
  /** The seats of whoever looks, and whether they run rounds. */
  readonly own: readonly string[]
  readonly runs: boolean
  /** Nobody looks at it now: it is worked out for the findings alone. */
  readonly quiet?: boolean
  /** Snapshots that were not given before, by id. */
  readonly snapshots: readonly (readonly [id: string, records: Records])[]
}
export type Reviewed = {
  readonly review: number
  readonly roundId: string
  readonly figures: ReviewFigures
  /** Every rating of the round that rests on what differs now, handed in or not. */
  readonly stale: readonly StaleRating[]
  /** The keys of what is found now, without a day, by the codes that points of the set are bound to. */
  readonly keys: Readonly<Record<string, readonly string[]>>
}

/** Plans of snapshots never change; their analysis only when the table of words comes. */
const snapshots = new Map<string, Blueprint>()
let kept = new WeakMap<Blueprint, Analysis>()
let asked: AskedReview | null = null
const undated = new Analyser()
const dated = new Analyser()

/** What was read with fewer words is read again. */
export function forgetReadings(): void {
  kept = new WeakMap()
}

/** Takes what is asked from now on; null: nothing. */
export function askReview(next: AskedReview | null): void {
  asked = next
  for (const [id, records] of next?.snapshots ?? []) snapshots.set(id, blueprintOf(records))
}

/** The figures over the plan as it is now; null where none are asked. */
export function reviewNow(plan: Blueprint): { readonly reviewed: Reviewed; readonly beside: BesideFacts } | null {
  if (!asked) return null
  const { records, roundId, review: n, own, runs } = asked
  const snapshot = (id: string) => snapshots.get(id) ?? null
  const review = reviewOf(records, roundId, { now: plan, snapshot })
  const frozen = new Set(snapshots.values())
  const analysisOf = (of: Blueprint, day: string | null): Analysis => {
    if (!frozen.has(of)) return (day === null ? undated : dated).analyse(of, day)
    const known = day === null ? kept.get(of) : undefined
    const made = known ?? new Analyser().analyse(of, day)
    if (day === null) kept.set(of, made)
    return made
  }
  const { figures } = reviewFigures(review, { plan, on: dayOfCourse(plan, Date.now()), analysisOf })
  const keys: Record<string, string[]> = {}
  for (const code of pointsOf(review.set).flatMap((p) => p.findings)) keys[code] = []
  for (const f of undated.analyse(plan, null).findings) if (f.accepted === null) keys[f.code]?.push(f.key)
  const stale = staleOf(review.rounds.at(-1), plan, analysisOf)
  const setId = records.rounds.find((r) => r.id === roundId)?.setId
  const told = setId === undefined ? null : { setId, codes: stale.map((s) => s.code) }
  return {
    reviewed: { review: n, roundId, figures, keys, stale },
    beside: besideFactsOf(records, { plan, snapshot, own, runs, stale: told }),
  }
}

function staleOf(round: Round | undefined, plan: Blueprint, analysisOf: AnalysisOf): readonly StaleRating[] {
  if (!round) return []
  const watch = watching(round.snapshot && baseOf(round.snapshot, analysisOf), baseOf(plan, analysisOf))
  const codesOf = new Map(pointsOf(round.set).map((p) => [p.code, p.findings]))
  return round.seats.flatMap((seat) =>
    seat.ratings.flatMap((rating) => {
      const differs = watch(rating, codesOf.get(rating.point) ?? [])
      return differs ? [{ code: rating.point, seat: seat.id, ...differs }] : []
    }),
  )
}
