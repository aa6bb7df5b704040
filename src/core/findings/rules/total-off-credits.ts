import { courseOf } from '../../blueprint/blueprint'
import { hoursByWeek } from '../../hours/by-week'
import { CREDIT_TOLERANCE, requiredHours } from '../../hours/credit'
import { MINUTES } from '../context'
import { calendarRule } from '../rule'

export const totalOffCredits = calendarRule('total-off-credits', {
  reads: [...MINUTES, 'module.planning', 'course.creditSystem', 'course.credits'],
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
            named: { hours: total, least: required.least, most: required.most },
            facts: [Math.round(total), required.least, required.most],
          },
        ]
  },
})
