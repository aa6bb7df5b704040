import { dateSpan, shortDate } from '../../calendar/plain-date'
import { scheduleOf } from '../../calendar/schedule'
import { NAMES_OF_ACTIVITIES, type Rule } from '../context'
import { moveTo } from './due-outside-term'

export const dueOutsideModule: Rule = {
  code: 'due-outside-module',
  workspace: 'calendar',
  reads: [...NAMES_OF_ACTIVITIES, scheduleOf],
  why: 'Learners look for the work of a module within its weeks.',
  find: (context) => {
    const { schedule, index } = context
    if (!schedule) return []
    return index.activities.flatMap((activity) => {
      const due = schedule.dueOf(activity.id)
      const span = schedule.spanOf(activity.moduleId)
      if (!due || !span || due.date > schedule.term.lastDay || (due.date >= span.first && due.date <= span.last)) return []
      return [
        {
          weight: 'check' as const,
          records: [{ kind: 'activity' as const, id: activity.id }],
          field: 'dueRule',
          message: `${context.activityName(activity)} is due ${shortDate(due.date)}, after its module ends (${dateSpan(span.first, span.last)}).`,
          facts: [due.date, span.first, span.last],
          fixes: moveTo(context, activity, span.last),
        },
      ]
    })
  },
}
