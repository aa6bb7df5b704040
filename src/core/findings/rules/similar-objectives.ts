import type { Objective } from '../../blueprint/kinds'
import { type Comparer, comparer } from '../../objectives/similar/comparing'
import { ordersOf } from '../../plan/orders'
import { outcomesRule } from '../rule'

/** Objectives that one finding names by number beside the first it is like (Cairn default). */
const NAMED = 5

/** Words of one kind that are told, at most (Cairn default). */
const TOLD = 3
/** What words of one stand for words of the other, and what only one of them says. */
function differences({ likened, onlyFirst, onlySecond }: ReturnType<Comparer['compare']>) {
  return { likened: likened.slice(0, TOLD), onlyHere: onlyFirst.slice(0, TOLD), onlyThere: onlySecond.slice(0, TOLD) }
}

/** A line is told once, beside the first that asks for the same: of n that are alike there are n - 1 findings, not a pair each. */
export const similarObjectives = outcomesRule('similar-objectives', {
  reads: [ordersOf, 'objective.statement', 'objective.origin'],
  find: ({ index }) => {
    if (comparer === null) return []
    const compare = comparer.compare
    const earlier = new Map<Objective, Objective[]>()
    for (const [i, j] of comparer.similarPairs(index.objectives.map((o) => o.statement))) {
      const [first, second] = [index.objectives[i], index.objectives[j]] as [Objective, Objective]
      const known = earlier.get(second)
      if (known) known.push(first)
      else earlier.set(second, [first])
    }
    return [...earlier].map(([second, alike]) => {
      const [first, ...others] = alike as [Objective, ...Objective[]]
      const [one, two] = [index.numberOf(first.id), index.numberOf(second.id)]
      const named = others.slice(0, NAMED)
      const more = others.length - named.length
      const fixes = [
        { keep: first, gone: second },
        { keep: second, gone: first },
      ]
        .filter(({ gone }) => gone.origin === 'own')
        .map(({ keep, gone }) => ({
          code: 'merge' as const,
          named: { statement: keep.statement },
          steps: [{ do: 'merge-objectives' as const, keep: keep.id, gone: gone.id }],
        }))
      return {
        weight: 'check' as const,
        records: [
          { kind: 'objective' as const, id: second.id },
          { kind: 'objective' as const, id: first.id },
        ],
        field: 'statement',
        named: {
          objective: two,
          like: one,
          statement: first.statement,
          ...differences(compare(second.statement, first.statement)),
          also: named.map((o) => index.numberOf(o.id)),
          more,
        },
        facts: [first.statement, second.statement, ...named.map((o) => o.statement), ...(more > 0 ? [more] : [])],
        fixes,
      }
    })
  },
})
