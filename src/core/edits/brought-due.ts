/** When what is brought in is due, as a rule of the course it comes into. */
import type { Module } from '../blueprint/kinds'
import type { DueRule } from '../blueprint/kinds/due-rule'
import { readDate } from '../calendar/plain-date'
import { ruleForDate, type Schedule } from '../calendar/schedule'
import { ruleOfDay } from '../intake/rule-of-day'
import type { UnderstoodActivity } from '../intake/understanding'

/** The rule of the day that a row names: by the dates of the term where it has one, else by its week and weekday. */
export function broughtDue({ dueAt, week }: UnderstoodActivity, module: Module, schedule: Schedule | null): DueRule | null {
  const weekStart = schedule?.term.offering.weekStart ?? 'monday'
  // A week alone, in a schedule, is its last day.
  const at = dueAt ?? (week === null ? null : { date: null, week, day: 7, time: null })
  if (at === null) return null
  const date = at.date === null || !schedule ? null : inTerm(at.date, schedule.term.firstDay)
  const rule = date === null || !schedule ? null : ruleForDate(date, module, schedule.term)
  return (
    rule ??
    (dueAt !== null && dueAt.week === null && dueAt.day !== null && module.firstWeek !== null
      ? ruleOfDay({ ...at, week: module.lastWeek ?? module.firstWeek }, module.firstWeek, weekStart)
      : ruleOfDay(at, module.firstWeek, weekStart))
  )
}

/** A date whose year is not known is the one nearest to the first day of the term. */
const inTerm = (date: string, firstDay: string): string | null =>
  date.length === 10 ? date : readDate(`${Number(date.slice(-2))} ${MONTH_NAMES[Number(date.slice(-5, -3)) - 1]}`, firstDay)
const MONTH_NAMES = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const
