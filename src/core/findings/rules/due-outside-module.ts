import { scheduleOf } from '../../calendar/schedule'
import { moduleWordOf } from '../../plan/module-word'
import { NAMES_OF_ACTIVITIES } from '../context'
import { calendarRule } from '../rule'
import { moveTo } from './due-outside-term'

export const dueOutsideModule = calendarRule('due-outside-module', {
  reads: [moduleWordOf, ...NAMES_OF_ACTIVITIES, scheduleOf],
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
          named: { activity: context.activityName(activity), due: due.date, first: span.first, last: span.last },
          facts: [due.date, span.first, span.last],
          fixes: moveTo(context, activity, span.last),
        },
      ]
    })
  },
})
