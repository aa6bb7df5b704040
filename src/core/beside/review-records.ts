/** What a review beside the plan is made of: rounds on a snapshot, the seats of those who rate, ratings, decisions by hand, actions. */
import { address, bool, date, int, line, lineList, lines, objectList, oneOf, optional } from '../blueprint/field'
import { type BesideRecord, besideSpec } from './beside'

export const RATING_VALUES = ['in place', 'partly', 'not in place', 'not applicable', 'cannot be judged yet'] as const
/** How several ratings become one value. */
export const MERGES = ['strictest', 'majority', 'agreed'] as const
export const ROUND_KINDS = ['self-check', 'peer', 'outside', 'learners'] as const
export const ROUND_STATES = ['open', 'comparing', 'closed'] as const
export const ROUND_OBJECTS = ['plan', 'built course'] as const
export const ACTION_STATES = ['open', 'doing', 'done', 'dropped'] as const
export const ACTION_SOURCES = ['rating', 'comment', 'finding', 'survey item', 'item result'] as const
export const ANSWERS = ['accepted', 'otherwise', 'declined'] as const
export const MARKS = ['strength', 'improvement'] as const
export const OUTCOMES = ['keep', 'change'] as const
/** The most letters of what a reviewer writes, points and citations (Cairn defaults). */
const MOST = { words: 4000, points: 500, evidence: 40 } as const
/** So many records are cited at once. */
export const MOST_CITED = MOST.evidence
/** The most letters of words that are quoted as evidence (Cairn default). */
export const MOST_QUOTE = 400
const ID = 40
const words = () => optional(lines(MOST.words))
const points = () => lineList(ID, MOST.points)
const records = () => objectList({ kind: line(40), id: line(140) }, MOST.evidence)

/** Ratings of one set as it stands in a snapshot. */
export const roundSpec = besideSpec({
  name: 'reviewRound',
  plural: 'reviewRounds',
  noun: 'round',
  family: 'beside',
  nameField: 'title',
  fields: {
    title: line(200),
    snapshotId: line(ID),
    /** The set in that snapshot. */
    setId: line(ID),
    kind: oneOf(ROUND_KINDS),
    object: oneOf(ROUND_OBJECTS),
    address: optional(address('http', 'https')),
    /** The round before it: what is not asked again is carried over from there. */
    follows: optional(line(ID)),
    /** The ids of the points that are asked; none: all of the set. */
    points: points(),
    due: optional(date()),
    merge: oneOf(MERGES),
    state: oneOf(ROUND_STATES),
    /** Who comes by a link sees designers' notes and marking hours too. */
    showsNotes: bool(),
  },
})
export type ReviewRound = BesideRecord<typeof roundSpec>

/** The place of one who rates: a member of the course, or whoever has its link. */
export const seatSpec = besideSpec({
  name: 'reviewSeat',
  plural: 'reviewSeats',
  noun: 'seat',
  family: 'beside',
  nameField: 'name',
  fields: {
    roundId: line(ID),
    /** The account; none for a seat by link. */
    personId: optional(line(60)),
    /** The SHA-256 of the secret of its link; nobody sees it. */
    linkHash: optional(line(64)),
    name: line(120),
    /** The ids of the points it rates; none: all of the round. */
    points: points(),
    remark: words(),
    /** When it handed in: an ISO instant. */
    handedInAt: optional(line(30)),
    /** How often the link was opened, and when last. */
    openings: int(0, 1_000_000),
    openedAt: optional(line(30)),
    /** It may not rate any more; what it handed in stays. */
    withdrawn: bool(),
  },
})
export type ReviewSeat = BesideRecord<typeof seatSpec>

/** What one seat says about one point. */
export const ratingSpec = besideSpec({
  name: 'reviewRating',
  plural: 'reviewRatings',
  noun: 'rating',
  family: 'beside',
  fields: {
    seatId: line(ID),
    pointId: line(ID),
    value: optional(oneOf(RATING_VALUES)),
    /** The value when the seat handed in, where it was changed after comparison opened. */
    handedInValue: optional(oneOf(RATING_VALUES)),
    reason: words(),
    seen: words(),
    where: words(),
    change: words(),
    mark: optional(oneOf(MARKS)),
    evidence: objectList(
      {
        kind: optional(line(40)),
        id: optional(line(140)),
        address: optional(address('http', 'https')),
        file: optional(line(ID)),
        quote: optional(line(MOST_QUOTE)),
        digest: optional(line(64)),
      },
      MOST.evidence,
    ),
    /** The keys of the bound findings when it was made or said to hold, one a line; open: those of the round's snapshot. */
    base: optional(lines(100_000)),
  },
})
export type ReviewRating = BesideRecord<typeof ratingSpec>

/** What was settled by hand about a point of a round, and what the team answers. */
export const decisionSpec = besideSpec({
  name: 'reviewDecision',
  plural: 'reviewDecisions',
  noun: 'decision on a point',
  family: 'beside',
  fields: {
    roundId: line(ID),
    pointId: line(ID),
    value: optional(oneOf(RATING_VALUES)),
    reason: words(),
    by: line(120),
    answer: optional(oneOf(ANSWERS)),
    answerText: words(),
  },
})
export type ReviewDecision = BesideRecord<typeof decisionSpec>

/** Something to do, and who does it by when. */
export const actionSpec = besideSpec({
  name: 'reviewAction',
  plural: 'reviewActions',
  noun: 'action',
  family: 'beside',
  nameField: 'what',
  fields: {
    source: oneOf(ACTION_SOURCES),
    /** The round and the point that it comes from, or the comment. */
    roundId: optional(line(ID)),
    pointId: optional(line(ID)),
    commentId: optional(line(ID)),
    what: lines(2000),
    personId: optional(line(60)),
    /** Somebody without an account. */
    name: optional(line(120)),
    by: optional(date()),
    state: oneOf(ACTION_STATES),
    records: records(),
    /** What came of it when it was done, and why. */
    outcome: optional(oneOf(OUTCOMES)),
    why: words(),
  },
})
export type ReviewAction = BesideRecord<typeof actionSpec>
/** It is neither done nor dropped. */
export const isOpenAction = ({ state }: Pick<ReviewAction, 'state'>): boolean => state === 'open' || state === 'doing'

/** What a seat says in a rating. */
export const RATED = ['value', 'handedInValue', 'reason', 'seen', 'where', 'change', 'mark', 'evidence', 'base'] as const

/** The strengths of a round in an order of one's own, for whoever shows the course. */
export const tourSpec = besideSpec({
  name: 'reviewTour',
  plural: 'reviewTours',
  noun: 'tour',
  family: 'beside',
  fields: {
    roundId: line(ID),
    /** By the seat that said it and the code of the point; 0 minutes: it is left out. */
    stops: objectList({ seatId: line(ID), code: line(20), minutes: int(0, 240) }, 200),
  },
})
export type ReviewTour = BesideRecord<typeof tourSpec>
