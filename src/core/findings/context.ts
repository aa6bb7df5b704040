/** What rules look at: the blueprint with its indexes, built once per analysis, so that the whole stays linear. */

import { momentsOf } from '../alignment/order'
import type { Blueprint } from '../blueprint/blueprint'
import { linkId } from '../blueprint/ids'
import type { Activity } from '../blueprint/kinds'
import { type Schedule, scheduleOf } from '../calendar/schedule'
import { daysToStart } from '../calendar/term'
import { type GradeTable, gradeTable } from '../grading/grade-table'
import { type CourseIndex, indexCourse } from '../plan/plan-index'
import type { Found, Weight, Workspace } from './finding'

export type Context = {
  readonly blueprint: Blueprint
  readonly index: CourseIndex
  readonly schedule: Schedule | null
  readonly grades: GradeTable
  readonly moments: ReadonlyMap<string, string>
  /** Open while its module is a sketch and the start is far; then Check. */
  readonly missing: (moduleId: string) => Weight
  readonly descriptorOf: (criterionId: string, levelId: string) => { readonly text: string } | undefined
  /** `4.6 Lab 2` */
  readonly activityName: (activity: Activity) => string
}

export type Rule = {
  readonly code: string
  readonly workspace: Workspace
  /** Why it matters, in one sentence. */
  readonly why: string
  /** One line for several: "3 of 31 objectives have no assessment yet". Rules that report what is missing have it. */
  readonly summary?: (count: number, context: Context) => string
  readonly find: (context: Context) => readonly Found[]
}

/** Days before the first day from which what is missing is likely wrong (Cairn default). */
export const SOON_DAYS = 28

/** `today` is an ISO date, or null where nothing should depend on the day. */
export function contextOf(blueprint: Blueprint, today: string | null): Context {
  const index = indexCourse(blueprint)
  const schedule = scheduleOf(blueprint)
  const soon = schedule !== null && today !== null && daysToStart(schedule.term, today) < SOON_DAYS
  const planned = new Set(index.modules.filter((m) => soon || m.planning === 'planned').map((m) => m.id))
  return {
    blueprint,
    index,
    schedule,
    grades: gradeTable(blueprint),
    moments: momentsOf(index, schedule),
    missing: (moduleId) => (planned.has(moduleId) ? 'check' : 'open'),
    descriptorOf: (criterionId, levelId) => blueprint.descriptor.get(linkId([criterionId, levelId])),
    activityName: (a) => `${index.numberOf(a.id)} ${a.title}`,
  }
}
