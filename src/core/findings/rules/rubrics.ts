import { mostOf } from '../../blueprint/field-text'
import type { Criterion, Rubric } from '../../blueprint/kinds'
import { bareWords } from '../../blueprint/text'
import { rubricSum, scaledWeights } from '../../grading/rubric'
import { countOf, formatHundredths } from '../../numbers'
import { ordersOf } from '../../plan/orders'
import { PARTS } from '../../plan/plan-index'
import { type Context, MISSING, NAMES_OF_ACTIVITIES, type Rule } from '../context'
import type { RuleFinding } from '../finding'
import type { FixStep } from '../fix-edits'

/** Most criteria and levels that a rubric should have (Cairn defaults). */
const MOST_CRITERIA = 7
const MOST_LEVELS = 6

const workspace = 'assessment' as const
const at = (kind: 'rubric' | 'rubricLevel' | 'criterion', id: string) => ({ kind, id })

/** Every criterion with the rubric it is in. */
const criteriaOf = ({ index }: Context): { rubric: Rubric; criterion: Criterion }[] =>
  index.rubrics.flatMap((rubric) => index.criteriaOf(rubric.id).map((criterion) => ({ rubric, criterion })))

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

export const rubricSumDiffers: Rule = {
  code: 'rubric-sum-differs',
  workspace,
  reads: [...NAMES_OF_ACTIVITIES, 'rubric', 'criterion', PARTS.assessments],
  why: 'Learners add the criteria up; the sum must be what the assessment says.',
  find: ({ index, activityName }) =>
    index.rubrics.flatMap((rubric): RuleFinding[] => {
      const criteria = index.criteriaOf(rubric.id)
      const { total, wanted } = rubricSum(index, rubric)
      if (wanted === null || total === 0 || total === wanted) return []
      const scaled = scaledWeights(criteria, wanted)
      const users = index.assessmentsWith(rubric.id)
      const percent = rubric.scale === 'percent'
      const [user] = users
      const name = user && index.activity(user.activityId)
      return [
        {
          weight: 'fix',
          records: [at('rubric', rubric.id)],
          field: 'weight',
          message: percent
            ? `The weights of ${rubric.title} sum to ${formatHundredths(total)} %, not 100.`
            : `The criteria of ${rubric.title} sum to ${formatHundredths(total)} points; ${name ? activityName(name) : 'the assessment'} has ${formatHundredths(wanted)}.`,
          facts: [total, wanted],
          fixes: [
            {
              code: 'scale-criteria',
              label: `Scale the criteria to ${formatHundredths(wanted)}${percent ? ' %' : ''}`,
              steps: criteria.map((c, i) => ({ do: 'set', kind: 'criterion', id: c.id, to: { weight: scaled[i] } })),
            },
            ...(percent || total > mostOf('assessment', 'points')
              ? []
              : [
                  {
                    code: 'set-points',
                    label: `Give ${countOf(users.length, 'assessment')} ${formatHundredths(total)} points`,
                    steps: users.map((a): FixStep => ({ do: 'set', kind: 'assessment', id: a.id, to: { points: total } })),
                  },
                ]),
          ],
        },
      ]
    }),
}

export const rubricLevelsOrder: Rule = {
  code: 'rubric-levels-order',
  workspace,
  reads: ['rubric', 'rubricLevel'],
  why: 'Each level must be worth more than the one before, and full work must be able to reach the full mark.',
  find: ({ index }) =>
    index.rubrics.flatMap((rubric): RuleFinding[] => {
      const levels = index.levelsOf(rubric.id)
      const values = levels.map((l) => l.value)
      const climbs = values.every((v, i) => i === 0 || v > (values[i - 1] as number))
      const sinks = values.every((v, i) => i === 0 || v < (values[i - 1] as number))
      const top = levels.find((l) => l.value === Math.max(...values))
      if (levels.length === 0 || !top) return []
      if (!climbs && !sinks) {
        const wrong = levels.find((l, i) => i > 0 && l.value <= (values[i - 1] as number)) ?? top
        return [
          {
            weight: 'fix',
            records: [at('rubric', rubric.id), at('rubricLevel', wrong.id)],
            field: 'levels',
            message: `The levels of ${rubric.title} are not in order: ${levels.map((l) => `${l.title} ${formatHundredths(l.value)}`).join(', ')}.`,
            facts: values,
          },
        ]
      }
      return top.value === 100_00
        ? []
        : [
            {
              weight: 'fix',
              records: [at('rubric', rubric.id), at('rubricLevel', top.id)],
              field: 'levels',
              message: `The top level of ${rubric.title} gives ${formatHundredths(top.value)} %: nobody can reach the full mark.`,
              facts: [top.value],
              fixes: [
                {
                  code: 'top-level',
                  label: `Let ${top.title} count 100 %`,
                  steps: [{ do: 'set', kind: 'rubricLevel', id: top.id, to: { value: 100_00 } }],
                },
              ],
            },
          ]
    }),
}

export const criterionUnlinked: Rule = {
  code: 'criterion-unlinked',
  workspace,
  reads: ['rubric', 'criterion', PARTS.criterionObjectives, PARTS.assessments, PARTS.alignments, ordersOf],
  why: 'A criterion that judges something no objective names asks for what was never promised.',
  find: (context) =>
    criteriaOf(context)
      .filter(({ criterion }) => !criterion.general && context.index.objectivesOfCriterion(criterion.id).length === 0)
      .map(({ rubric, criterion }): RuleFinding => {
        const [only, ...more] = assessedWith(context, rubric.id) ?? []
        return {
          weight: 'check',
          records: [at('criterion', criterion.id)],
          field: 'objectives',
          message: `“${criterion.title}” in ${rubric.title} serves no objective and is not marked general.`,
          facts: [],
          fixes: [
            ...(only && more.length === 0
              ? [
                  {
                    code: 'link-criterion',
                    label: `Link it with ${context.index.numberOf(only)}`,
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
              label: 'Mark it general',
              steps: [{ do: 'set', kind: 'criterion', id: criterion.id, to: { general: true } }],
            },
          ],
        }
      }),
}

export const criterionCitesOther: Rule = {
  code: 'criterion-cites-other',
  workspace,
  reads: [...NAMES_OF_ACTIVITIES, 'rubric', 'criterion', PARTS.criterionObjectives, PARTS.assessments, PARTS.alignments],
  why: 'The rubric and the map must say the same about what the work gives evidence of.',
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
        .map((o): RuleFinding => {
          const number = context.index.numberOf(o.id)
          const link = context.index.alignmentsOf(activity.id).find((a) => a.objectiveId === o.id)
          return {
            weight: 'fix',
            records: [at('criterion', criterion.id), { kind: 'objective', id: o.id }],
            field: 'objectives',
            message: `“${criterion.title}” judges ${number}, but ${context.activityName(activity)} does not assess ${number}.`,
            facts: [],
            fixes: [
              {
                code: 'assess-objective',
                label: `Let ${context.index.numberOf(activity.id)} assess ${number}`,
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
                label: `Unlink ${number} from the criterion`,
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
}

export const assessesWithoutCriterion: Rule = {
  code: 'assesses-without-criterion',
  workspace,
  reads: [...NAMES_OF_ACTIVITIES, 'rubric', 'criterion', PARTS.criterionObjectives, PARTS.assessments, PARTS.alignments],
  why: 'What no criterion looks at is not assessed, whatever the map says.',
  find: (context) =>
    context.index.assessments.flatMap((assessment): RuleFinding[] => {
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
          message: `${context.activityName(activity)} is said to assess ${context.index.numberOf(l.objectiveId)}, but no criterion of its rubric does.`,
          facts: [],
        }))
    }),
}

export const criteriaSame: Rule = {
  code: 'criteria-same',
  workspace,
  reads: ['rubric', 'criterion'],
  why: 'What is asked twice counts twice.',
  find: ({ index }) =>
    index.rubrics.flatMap((rubric): RuleFinding[] => {
      const seen = new Map<string, Criterion>()
      return index.criteriaOf(rubric.id).flatMap((criterion) => {
        const key = bareWords(criterion.title)
        const first = seen.get(key)
        seen.set(key, first ?? criterion)
        return first && key
          ? [
              {
                weight: 'check' as const,
                records: [at('criterion', criterion.id), at('criterion', first.id)],
                field: 'title',
                message: `“${criterion.title}” stands twice in ${rubric.title}.`,
                facts: [],
              },
            ]
          : []
      })
    }),
}

/** Words that judge without saying what is seen (Cairn's list). */
const VAGUE = new Set(
  'good very adequate adequately nice nicely poor poorly excellent excellently fair fairly weak strong satisfactory unsatisfactory great bad ok okay acceptable unacceptable proper properly appropriate appropriately outstanding sufficient sufficiently insufficient limited some mostly well clearly clear highly extremely somewhat quite really work quality level standard overall'.split(
    ' ',
  ),
)
const FILLER = new Set('a an the is are was and or of in to with at it this that all not no but shows has have'.split(' '))

/** What a descriptor says beyond judging words and the name of its criterion. */
function evidenceIn(text: string, title: string): string {
  const named = new Set(bareWords(title).split(' '))
  return bareWords(text)
    .split(' ')
    .filter((w) => w !== '' && !VAGUE.has(w) && !FILLER.has(w) && !named.has(w))
    .join(' ')
}

export const descriptorVague: Rule = {
  code: 'descriptor-vague',
  workspace,
  reads: ['rubric', 'criterion', 'rubricLevel', 'descriptor'],
  why: 'Two markers agree on what they can see, not on what they call good.',
  find: (context) =>
    criteriaOf(context).flatMap(({ rubric, criterion }): RuleFinding[] => {
      const cells = context.index.levelsOf(rubric.id).flatMap((level) => {
        const text = context.descriptorOf(criterion.id, level.id)?.text
        return text === undefined ? [] : [{ text, levelId: level.id, evidence: evidenceIn(text, criterion.title) }]
      })
      const found = (cell: string, message: string): RuleFinding[] => [
        { weight: 'check', records: [at('criterion', criterion.id)], field: 'descriptors', cell, message, facts: cells.map((c) => c.text) },
      ]
      const bare = cells.find((c) => c.evidence === '')
      if (bare) return found(bare.levelId, `“${bare.text}” in “${criterion.title}” names nothing that can be seen in the work.`)
      const swapped = cells.find((c, i) => cells.slice(0, i).some((d) => d.evidence === c.evidence && d.text !== c.text))
      return swapped
        ? found(swapped.levelId, `The levels of “${criterion.title}” differ by one judging word; say what is seen at each.`)
        : []
    }),
}

export const descriptorEmpty: Rule = {
  code: 'descriptor-empty',
  workspace,
  reads: ['rubric', 'criterion', 'rubricLevel', 'descriptor', PARTS.assessments, 'activity.moduleId', ...MISSING],
  why: 'An empty cell is filled in by each marker in their own way.',
  summary: (n) => `${countOf(n, 'criterion has', 'criteria have')} empty cells`,
  find: (context) =>
    criteriaOf(context).flatMap(({ rubric, criterion }): RuleFinding[] => {
      const levels = context.index.levelsOf(rubric.id)
      const empty = levels.filter((l) => !context.descriptorOf(criterion.id, l.id))
      if (empty.length === 0 || rubric.form === 'checklist') return []
      const modules = context.index.assessmentsWith(rubric.id).flatMap((a) => context.index.activity(a.activityId)?.moduleId ?? [])
      return [
        {
          weight: modules.some((m) => context.missing(m) === 'check') ? 'check' : 'open',
          records: [at('criterion', criterion.id)],
          field: 'descriptors',
          ...(empty[0] ? { cell: empty[0].id } : {}),
          message: `“${criterion.title}” in ${rubric.title} says nothing for ${empty.map((l) => l.title).join(', ')}.`,
          facts: [empty.length],
        },
      ]
    }),
}

export const rubricTooLarge: Rule = {
  code: 'rubric-too-large',
  workspace,
  reads: ['rubric', 'criterion', 'rubricLevel'],
  why: 'More than a marker can hold in mind is not applied evenly.',
  find: ({ index }) =>
    index.rubrics.flatMap((rubric): RuleFinding[] => {
      const [criteria, levels] = [index.criteriaOf(rubric.id).length, index.levelsOf(rubric.id).length]
      const parts = [
        criteria > MOST_CRITERIA ? `${criteria} criteria (up to ${MOST_CRITERIA} are usual)` : null,
        levels > MOST_LEVELS ? `${levels} levels (up to ${MOST_LEVELS})` : null,
      ].filter(Boolean)
      return parts.length === 0
        ? []
        : [
            {
              weight: 'idea',
              records: [at('rubric', rubric.id)],
              message: `${rubric.title} has ${parts.join(' and ')}.`,
              facts: [criteria, levels],
            },
          ]
    }),
}

export const criterionDouble: Rule = {
  code: 'criterion-double',
  workspace,
  reads: ['rubric', 'criterion'],
  why: 'Work can meet one half and miss the other; then no level fits.',
  find: (context) =>
    criteriaOf(context).flatMap(({ rubric, criterion }): RuleFinding[] =>
      /\b(?:and|or|as well as)\b|\/|&/i.test(criterion.title)
        ? [
            {
              weight: 'idea',
              records: [at('criterion', criterion.id)],
              field: 'title',
              message: `“${criterion.title}” in ${rubric.title} may ask two things.`,
              facts: [criterion.title],
            },
          ]
        : [],
    ),
}
