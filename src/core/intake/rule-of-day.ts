/** A day of the course as the rule that the plan keeps. */
import type { DueRule } from '../blueprint/kinds/due-rule'
import type { UnderstoodDay } from './understanding'

/** The rule of a day in a module that begins in a week; null where the day lies before it, or its week or weekday is not known. */
export function ruleOfDay({ week, day }: UnderstoodDay, firstWeek: number | null, weekStart: 'monday' | 'sunday'): DueRule | null {
  if (week === null || day === null || firstWeek === null || week < firstWeek) return null
  return { rule: 'module-day', week: week - firstWeek + 1, day: weekStart === 'monday' ? day : (day % 7) + 1 }
}
