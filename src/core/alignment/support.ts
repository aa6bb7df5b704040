/** All that supports an outcome: its objectives, what introduces, practises and assesses each, down to the rubric criterion. */
import type { Activity, Criterion, Objective } from '../blueprint/kinds'
import type { Stage } from '../blueprint/kinds/activity'
import { STAGES } from '../blueprint/kinds/activity'
import type { CourseIndex } from '../plan/plan-index'

export type Support = {
  readonly objective: Objective
  readonly stages: Readonly<Record<Stage, readonly Activity[]>>
  /** Criteria of the rubrics of what assesses it that are linked to it, with the activity they judge. */
  readonly criteria: readonly { readonly criterion: Criterion; readonly activity: Activity }[]
}

/** One row for each objective of the outcome, in the order of their numbers. */
export function supportOf(index: CourseIndex, outcomeId: string): readonly Support[] {
  return index.objectivesFor(outcomeId).map((objective) => {
    const links = index.alignmentsFor(objective.id)
    const at = (stage: Stage) => links.filter((l) => l.stages.includes(stage)).flatMap((l) => index.activity(l.activityId) ?? [])
    const stages = Object.fromEntries(STAGES.map((s) => [s, at(s)])) as unknown as Record<Stage, readonly Activity[]>
    const criteria = stages.assesses.flatMap((activity) => {
      const rubricId = index.assessmentOf(activity.id)?.rubricId
      return (rubricId ? index.criteriaOf(rubricId) : [])
        .filter((c) => index.objectivesOfCriterion(c.id).some((o) => o.id === objective.id))
        .map((criterion) => ({ criterion, activity }))
    })
    return { objective, stages, criteria }
  })
}
