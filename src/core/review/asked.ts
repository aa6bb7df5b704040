/** Which points of its set a round asks, of everybody or of one seat. */
import type { ReviewRound } from '../beside/review-records'
import type { ReviewPointRecord } from '../blueprint/kinds'
import type { RoundWanted } from '../forms/review-round'
import { type PlanSet, pointsOfSet } from './plan-sets'

type Asking = Pick<ReviewRound, 'kind' | 'points'>

/**
 * Whether a round asks a point: those it lists, or all where it lists none; of these the ones a seat lists, in the same way. Learners
 * are asked what has a wording of theirs.
 */
export const isAsked = ({ kind, points }: Asking, point: ReviewPointRecord, ofSeat: readonly string[] = []): boolean =>
  [points, ofSeat].every((list) => list.length === 0 || list.includes(point.id)) && (kind !== 'learners' || point.asLearner !== null)

/** The points of a set that a round asks, of everybody or of one seat, in the order of the set. */
export const askedPoints = (round: Asking, set: PlanSet, ofSeat: readonly string[] = []): readonly ReviewPointRecord[] =>
  pointsOfSet(set).filter((p) => isAsked(round, p, ofSeat))

/** The areas of a set with the points in them that are asked; none that asks nothing. */
export const askedAreas = (round: Asking, set: PlanSet, ofSeat: readonly string[] = []) =>
  set.areas
    .map((a) => ({ id: a.record.id, title: a.record.title, points: a.points.filter((p) => isAsked(round, p, ofSeat)) }))
    .filter((a) => a.points.length > 0)

type Choice = {
  /** The ids of areas that are not rated, where some are chosen. */
  readonly leftAreas: ReadonlySet<string>
  /** The ids of points that should come back after the round before. */
  readonly comingBack: readonly string[]
}

/** The ids of the points that a new round lists: none where it asks all of its set; null where nothing would be asked. */
export function pointsToAsk(
  set: PlanSet | undefined,
  { kind, points }: Pick<RoundWanted, 'kind' | 'points'>,
  { leftAreas, comingBack }: Choice,
): readonly string[] | null {
  const areas = set ? askedAreas({ kind, points: [] }, set) : []
  const takes: Readonly<Record<RoundWanted['points'], (p: ReviewPointRecord) => boolean>> = {
    all: () => true,
    must: (p) => p.priority === 'must',
    areas: (p) => !leftAreas.has(p.areaId),
    next: (p) => comingBack.includes(p.id),
  }
  const asked = areas.flatMap((a) => a.points).filter(takes[points])
  if (asked.length === 0) return null
  return points === 'all' ? [] : asked.map((p) => p.id)
}
