import { linkId } from '../../blueprint/ids'
import type { FrameworkItem } from '../../blueprint/kinds'
import type { Stage } from '../../blueprint/kinds/activity'
import { shortened } from '../../blueprint/text'
import { frameworkCoverage, type ItemCoverage } from '../../frameworks/item-coverage'
import { countOf } from '../../numbers'
import { isSame } from '../../objectives/similar'
import { indexFrameworks } from '../../plan/framework-index'
import { ordersOf } from '../../plan/orders'
import { type Context, MISSING, type Rule } from '../context'
import type { Fix, RuleFinding } from '../finding'

/** From so many gaps of one sort on, a framework has one finding for all of them (Cairn default). */
export const MOST_GAPS = 60

const VERB = { introduces: 'teaches', practises: 'practises', assesses: 'assesses' } as const
const DONE = { introduces: 'taught', practises: 'practised', assesses: 'assessed' } as const

/** Gaps are looked at once everything is planned; until then they are not planned yet. */
const weightOf = ({ index, missing }: Context) =>
  index.modules.length > 0 && index.modules.every((m) => missing(m.id) === 'check') ? ('check' as const) : ('open' as const)

/** Items without parts that ask for something: what has parts is covered through them. */
const leavesOf = (context: Context, frameworkId: string): ItemCoverage[] => {
  const frameworks = indexFrameworks(context.blueprint)
  const coverage = frameworkCoverage(context.blueprint)
  return frameworks.itemsOf(frameworkId).flatMap(({ item }) => (frameworks.partsOf(item.id).length > 0 ? [] : (coverage.of(item.id) ?? [])))
}

const nameOf = (context: Context, item: FrameworkItem): string =>
  `${indexFrameworks(context.blueprint).codeOf(item.id)} “${shortened(item.statement, 60)}”`

/** The module to put a placeholder in: where its objectives are, else the last. */
function moduleFor(context: Context, itemId: string): string | undefined {
  const [objectiveId] = indexFrameworks(context.blueprint).objectivesOf(itemId)
  return (objectiveId && context.blueprint.objective.get(objectiveId)?.moduleId) || context.index.modules.at(-1)?.id
}

function fixesFor(context: Context, { item }: ItemCoverage, stage: Stage): Fix[] {
  const linked = indexFrameworks(context.blueprint).objectivesOf(item.id)
  // An objective that asks for the same is very likely meant for it.
  const same = linked.length > 0 ? undefined : context.index.objectives.find((o) => isSame(o.statement, item.statement))
  const moduleId = moduleFor(context, item.id)
  return [
    ...(same
      ? [
          {
            code: 'link-item',
            label: `Link ${context.index.numberOf(same.id)}, which asks for the same`,
            steps: [
              {
                do: 'create' as const,
                kind: 'objectiveItem' as const,
                record: { id: linkId([same.id, item.id]), objectiveId: same.id, itemId: item.id },
              },
            ],
          },
        ]
      : []),
    ...(moduleId
      ? [
          {
            code: 'cover-item',
            label: `Add a placeholder that ${VERB[stage]} it to module ${context.index.numberOf(moduleId)}`,
            steps: [{ do: 'cover-item' as const, itemId: item.id, moduleId, stage }],
          },
        ]
      : []),
  ]
}

const gapRule = (code: string, stage: Stage, why: string): Rule => ({
  code,
  workspace: 'outcomes',
  reads: [frameworkCoverage, ...MISSING, 'objective.statement'],
  why,
  summary: (n) => `${countOf(n, 'framework item')} ${n === 1 ? 'is' : 'are'} not ${DONE[stage]} yet`,
  find: (context) =>
    indexFrameworks(context.blueprint).frameworks.flatMap((framework): RuleFinding[] => {
      const gaps = leavesOf(context, framework.id).filter((c) => c.missing.includes(stage))
      if (gaps.length > MOST_GAPS)
        return [
          {
            weight: weightOf(context),
            records: [{ kind: 'framework', id: framework.id }],
            message: `${gaps.length} items of ${framework.title} are not ${DONE[stage]}.`,
            facts: [gaps.length],
          },
        ]
      return gaps.map((c) => ({
        weight: weightOf(context),
        records: [{ kind: 'frameworkItem', id: c.item.id }],
        message: `Nothing ${VERB[stage]} ${nameOf(context, c.item)} of ${framework.code ?? framework.title}.`,
        facts: [],
        fixes: fixesFor(context, c, stage),
      }))
    }),
})

export const itemNotTaught = gapRule(
  'item-not-taught',
  'introduces',
  'A requirement that nothing introduces is met only by those who could do it before.',
)
export const itemNotPractised = gapRule('item-not-practised', 'practises', 'Without practice the first try is the one that counts.')
export const itemNotAssessed = gapRule(
  'item-not-assessed',
  'assesses',
  'Whoever owns the framework asks for evidence of each required item.',
)

export const evidenceShort: Rule = {
  code: 'evidence-short',
  workspace: 'outcomes',
  reads: [frameworkCoverage, ordersOf],
  why: 'The framework says on how many occasions it must be shown.',
  find: (context) =>
    indexFrameworks(context.blueprint).frameworks.flatMap((framework) =>
      leavesOf(context, framework.id)
        .filter((c) => c.short)
        .map(({ item, planned, wanted, evidence }) => {
          const points = evidence.filter((e) => e.from === 'point')
          const [only] = points
          return {
            weight: 'check' as const,
            records: [{ kind: 'frameworkItem' as const, id: item.id }],
            message: `${nameOf(context, item)} of ${framework.code ?? framework.title} must be shown on ${wanted} occasions; ${planned} ${planned === 1 ? 'is' : 'are'} planned.`,
            facts: [wanted, planned],
            fixes:
              only && points.length === 1
                ? [
                    {
                      code: 'more-occasions',
                      label: `Plan ${only.occasions + wanted - planned} occasions in ${context.index.numberOf(only.activityId)}`,
                      steps: [
                        {
                          do: 'set' as const,
                          kind: 'evidencePoint' as const,
                          id: only.id,
                          to: { occasions: only.occasions + wanted - planned },
                        },
                      ],
                    },
                  ]
                : [],
          }
        }),
    ),
}
