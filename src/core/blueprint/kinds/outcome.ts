import { hundredths, lines, oneOf, optional, order } from '../field'
import { defineKind } from '../kind'
import { LEVELS } from './levels'

export const outcome = defineKind({
  name: 'outcome',
  plural: 'outcomes',
  noun: 'outcome',
  nameField: 'statement',
  numbered: true,
  writers: ['expert'],
  place: ['order'],
  fields: {
    statement: lines(),
    /** Set by hand, and with it the learning domain; read from the verb when left open. */
    level: optional(oneOf(LEVELS)),
    /** How much of the course it should be, in hundredths of a percent. */
    intendedShare: optional(hundredths(0, 100)),
    origin: oneOf(['own', 'prescribed']),
    order: order(),
  },
})
