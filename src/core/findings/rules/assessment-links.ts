import { proposedFunction } from '../../alignment/proposals'
import { blankOf } from '../../blueprint/blank'
import { linkId } from '../../blueprint/ids'
import { PARTS } from '../../plan/plan-index'
import { GRADES, KINDS_OF_ACTIVITIES, MISSING, NAMES_OF_ACTIVITIES } from '../context'
import { assessmentRule } from '../rule'

export const assessesWithoutAssessment = assessmentRule('assesses-without-assessment', {
  reads: [...NAMES_OF_ACTIVITIES, ...KINDS_OF_ACTIVITIES, PARTS.alignments, PARTS.assessments],
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
          named: {
            activity: context.activityName(activity),
            objectives: claims.map((a) => context.index.numberOf(a.objectiveId)),
          },
          facts: claims.map((a) => a.objectiveId),
          fixes: [
            {
              code: 'make-assessment' as const,
              named: { function: record.function },
              steps: [{ do: 'create' as const, kind: 'assessment' as const, record }],
            },
            {
              code: 'set-stages' as const,
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
})

export const assessmentWithoutObjective = assessmentRule('assessment-without-objective', {
  reads: [...NAMES_OF_ACTIVITIES, ...GRADES, ...MISSING, PARTS.alignments],
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
        named: { activity: context.activityName(activity), share: effective },
        facts: [effective],
        fixes: context.index.alignmentsOf(activity.id).length
          ? [
              {
                code: 'set-stages',
                named: { objectives: context.index.alignmentsOf(activity.id).map((a) => context.index.numberOf(a.objectiveId)) },
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
})

export const assessmentWithoutCategory = assessmentRule('assessment-without-category', {
  reads: [...NAMES_OF_ACTIVITIES, ...GRADES],
  find: (context) =>
    context.grades.mode === 'by-points'
      ? []
      : (context.grades.rows.find((r) => r.category === null)?.items ?? []).map(({ activity, points, assessment }) => ({
          weight: 'check',
          records: [{ kind: 'activity', id: activity.id }],
          field: 'category',
          named: { activity: context.activityName(activity), points },
          facts: [points],
          fixes: context.index.categories.slice(0, 3).map((c) => ({
            code: 'set-category',
            named: { category: c.title },
            steps: [{ do: 'set' as const, kind: 'assessment' as const, id: assessment.id, to: { categoryId: c.id } }],
          })),
        })),
})

export const categoryEmpty = assessmentRule('category-empty', {
  reads: [...GRADES],
  find: ({ grades }) =>
    grades.rows.flatMap(({ category, items }) =>
      category && items.length === 0 && (category.share ?? 0) > 0
        ? [
            {
              weight: 'check' as const,
              records: [{ kind: 'gradeCategory' as const, id: category.id }],
              field: 'title',
              named: { category: category.title, share: category.share ?? 0 },
              facts: [category.share],
            },
          ]
        : [],
    ),
})
