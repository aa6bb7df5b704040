import { hundredths, lines, oneOf, optional, order } from '../field'
import { defineKind } from '../kind'

/** Thinking levels in order: Anderson & Krathwohl 2001. */
export const THINKING_LEVELS = ['remember', 'understand', 'apply', 'analyse', 'evaluate', 'create'] as const
export type ThinkingLevel = (typeof THINKING_LEVELS)[number]

export const outcome = defineKind({
  name: 'outcome',
  plural: 'outcomes',
  noun: 'outcome',
  place: ['order'],
  fields: {
    statement: lines(),
    /** Set by hand; read from the verb when left open. */
    level: optional(oneOf(THINKING_LEVELS)),
    /** How much of the course it should be, in hundredths of a percent. */
    intendedShare: optional(hundredths(0, 100)),
    origin: oneOf(['own', 'prescribed']),
    order: order(),
  },
})
