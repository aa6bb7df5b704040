/** Through which criteria and objectives the share of an assessment reaches the outcomes. */

import type { CourseIndex } from '../plan/plan-index'
import { type Served, servedBy } from '../plan/served'
import { criterionWeights } from './rubric'

export type GradedPart = Served & {
  /** Null: not through a rubric. */
  readonly criterionId: string | null
}

/**
 * Divides an assessment over the criteria of its rubric by weight, each criterion equally over its objectives and each
 * objective equally over its outcomes. A criterion that is linked with nothing, and an assessment without criteria, count for
 * the objectives that the activity assesses, equally. All parts sum to 1.
 */
export function gradedParts(index: CourseIndex, activityId: string): GradedPart[] {
  const rubricId = index.assessmentOf(activityId)?.rubricId ?? null
  const criteria = rubricId === null ? [] : index.criteriaOf(rubricId)
  const assessed = servedBy(index, activityId, (l) => l.stages.includes('assesses'))
  if (criteria.length === 0) return assessed.map((s) => ({ ...s, criterionId: null }))
  const weights = criterionWeights(criteria)
  return criteria.flatMap((criterion, i): GradedPart[] => {
    const weight = weights[i] ?? 0
    const objectives = index.objectivesOfCriterion(criterion.id)
    if (weight === 0) return []
    if (objectives.length === 0) return assessed.map((s) => ({ ...s, part: s.part * weight, criterionId: criterion.id }))
    return objectives.flatMap((o): GradedPart[] => {
      const outcomes = index.lanesOf(o.id)
      const part = weight / objectives.length
      return outcomes.length === 0
        ? [{ objectiveId: o.id, laneId: null, part, criterionId: criterion.id }]
        : outcomes.map((x) => ({ objectiveId: o.id, laneId: x.id, part: part / outcomes.length, criterionId: criterion.id }))
    })
  })
}
