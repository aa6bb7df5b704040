import { THINKING_LEVELS } from '../../blueprint/kinds/outcome'
import { levelOf } from '../../objectives/level'
import type { Rule } from '../context'

export const outcomeLevelNotReached: Rule = {
  code: 'outcome-level-not-reached',
  workspace: 'outcomes',
  why: 'If no step asks for as much as the outcome does, learners meet its level for the first time in the final task.',
  find: ({ index }) =>
    index.outcomes.flatMap((outcome) => {
      const wanted = levelOf(outcome)
      const levels = index.objectivesFor(outcome.id).flatMap((o) => levelOf(o) ?? [])
      if (!wanted || levels.length === 0) return []
      const highest = Math.max(...levels.map((l) => THINKING_LEVELS.indexOf(l)))
      if (highest >= THINKING_LEVELS.indexOf(wanted)) return []
      return [
        {
          weight: 'idea' as const,
          records: [{ kind: 'outcome' as const, id: outcome.id }],
          field: 'statement',
          message: `${index.numberOf(outcome.id)} asks learners to ${wanted}; its objectives go up to ${THINKING_LEVELS[highest]}.`,
          facts: [wanted, highest],
        },
      ]
    }),
}
