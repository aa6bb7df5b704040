/** A review as figures are worked out of it, from the records beside a plan. */
import type { ReviewAction, ReviewDecision, ReviewRating, ReviewRound, ReviewSeat } from '../beside/review-records'
import type { Blueprint } from '../blueprint/blueprint'
import { isKindName, type RecordRef } from '../blueprint/kinds'
import { askedPoints } from './asked'
import { type PlanSet, plainSet, planSet, pointsOfSet } from './plan-sets'
import type { Action, Citation, Rating, Review, Round, Seat } from './review'
import { EMPTY_SET, type ReviewSet } from './review-set'

export type ReviewRecords = {
  readonly rounds: readonly ReviewRound[]
  readonly seats: readonly ReviewSeat[]
  readonly ratings: readonly ReviewRating[]
  readonly decisions: readonly ReviewDecision[]
  readonly actions: readonly ReviewAction[]
  /** The names of people by account. */
  readonly people?: ReadonlyMap<string, string>
}
export type ReviewPlans = {
  readonly now: Blueprint
  /** The plan of a snapshot; null where it is not known. */
  readonly snapshot: (id: string) => Blueprint | null
}

/** The round and those it follows, the earliest first. One that follows itself, or what is not there, ends it. */
export function chainOf(rounds: readonly ReviewRound[], id: string): readonly ReviewRound[] {
  const chain: ReviewRound[] = []
  for (let at = rounds.find((r) => r.id === id); at && !chain.includes(at); at = rounds.find((r) => r.id === at?.follows)) chain.unshift(at)
  return chain
}

/** The frozen set of a round; undefined where its snapshot is not known or holds no such set. */
export function frozenSet(round: ReviewRound, plans: ReviewPlans): PlanSet | undefined {
  const plan = plans.snapshot(round.snapshotId)
  return plan ? planSet(plan, round.setId) : undefined
}

/** The code of each point by its id: as the plan has it now, so that a code that was changed is the same point; else as it was frozen. */
function codesOf(sets: readonly (PlanSet | undefined)[]): ReadonlyMap<string, string> {
  const codes = new Map<string, string>()
  for (const set of sets) for (const point of set ? pointsOfSet(set) : []) if (!codes.has(point.id)) codes.set(point.id, point.code)
  return codes
}

/** The review of one round with those it follows. */
export function reviewOf(records: ReviewRecords, roundId: string, plans: ReviewPlans): Review {
  const chain = chainOf(records.rounds, roundId)
  const last = chain.at(-1)
  const live = last && planSet(plans.now, last.setId)
  const frozen = chain.map((round) => frozenSet(round, plans))
  const codes = codesOf([live, ...frozen.toReversed()])
  const codeOf = (pointId: string): string => codes.get(pointId) ?? pointId
  const coded = (set: PlanSet | undefined): ReviewSet => {
    if (!set) return EMPTY_SET
    const plain = plainSet(set)
    const areas = plain.areas.map((a, i) => ({
      ...a,
      points: a.points.map((p, at) => ({ ...p, code: codeOf(set.areas[i]?.points[at]?.id ?? p.code) })),
    }))
    return { ...plain, areas }
  }
  const rounds = chain.map((round, i): Round => {
    const listed = (points: readonly string[]) => (points.length === 0 ? null : points.map(codeOf))
    const seatsOf = records.seats.filter((s) => s.roundId === round.id)
    return {
      id: round.id,
      title: round.title,
      kind: round.kind,
      merge: round.merge,
      follows: i > 0 ? round.follows : null,
      state: round.state,
      points: round.kind === 'learners' && frozen[i] ? askedPoints(round, frozen[i]).map((p) => codeOf(p.id)) : listed(round.points),
      set: coded(frozen[i]),
      snapshot: plans.snapshot(round.snapshotId),
      seats: seatsOf.map(
        (seat): Seat => ({
          id: seat.id,
          name: seat.name,
          handedIn: seat.handedInAt?.slice(0, 10) ?? null,
          points: listed(seat.points),
          remark: seat.remark,
          ratings: records.ratings.filter((r) => r.seatId === seat.id).flatMap((r) => plainRating(r, codeOf)),
        }),
      ),
      decisions: records.decisions
        .filter((d) => d.roundId === round.id)
        .map((d) => ({ point: codeOf(d.pointId), value: d.value, reason: d.reason, by: d.by, answer: d.answer, answerText: d.answerText })),
      actions: records.actions.filter((a) => a.roundId === round.id).map((a) => plainAction(a, codeOf, records.people)),
    }
  })
  return { set: live ? coded(live) : (rounds.at(-1)?.set ?? EMPTY_SET), rounds }
}

/** None where its value is not seen, or not given yet. */
function plainRating(r: ReviewRating, codeOf: (id: string) => string): readonly Rating[] {
  if (r.value === null || r.pointId === null) return []
  return [
    {
      point: codeOf(r.pointId),
      value: r.value,
      first: r.handedInValue,
      reason: r.reason,
      seen: r.seen,
      where: r.where,
      change: r.change,
      mark: r.mark,
      evidence: (r.evidence ?? []).flatMap((e) => citationOf(e) ?? []),
      findings: keysIn(r.base),
    },
  ]
}

/** What a record of evidence points at; null where it points at nothing that is known. */
export function citationOf(e: ReviewRating['evidence'][number]): Citation | null {
  const more = { quote: e.quote, digest: e.digest }
  if (e.kind !== null && e.id !== null) return isKindName(e.kind) ? { type: 'record', ref: { kind: e.kind, id: e.id }, ...more } : null
  if (e.address !== null) return { type: 'address', address: e.address, ...more }
  return e.file === null ? null : { type: 'file', file: e.file, ...more }
}

const plainAction = (a: ReviewAction, codeOf: (id: string) => string, people: ReviewRecords['people']): Action => ({
  id: a.id,
  source: a.source,
  point: a.pointId === null ? null : codeOf(a.pointId),
  what: a.what,
  who: a.name ?? (a.personId === null ? null : (people?.get(a.personId) ?? a.personId)),
  by: a.by,
  state: a.state,
  records: a.records.flatMap(({ kind, id }): RecordRef[] => (isKindName(kind) ? [{ kind, id }] : [])),
  outcome: a.outcome,
  why: a.why,
})

/** Stands for no findings at all, where an open base stands for those of the snapshot. */
const NOTHING_FOUND = '-'
/** The keys of findings that a rating keeps, as its record holds them. */
export const baseText = (keys: readonly string[]): string => (keys.length === 0 ? NOTHING_FOUND : keys.join('\n'))
const keysIn = (base: string | null): readonly string[] | null =>
  base === null ? null : base === NOTHING_FOUND ? [] : base.split('\n').filter((key) => key !== '')
