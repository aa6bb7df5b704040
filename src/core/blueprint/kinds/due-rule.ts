import { int, type Names, object, oneOf } from '../field'

/** Day `day` (1 is the day the week starts on) of the module's week `week`. */
export type DueRule = { readonly rule: 'module-day'; readonly week: number; readonly day: number }

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const

/** The weekday of a rule's day: day 1 is the day the week starts on. */
export const weekdayOfRule = (rule: DueRule, weekStart: Names['weekStart']): string =>
  WEEKDAYS[(rule.day - 1 + (weekStart === 'sunday' ? 6 : 0)) % 7] as string

/** `Sun wk 2`, as typed and shown in a cell. */
export const ruleText = (rule: DueRule, weekStart: Names['weekStart']): string => `${weekdayOfRule(rule, weekStart)} wk ${rule.week}`

export type TypedDue = { readonly rule: DueRule; readonly time: string | null }

/**
 * Reads a due rule as people type it: `Sun wk 2`, `wk 2 sun 18:00`, `2 sun`, `sun` (week 1), `2.7` (week.day). Null when it
 * is none of these. Dates are read by `readDate` and turned with `ruleForDate`.
 */
export function readDueRule(text: string, weekStart: Names['weekStart']): TypedDue | null {
  const time = /(?:^|\s|at\s+)(\d{1,2}):(\d{2})\s*$/.exec(text)
  const rest = (time ? text.slice(0, time.index) : text).trim().toLowerCase().replace(/\bat$/, '').trim()
  const clock = time ? `${String(time[1]).padStart(2, '0')}:${time[2]}` : null
  if (clock && !/^([01]\d|2[0-3]):[0-5]\d$/.test(clock)) return null
  const numeric = /^(\d{1,2})[.,](\d)$/.exec(rest)
  if (numeric) return ruleOf(Number(numeric[1]), Number(numeric[2]), clock)
  const weekday = /(?:^|[\s,])(mon|tue|wed|thu|fri|sat|sun)[a-z]*\b/.exec(rest)
  const week = /\b(?:w|wk|week)?\.?\s*(\d{1,2})\b/.exec(rest)
  if (!weekday || /[^a-z0-9\s.,]/.test(rest)) return null
  const other = rest
    .replace(weekday[0], ' ')
    .replace(week?.[0] ?? '', ' ')
    .replace(/\b(w|wk|week|of|the)\b/g, ' ')
  if (other.replace(/[\s.,]/g, '') !== '') return null
  const position = WEEKDAYS.findIndex((d) => d.toLowerCase() === weekday[1])
  return ruleOf(week ? Number(week[1]) : 1, weekStart === 'monday' ? position + 1 : ((position + 1) % 7) + 1, clock)
}

function ruleOf(week: number, day: number, time: string | null): TypedDue | null {
  return week >= 1 && week <= MOST_WEEKS && day >= 1 && day <= 7 ? { rule: { rule: 'module-day', week, day }, time } : null
}

/** The most weeks that a course counts (Cairn default). */
export const MOST_WEEKS = 60

/** The field that holds such a rule. */
export const dueRule = () =>
  object(
    { rule: oneOf(['module-day']), week: int(1, MOST_WEEKS), day: int(1, 7) },
    {
      words: (rule: DueRule, { weekStart }) => ruleText(rule, weekStart),
      read: (text, { weekStart }) => readDueRule(text, weekStart)?.rule ?? null,
      hint: 'A weekday and a week of the module, such as Sun wk 2.',
    },
  )
