import { lines, oneOf, optional, order, ref } from '../field'
import { defineKind } from '../kind'
import { LEVELS } from './levels'

export const objective = defineKind({
  name: 'objective',
  plural: 'objectives',
  noun: 'objective',
  nameField: 'statement',
  numbered: true,
  writers: ['expert'],
  place: ['moduleId', 'order'],
  fields: {
    moduleId: ref('module', 'remove'),
    statement: lines(),
    /** Set by hand, and with it the learning domain; read from the verb when left open. */
    level: optional(oneOf(LEVELS)),
    origin: oneOf(['own', 'prescribed']),
    order: order(),
  },
})

/** An objective supports an outcome. */
export const objectiveOutcome = defineKind({
  name: 'objectiveOutcome',
  plural: 'objectiveOutcomes',
  noun: 'link to an outcome',
  writers: ['expert'],
  ends: ['objectiveId', 'outcomeId'],
  fields: { objectiveId: ref('objective', 'remove'), outcomeId: ref('outcome', 'remove') },
})
