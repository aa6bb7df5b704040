/**
 * A review beside the plan: rounds on a snapshot, the seats of those who rate, their ratings, decisions by hand, and actions. Who sees
 * which of it stands here: nobody sees another's ratings before handing in one's own, or before comparison opens.
 */
import { may } from '../access/abilities'
import { sameValue } from '../blueprint/values'
import { type Around, defineBeside, type Viewer } from './beside'
import {
  actionSpec,
  decisionSpec,
  RATED,
  type ReviewRating,
  type ReviewRound,
  type ReviewSeat,
  type ROUND_STATES,
  ratingSpec,
  roundSpec,
  ROUND_STATES as STATES,
  seatSpec,
  tourSpec,
} from './review-records'

const changed = <R extends object>(a: R, b: R): ReadonlySet<string> =>
  new Set(Object.keys(b).filter((k) => k !== 'revision' && !sameValue(a[k as keyof R], b[k as keyof R])))
const onlyChanges = <R extends object>(a: R, b: R, ...fields: readonly string[]): boolean =>
  [...changed(a, b)].every((f) => fields.includes(f))
const runs = (viewer: Viewer): boolean => viewer.seatId === undefined && may(viewer.role, 'review.run')
const isMember = (viewer: Viewer): boolean => viewer.seatId === undefined && may(viewer.role, 'plan.read')

/** Ratings of one set as it stands in a snapshot. */
export const reviewRound = defineBeside({
  spec: roundSpec,
  forSeats: true,
  reads: ['reviewSeat'],
  uncovers: ['reviewSeat', 'reviewRating', 'reviewDecision'],
  policy: {
    mayRead: (viewer, round, around) => isMember(viewer) || seatOf(viewer, round.id, around) !== undefined,
    mayWrite: (viewer, stored, wanted) => {
      if (!runs(viewer)) return false
      if (!stored) return wanted?.state === 'open' || 'A round begins open.'
      if (!wanted) return true
      if (!onlyChanges(stored, wanted, 'title', 'address', 'points', 'due', 'merge', 'state', 'showsNotes'))
        return 'What a round rates stays as it was opened.'
      const [from, to] = [stored.state, wanted.state].map((s) => STATES.indexOf(s))
      return to !== 0 || from === 0 || 'Ratings have been seen: comparison stays open.'
    },
  },
})

/** The place of one who rates: a member of the course, or whoever has its link. */
export const reviewSeat = defineBeside({
  spec: seatSpec,
  forSeats: true,
  reads: ['reviewRound', 'reviewSeat'],
  uncovers: ['reviewRating'],
  keepsBoth: ['remark'],
  partOf: { kind: 'reviewRound', field: 'roundId' },
  policy: {
    mayRead: (viewer, seat, around) =>
      isMember(viewer) || (viewer.seatId !== undefined && (seat.id === viewer.seatId || sees(viewer, seat, around))),
    hides: (viewer, seat, around) => ['linkHash', ...(isOwn(viewer, seat) || sees(viewer, seat, around) ? [] : ['remark'])],
    mayWrite: (viewer, stored, wanted, around) => {
      const at = stored ?? wanted
      const round = at && roundOf(at.roundId, around)
      if (!at || !round) return false
      if (stored && isOwn(viewer, stored) && wanted && onlyChanges(stored, wanted, 'remark', 'handedInAt'))
        return mayHandIn(stored, wanted, round.state)
      if (!runs(viewer)) return false
      if (!wanted) return at.handedInAt === null || 'This seat has handed in: withdraw it instead, its ratings stay.'
      if (wanted.personId === viewer.id && viewer.role === 'designer' && round.kind !== 'self-check')
        return 'A designer of the course rates it in self-checks only.'
      // The secret of a link is made by the service.
      if (!stored && (wanted.handedInAt !== null || wanted.openings !== 0 || wanted.linkHash !== null)) return false
      if (!stored) return wanted.personId === null || isFree(wanted, around)
      return onlyChanges(stored, wanted, 'name', 'points', 'withdrawn')
    },
  },
})

/** What one seat says about one point. */
export const reviewRating = defineBeside({
  spec: ratingSpec,
  forSeats: true,
  reads: ['reviewRound', 'reviewSeat'],
  partOf: { kind: 'reviewSeat', field: 'seatId' },
  keepsBoth: ['reason', 'seen', 'where', 'change'],
  policy: {
    mayRead: (viewer, rating, around) => {
      const seat = around(seatSpec).find((s) => s.id === rating.seatId)
      return seat !== undefined && (isOwn(viewer, seat) || sees(viewer, seat, around) || runs(viewer))
    },
    // Who runs the round sees how many are rated, and no more.
    hides: (viewer, rating, around) => {
      const seat = around(seatSpec).find((s) => s.id === rating.seatId)
      return seat && (isOwn(viewer, seat) || sees(viewer, seat, around)) ? [] : RATED
    },
    mayWrite: (viewer, stored, wanted, around) => {
      const at = stored ?? wanted
      const seat = at && around(seatSpec).find((s) => s.id === at.seatId)
      const round = seat && roundOf(seat.roundId, around)
      if (!at || !seat || !round || !isOwn(viewer, seat)) return false
      if (viewer.role === 'designer' && viewer.seatId === undefined && round.kind !== 'self-check')
        return 'A designer of the course rates it in self-checks only.'
      if (seat.withdrawn) return 'This seat was withdrawn.'
      if (wanted && stored && !onlyChanges(stored, wanted, ...RATED)) return false
      if (wanted && !isAsked(wanted.pointId, round, seat)) return 'This point is not asked of this seat.'
      const [value, handedInValue] = [wanted?.value ?? null, wanted?.handedInValue ?? null]
      if (round.state === 'open') {
        if (seat.handedInAt !== null) return 'This seat has handed in. Take that back to change something.'
        return handedInValue === null
      }
      // Said to hold still, by its author, also where the round is over.
      if (stored && wanted && onlyChanges(stored, wanted, 'evidence', 'base')) return sameCited(stored.evidence, wanted.evidence)
      if (round.state === 'closed') return 'This round is closed.'
      if (!stored || !wanted) return 'Comparison is open: a rating is changed now, not made or removed.'
      const first = stored.handedInValue ?? (value === stored.value ? null : stored.value)
      return handedInValue === first
    },
  },
})
/** What was settled by hand about a point of a round, and what the team answers. */
export const reviewDecision = defineBeside({
  spec: decisionSpec,
  forSeats: true,
  reads: ['reviewRound'],
  partOf: { kind: 'reviewRound', field: 'roundId' },
  policy: {
    mayRead: (viewer, decision, around) => isMember(viewer) && roundOf(decision.roundId, around)?.state !== 'open',
    mayWrite: (viewer, stored, wanted, around) => {
      const at = stored ?? wanted
      const round = at && roundOf(at.roundId, around)
      if (!runs(viewer) || !round) return false
      if (round.state === 'open') return 'Points are settled when comparison is open.'
      if (stored && wanted && !onlyChanges(stored, wanted, 'value', 'reason', 'by', 'answer', 'answerText')) return false
      return (
        !wanted || wanted.value === null || (wanted.reason !== null && round.state === 'comparing') || 'A value by hand needs a reason.'
      )
    },
  },
})

/** Something to do, and who does it by when. */
export const reviewAction = defineBeside({
  spec: actionSpec,
  forSeats: true,
  counts: true,
  policy: {
    mayRead: isMember,
    mayWrite: (viewer, stored, wanted) => {
      if (!isMember(viewer)) return false
      if (may(viewer.role, 'plan.write-activities')) return true
      // Who is to do it says how far it is.
      return stored !== null && wanted !== null && stored.personId === viewer.id && onlyChanges(stored, wanted, 'state', 'outcome', 'why')
    },
  },
})

/** The strengths of a round in an order of one's own: its author writes it. */
export const reviewTour = defineBeside({
  spec: tourSpec,
  partOf: { kind: 'reviewRound', field: 'roundId' },
  policy: {
    mayRead: (viewer, tour) => isMember(viewer) && tour.authorId === viewer.id,
    mayWrite: (viewer, stored) => isMember(viewer) && (stored === null || stored.authorId === viewer.id),
  },
})

const roundOf = (id: string, around: Around) => around(roundSpec).find((r) => r.id === id)
const isOwn = (viewer: Viewer, seat: ReviewSeat): boolean =>
  viewer.seatId === undefined ? seat.personId === viewer.id : seat.id === viewer.seatId
const seatOf = (viewer: Viewer, roundId: string, around: Around): ReviewSeat | undefined =>
  around(seatSpec).find((s) => s.roundId === roundId && isOwn(viewer, s))
const isFree = (wanted: ReviewSeat, around: Around): boolean | string =>
  !around(seatSpec).some((s) => s.roundId === wanted.roundId && s.personId === wanted.personId) || 'This person has a seat in this round.'

/** Whether a viewer sees what the seat of this id says: it is one's own, or {@link sees}. */
export function seesSeat(viewer: Viewer, seatId: string, around: Around): boolean {
  const seat = around(seatSpec).find((s) => s.id === seatId)
  return seat !== undefined && (isOwn(viewer, seat) || sees(viewer, seat, around))
}

/** Whether a viewer sees what a seat says: it handed in, and so did the viewer, or comparison is open. */
function sees(viewer: Viewer, seat: ReviewSeat, around: Around): boolean {
  if (seat.handedInAt === null) return false
  if (roundOf(seat.roundId, around)?.state !== 'open') return isMember(viewer) || seatOf(viewer, seat.roundId, around) !== undefined
  const own = seatOf(viewer, seat.roundId, around)
  return own !== undefined && own.handedInAt !== null
}

const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/
function mayHandIn(stored: ReviewSeat, wanted: ReviewSeat, state: (typeof ROUND_STATES)[number]): boolean | string {
  if (stored.withdrawn) return 'This seat was withdrawn.'
  if (state === 'closed') return 'This round is closed.'
  if (stored.handedInAt === wanted.handedInAt) return true
  if (state !== 'open')
    return wanted.handedInAt !== null && stored.handedInAt === null
      ? INSTANT.test(wanted.handedInAt)
      : 'Comparison is open: what is handed in stays.'
  return wanted.handedInAt === null || INSTANT.test(wanted.handedInAt)
}

const isAsked = (pointId: string, round: ReviewRound, seat: ReviewSeat): boolean =>
  [round.points, seat.points].every((list) => list.length === 0 || list.includes(pointId))

/** The same things are cited; only what they were like then may differ. */
function sameCited(a: ReviewRating['evidence'], b: ReviewRating['evidence']): boolean {
  const bare = (list: ReviewRating['evidence']) => list.map(({ digest: _, ...cited }) => cited)
  return sameValue(bare(a), bare(b))
}
