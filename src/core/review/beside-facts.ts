/** What the analysis is told of a review that goes on. */
import { isOpenAction, type ReviewAction, type ReviewRound } from '../beside/review-records'
import { anyRecord, type Blueprint } from '../blueprint/blueprint'
import { isKindName, type RecordRef } from '../blueprint/kinds'
import type { BesideFacts } from '../findings/beside-facts'
import { askedPoints } from './asked'
import type { ReviewRecords } from './of-course'
import { planSet, pointsOfSet } from './plan-sets'

type Looks = {
  /** The plan as it is now, and plans of snapshots as far as they are known. */
  readonly plan: Blueprint
  readonly snapshot: (id: string) => Blueprint | null
  /** The seats of whoever looks. */
  readonly own: readonly string[]
  /** Whether they run rounds: they then see how many points each seat has rated. */
  readonly runs: boolean
  /** The codes of points whose rating rests on what differs now, in the set of the round that is looked at. */
  readonly stale: { readonly setId: string; readonly codes: readonly string[] } | null
}

/** Facts for the rules about a review, as somebody sees it. */
export function besideFactsOf(records: ReviewRecords, looks: Looks): BesideFacts {
  const { plan, stale } = looks
  const codes = new Set(stale?.codes ?? [])
  const staleSet = stale && planSet(plan, stale.setId)
  return {
    unrated: records.rounds.filter((r) => r.state === 'open').flatMap((r) => unratedIn(records, r, looks)),
    stale: staleSet ? pointsOfSet(staleSet).flatMap((p) => (codes.has(p.code) ? [p.id] : [])) : [],
    actions: datedActions(records.actions).map((a) => ({ ...a, records: a.records.filter((ref) => anyRecord(plan, ref)) })),
  }
}

/**
 * What oneself has to rate yet in an open round, in the set as it was then; who has no seat there and runs it: what nobody has rated.
 */
function unratedIn(records: ReviewRecords, round: ReviewRound, { plan, snapshot, own, runs }: Looks): readonly string[] {
  const set = planSet(snapshot(round.snapshotId) ?? plan, round.setId)
  if (!set) return []
  const seats = records.seats.filter((s) => s.roundId === round.id && !s.withdrawn)
  const seat = seats.find((s) => own.includes(s.id))
  if ((seat && seat.handedInAt !== null) || (!seat && !runs)) return []
  const counted = new Set(seat ? [seat.id] : seats.map((s) => s.id))
  const rated = new Set(records.ratings.filter((r) => counted.has(r.seatId) && (!seat || r.value !== null)).map((r) => r.pointId))
  return askedPoints(round, set, seat?.points)
    .map((p) => p.id)
    .filter((id) => !rated.has(id))
}

/** What is to be done by a day and is not done. */
export const datedActions = (actions: readonly ReviewAction[]): BesideFacts['actions'] =>
  actions.flatMap(({ what, by, state, records }) =>
    by !== null && isOpenAction({ state })
      ? [{ what, by, records: records.flatMap(({ kind, id }): RecordRef[] => (isKindName(kind) ? [{ kind, id }] : [])) }]
      : [],
  )
