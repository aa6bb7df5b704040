/** What would come of another due date, before it is set. */
import type { Blueprint } from '../blueprint/blueprint'
import { patchBlueprint } from '../blueprint/blueprint'
import type { Activity } from '../blueprint/kinds'
import type { DueRule } from '../blueprint/kinds/due-rule'
import { ruleForDate, scheduleOf } from './schedule'

export type MovedDue =
  | { readonly ok: true; readonly rule: DueRule /** The plan as it would be. */; readonly blueprint: Blueprint }
  | { readonly ok: false; readonly why: string }

/** Moves the due date of an activity in a copy. Not possible where no rule of its module gives that day. */
export function moveDue(blueprint: Blueprint, activityId: string, date: string): MovedDue {
  const schedule = scheduleOf(blueprint)
  const activity = blueprint.activity.get(activityId)
  const module = activity && blueprint.module.get(activity.moduleId)
  if (!schedule || !activity || !module) return { ok: false, why: 'There is no such activity or offering any more.' }
  const rule = ruleForDate(date, module, schedule.term)
  if (!rule) return { ok: false, why: 'That day lies in no counted week of its module or after it.' }
  const moved: Activity = { ...activity, dueRule: rule }
  return { ok: true, rule, blueprint: patchBlueprint(blueprint, { set: [{ kind: 'activity', record: moved }], removed: [] }) }
}
