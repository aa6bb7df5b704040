/** What an activity serves, as parts that sum to one, so that nothing is counted twice. */
import type { Alignment } from '../blueprint/kinds'
import type { CourseIndex } from './plan-index'

export type Served = {
  /** Null: it is linked with no objective. */
  readonly objectiveId: string | null
  /** Of an outcome, or of the framework item in its place; null: the objective leads to none. */
  readonly laneId: string | null
  /** In (0, 1]; all parts of an activity sum to 1. */
  readonly part: number
}

/** Divides an activity equally over its objectives (those that `counts` takes), and each equally over its outcomes. */
export function servedBy(index: CourseIndex, activityId: string, counts: (link: Alignment) => boolean = () => true): Served[] {
  const links = index.alignmentsOf(activityId).filter(counts)
  if (links.length === 0) return [{ objectiveId: null, laneId: null, part: 1 }]
  return links.flatMap(({ objectiveId }): Served[] => {
    const outcomes = index.lanesOf(objectiveId)
    const part = 1 / links.length
    return outcomes.length === 0
      ? [{ objectiveId, laneId: null, part }]
      : outcomes.map((o) => ({ objectiveId, laneId: o.id, part: part / outcomes.length }))
  })
}
