/** A review as files: JSON as it is read again, CSV a row a point and seat. Out. */
import { csvText } from '../csv'
import type { Action, Citation, Decision, Rating, Review, Round, Seat } from '../review/review'
import { pointsOf } from '../review/review-set'
import { askedCodes, askedOf, standingsOf } from '../review/standing'
import { setJson } from '../review/write-set'
import { writeNative } from './native'
import { REVIEW_FORMAT, REVIEW_VERSION } from './review-file'

/** What is open is left out. */
const filled = (values: Readonly<Record<string, unknown>>) =>
  Object.fromEntries(Object.entries(values).filter(([, v]) => v !== null && !(Array.isArray(v) && v.length === 0)))

const citationJson = (c: Citation) => {
  const at = c.type === 'record' ? c.ref : c.type === 'address' ? { address: c.address } : { file: c.file }
  return filled({ ...at, quote: c.quote, digest: c.digest })
}
const ratingJson = ({ evidence, findings, ...rest }: Rating) => ({
  ...filled({ ...rest, evidence: evidence.map(citationJson) }),
  // Of none at all something is said: that there were none.
  ...(findings === null ? {} : { findings }),
})
const seatJson = ({ ratings, points, ...rest }: Seat) => ({
  ...filled(rest),
  ...(points === null ? {} : { points }),
  ratings: ratings.map(ratingJson),
})
const decisionJson = (d: Decision) => filled(d)
const actionJson = ({ records, ...rest }: Action) => ({ ...filled(rest), records })
const roundJson = ({ seats, decisions, actions, set, snapshot, points, ...rest }: Round) => ({
  ...filled(rest),
  ...(points === null ? {} : { points }),
  set: setJson(set),
  ...(snapshot === null ? {} : { snapshot: JSON.parse(writeNative(snapshot)) as unknown }),
  seats: seats.map(seatJson),
  decisions: decisions.map(decisionJson),
  actions: actions.map(actionJson),
})

/** The review as JSON of the review file, with frozen sets and plans. */
export const reviewJson = ({ set, rounds }: Review): string =>
  JSON.stringify({ format: REVIEW_FORMAT, formatVersion: REVIEW_VERSION, set: setJson(set), rounds: rounds.map(roundJson) }, null, 2)

const CSV_HEAD = [
  'round',
  'code',
  'area',
  'priority',
  'statement',
  'together',
  'seat',
  'handed in',
  'rating',
  'reason',
  'seen',
  'where',
  'change',
  'mark',
  'evidence',
] as const

const citedText = (c: Citation): string => {
  const at = c.type === 'record' ? `${c.ref.kind} ${c.ref.id}` : c.type === 'address' ? c.address : c.file
  return c.quote ? `${at}: “${c.quote}”` : at
}

/** A row for each point and each seat that is asked for it (RFC 4180, with a byte order mark); cells that a spreadsheet would run are guarded. */
export function reviewCsv(review: Review): string {
  const standings = standingsOf(review)
  const data = review.rounds.flatMap((round) => {
    const merged = new Map((standings.get(round.id) ?? []).map((s) => [s.point.code, s.merged]))
    const asked = [...askedCodes(round)]
    const seats = round.seats.map((seat) => ({ seat, codes: new Set(askedOf(asked, seat)) }))
    return pointsOf(round.set).flatMap((point) =>
      seats
        .filter(({ codes }) => codes.has(point.code))
        .map(({ seat }) => {
          const r = seat.ratings.findLast((x) => x.point === point.code)
          const said = [r?.value, r?.reason, r?.seen, r?.where, r?.change, r?.mark, r?.evidence.map(citedText).join('; ')]
          const of = [
            round.title,
            point.code,
            point.area,
            point.priority,
            point.statement,
            merged.get(point.code),
            seat.name,
            seat.handedIn,
          ]
          return [...of, ...said].map((cell) => cell ?? '')
        }),
    )
  })
  return csvText(CSV_HEAD, data)
}
