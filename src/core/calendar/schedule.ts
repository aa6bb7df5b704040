/** Rules resolved to dates for one offering: module spans and due moments. A due date is never moved in silence. */
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import type { Activity, Module, Offering } from '../blueprint/kinds'
import { byOrder } from '../blueprint/order'
import { perBlueprint } from '../blueprint/per-blueprint'
import { indexCourse } from '../blueprint/plan-index'
import { addDays, WEEKDAYS } from './plain-date'
import { daysIntoWeek, layOutTerm, type Term, weekOfDate } from './term'

export type Span = { readonly first: string; readonly last: string }
export type Due = { readonly date: string; readonly time: string }

export type Schedule = {
  readonly term: Term
  /** The dates a module's counted weeks cover; absent where it has no weeks or they lie outside the term. */
  readonly spanOf: (moduleId: string) => Span | undefined
  readonly dueOf: (activityId: string) => Due | undefined
  /** A rule that names a week which the module or the term does not have. */
  readonly unresolved: readonly { readonly activityId: string; readonly why: 'no-weeks' | 'outside-term' }[]
}

/** Cairn default, used where neither activity nor offering names a time. */
export const DEFAULT_DUE_TIME = '23:59'

/** The offering that the workspaces show: the first in order. */
export const currentOffering = (blueprint: Blueprint): Offering | undefined => recordsOf(blueprint, 'offering').sort(byOrder)[0]

/** The schedule of the course's current offering, or null where it has none. Kept as long as the blueprint is. */
export const scheduleOf = perBlueprint((blueprint): Schedule | null => {
  const offering = currentOffering(blueprint)
  const course = blueprint.course.get('course')
  return offering && course ? resolveSchedule(blueprint, layOutTerm(offering, recordsOf(blueprint, 'calendarRule'), course)) : null
})

/** Resolves every rule of the course in one offering. */
export function resolveSchedule(blueprint: Blueprint, term: Term): Schedule {
  const index = indexCourse(blueprint)
  const spans = new Map(
    index.modules.flatMap((m) => {
      const span = spanOfModule(m, term)
      return span ? [[m.id, span] as const] : []
    }),
  )
  const dues = new Map<string, Due>()
  const unresolved: { activityId: string; why: 'no-weeks' | 'outside-term' }[] = []
  for (const activity of index.activities) {
    if (!activity.dueRule) continue
    const module = blueprint.module.get(activity.moduleId)
    const date = module && resolveDueDate(activity.dueRule, module, term)
    if (date) dues.set(activity.id, { date, time: dueTimeOf(activity, term) })
    else unresolved.push({ activityId: activity.id, why: module?.firstWeek == null ? 'no-weeks' : 'outside-term' })
  }
  return { term, spanOf: (id) => spans.get(id), dueOf: (id) => dues.get(id), unresolved }
}

const dueTimeOf = (activity: Activity, term: Term): string => activity.dueTime ?? term.offering.dueTime ?? DEFAULT_DUE_TIME

export function spanOfModule(module: Module, term: Term): Span | undefined {
  if (module.firstWeek === null) return undefined
  const first = term.weekOfNumber(module.firstWeek)
  const last = term.weekOfNumber(module.lastWeek ?? module.firstWeek)
  return first && last && first.first <= last.last ? { first: first.first, last: last.last } : undefined
}

export type DueRule = NonNullable<Activity['dueRule']>

/** "Day k of the module's week n": week n counts the term's numbered weeks from the module's first. */
export function resolveDueDate(rule: DueRule, module: Module, term: Term): string | undefined {
  if (module.firstWeek === null) return undefined
  const week = term.weekOfNumber(module.firstWeek + rule.week - 1)
  return week && addDays(week.first, rule.day - 1)
}

/** The rule that gives a date in a module, or null where the date lies in no counted week of or after the module. */
export function ruleForDate(date: string, module: Module, term: Term): DueRule | null {
  const week = weekOfDate(term, date)
  if (!week || week.number === null || module.firstWeek === null || week.number < module.firstWeek) return null
  return { rule: 'module-day', week: week.number - module.firstWeek + 1, day: daysIntoWeek(date, term.offering.weekStart) + 1 }
}

/** The weekday of a rule's day: day 1 is the day the week starts on. */
export const weekdayOfRule = (rule: DueRule, weekStart: Offering['weekStart']): string =>
  WEEKDAYS[(rule.day - 1 + (weekStart === 'sunday' ? 6 : 0)) % 7] as string

/** `Sun wk 2`, as typed and shown in a cell. */
export const ruleText = (rule: DueRule, weekStart: Offering['weekStart']): string => `${weekdayOfRule(rule, weekStart)} wk ${rule.week}`

export type TypedDue = { readonly rule: DueRule; readonly time: string | null }

/**
 * Reads a due rule as people type it: `Sun wk 2`, `wk 2 sun 18:00`, `2 sun`, `sun` (week 1), `2.7` (week.day). Null when it
 * is none of these. Dates are read by `readDate` and turned with `ruleForDate`.
 */
export function readDueRule(text: string, weekStart: Offering['weekStart']): TypedDue | null {
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
  return week >= 1 && week <= 60 && day >= 1 && day <= 7 ? { rule: { rule: 'module-day', week, day }, time } : null
}
