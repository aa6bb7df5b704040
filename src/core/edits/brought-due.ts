/** When what is brought in is due, as a rule of the course it comes into. */
import type { Module } from '../blueprint/kinds'
import type { DueRule } from '../blueprint/kinds/due-rule'
import { readDate } from '../calendar/plain-date'
import { ruleForDate, type Schedule } from '../calendar/schedule'
import { ruleOfDay } from '../intake/rule-of-day'
import type { UnderstoodActivity } from '../intake/understanding'

/** The rule of the day that a row names: by the dates of the term where it has one, else by its week and weekday. */
export function broughtDue({ dueAt }: UnderstoodActivity, module: Module, schedule: Schedule | null): DueRule | null {
  if (dueAt === null) return null
  const weekStart = schedule?.term.offering.weekStart ?? 'monday'
  const date = dueAt.date === null || !schedule ? null : inTerm(dueAt.date, schedule.term.firstDay)
  const rule = date === null || !schedule ? null : ruleForDate(date, module, schedule.term)
  // A weekday alone is that of the last week; a date of which nobody knows the week is none.
  const week = dueAt.week ?? (dueAt.date === null ? (module.lastWeek ?? module.firstWeek) : null)
  return rule ?? ruleOfDay({ ...dueAt, week }, module.firstWeek, weekStart)
}

/** A date whose year is not known is the one nearest to the first day of the term. */
const inTerm = (date: string, firstDay: string): string | null =>
  date.length === 10 ? date : readDate(`${Number(date.slice(-2))} ${MONTH_NAMES[Number(date.slice(-5, -3)) - 1]}`, firstDay)
const MONTH_NAMES = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const
