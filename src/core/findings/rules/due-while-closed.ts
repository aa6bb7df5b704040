import { addDays, shortDate } from '../../calendar/plain-date'
import { scheduleOf } from '../../calendar/schedule'
import { NAMES_OF_ACTIVITIES, type Rule } from '../context'
import { moveTo } from './due-outside-term'

export const dueWhileClosed: Rule = {
  code: 'due-while-closed',
  workspace: 'calendar',
  reads: [...NAMES_OF_ACTIVITIES, scheduleOf],
  why: 'On a closed day nobody answers questions and no help desk is open.',
  find: (context) => {
    const { schedule, index } = context
    if (!schedule) return []
    return index.activities.flatMap((activity) => {
      const due = schedule.dueOf(activity.id)
      const closed = due && schedule.term.closedOn(due.date)
      if (!due || !closed) return []
      const open = [1, -1].flatMap((step) => {
        for (let i = 1; i <= 14; i++) {
          const day = addDays(due.date, i * step)
          if (day > schedule.term.lastDay || day < schedule.term.firstDay) return []
          if (!schedule.term.closedOn(day)) return [day]
        }
        return []
      })
      return [
        {
          weight: 'check' as const,
          records: [{ kind: 'activity' as const, id: activity.id }],
          field: 'dueRule',
          message: `${context.activityName(activity)} is due ${shortDate(due.date)}, ${closed.kind === 'break' ? 'during the break' : 'a closed day'} (${closed.title}).`,
          facts: [due.date, closed.id, closed.firstDate, closed.lastDate],
          fixes: open.flatMap((day) => moveTo(context, activity, day)),
        },
      ]
    })
  },
}
