import { courseOf } from '../../blueprint/blueprint'
import { hoursByWeek } from '../../hours/by-week'
import { CREDIT_TOLERANCE, requiredHours } from '../../hours/credit'
import { MINUTES, type Rule } from '../context'

export const totalOffCredits: Rule = {
  code: 'total-off-credits',
  workspace: 'calendar',
  reads: [...MINUTES, 'module.planning', 'course.creditSystem', 'course.credits'],
  why: 'Credits are a promise about time, to learners and to those who recognise them.',
  find: ({ blueprint, index }) => {
    const required = requiredHours(courseOf(blueprint))
    const total = hoursByWeek(blueprint).total / 60
    // While modules are sketches, the sum says nothing yet.
    if (!required || total === 0 || index.modules.some((m) => m.planning === 'sketch')) return []
    const off =
      total < required.least * (1 - CREDIT_TOLERANCE)
        ? required.least
        : total > required.most * (1 + CREDIT_TOLERANCE)
          ? required.most
          : null
    return off === null
      ? []
      : [
          {
            weight: 'check',
            records: [{ kind: 'course', id: 'course' }],
            field: 'credits',
            message: `The plan takes ${total.toFixed(0)} h; its credits ask for ${required.least === required.most ? required.least : `${required.least} to ${required.most}`} h.`,
            facts: [Math.round(total), required.least, required.most],
          },
        ]
  },
}
