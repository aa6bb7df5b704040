/** Rules resolved to dates for one offering: module spans and due moments. A due date is never moved in silence. */
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import type { Activity, Module } from '../blueprint/kinds'
import type { DueRule } from '../blueprint/kinds/due-rule'
import { derive } from '../plan/derive'
import { currentOffering } from '../plan/offering'
import { ordersOf } from '../plan/orders'
import { addDays } from './plain-date'
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

/** The term of the offering that the plan is seen in; null where the course has none. */
export const termOf = derive<Term | null>(['offering', 'calendarRule', 'course.weeks'], (blueprint) => {
  const offering = currentOffering(blueprint)
  const course = blueprint.course.get('course')
  return offering && course ? layOutTerm(offering, recordsOf(blueprint, 'calendarRule'), course) : null
})

/** The schedule of the offering that the plan is seen in; null where the course has none. */
export const scheduleOf = derive<Schedule | null>(
  [ordersOf, termOf, 'module.firstWeek', 'module.lastWeek', 'activity.seriesId', 'activity.dueRule', 'activity.dueTime', 'series.dueRule'],
  (blueprint) => {
    const term = termOf(blueprint)
    return term && resolveSchedule(blueprint, term)
  },
)

/** Resolves every rule of the course in one offering. */
export function resolveSchedule(blueprint: Blueprint, term: Term): Schedule {
  const { modules, activities } = ordersOf(blueprint)
  const spans = new Map(
    modules.flatMap((id) => {
      const module = blueprint.module.get(id)
      const span = module && spanOfModule(module, term)
      return span ? [[id, span] as const] : []
    }),
  )
  const dues = new Map<string, Due>()
  const unresolved: { activityId: string; why: 'no-weeks' | 'outside-term' }[] = []
  for (const id of activities) {
    const own = blueprint.activity.get(id)
    const rule = own?.dueRule ?? blueprint.series.get(own?.seriesId ?? '')?.dueRule
    if (!own || !rule) continue
    const module = blueprint.module.get(own.moduleId)
    const date = module && resolveDueDate(rule, module, term)
    if (date) dues.set(id, { date, time: dueTimeOf(own, term) })
    else unresolved.push({ activityId: id, why: module?.firstWeek == null ? 'no-weeks' : 'outside-term' })
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
