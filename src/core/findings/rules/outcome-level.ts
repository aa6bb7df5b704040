import { domainOf, highestOf, rankOf } from '../../blueprint/kinds/levels'
import { levelOf } from '../../objectives/level'
import { ordersOf } from '../../plan/orders'
import { PARTS } from '../../plan/plan-index'
import type { Rule } from '../context'

const LEVELS_READ = [ordersOf, PARTS.support, 'outcome.statement', 'outcome.level', 'objective.statement', 'objective.level'] as const

export const outcomeLevelNotReached: Rule = {
  code: 'outcome-level-not-reached',
  workspace: 'outcomes',
  reads: [...LEVELS_READ],
  why: 'If no step asks for as much as the outcome does, learners meet its level for the first time in the final task.',
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
          message: `${index.numberOf(outcome.id)} asks learners to ${wanted}; its objectives go up to ${highest}.`,
          facts: [wanted, highest],
        },
      ]
    }),
}

export const objectiveAboveOutcome: Rule = {
  code: 'objective-above-outcome',
  workspace: 'outcomes',
  reads: [...LEVELS_READ],
  why: 'A step that asks for more than its outcome does is either more than the course promises, or the outcome says too little.',
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
          message: `${index.numberOf(objective.id)} asks learners to ${level}, ${index.numberOf(first.outcome.id)} only to ${first.level}.`,
          facts: [level, ...wanted.map((w) => w.level)],
        },
      ]
    }),
}
