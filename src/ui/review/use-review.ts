/** The review of the open course as this person sees it: rounds, seats, ratings, decisions and actions, and the round that is chosen. */
import { useCallback, useEffect, useMemo, useRef } from 'react'
import type { ReviewAction, ReviewDecision, ReviewRating, ReviewRound, ReviewSeat } from '../../core/beside/review-records'
import { type Blueprint, type Records, recordsOf } from '../../core/blueprint/blueprint'
import { KIND_NAMES } from '../../core/blueprint/kinds'
import { sameValue } from '../../core/blueprint/values'
import { chainOf, frozenSet, type ReviewRecords } from '../../core/review/of-course'
import type { PlanSet } from '../../core/review/plan-sets'
import type { BesideRecord } from '../../server/beside'
import { useSnapshotPlans } from '../snapshots/use-snapshots'
import type { ReviewAsked } from '../store/analysis-client'
import { useBeside } from '../store/beside'
import { useCourse, useCourseStore } from '../store/course-store'
import { useParam } from '../store/navigation'
import { useUnsent } from '../store/use-unsent'
import { useWritten, writeOver } from './written'

/** `prefers`: the round that is shown where none is chosen; one's own that is open, or the newest. `aside`: nobody looks at it. */
export function useReview(prefers: 'own' | 'newest' = 'newest', aside = false) {
  const rounds = useBeside<ReviewRound>('reviewRound')
  const seats = useBeside<ReviewSeat>('reviewSeat')
  const ratings = useBeside<ReviewRating>('reviewRating')
  const decisions = useBeside<ReviewDecision>('reviewDecision')
  const actions = useBeside<ReviewAction>('reviewAction')
  const { waiting, entries } = useUnsent(aside)
  const me = useCourse((s) => s.viewer?.id ?? '')
  const shownRatings = useWritten('reviewRating', entries, ratings.records)
  const shownSeats = useWritten('reviewSeat', entries, seats.records)
  const shownDecisions = useWritten('reviewDecision', entries, decisions.records)
  const shownActions = useWritten('reviewAction', entries, actions.records)
  const [given, choose] = useParam('round')
  const newest = useMemo(() => rounds.records.toSorted((a, b) => b.at.localeCompare(a.at)), [rounds.records])
  const seatId = useCourse((s) => s.viewer?.seatId)
  const isOwn = (s: ReviewSeat) => (seatId === undefined ? s.personId === me : s.id === seatId)
  const isMine = (r: ReviewRound) => seats.records.some((s) => s.roundId === r.id && isOwn(s))
  const own = prefers === 'own' ? newest.find((r) => r.state === 'open' && isMine(r)) : undefined
  const isKnown = prefers === 'newest' || !seats.loading
  const round = (isKnown && (newest.find((r) => r.id === given) ?? own ?? newest[0])) || null
  const records: ReviewRecords = useMemo(
    () => ({ rounds: rounds.records, seats: shownSeats, ratings: shownRatings, decisions: shownDecisions, actions: shownActions }),
    [rounds.records, shownSeats, shownRatings, shownDecisions, shownActions],
  )
  const write = (kind: string, id: string, before: BesideRecord | undefined, to: object) => writeOver(waiting, kind, id, before, to)
  const ownSeat = (round && shownSeats.find((s) => s.roundId === round.id && isOwn(s))) || null
  const all = [rounds, seats, ratings, decisions, actions]
  return {
    me,
    records,
    rounds: newest,
    round,
    choose,
    ownSeat,
    /** Whether a seat, in this round or another, is one's own. */
    isOwnSeat: (id: string) => shownSeats.some((s) => s.id === id && isOwn(s)),
    loading: all.some((b) => b.loading),
    failed: all.some((b) => b.failed),
    writes: { round: rounds, seat: seats, decision: decisions, action: actions },
    waiting,
    /** What this person wrote and the server will never take. */
    refused: entries.filter((e) => e.refused && e.kind.startsWith('review')),
    write,
  }
}
export type ShownReview = ReturnType<typeof useReview>

export type OpenRound = {
  readonly round: ReviewRound
  /** The plan that it rates, and its set there. */
  readonly plan: Blueprint
  readonly set: PlanSet
  /** The plans of all snapshots of the round and those it follows, by id. */
  readonly plans: ReadonlyMap<string, Blueprint>
  readonly seats: readonly ReviewSeat[]
}

/** A round with its snapshot; null while that is on its way. `failed`: it does not come, or holds no such set. */
export function useOpenRound(review: Pick<ShownReview, 'records' | 'round' | 'isOwnSeat'>, looks = true) {
  const { records, round, isOwnSeat } = review
  const store = useCourseStore()
  const ask = useCallback((of: ReviewAsked | null) => (looks ? store.askReview(of) : store.watchReview(of)), [store, looks])
  const chain = useMemo(() => (round ? chainOf(records.rounds, round.id) : []), [records.rounds, round])
  const { plans, failed } = useSnapshotPlans(chain.map((r) => r.snapshotId))
  const plan = (round && plans.get(round.snapshotId)) ?? null
  const isKnown = chain.length > 0 && chain.every((r) => plans.has(r.snapshotId))
  const figured = useRef(records)
  if (!sayTheSame(figured.current, records)) figured.current = records
  useEffect(() => {
    if (!round || !isKnown) return
    ask({
      ...{ records: figured.current, roundId: round.id, runs: store.has('review.run') },
      own: records.seats.flatMap((s) => (isOwnSeat(s.id) ? [s.id] : [])),
      snapshots: [...plans].map(([id, p]) => [id, recordsFor(p)] as const),
    })
  }, [ask, figured.current, round, isKnown])
  useEffect(() => () => ask(null), [ask])
  const now = useCourse((s) => s.view)
  const set = round && plan ? frozenSet(round, { now, snapshot: (id) => plans.get(id) ?? null }) : undefined
  const open = useMemo(
    (): OpenRound | null =>
      round && plan && set ? { round, plan, set, plans, seats: records.seats.filter((s) => s.roundId === round.id) } : null,
    [round, plan, set, plans, records.seats],
  )
  return { open, failed: failed || (round !== null && plan !== null && !set) }
}

/** Whether the figures of both are the same: what was stored since has another revision, and says what it said. */
function sayTheSame(a: ReviewRecords, b: ReviewRecords): boolean {
  return (Object.keys(a) as (keyof ReviewRecords)[]).every((kind) => {
    const [before, now] = [a[kind], b[kind]] as readonly (readonly BesideRecord[])[]
    return (
      before === now || (before?.length === now?.length && now?.every((r, i) => before?.[i] === r || sameValue(of(before?.[i]), of(r))))
    )
  })
}
const of = (record: BesideRecord | undefined) => record && { ...record, revision: 0, at: '', authorId: '' }

const recordsFor = (plan: Blueprint) => Object.fromEntries(KIND_NAMES.map((kind) => [kind, recordsOf(plan, kind)])) as unknown as Records
