/** When things happen for the learner: by due moment where dated, else by position in the course. */

import type { Schedule } from '../calendar/schedule'
import type { CourseIndex } from '../plan/plan-index'

/**
 * Sort key of an activity in time. Undated activities are taken to happen before the next dated one behind them in their
 * module, so position decides.
 */
export function momentsOf(index: CourseIndex, schedule: Schedule | null): ReadonlyMap<string, string> {
  const moments = new Map<string, string>()
  for (const module of index.modules) {
    const activities = index.activitiesOf(module.id)
    const start = schedule?.spanOf(module.id)?.first ?? ''
    let latest = start ? `${start}T00:00` : ''
    for (const activity of activities) {
      const due = schedule?.dueOf(activity.id)
      const own = due ? `${due.date}T${due.time}` : latest
      if (due && own > latest) latest = own
      const position = String(index.positionOf(activity.id)).padStart(6, '0')
      moments.set(activity.id, `${own || `~${String(index.positionOf(module.id)).padStart(4, '0')}`} ${position}`)
    }
  }
  return moments
}
