/** Learner hours: minutes of activities, by module and by week of the term. */
import { purposeOf } from '../alignment/proposals'
import type { Course } from '../blueprint/kinds'
import type { Purpose } from '../blueprint/kinds/activity'
import { dayNumber } from '../calendar/plain-date'
import { type Schedule, scheduleOf } from '../calendar/schedule'
import type { Week } from '../calendar/term'
import { derive } from '../plan/derive'
import { type CourseIndex, indexCourse, wholeActivities } from '../plan/plan-index'

export type WeekHours = {
  readonly week: Week
  /** Minutes, not rounded. */
  readonly minutes: number
  readonly byModule: ReadonlyMap<string, number>
  /** Minutes by purpose; `null` where an activity has none. */
  readonly byPurpose: ReadonlyMap<Purpose | null, number>
}

export type Hours = {
  readonly weeks: readonly WeekHours[]
  /** Minutes of activities that have no days in the term. */
  readonly undated: number
  readonly total: number
  /** Hours a week of a module over its counted weeks; null where it has no weeks or nothing is estimated. */
  readonly moduleWeekly: ReadonlyMap<string, number | null>
}

/** Learner hours a week that the course aims at; null where no upper end is stated. */
export type WeeklyTarget = { readonly min: number | null; readonly max: number } | null

export const weeklyTarget = ({ weeklyHoursMin, weeklyHoursMax }: Pick<Course, 'weeklyHoursMin' | 'weeklyHoursMax'>): WeeklyTarget =>
  weeklyHoursMax === null ? null : { min: weeklyHoursMin === null ? null : weeklyHoursMin / 100, max: weeklyHoursMax / 100 }

/** `9–12`, `up to 12` */
export const targetText = (target: NonNullable<WeeklyTarget>): string =>
  target.min === null ? `up to ${target.max}` : `${target.min}–${target.max}`

/** Over the weekly target from which a week stands out: ten per cent and one hour (Cairn defaults). */
export const OVER_SHARE = 0.1
export const OVER_HOURS = 1

/** What binary fractions may lose. */
const NEAR = 1e-9

/** Whether hours exceed the target by enough to be said; null target: never. */
export const isOver = (hours: number, target: number | null): boolean =>
  target !== null && hours - target >= OVER_HOURS - NEAR && hours - target >= target * OVER_SHARE - NEAR

/** Below the lower end of the target by as much as a week must be over the upper one to stand out. */
const isBelow = (hours: number, least: number | null): boolean => least !== null && isOver(least + (least - hours), least)

/** Whether the hours of a week stand out against the target; one that counts for nothing, as a break, is never below it. */
export function offTarget(hours: number, target: WeeklyTarget, counts = true): 'over' | 'below' | null {
  if (target === null) return null
  return isOver(hours, target.max) ? 'over' : counts && isBelow(hours, target.min) ? 'below' : null
}
/** `, over the target`; empty where it is met. */
export function offTargetText(hours: number, target: WeeklyTarget, counts = true): string {
  const off = offTarget(hours, target, counts)
  return off === null ? '' : `, ${off} the target`
}

/**
 * Spreads the minutes of each activity equally over its calendar days, from the first day of its module to its due date (or
 * the module's last day), both included; days of a break that is not counted are left out.
 */
export const hoursByWeek = derive([wholeActivities, scheduleOf], (blueprint): Hours => {
  const index = indexCourse(blueprint)
  const schedule = scheduleOf(blueprint)
  const weeks = (schedule?.term.weeks ?? []).map((week) => ({
    week,
    minutes: 0,
    byModule: new Map<string, number>(),
    byPurpose: new Map<Purpose | null, number>(),
  }))
  const bounds = weeks.map(({ week }) => ({ counted: week.number !== null, first: dayNumber(week.first), last: dayNumber(week.last) }))
  let undated = 0
  let total = 0
  for (const activity of index.activities) {
    const minutes = activity.minutes ?? 0
    if (minutes === 0) continue
    total += minutes
    const days = daysOf(schedule, bounds, activity.moduleId, activity.id)
    const all = days.reduce((sum, d) => sum + d.days, 0)
    if (all === 0) undated += minutes
    const purpose = purposeOf(activity)
    for (const { at, days: n } of days) {
      const entry = weeks[at]
      if (!entry) continue
      const part = (minutes * n) / all
      entry.minutes += part
      entry.byModule.set(activity.moduleId, (entry.byModule.get(activity.moduleId) ?? 0) + part)
      entry.byPurpose.set(purpose, (entry.byPurpose.get(purpose) ?? 0) + part)
    }
  }
  return { weeks, undated, total, moduleWeekly: moduleWeekly(index) }
})

type Bounds = { readonly counted: boolean; readonly first: number; readonly last: number }

/** How many counted days of an activity lie in each week, by the week's place in the term. */
function daysOf(schedule: Schedule | null, weeks: readonly Bounds[], moduleId: string, activityId: string): { at: number; days: number }[] {
  const span = schedule?.spanOf(moduleId)
  if (!schedule || !span) return []
  const due = schedule.dueOf(activityId)?.date
  const first = dayNumber(span.first)
  const last = dayNumber(due !== undefined && due >= span.first ? due : span.last)
  const found: { at: number; days: number }[] = []
  // Weeks of a term follow each other without a gap.
  const start = weeks[0]?.first ?? 0
  for (let at = Math.max(0, Math.floor((first - start) / 7)); at < weeks.length; at++) {
    const week = weeks[at] as Bounds
    if (week.first > last) break
    const days = Math.min(last, week.last) - Math.max(first, week.first) + 1
    if (week.counted && days > 0) found.push({ at, days })
  }
  return found
}

function moduleWeekly(index: CourseIndex): ReadonlyMap<string, number | null> {
  return new Map(
    index.modules.map((m) => {
      const minutes = index.activitiesOf(m.id).reduce((sum, a) => sum + (a.minutes ?? 0), 0)
      const weeks = m.firstWeek === null ? 0 : (m.lastWeek ?? m.firstWeek) - m.firstWeek + 1
      return [m.id, weeks > 0 && minutes > 0 ? minutes / 60 / weeks : null]
    }),
  )
}
