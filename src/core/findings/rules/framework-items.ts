import { linkId } from '../../blueprint/ids'
import type { Framework, FrameworkItem } from '../../blueprint/kinds'
import type { Stage } from '../../blueprint/kinds/activity'
import { frameworkCoverage, type ItemCoverage } from '../../frameworks/item-coverage'
import { comparer } from '../../objectives/similar/comparing'
import { indexFrameworks } from '../../plan/framework-index'
import { moduleWordOf } from '../../plan/module-word'
import { ordersOf } from '../../plan/orders'
import { type Context, MISSING } from '../context'
import type { RuleFinding } from '../finding'
import { outcomesRule } from '../rule'
import type { OUTCOMES_WORDS } from '../words/outcomes'

/** From so many gaps of one sort on, a framework has one finding for all of them (Cairn default). */
export const MOST_GAPS = 60

/** Gaps are looked at once everything is planned; until then they are not planned yet. */
const weightOf = ({ index, missing }: Context) =>
  index.modules.length > 0 && index.modules.every((m) => missing(m.id) === 'check') ? ('check' as const) : ('open' as const)

/** Items without parts that ask for something: what has parts is covered through them. */
const leavesOf = (context: Context, frameworkId: string): ItemCoverage[] => {
  const frameworks = indexFrameworks(context.blueprint)
  const coverage = frameworkCoverage(context.blueprint)
  return frameworks.itemsOf(frameworkId).flatMap(({ item }) => (frameworks.partsOf(item.id).length > 0 ? [] : (coverage.of(item.id) ?? [])))
}

/** An item as the words name it. */
const named = (context: Context, item: FrameworkItem, framework: Framework) => ({
  code: indexFrameworks(context.blueprint).codeOf(item.id),
  statement: item.statement,
  framework: framework.code ?? framework.title,
})

/** The module to put a placeholder in: where its objectives are, else the last. */
function moduleFor(context: Context, itemId: string): string | undefined {
  const [objectiveId] = indexFrameworks(context.blueprint).objectivesOf(itemId)
  return (objectiveId && context.blueprint.objective.get(objectiveId)?.moduleId) || context.index.modules.at(-1)?.id
}

function fixesFor(context: Context, { item }: ItemCoverage, stage: Stage) {
  const linked = indexFrameworks(context.blueprint).objectivesOf(item.id)
  // An objective that asks for the same is very likely meant for it.
  const same = linked.length > 0 ? undefined : context.index.objectives.find((o) => comparer?.isSame(o.statement, item.statement))
  const moduleId = moduleFor(context, item.id)
  return [
    ...(same
      ? [
          {
            code: 'link-item' as const,
            named: { objective: context.index.numberOf(same.id) },
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
            code: 'cover-item' as const,
            named: { module: context.index.numberOf(moduleId) },
            steps: [{ do: 'cover-item' as const, itemId: item.id, moduleId, stage }],
          },
        ]
      : []),
  ]
}

const gapRule = (code: 'item-not-taught' | 'item-not-practised' | 'item-not-assessed', stage: Stage) =>
  outcomesRule(code, {
    reads: [frameworkCoverage, moduleWordOf, ...MISSING, 'objective.statement'],
    find: (context) =>
      indexFrameworks(context.blueprint).frameworks.flatMap((framework): RuleFinding<(typeof OUTCOMES_WORDS)['item-not-taught']>[] => {
        const gaps = leavesOf(context, framework.id).filter((c) => c.missing.includes(stage))
        if (gaps.length > MOST_GAPS)
          return [
            {
              weight: weightOf(context),
              records: [{ kind: 'framework', id: framework.id }],
              named: { items: gaps.length, framework: framework.title },
              facts: [gaps.length],
            },
          ]
        return gaps.map((c) => ({
          weight: weightOf(context),
          records: [{ kind: 'frameworkItem', id: c.item.id }],
          named: { item: named(context, c.item, framework) },
          facts: [],
          fixes: fixesFor(context, c, stage),
        }))
      }),
  })

export const itemNotTaught = gapRule('item-not-taught', 'introduces')
export const itemNotPractised = gapRule('item-not-practised', 'practises')
export const itemNotAssessed = gapRule('item-not-assessed', 'assesses')

export const evidenceShort = outcomesRule('evidence-short', {
  reads: [frameworkCoverage, ordersOf],
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
            named: { item: named(context, item, framework), wanted, planned },
            facts: [wanted, planned],
            fixes:
              only && points.length === 1
                ? [
                    {
                      code: 'more-occasions' as const,
                      named: { occasions: only.occasions + wanted - planned, activity: context.index.numberOf(only.activityId) },
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
})
