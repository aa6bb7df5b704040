/** Words for where a course stands, the same in the list of courses and in the brief. */
import { daysBetween } from '../../core/calendar/plain-date'
import { formatWhole } from '../../core/numbers'

/** `26 of 30`; a dash where there is none at all. */
export const partText = (part: number, of: number): string => (of === 0 ? '–' : `${formatWhole(part)} of ${formatWhole(of)}`)

/** How far the first day is: `in 12 days`, `today`, `began 3 days ago`. */
export function daysText(firstDay: string, today: string): string {
  const days = daysBetween(today, firstDay)
  if (days === 0) return 'begins today'
  const n = `${formatWhole(Math.abs(days))} ${Math.abs(days) === 1 ? 'day' : 'days'}`
  return days > 0 ? `in ${n}` : `began ${n} ago`
}
