/** What happens to late work: said once for the course, and differently where it must be. */
import { hundredths, int, oneOf, optional } from '../field'

export const LATE_RULES = ['own', 'none'] as const

/** Fields of a late rule; a function, so that each kind has its own. */
export const lateFields = () => ({
  /** Percent that a started day takes. */
  latePercent: optional(hundredths(0, 100)),
  /** Hours after the due moment that count as on time. */
  lateGraceHours: optional(int(0, 720)),
  /** The most that lateness takes, in percent; open: all. */
  lateMost: optional(hundredths(0, 100)),
  /** Days after which nothing is taken; open: there is no such day. */
  lateCutoffDays: optional(int(0, 366)),
})

/** Whether a piece of work has a rule of its own, or none; open: the course's. */
export const lateRule = () => optional(oneOf(LATE_RULES))
