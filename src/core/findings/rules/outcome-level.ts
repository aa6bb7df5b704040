import { domainOf, highestOf, rankOf } from '../../blueprint/kinds/levels'
import { levelOf } from '../../objectives/level'
import { ordersOf } from '../../plan/orders'
import { PARTS } from '../../plan/plan-index'
import { outcomesRule } from '../rule'

const LEVELS_READ = [ordersOf, PARTS.support, 'outcome.statement', 'outcome.level', 'objective.statement', 'objective.level'] as const

export const outcomeLevelNotReached = outcomesRule('outcome-level-not-reached', {
  reads: [...LEVELS_READ],
  find: ({ index }) =>
    index.outcomes.flatMap((outcome) => {
      const wanted = levelOf(outcome)
      if (!wanted) return []
      // Levels of two learning domains are not to be compared.
      const highest = highestOf(
        index.objectivesFor(outcome.id).flatMap((o) => {
          const level = levelOf(o)
          return level && domainOf(level) === domainOf(wanted) ? level : []
        }),
      )
      if (!highest || rankOf(highest) >= rankOf(wanted)) return []
      return [
        {
          weight: 'idea' as const,
          records: [{ kind: 'outcome' as const, id: outcome.id }],
          field: 'statement',
          named: { outcome: index.numberOf(outcome.id), wanted, highest },
          facts: [wanted, highest],
        },
      ]
    }),
})

export const objectiveAboveOutcome = outcomesRule('objective-above-outcome', {
  reads: [...LEVELS_READ],
  find: ({ index }) =>
    index.objectives.flatMap((objective) => {
      const level = levelOf(objective)
      const outcomes = index.outcomesOf(objective.id)
      const wanted = outcomes.map((o) => ({ outcome: o, level: levelOf(o) }))
      // Only when every outcome it serves, in the same learning domain, asks for less.
      if (!level || wanted.length === 0) return []
      const lower = wanted.filter((w) => w.level && domainOf(w.level) === domainOf(level) && rankOf(w.level) < rankOf(level))
      const [first] = lower
      if (!first?.level || lower.length < wanted.length) return []
      return [
        {
          weight: 'idea' as const,
          records: [
            { kind: 'objective' as const, id: objective.id },
            { kind: 'outcome' as const, id: first.outcome.id },
          ],
          field: 'statement',
          named: { objective: index.numberOf(objective.id), level, outcome: index.numberOf(first.outcome.id), wanted: first.level },
          facts: [level, ...wanted.map((w) => w.level)],
        },
      ]
    }),
})
