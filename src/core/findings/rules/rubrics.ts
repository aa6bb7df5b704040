import { mostOf } from '../../blueprint/field-text'
import type { Criterion, Rubric } from '../../blueprint/kinds'
import { bareWords } from '../../blueprint/text'
import { rubricSum, scaledWeights } from '../../grading/rubric'
import { PARTS } from '../../plan/plan-index'
import { type Context, MISSING, NAMES_OF_ACTIVITIES } from '../context'
import type { RuleFinding } from '../finding'
import type { FixStep } from '../fix-edits'
import { assessmentRule } from '../rule'
import type { ASSESSMENT_WORDS } from '../words/assessment'

type Words = typeof ASSESSMENT_WORDS

/** Most criteria and levels that a rubric should have (Cairn defaults). */
const MOST_CRITERIA = 7
const MOST_LEVELS = 6

export const at = (kind: 'rubric' | 'rubricLevel' | 'criterion', id: string) => ({ kind, id })

/** Every criterion with the rubric it is in. */
export const criteriaOf = ({ index }: Context): { rubric: Rubric; criterion: Criterion }[] =>
  index.rubrics.flatMap((rubric) => index.criteriaOf(rubric.id).map((criterion) => ({ rubric, criterion })))

export const rubricSumDiffers = assessmentRule('rubric-sum-differs', {
  reads: [...NAMES_OF_ACTIVITIES, 'rubric', 'criterion', PARTS.assessments],
  find: ({ index, activityName }) =>
    index.rubrics.flatMap((rubric): RuleFinding<Words['rubric-sum-differs']>[] => {
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
          named: { rubric: rubric.title, percent, total, wanted, activity: name ? activityName(name) : null },
          facts: [total, wanted],
          fixes: [
            {
              code: 'scale-criteria',
              named: { wanted, percent },
              steps: criteria.flatMap((c, i): FixStep[] =>
                scaled[i] === c.weight ? [] : [{ do: 'set', kind: 'criterion', id: c.id, to: { weight: scaled[i] ?? null } }],
              ),
            },
            ...(percent || total > mostOf('assessment', 'points')
              ? []
              : [
                  {
                    code: 'set-points' as const,
                    named: { assessments: users.length, points: total },
                    steps: users.map((a): FixStep => ({ do: 'set', kind: 'assessment', id: a.id, to: { points: total } })),
                  },
                ]),
          ],
        },
      ]
    }),
})

export const rubricLevelsOrder = assessmentRule('rubric-levels-order', {
  reads: ['rubric', 'rubricLevel'],
  find: ({ index }) =>
    index.rubrics.flatMap((rubric): RuleFinding<Words['rubric-levels-order']>[] => {
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
            named: { rubric: rubric.title, levels: levels.map(({ title, value }) => ({ title, value })) },
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
              named: { rubric: rubric.title, top: top.value },
              facts: [top.value],
              fixes: [
                {
                  code: 'top-level',
                  named: { level: top.title },
                  steps: [{ do: 'set', kind: 'rubricLevel', id: top.id, to: { value: 100_00 } }],
                },
              ],
            },
          ]
    }),
})

export const criteriaSame = assessmentRule('criteria-same', {
  reads: ['rubric', 'criterion'],
  find: ({ index }) =>
    index.rubrics.flatMap((rubric): RuleFinding<Words['criteria-same']>[] => {
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
                named: { criterion: criterion.title, rubric: rubric.title },
                facts: [],
              },
            ]
          : []
      })
    }),
})

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

/** Words of judgement, each list a scale of its own from one end to the other, and words that strengthen or weaken (Cairn's lists). */
const SCALES = [
  'excellent excellently outstanding outstandingly great greatly strong strongly good well nice nicely fair fairly adequate adequately acceptable acceptably satisfactory satisfactorily proper properly appropriate appropriately ok okay weak weakly poor poorly bad badly inadequate inadequately unsatisfactory unacceptable unacceptably inappropriate inappropriately improper improperly',
  'always usually often frequently sometimes occasionally seldom rarely never',
  'fully completely entirely mostly largely partly partially somewhat barely hardly',
  'clear clearly unclear unclearly vague vaguely',
  'sufficient sufficiently insufficient insufficiently limited',
].map((scale) => new Set(scale.split(' ')))
const DEGREES = new Set('very highly extremely quite really rather exceptionally particularly'.split(' '))

/** Whether two texts are the same but for words of judgement on one scale: `good use of sources`, `excellent use of sources`. */
function differByJudgement(a: string, b: string): boolean {
  const [x, y] = [bareWords(a), bareWords(b)].map((t) => t.split(' ').filter((w) => !/^an?$/.test(w))) as [string[], string[]]
  const only = (own: readonly string[], other: readonly string[]) => {
    const left = [...other]
    return own.filter((w) => {
      const at = left.indexOf(w)
      if (at >= 0) left.splice(at, 1)
      return at < 0
    })
  }
  const differing = [...only(x, y), ...only(y, x)]
  const judged = differing.filter((w) => !DEGREES.has(w))
  return differing.length > 0 && (judged.length === 0 || SCALES.some((scale) => judged.every((w) => scale.has(w))))
}

export const descriptorVague = assessmentRule('descriptor-vague', {
  reads: ['rubric', 'criterion', 'rubricLevel', 'descriptor'],
  find: (context) =>
    criteriaOf(context).flatMap(({ rubric, criterion }): RuleFinding<Words['descriptor-vague']>[] => {
      const cells = context.index.levelsOf(rubric.id).flatMap((level) => {
        const text = context.descriptorOf(criterion.id, level.id)?.text
        return text === undefined ? [] : [{ text, levelId: level.id, evidence: evidenceIn(text, criterion.title) }]
      })
      const found = (cell: string, text: string | null): RuleFinding<Words['descriptor-vague']>[] => [
        {
          weight: 'check',
          records: [at('criterion', criterion.id)],
          field: 'descriptors',
          cell,
          named: { criterion: criterion.title, text },
          facts: cells.map((c) => c.text),
        },
      ]
      const bare = cells.find((c) => c.evidence === '')
      if (bare) return found(bare.levelId, bare.text)
      const swapped = cells.find((c, i) => cells.slice(0, i).some((d) => differByJudgement(c.text, d.text)))
      return swapped ? found(swapped.levelId, null) : []
    }),
})

export const descriptorEmpty = assessmentRule('descriptor-empty', {
  reads: ['rubric', 'criterion', 'rubricLevel', 'descriptor', PARTS.assessments, 'activity.moduleId', ...MISSING],
  find: (context) =>
    criteriaOf(context).flatMap(({ rubric, criterion }): RuleFinding<Words['descriptor-empty']>[] => {
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
          named: { criterion: criterion.title, rubric: rubric.title, levels: empty.map((l) => l.title) },
          facts: [empty.length],
        },
      ]
    }),
})

export const rubricTooLarge = assessmentRule('rubric-too-large', {
  reads: ['rubric', 'criterion', 'rubricLevel'],
  find: ({ index }) =>
    index.rubrics.flatMap((rubric): RuleFinding<Words['rubric-too-large']>[] => {
      const [criteria, levels] = [index.criteriaOf(rubric.id).length, index.levelsOf(rubric.id).length]
      return criteria <= MOST_CRITERIA && levels <= MOST_LEVELS
        ? []
        : [
            {
              weight: 'idea',
              records: [at('rubric', rubric.id)],
              named: { rubric: rubric.title, criteria, mostCriteria: MOST_CRITERIA, levels, mostLevels: MOST_LEVELS },
              facts: [criteria, levels],
            },
          ]
    }),
})

export const criterionDouble = assessmentRule('criterion-double', {
  reads: ['rubric', 'criterion'],
  find: (context) =>
    criteriaOf(context).flatMap(({ rubric, criterion }): RuleFinding<Words['criterion-double']>[] =>
      /\b(?:and|or|as well as)\b|\/|&/i.test(criterion.title)
        ? [
            {
              weight: 'idea',
              records: [at('criterion', criterion.id)],
              field: 'title',
              named: { criterion: criterion.title, rubric: rubric.title },
              facts: [criterion.title],
            },
          ]
        : [],
    ),
})
