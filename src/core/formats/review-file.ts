/** A review as a file: the set, and rounds with their seats, ratings, decisions and actions. In. */
import { ACTION_SOURCES, ACTION_STATES, ANSWERS, MARKS, MERGES, RATING_VALUES, ROUND_KINDS, ROUND_STATES } from '../beside/review-records'
import type { RecordRef } from '../blueprint/kinds'
import { isKindName } from '../blueprint/kinds'
import { problemsOf } from '../blueprint/schema'
import { err, ok, type Problem, type Result } from '../result'
import { type ReadSet, readSetJson, type SetReading } from '../review/read-set'
import type { Action, Citation, Decision, Rating, Review, Round, Seat } from '../review/review'
import type { ReviewSet } from '../review/review-set'
import { hostileShape } from '../shape'
import { z } from '../zod'
import { readNative } from './native'

export const REVIEW_FORMAT = 'cairn-review'
export const REVIEW_VERSION = 1
/** Deep enough for a plan with rich texts in it (Cairn default). */
const MOST_DEPTH = 70

const text = () => z.nullish(z.string())
const day = () => z.nullish(z.iso.date())
const codes = () => z.nullish(z.array(z.string()))
const list = <T extends z.ZodMiniType>(of: T) => z.nullish(z.array(of))

const ratingSchema = z.object({
  point: z.string(),
  value: z.enum(RATING_VALUES),
  /** When it was handed in, where it was changed in comparison. */
  first: z.nullish(z.enum(RATING_VALUES)),
  reason: text(),
  seen: text(),
  where: text(),
  change: text(),
  mark: z.nullish(z.enum(MARKS)),
  /** Of a rating that rests on another plan than its round's: the keys of the findings of then. */
  findings: z.nullish(z.array(z.string())),
  evidence: list(z.object({ kind: text(), id: text(), address: text(), file: text(), quote: text(), digest: text() })),
})
const seatSchema = z.object({
  id: z.string(),
  name: z.string(),
  handedIn: day(),
  points: codes(),
  remark: text(),
  ratings: list(ratingSchema),
})
const decisionSchema = z.object({
  point: z.string(),
  value: z.nullish(z.enum(RATING_VALUES)),
  reason: text(),
  by: text(),
  answer: z.nullish(z.enum(ANSWERS)),
  answerText: text(),
})
const actionSchema = z.object({
  id: z.string(),
  source: z.enum(ACTION_SOURCES),
  point: text(),
  what: z.string(),
  who: text(),
  by: day(),
  state: z.enum(ACTION_STATES),
  records: list(z.object({ kind: z.string(), id: z.string() })),
  outcome: z.nullish(z.enum(['keep', 'change'])),
  why: text(),
})
const roundSchema = z.object({
  id: z.string(),
  title: z.string(),
  kind: z.enum(ROUND_KINDS),
  merge: z.nullish(z.enum(MERGES)),
  follows: text(),
  state: z.enum(ROUND_STATES),
  points: codes(),
  set: z.optional(z.unknown()),
  snapshot: z.optional(z.unknown()),
  seats: list(seatSchema),
  decisions: list(decisionSchema),
  actions: list(actionSchema),
})
const reviewSchema = z.object({
  format: z.literal(REVIEW_FORMAT),
  formatVersion: z.literal(REVIEW_VERSION),
  set: z.optional(z.unknown()),
  rounds: list(roundSchema),
})
type RawRound = z.infer<typeof roundSchema>

const said = (value: string | null | undefined): string | null =>
  value === undefined || value === null || value.trim() === '' ? null : value

export type ReadReview = { readonly review: Review; readonly problems: readonly Problem[] }

/** Reads a review file; one sentence with its place where it is none. Problems are what was left out of it and is told. */
export function readReview(source: string, isRule: SetReading['isRule']): Result<ReadReview, Problem> {
  let raw: unknown
  try {
    raw = JSON.parse(source.replace(/^\uFEFF/, ''))
  } catch (error) {
    return err({ code: 'not-json', message: `this is not readable JSON: ${(error as Error).message}`, at: '' })
  }
  const hostile = hostileShape(raw, MOST_DEPTH)
  if (hostile) return err(hostile)
  const head = raw as { readonly format?: unknown; readonly formatVersion?: unknown } | null
  if (typeof head !== 'object' || head?.format !== REVIEW_FORMAT)
    return err({ code: 'other-format', message: `this is no review: its format is not ${REVIEW_FORMAT}`, at: 'format' })
  if (typeof head.formatVersion === 'number' && head.formatVersion > REVIEW_VERSION)
    return err({ code: 'newer-version', message: 'this review was written by a newer version of Cairn', at: 'formatVersion' })
  const parsed = reviewSchema.safeParse(raw)
  if (!parsed.success) return err(problemsOf(parsed.error, 'invalid-value')[0] as Problem)
  const problems: Problem[] = []
  const set = setAt(parsed.data.set, 'set.', isRule, problems)
  if (!set.ok) return set
  const rounds: Round[] = []
  for (const [i, given] of (parsed.data.rounds ?? []).entries()) {
    const round = roundOf(given, `rounds[${i}]`, { set: set.value, isRule, before: rounds, problems })
    if (!round.ok) return round
    rounds.push(round.value)
  }
  return ok({ review: { set: set.value, rounds }, problems })
}

function setAt(raw: unknown, from: string, isRule: SetReading['isRule'], problems: Problem[]): Result<ReviewSet, Problem> {
  const read: Result<ReadSet, Problem> = readSetJson(raw, { name: 'Points', isRule }, from)
  if (!read.ok) return read
  // Codes and kinds that are still to come are told where the set itself is read.
  problems.push(...read.value.problems.filter((p) => p.code !== 'finding-unknown' && p.code !== 'looks-at-unknown'))
  return ok(read.value.set)
}

type Surroundings = {
  readonly set: ReviewSet
  readonly isRule: SetReading['isRule']
  readonly before: readonly Round[]
  readonly problems: Problem[]
}

function roundOf(given: RawRound, at: string, { set, isRule, before, problems }: Surroundings): Result<Round, Problem> {
  if (before.some((r) => r.id === given.id)) return err({ code: 'id-twice', message: `there are two rounds ${given.id}`, at: `${at}.id` })
  const follows = said(given.follows)
  if (follows !== null && !before.some((r) => r.id === follows))
    return err({ code: 'follows-unknown', message: `no round before it is called ${follows}`, at: `${at}.follows` })
  const own = given.set === undefined || given.set === null ? ok(set) : setAt(given.set, `${at}.set.`, isRule, problems)
  if (!own.ok) return own
  const plan = given.snapshot === undefined || given.snapshot === null ? ok(null) : readNative(JSON.stringify(given.snapshot))
  if (!plan.ok) {
    const [first] = plan.error
    return err({ code: first?.code ?? '', message: first?.message ?? '', at: `${at}.snapshot.${first?.at ?? ''}` })
  }
  const seats = (given.seats ?? []).map(seatOf)
  const twice = seats.find((s, i) => seats.findIndex((o) => o.id === s.id) !== i)
  if (twice) return err({ code: 'id-twice', message: `there are two seats ${twice.id}`, at: `${at}.seats` })
  return ok({
    id: given.id,
    title: given.title,
    kind: given.kind,
    merge: given.merge ?? 'strictest',
    follows,
    state: given.state,
    points: given.points ?? null,
    set: own.value,
    snapshot: plan.value,
    seats,
    decisions: (given.decisions ?? []).map(decisionOf),
    actions: (given.actions ?? []).map(actionOf),
  })
}

const seatOf = ({ id, name, handedIn, points, remark, ratings }: z.infer<typeof seatSchema>): Seat => ({
  id,
  name,
  handedIn: handedIn ?? null,
  points: points ?? null,
  remark: said(remark),
  ratings: (ratings ?? []).map(ratingIn),
})

const ratingIn = (r: z.infer<typeof ratingSchema>): Rating => ({
  point: r.point,
  value: r.value,
  first: r.first ?? null,
  reason: said(r.reason),
  seen: said(r.seen),
  where: said(r.where),
  change: said(r.change),
  mark: r.mark ?? null,
  evidence: (r.evidence ?? []).flatMap((e) => citationOf(e) ?? []),
  findings: r.findings ?? null,
})

type RawCitation = NonNullable<z.infer<typeof ratingSchema>['evidence']>[number]
/** A record of a kind that is not known here is not watched, as an address is not. */
function citationOf({ kind, id, address, file, quote, digest }: RawCitation): Citation | null {
  const more = { quote: said(quote), digest: said(digest) }
  const ref = refOf(kind, id)
  if (ref) return { type: 'record', ref, ...more }
  if (said(address)) return { type: 'address', address: address as string, ...more }
  return said(file) ? { type: 'file', file: file as string, ...more } : null
}
const refOf = (kind: string | null | undefined, id: string | null | undefined): RecordRef | null =>
  kind && id && isKindName(kind) ? { kind, id } : null

const decisionOf = (d: z.infer<typeof decisionSchema>): Decision => ({
  point: d.point,
  value: d.value ?? null,
  reason: said(d.reason),
  by: d.by ?? '',
  answer: d.answer ?? null,
  answerText: said(d.answerText),
})

const actionOf = (a: z.infer<typeof actionSchema>): Action => ({
  id: a.id,
  source: a.source,
  point: said(a.point),
  what: a.what,
  who: said(a.who),
  by: a.by ?? null,
  state: a.state,
  records: (a.records ?? []).flatMap(({ kind, id }) => refOf(kind, id) ?? []),
  outcome: a.outcome ?? null,
  why: said(a.why),
})
