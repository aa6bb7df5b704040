/** What criteria judge, against what the map says is assessed. */

import { ordersOf } from '../../plan/orders'
import { PARTS } from '../../plan/plan-index'
import { type Context, NAMES_OF_ACTIVITIES } from '../context'
import type { RuleFinding } from '../finding'
import type { FixStep } from '../fix-edits'
import { assessmentRule } from '../rule'
import type { ASSESSMENT_WORDS } from '../words/assessment'
import { at, criteriaOf } from './rubrics'

type Words = typeof ASSESSMENT_WORDS

/** The objectives that the activities which use a rubric assess; null where none uses it. */
function assessedWith({ index }: Context, rubricId: string): Set<string> | null {
  const users = index.assessmentsWith(rubricId)
  return users.length === 0
    ? null
    : new Set(
        users.flatMap((a) =>
          index
            .alignmentsOf(a.activityId)
            .filter((l) => l.stages.includes('assesses'))
            .map((l) => l.objectiveId),
        ),
      )
}

export const criterionUnlinked = assessmentRule('criterion-unlinked', {
  reads: ['rubric', 'criterion', PARTS.criterionObjectives, PARTS.assessments, PARTS.alignments, ordersOf],
  find: (context) =>
    criteriaOf(context)
      .filter(({ criterion }) => !criterion.general && context.index.objectivesOfCriterion(criterion.id).length === 0)
      .map(({ rubric, criterion }): RuleFinding<Words['criterion-unlinked']> => {
        const [only, ...more] = assessedWith(context, rubric.id) ?? []
        return {
          weight: 'check',
          records: [at('criterion', criterion.id)],
          field: 'objectives',
          named: { criterion: criterion.title, rubric: rubric.title },
          facts: [],
          fixes: [
            ...(only && more.length === 0
              ? [
                  {
                    code: 'link-criterion' as const,
                    named: { objective: context.index.numberOf(only) },
                    steps: [
                      {
                        do: 'create' as const,
                        kind: 'criterionObjective' as const,
                        record: { id: '', criterionId: criterion.id, objectiveId: only },
                      },
                    ],
                  },
                ]
              : []),
            {
              code: 'mark-general',
              steps: [{ do: 'set', kind: 'criterion', id: criterion.id, to: { general: true } }],
            },
          ],
        }
      }),
})

export const criterionCitesOther = assessmentRule('criterion-cites-other', {
  reads: [...NAMES_OF_ACTIVITIES, 'rubric', 'criterion', PARTS.criterionObjectives, PARTS.assessments, PARTS.alignments],
  find: (context) =>
    criteriaOf(context).flatMap(({ rubric, criterion }) => {
      const assessed = assessedWith(context, rubric.id)
      const users = context.index.assessmentsWith(rubric.id)
      const [user] = users
      const activity = user && context.index.activity(user.activityId)
      if (!assessed || !activity) return []
      return context.index
        .objectivesOfCriterion(criterion.id)
        .filter((o) => !assessed.has(o.id))
        .map((o): RuleFinding<Words['criterion-cites-other']> => {
          const number = context.index.numberOf(o.id)
          const link = context.index.alignmentsOf(activity.id).find((a) => a.objectiveId === o.id)
          return {
            weight: 'fix',
            records: [at('criterion', criterion.id), { kind: 'objective', id: o.id }],
            field: 'objectives',
            named: { criterion: criterion.title, objective: number, activity: context.activityName(activity) },
            facts: [],
            fixes: [
              {
                code: 'assess-objective',
                named: { activity: context.index.numberOf(activity.id), objective: number },
                steps: [
                  link
                    ? { do: 'set', kind: 'alignment', id: link.id, to: { stages: [...link.stages, 'assesses'] } }
                    : {
                        do: 'create',
                        kind: 'alignment',
                        record: { id: '', activityId: activity.id, objectiveId: o.id, stages: ['assesses'] },
                      },
                ],
              },
              {
                code: 'unlink-criterion',
                named: { objective: number },
                steps: context.blueprint.criterionObjective.size
                  ? [...context.blueprint.criterionObjective.values()]
                      .filter((l) => l.criterionId === criterion.id && l.objectiveId === o.id)
                      .map((l): FixStep => ({ do: 'remove', kind: 'criterionObjective', id: l.id }))
                  : [],
              },
            ],
          }
        })
    }),
})

export const assessesWithoutCriterion = assessmentRule('assesses-without-criterion', {
  reads: [...NAMES_OF_ACTIVITIES, 'rubric', 'criterion', PARTS.criterionObjectives, PARTS.assessments, PARTS.alignments],
  find: (context) =>
    context.index.assessments.flatMap((assessment): RuleFinding<Words['assesses-without-criterion']>[] => {
      const criteria = assessment.rubricId === null ? [] : context.index.criteriaOf(assessment.rubricId)
      const judged = new Set(criteria.flatMap((c) => context.index.objectivesOfCriterion(c.id).map((o) => o.id)))
      const activity = context.index.activity(assessment.activityId)
      if (judged.size === 0 || !activity) return []
      return context.index
        .alignmentsOf(activity.id)
        .filter((l) => l.stages.includes('assesses') && !judged.has(l.objectiveId))
        .map((l) => ({
          weight: 'check' as const,
          records: [
            { kind: 'activity' as const, id: activity.id },
            { kind: 'objective' as const, id: l.objectiveId },
          ],
          field: 'objectives',
          named: { activity: context.activityName(activity), objective: context.index.numberOf(l.objectiveId) },
          facts: [],
        }))
    }),
})
