import { lines, oneOf, optional, order, ref } from '../field'
import { defineKind } from '../kind'
import { THINKING_LEVELS } from './outcome'

export const objective = defineKind({
  name: 'objective',
  plural: 'objectives',
  noun: 'objective',
  place: ['moduleId', 'order'],
  fields: {
    moduleId: ref('module', 'remove'),
    statement: lines(),
    /** Set by hand; read from the verb when left open. */
    level: optional(oneOf(THINKING_LEVELS)),
    origin: oneOf(['own', 'prescribed']),
    order: order(),
  },
})

/** An objective supports an outcome. */
export const objectiveOutcome = defineKind({
  name: 'objectiveOutcome',
  plural: 'objectiveOutcomes',
  noun: 'link to an outcome',
  ends: ['objectiveId', 'outcomeId'],
  fields: { objectiveId: ref('objective', 'remove'), outcomeId: ref('outcome', 'remove') },
})
