import { addDays } from '../../calendar/plain-date'
import { scheduleOf } from '../../calendar/schedule'
import { NAMES_OF_ACTIVITIES } from '../context'
import { calendarRule } from '../rule'
import { moveTo } from './due-outside-term'

export const dueWhileClosed = calendarRule('due-while-closed', {
  reads: [...NAMES_OF_ACTIVITIES, scheduleOf],
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
          named: { activity: context.activityName(activity), due: due.date, closed: closed.title, isBreak: closed.kind === 'break' },
          facts: [due.date, closed.id, closed.firstDate, closed.lastDate],
          fixes: open.flatMap((day) => moveTo(context, activity, day)),
        },
      ]
    })
  },
})
