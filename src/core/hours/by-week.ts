/** Learner hours: minutes of activities, by module and by week of the term. */
import { purposeOf } from '../alignment/proposals'
import type { Blueprint } from '../blueprint/blueprint'
import type { Purpose } from '../blueprint/kinds/activity'
import { type CourseIndex, indexCourse } from '../blueprint/plan-index'
import { addDays } from '../calendar/plain-date'
import { type Schedule, scheduleOf } from '../calendar/schedule'
import type { Week } from '../calendar/term'

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

/** Over the weekly target from which a week stands out: ten per cent and one hour (Cairn defaults). */
export const OVER_SHARE = 0.1
export const OVER_HOURS = 1

/** What binary fractions may lose. */
const NEAR = 1e-9

/** Whether hours exceed the target by enough to be said; null target: never. */
export const isOver = (hours: number, target: number | null): boolean =>
  target !== null && hours - target >= OVER_HOURS - NEAR && hours - target >= target * OVER_SHARE - NEAR

/**
 * Spreads the minutes of each activity equally over its calendar days, from the first day of its module to its due date (or
 * the module's last day), both included; days of a break that is not counted are left out.
 */
export function hoursByWeek(blueprint: Blueprint): Hours {
  const index = indexCourse(blueprint)
  const schedule = scheduleOf(blueprint)
  const weeks = (schedule?.term.weeks ?? []).map((week) => ({
    week,
    minutes: 0,
    byModule: new Map<string, number>(),
    byPurpose: new Map<Purpose | null, number>(),
  }))
  let undated = 0
  let total = 0
  for (const activity of index.activities) {
    const minutes = activity.minutes ?? 0
    if (minutes === 0) continue
    total += minutes
    const days = daysOf(schedule, activity.moduleId, activity.id)
    if (days.length === 0) undated += minutes
    for (const at of days) {
      const entry = weeks[at]
      if (!entry) continue
      entry.minutes += minutes / days.length
      entry.byModule.set(activity.moduleId, (entry.byModule.get(activity.moduleId) ?? 0) + minutes / days.length)
      const purpose = purposeOf(activity)
      entry.byPurpose.set(purpose, (entry.byPurpose.get(purpose) ?? 0) + minutes / days.length)
    }
  }
  return { weeks, undated, total, moduleWeekly: moduleWeekly(index) }
}

/** The weeks (by place in the term) of each counted day of an activity. */
function daysOf(schedule: Schedule | null, moduleId: string, activityId: string): number[] {
  const span = schedule?.spanOf(moduleId)
  if (!schedule || !span) return []
  const due = schedule.dueOf(activityId)?.date
  const last = due !== undefined && due >= span.first ? due : span.last
  const found: number[] = []
  schedule.term.weeks.forEach((week, i) => {
    if (week.number === null || week.last < span.first || week.first > last) return
    for (let day = week.first; day <= week.last; day = addDays(day, 1)) if (day >= span.first && day <= last) found.push(i)
  })
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
