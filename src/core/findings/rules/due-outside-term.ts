import type { Activity } from '../../blueprint/kinds'
import { dateOfDay, dayNumber } from '../../calendar/plain-date'
import { ruleForDate, scheduleOf } from '../../calendar/schedule'
import { moduleWordOf } from '../../plan/module-word'
import { type Context, NAMES_OF_ACTIVITIES } from '../context'
import { calendarRule } from '../rule'

export const dueOutsideTerm = calendarRule('due-outside-term', {
  reads: [moduleWordOf, ...NAMES_OF_ACTIVITIES, scheduleOf],
  find: (context) => {
    const { schedule, index } = context
    if (!schedule) return []
    const { term } = schedule
    return index.activities.flatMap((activity) => {
      const due = schedule.dueOf(activity.id)
      const beyond = due && (due.date < term.firstDay || due.date > term.lastDay)
      const lost = !due && activity.dueRule && context.blueprint.module.get(activity.moduleId)?.firstWeek != null
      if (!beyond && !lost) return []
      return [
        {
          weight: 'fix' as const,
          records: [{ kind: 'activity' as const, id: activity.id }],
          field: 'dueRule',
          named: {
            activity: context.activityName(activity),
            due: due?.date ?? null,
            week: activity.dueRule?.week ?? null,
            first: term.firstDay,
            last: term.lastDay,
          },
          facts: [due?.date ?? null, activity.dueRule?.week ?? null, term.firstDay, term.lastDay],
          fixes: moveTo(context, activity, dueDayInside(context, due?.date)),
        },
      ]
    })
  },
})

/** The first or last open day of the term, whichever is nearer to the date that lies outside. */
function dueDayInside({ schedule }: Context, date: string | undefined): string | null {
  if (!schedule) return null
  const { term } = schedule
  const early = date !== undefined && date < term.firstDay
  const [start, step] = early ? [dayNumber(term.firstDay), 1] : [dayNumber(term.lastDay), -1]
  for (let i = 0; i < 14; i++) {
    const day = dateOfDay(start + i * step)
    if (!term.closedOn(day)) return day
  }
  return null
}

/** A fix that gives the activity the rule for `date`; none where its module cannot say that date. */
export function moveTo({ blueprint, schedule }: Context, activity: Activity, date: string | null) {
  const module = blueprint.module.get(activity.moduleId)
  const rule = date && module && schedule ? ruleForDate(date, module, schedule.term) : null
  return rule && date
    ? [
        {
          code: 'move-due' as const,
          named: { date },
          steps: [{ do: 'set' as const, kind: 'activity' as const, id: activity.id, to: { dueRule: rule } }],
        },
      ]
    : []
}
