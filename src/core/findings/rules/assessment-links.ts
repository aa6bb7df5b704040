import { proposedFunction } from '../../alignment/proposals'
import { blankOf } from '../../blueprint/blank'
import { linkId } from '../../blueprint/ids'
import { formatHundredths } from '../../numbers'
import { PARTS } from '../../plan/plan-index'
import { GRADES, KINDS_OF_ACTIVITIES, MISSING, NAMES_OF_ACTIVITIES, type Rule } from '../context'

export const assessesWithoutAssessment: Rule = {
  code: 'assesses-without-assessment',
  workspace: 'assessment',
  reads: [...NAMES_OF_ACTIVITIES, ...KINDS_OF_ACTIVITIES, PARTS.alignments, PARTS.assessments],
  why: 'A task that is said to assess needs to say how: graded or not, and what for.',
  find: (context) =>
    context.index.activities.flatMap((activity) => {
      const claims = context.index.alignmentsOf(activity.id).filter((a) => a.stages.includes('assesses'))
      if (claims.length === 0 || context.index.assessmentOf(activity.id)) return []
      const record = {
        ...blankOf('assessment'),
        id: linkId([activity.id], 'assessment'),
        activityId: activity.id,
        function: proposedFunction(activity),
      }
      return [
        {
          weight: 'check' as const,
          records: [{ kind: 'activity' as const, id: activity.id }],
          field: 'points',
          message: `${context.activityName(activity)} is linked as assessing ${claims.map((a) => context.index.numberOf(a.objectiveId)).join(', ')}, but is no assessment.`,
          facts: claims.map((a) => a.objectiveId),
          fixes: [
            {
              code: 'make-assessment',
              label: `Make it a ${record.function} assessment`,
              steps: [{ do: 'create' as const, kind: 'assessment' as const, record }],
            },
            {
              code: 'set-stages',
              label: 'Count it as practice',
              steps: claims.map((a) => ({
                do: 'set' as const,
                kind: 'alignment' as const,
                id: a.id,
                to: { stages: ['introduces', 'practises'].filter((s) => s === 'practises' || (a.stages as readonly string[]).includes(s)) },
              })),
            },
          ],
        },
      ]
    }),
}

export const assessmentWithoutObjective: Rule = {
  code: 'assessment-without-objective',
  workspace: 'assessment',
  reads: [...NAMES_OF_ACTIVITIES, ...GRADES, ...MISSING, PARTS.alignments],
  why: 'A grade for something the course does not ask for is hard to defend.',
  find: (context) =>
    context.grades.rows
      .flatMap((r) => r.items)
      .filter(({ activity, assessment, effective }) => {
        const links = context.index.alignmentsOf(activity.id)
        // Graded practice may count without being evidence, as long as it serves something.
        const practice = assessment.function !== 'summative' && links.length > 0
        return effective > 0 && !practice && !links.some((a) => a.stages.includes('assesses'))
      })
      .map(({ activity, effective }) => ({
        weight: context.missing(activity.moduleId),
        records: [{ kind: 'activity', id: activity.id }],
        field: 'objectives',
        message: `${context.activityName(activity)} counts ${formatHundredths(effective)} % of the grade and assesses no objective.`,
        facts: [effective],
        fixes: context.index.alignmentsOf(activity.id).length
          ? [
              {
                code: 'set-stages',
                label: `Let it assess ${context.index
                  .alignmentsOf(activity.id)
                  .map((a) => context.index.numberOf(a.objectiveId))
                  .join(', ')}`,
                steps: context.index.alignmentsOf(activity.id).map((a) => ({
                  do: 'set' as const,
                  kind: 'alignment' as const,
                  id: a.id,
                  to: { stages: [...a.stages, 'assesses'] },
                })),
              },
            ]
          : [],
      })),
}

export const assessmentWithoutCategory: Rule = {
  code: 'assessment-without-category',
  workspace: 'assessment',
  reads: [...NAMES_OF_ACTIVITIES, ...GRADES],
  why: 'Points outside every category count nothing in a grade made of shares.',
  find: (context) =>
    context.grades.mode === 'by-points'
      ? []
      : (context.grades.rows.find((r) => r.category === null)?.items ?? []).map(({ activity, points, assessment }) => ({
          weight: 'check',
          records: [{ kind: 'activity', id: activity.id }],
          field: 'category',
          message: `${context.activityName(activity)} has ${formatHundredths(points)} points and is in no category, so it counts nothing.`,
          facts: [points],
          fixes: context.index.categories.slice(0, 3).map((c) => ({
            code: 'set-category',
            label: `Put it in ${c.title}`,
            steps: [{ do: 'set' as const, kind: 'assessment' as const, id: assessment.id, to: { categoryId: c.id } }],
          })),
        })),
}

export const categoryEmpty: Rule = {
  code: 'category-empty',
  workspace: 'assessment',
  reads: [...GRADES],
  why: 'A share that nothing earns cannot be reached by any learner.',
  find: ({ grades }) =>
    grades.rows.flatMap(({ category, items }) =>
      category && items.length === 0 && (category.share ?? 0) > 0
        ? [
            {
              weight: 'check' as const,
              records: [{ kind: 'gradeCategory' as const, id: category.id }],
              field: 'title',
              message: `${category.title} counts ${formatHundredths(category.share ?? 0)} % and holds no assessment.`,
              facts: [category.share],
            },
          ]
        : [],
    ),
}
