import type { Activity } from '../../blueprint/kinds'
import { dateSpan, shortDate } from '../../calendar/plain-date'
import { scheduleOf } from '../../calendar/schedule'
import { weekOfDate } from '../../calendar/term'
import { GRADES, type Rule } from '../context'
import type { RuleFinding } from '../finding'

/** Graded hand-ins above which a day or a week is crowded (Cairn defaults). */
export const MOST_A_DAY = 2
export const MOST_A_WEEK = 4

export const tooManyDue: Rule = {
  code: 'too-many-due',
  workspace: 'calendar',
  reads: [...GRADES, scheduleOf],
  why: 'Work that falls due together is done in a hurry, or late.',
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
    const report = (activities: readonly Activity[], when: string, most: string): RuleFinding => ({
      weight: 'check',
      records: activities.map((a) => ({ kind: 'activity' as const, id: a.id })),
      field: 'dueRule',
      message: `${activities.length} graded pieces are due ${when} (${activities.map((a) => index.numberOf(a.id)).join(', ')}); ${most}.`,
      facts: [when, ...activities.map((a) => a.id)],
    })
    const crowdedDays = [...days].filter(([, list]) => list.length > MOST_A_DAY)
    const crowdedWeeks = [...weeks].filter(([, list]) => list.length > MOST_A_WEEK)
    return [
      ...crowdedDays.map(([day, list]) => report(list, `on ${shortDate(day)}`, `${MOST_A_DAY} a day is what most learners manage`)),
      ...crowdedWeeks.map(([first, list]) => {
        const last = schedule.term.weeks.find((w) => w.first === first)?.last ?? first
        return report(list, `in the week ${dateSpan(first, last)}`, `${MOST_A_WEEK} a week is what most learners manage`)
      }),
    ]
  },
}
