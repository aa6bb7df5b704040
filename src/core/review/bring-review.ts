/** A round that was done elsewhere, as seats of a round here: points by their codes, and what differs is told. */
import type { ReviewRating } from '../beside/review-records'
import { anyRecord, type Blueprint, courseOf } from '../blueprint/blueprint'
import type { Problem } from '../result'
import { baseText } from './of-course'
import { type PlanSet, pointsOfSet } from './plan-sets'
import type { Citation, Rating, Review, Round } from './review'
import { pointsOf } from './review-set'

/** A rating as it is stored, without what is the service's to say. */
export type BroughtRating = Pick<ReviewRating, 'pointId' | 'value' | 'reason' | 'seen' | 'where' | 'change' | 'mark' | 'evidence' | 'base'>
export type BroughtSeat = {
  readonly name: string
  /** The day on which it handed in; null: it did not. */
  readonly handedIn: string | null
  readonly remark: string | null
  readonly ratings: readonly BroughtRating[]
}
export type Brought = { readonly seats: readonly BroughtSeat[]; readonly problems: readonly Problem[] }

const folded = (text: string): string => text.trim().replace(/\s+/g, ' ').toLowerCase()

/** What a round of a file comes to in a round here: `set` and `plan` as its snapshot has them. */
export function seatsToBring(round: Round, set: PlanSet, plan: Blueprint): Brought {
  const problems: Problem[] = []
  const tell = (code: string, message: string, at: string) => problems.push({ code, message, at })
  const own = new Map(pointsOfSet(set).map((p) => [p.code, p]))
  const [theirs, ours] = [round.snapshot && courseOf(round.snapshot), courseOf(plan)]
  if (theirs && (theirs.code !== ours.code || folded(theirs.title) !== folded(ours.title)))
    tell('other-course', `it is a review of another course: “${[theirs.code, theirs.title].filter(Boolean).join(' ')}”`, '')
  if (folded(round.set.title) !== folded(set.record.title))
    tell('other-set', `it rates another set, “${round.set.title}”: points are matched by their codes`, '')
  for (const point of pointsOf(round.set)) {
    const here = own.get(point.code)
    if (here && folded(here.statement) !== folded(point.statement))
      tell('reworded', `it is worded otherwise there: “${point.statement}”`, point.code)
  }
  const unknown = new Set<string>()
  const seats = round.seats.map((seat): BroughtSeat => {
    const ratings = seat.ratings.flatMap((r): BroughtRating[] => {
      const point = own.get(r.point)
      if (!point) unknown.add(r.point)
      return point ? [broughtRating(r, point.id, plan)] : []
    })
    const gone = seat.ratings.flatMap((r) => r.evidence).filter((c) => c.type === 'record' && !anyRecord(plan, c.ref)).length
    if (gone > 0) tell('cited-gone', `${gone} of what it cites is not in this plan: it is kept, and not watched`, seat.name)
    return { name: seat.name, handedIn: seat.handedIn, remark: seat.remark, ratings }
  })
  for (const code of unknown) tell('point-unknown', 'this round has no such point: what is said of it is left out', code)
  return { seats, problems }
}

function broughtRating(r: Rating, pointId: string, plan: Blueprint): BroughtRating {
  const { value, reason, seen, where, change, mark } = r
  const evidence = r.evidence.filter((c) => c.type !== 'file').map((c) => evidenceOf(c, plan))
  return { pointId, value, reason, seen, where, change, mark, evidence, base: r.findings === null ? null : baseText(r.findings) }
}

function evidenceOf(c: Citation, plan: Blueprint): ReviewRating['evidence'][number] {
  const blank = { kind: null, id: null, address: null, file: null, quote: c.quote, digest: null }
  if (c.type === 'address') return { ...blank, address: c.address }
  if (c.type === 'file') return blank
  return { ...blank, ...c.ref, digest: anyRecord(plan, c.ref) ? c.digest : null }
}

/** The round of a file that is meant where nobody has chosen one: the last. */
export const lastRound = (review: Review): Round | undefined => review.rounds.at(-1)
