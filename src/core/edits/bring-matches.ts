/** What of a reading the course has already, row by row. */

import type { Blueprint } from '../blueprint/blueprint'
import type { Activity } from '../blueprint/kinds'
import { ruleText } from '../blueprint/kinds/due-rule'
import { scheduleOf } from '../calendar/schedule'
import { nameKey } from '../intake/quantities'
import type { UnderstoodActivity, UnderstoodModule } from '../intake/understanding'
import { formatHundredths, formatWhole } from '../numbers'
import { groupBy } from '../plan/group-by'
import { indexCourse } from '../plan/plan-index'
import { broughtDue } from './brought-due'

/** The activity that the course has under the name of each: of several of one name the first is the first there is. */
export function sameActivities(there: readonly Activity[], given: readonly UnderstoodActivity[]): Map<UnderstoodActivity, Activity> {
  const known = groupBy(there, (a) => nameKey(a.title))
  const found = new Map<UnderstoodActivity, Activity>()
  for (const activity of given) {
    if (activity.merge === 'add') continue
    const own = known.get(nameKey(activity.title))?.shift()
    if (own) found.set(activity, own)
  }
  return found
}

/** What happens to a row of which the course has one of the same name. */
export type RowMatch = {
  /** Fields that are open in the course and are filled. */
  readonly fills: readonly string[]
  /** Fields in which the two differ: what the course has and what came. */
  readonly differs: readonly { readonly field: string; readonly has: string; readonly came: string }[]
}

/** The rows of each module that the course has, with what is filled and what differs; the others are new. */
export function rowMatches(plan: Blueprint, modules: readonly UnderstoodModule[]): Map<UnderstoodActivity, RowMatch> {
  const index = indexCourse(plan)
  const schedule = scheduleOf(plan)
  const weekStart = schedule?.term.offering.weekStart ?? 'monday'
  const there = groupBy(index.modules, (m) => nameKey(m.title))
  const matches = new Map<UnderstoodActivity, RowMatch>()
  for (const module of modules) {
    const own = there.get(nameKey(module.title))?.shift()
    if (!own) continue
    // A row that is added beside its double is matched all the same, so that it can be seen and chosen again.
    const rows = module.activities.map((a) => ({ ...a, merge: undefined }) as UnderstoodActivity)
    const same = sameActivities(index.activitiesOf(own.id), rows)
    module.activities.forEach((given, i) => {
      const activity = same.get(rows[i] as UnderstoodActivity)
      if (!activity) return
      const due = broughtDue(given, own, schedule)
      const points = index.assessmentOf(activity.id)?.points ?? null
      const pairs: readonly (readonly [string, string | null, string | null])[] = [
        ['kind', activity.kind, given.kind],
        [
          'minutes',
          activity.minutes === null ? null : formatWhole(activity.minutes),
          given.minutes === null ? null : String(given.minutes),
        ],
        ['points', points === null ? null : formatHundredths(points), given.points === null ? null : formatHundredths(given.points)],
        ['due', activity.dueRule && ruleText(activity.dueRule, weekStart), due && ruleText(due, weekStart)],
      ]
      matches.set(given, {
        fills: pairs.flatMap(([field, has, came]) => (has === null && came !== null ? [field] : [])),
        differs: pairs.flatMap(([field, has, came]) => (has !== null && came !== null && has !== came ? [{ field, has, came }] : [])),
      })
    })
  }
  return matches
}
