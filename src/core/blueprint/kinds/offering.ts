import { bool, date, hundredths, int, line, oneOf, optional, order, time, zone } from '../field'
import { defineKind } from '../kind'

export const OFFERING_STATES = ['planned', 'running', 'past'] as const
export type OfferingState = (typeof OFFERING_STATES)[number]

/** One run of the course. Dates belong to it; the course holds rules. */
export const offering = defineKind({
  name: 'offering',
  plural: 'offerings',
  inside: ['markingHours'],
  noun: 'offering',
  nameField: 'term',
  fields: {
    term: line(100),
    /** Open: as its days say ({@link offeringState}). */
    state: optional(oneOf(OFFERING_STATES)),
    firstDay: date(),
    /** The end of the last counted week when left open. */
    lastDay: optional(date()),
    timeZone: zone(),
    weekStart: oneOf(['monday', 'sunday']),
    /** Whether a week wholly inside a break gets a number. */
    countBreaks: bool(),
    /** Used where an activity names none. */
    dueTime: optional(time()),
    /** Learners expected. */
    enrolment: optional(int(0, 100_000)),
    /** Working days within which work comes back with its mark. */
    returnDays: optional(int(1, 60)),
    /** Hours a week that those who mark have for it. */
    markingHours: optional(hundredths(0, 1000)),
    order: order(),
  },
})
