import type { Activity } from '../../blueprint/kinds'
import { dateSpan, shortDate } from '../../calendar/plain-date'
import { scheduleOf } from '../../calendar/schedule'
import { weekOfDate } from '../../calendar/term'
import { GRADES } from '../context'
import { calendarRule } from '../rule'

/** Graded hand-ins above which a day or a week is crowded (Cairn defaults). */
export const MOST_A_DAY = 2
export const MOST_A_WEEK = 4

export const tooManyDue = calendarRule('too-many-due', {
  reads: [...GRADES, scheduleOf],
  find: ({ schedule, grades, index }) => {
    if (!schedule) return []
    const graded = grades.rows.flatMap((r) => r.items).filter((i) => i.points > 0)
    const days = new Map<string, Activity[]>()
    const weeks = new Map<string, Activity[]>()
    for (const { activity } of graded) {
      const due = schedule.dueOf(activity.id)
      if (!due) continue
      days.set(due.date, [...(days.get(due.date) ?? []), activity])
      const week = weekOfDate(schedule.term, due.date)
      if (week) weeks.set(week.first, [...(weeks.get(week.first) ?? []), activity])
    }
    const report = (activities: readonly Activity[], first: string, last: string, most: number) => ({
      weight: 'check' as const,
      records: activities.map((a) => ({ kind: 'activity' as const, id: a.id })),
      field: 'dueRule',
      named: { activities: activities.map((a) => index.numberOf(a.id)), first, last, most },
      facts: [first === last ? `on ${shortDate(first)}` : `in the week ${dateSpan(first, last)}`, ...activities.map((a) => a.id)],
    })
    const crowdedDays = [...days].filter(([, list]) => list.length > MOST_A_DAY)
    const crowdedWeeks = [...weeks].filter(([, list]) => list.length > MOST_A_WEEK)
    return [
      ...crowdedDays.map(([day, list]) => report(list, day, day, MOST_A_DAY)),
      ...crowdedWeeks.map(([first, list]) => {
        const last = schedule.term.weeks.find((w) => w.first === first)?.last ?? first
        return report(list, first, last, MOST_A_WEEK)
      }),
    ]
  },
})
