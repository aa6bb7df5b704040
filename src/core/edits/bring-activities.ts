/** The activities of what was understood, put into a course together: the time it takes grows with their number. */
import { proposedFunction, proposedPurpose, proposedStage } from '../alignment/proposals'
import { blankOf } from '../blueprint/blank'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText, mostOf } from '../blueprint/field-text'
import { linkId, type NewId } from '../blueprint/ids'
import type { Activity, Alignment, Assessment, Module } from '../blueprint/kinds'
import { type DueRule, readDueRule } from '../blueprint/kinds/due-rule'
import { keysIn } from '../blueprint/order'
import { readDate } from '../calendar/plain-date'
import { ruleForDate, type Schedule, scheduleOf } from '../calendar/schedule'
import { sameCode } from '../intake/items'
import { codeKey, nameKey, readWeekSpan } from '../intake/quantities'
import type { UnderstoodActivity, UnderstoodModule } from '../intake/understanding'
import { groupBy } from '../plan/group-by'
import { type CourseIndex, indexCourse } from '../plan/plan-index'
import { setAssessment } from './activities'
import type { Codes } from './bring-in'

/**
 * Adds the activities of each module, with their assessments and links. One that the course has under the same name is filled up
 * where it is open; of several of one name the first is the first there is.
 */
export function bringActivities(
  edit: PlanEdit,
  modules: readonly { readonly from: UnderstoodModule; readonly id: string }[],
  objectives: Codes,
  categories: Codes,
  newId: NewId,
): void {
  const index = indexCourse(edit.now)
  const schedule = scheduleOf(edit.now)
  const objectiveOf = objectiveByCode(edit, objectives, index)
  const activities: Activity[] = []
  const assessments: Assessment[] = []
  const links = new Map<string, Alignment>()
  for (const { from, id: moduleId } of modules) {
    const module = edit.now.module.get(moduleId) as Module
    const there = index.activitiesOf(moduleId)
    const known = groupBy(there, (a) => nameKey(a.title))
    const made: Activity[] = []
    for (const given of from.activities) {
      const counts = given.points !== null || given.percent !== null || given.category !== null
      const own = known.get(nameKey(given.title))?.shift()
      const facts = factsOf(own, given, counts, module, schedule)
      const activity: Activity = own
        ? { ...own, ...facts }
        : {
            ...blankOf('activity'),
            ...facts,
            id: newId(),
            moduleId,
            partId: partFor(index, given, counts),
            title: fittedText('activity', 'title', given.title) ?? 'Untitled',
            order: '',
          }
      if (own) edit.set('activity', own.id, facts)
      else made.push(activity)
      if (counts) assess(edit, activity, own ? index.assessmentOf(own.id) : undefined, given, categories, own ? null : assessments)
      for (const code of given.objectives) {
        const objectiveId = objectiveOf(code)
        const id = objectiveId === undefined ? '' : linkId([activity.id, objectiveId])
        if (objectiveId === undefined || edit.now.alignment.has(id) || links.has(id)) continue
        const summative = counts && proposedFunction(activity) === 'summative'
        links.set(id, { id, activityId: activity.id, objectiveId, stages: [summative ? 'assesses' : proposedStage(activity)] })
      }
    }
    for (const [partId, group] of groupBy(made, (a) => a.partId ?? '')) {
      const siblings = there.filter((a) => (a.partId ?? '') === partId)
      const keys = keysIn(edit, 'activity', siblings, siblings.length, group.length)
      activities.push(...group.map((a, i) => ({ ...a, order: keys[i] as string })))
    }
  }
  edit.createAll('activity', activities)
  edit.createAll('assessment', assessments)
  edit.createAll('alignment', [...links.values()])
}

/** What a row says of an activity where the plan says nothing yet. */
const factsOf = (own: Activity | undefined, given: UnderstoodActivity, counts: boolean, module: Module, schedule: Schedule | null) => ({
  kind: own?.kind ?? given.kind,
  purpose: own?.purpose ?? (proposedPurpose(given.kind) === null && counts ? ('demonstrate' as const) : null),
  minutes: own?.minutes ?? (given.minutes === null ? null : Math.min(given.minutes, mostOf('activity', 'minutes'))),
  dueRule: own?.dueRule ?? dueRuleOf(given, module, schedule),
})

/** Points and category of an activity: of a new one into `made`, of one that was there into the plan. */
function assess(
  edit: PlanEdit,
  activity: Activity,
  known: Assessment | undefined,
  given: UnderstoodActivity,
  categories: Codes,
  made: Assessment[] | null,
): void {
  const to = {
    points: known?.points ?? (given.points === null ? null : Math.min(given.points, mostOf('assessment', 'points'))),
    categoryId: known?.categoryId ?? (given.category === null ? null : (categories.get(nameKey(given.category)) ?? null)),
  }
  if (made === null) return setAssessment(edit, activity, to)
  if (to.points === null && to.categoryId === null) return
  const id = linkId([activity.id], 'assessment')
  made.push({ ...blankOf('assessment'), id, activityId: activity.id, function: proposedFunction(activity), ...to })
}

/** The objective that a code means: of what came together, else of the course by its number. */
function objectiveByCode(edit: PlanEdit, objectives: Codes, index: CourseIndex): (code: string) => string | undefined {
  const found = new Map<string, string | undefined>()
  return (code) => {
    if (!found.has(code)) {
      const id = objectives.get(codeKey(code)) ?? [...objectives].find(([k]) => sameCode(k, code))?.[1] ?? index.idOfNumber(code)
      found.set(code, id !== undefined && edit.now.objective.has(id) ? id : undefined)
    }
    return found.get(code)
  }
}

/** The part that a file names, else the one whose purpose is that of the kind. */
function partFor({ parts }: CourseIndex, from: UnderstoodActivity, counts: boolean): string | null {
  const named = from.part === null ? undefined : parts.find((p) => nameKey(p.title) === nameKey(from.part as string))
  const purpose = proposedPurpose(from.kind) ?? (counts ? 'demonstrate' : null)
  return (named ?? parts.find((p) => p.purpose === purpose))?.id ?? null
}

/** A weekday, a date or a week as they were written. A week alone is its last day. */
function dueRuleOf({ due, week }: UnderstoodActivity, module: Module, schedule: Schedule | null): DueRule | null {
  const weekStart = schedule?.term.offering.weekStart ?? 'monday'
  const named = due === null ? null : /\bweek\s*\d/i.test(due) ? (readWeekSpan(due.replace(/^.*?(?=week)/i, ''))?.last ?? null) : null
  const inModule = (absolute: number | null): number | null =>
    absolute === null || module.firstWeek === null || absolute < module.firstWeek ? null : absolute - module.firstWeek + 1
  const last = module.firstWeek === null ? 1 : (module.lastWeek ?? module.firstWeek) - module.firstWeek + 1
  const at = inModule(named ?? week)
  if (due !== null) {
    const weekday = readDueRule(due.replace(/\b(?:of\s+)?weeks?\s*\d+.*$/i, '').trim(), weekStart)
    if (weekday) return { ...weekday.rule, week: /\d/.test(due) && at === null ? weekday.rule.week : (at ?? last) }
    const date =
      schedule && readDate(due.replace(/^[A-Za-z]+day,?\s+|^(?:mon|tue|wed|thu|fri|sat|sun)\.?,?\s+/i, ''), schedule.term.firstDay)
    const rule = date && schedule ? ruleForDate(date, module, schedule.term) : null
    if (rule) return rule
  }
  return at === null ? null : { rule: 'module-day', week: at, day: 7 }
}
