/** The activities of what was understood, put into a course together: the time it takes grows with their number. */
import { proposedFunction, proposedPurpose, proposedStage } from '../alignment/proposals'
import { blankOf } from '../blueprint/blank'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText, longestText, mostOf } from '../blueprint/field-text'
import { linkId, type NewId } from '../blueprint/ids'
import type { Activity, Alignment, Assessment, Module } from '../blueprint/kinds'
import type { DueRule } from '../blueprint/kinds/due-rule'
import { keysIn } from '../blueprint/order'
import { type Schedule, scheduleOf } from '../calendar/schedule'
import { sameCode } from '../intake/items'
import { codeKey, nameKey } from '../intake/quantities'
import type { UnderstoodActivity, UnderstoodModule } from '../intake/understanding'
import { formatHundredths } from '../numbers'
import { groupBy } from '../plan/group-by'
import { type CourseIndex, indexCourse } from '../plan/plan-index'
import { setAssessment } from './activities'
import type { Codes, ObjectiveCodes } from './bring-in'
import { sameActivities } from './bring-matches'
import { broughtDue } from './brought-due'

/**
 * Adds the activities of each module, with their assessments and links. One that the course has under the same name is filled up
 * where it is open; of several of one name the first is the first there is.
 */
export function bringActivities(
  edit: PlanEdit,
  modules: readonly { readonly from: UnderstoodModule; readonly id: string }[],
  objectives: ObjectiveCodes,
  categories: Codes,
  newId: NewId,
): void {
  const index = indexCourse(edit.now)
  const schedule = scheduleOf(edit.now)
  const activities: Activity[] = []
  const assessments: Assessment[] = []
  const links = new Map<string, Alignment>()
  for (const { from, id: moduleId } of modules) {
    const module = edit.now.module.get(moduleId) as Module
    const objectiveOf = objectiveByCode(edit, objectives, moduleId, index)
    const there = index.activitiesOf(moduleId)
    const matched = sameActivities(there, from.activities)
    const made: Activity[] = []
    for (const given of from.activities) {
      if (given.merge === 'leave') continue
      const counts = given.points !== null || given.percent !== null || given.category !== null
      const own = matched.get(given)
      const facts = factsOf(own, given, counts, module, schedule)
      const unknown = given.objectives.filter((code) => objectiveOf(code) === undefined)
      const notes = [...(own?.notes ? [own.notes] : []), ...leftOver(given, facts, index, unknown)]
      const unsaid = notes.filter((n, i) => i === 0 || !notes.slice(0, i).some((before) => before.includes(n)))
      Object.assign(facts, { notes: fittedText('activity', 'notes', unsaid.join('\n')) })
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
        links.set(id, {
          ...blankOf('alignment'),
          id,
          activityId: activity.id,
          objectiveId,
          stages: (Object.hasOwn(given.stages, code) ? given.stages[code] : undefined) ?? [
            summative ? 'assesses' : proposedStage(activity),
          ],
        })
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
function factsOf(own: Activity | undefined, given: UnderstoodActivity, counts: boolean, module: Module, schedule: Schedule | null) {
  const brought = {
    kind: given.kind,
    size: given.size,
    minutes: given.minutes === null ? null : Math.min(given.minutes, mostOf('activity', 'minutes')),
    dueRule: broughtDue(given, module, schedule),
    dueTime: given.dueAt?.time ?? null,
  }
  const purpose = own?.purpose ?? given.purpose ?? (proposedPurpose(given.kind) === null && counts ? ('demonstrate' as const) : null)
  if (given.merge === 'overwrite')
    return {
      kind: brought.kind ?? own?.kind ?? null,
      minutes: brought.minutes ?? own?.minutes ?? null,
      size: own?.size ?? brought.size,
      dueRule: brought.dueRule ?? own?.dueRule ?? null,
      dueTime: brought.dueTime ?? own?.dueTime ?? null,
      purpose,
    }
  return {
    kind: own?.kind ?? brought.kind,
    minutes: own?.minutes ?? brought.minutes,
    size: own?.size ?? brought.size,
    dueRule: own?.dueRule ?? brought.dueRule,
    dueTime: own?.dueTime ?? brought.dueTime,
    purpose,
  }
}

/** Points and category of an activity: of a new one into `made`, of one that was there into the plan. */
function assess(
  edit: PlanEdit,
  activity: Activity,
  known: Assessment | undefined,
  given: UnderstoodActivity,
  categories: Codes,
  made: Assessment[] | null,
): void {
  const brought = {
    points: given.points === null ? null : Math.min(given.points, mostOf('assessment', 'points')),
    categoryId: given.category === null ? null : (categories.get(nameKey(given.category)) ?? null),
  }
  const [first, second] = given.merge === 'overwrite' ? [brought, known] : [known, brought]
  const to = {
    points: first?.points ?? second?.points ?? null,
    categoryId: first?.categoryId ?? second?.categoryId ?? null,
  }
  if (made === null) return setAssessment(edit, activity, to)
  if (to.points === null && to.categoryId === null) return
  const id = linkId([activity.id], 'assessment')
  made.push({ ...blankOf('assessment'), id, activityId: activity.id, function: proposedFunction(activity), ...to })
}

/** The objective that a code means: of the module, else of what came together, else of the course by its number. */
function objectiveByCode(
  edit: PlanEdit,
  { all, of }: ObjectiveCodes,
  moduleId: string,
  index: CourseIndex,
): (code: string) => string | undefined {
  const byCode = (codes: Codes | undefined, code: string) =>
    codes && (codes.get(codeKey(code)) ?? [...codes].find(([k]) => sameCode(k, code))?.[1])
  const found = new Map<string, string | undefined>()
  return (code) => {
    if (!found.has(code)) {
      const id = byCode(of.get(moduleId), code) ?? byCode(all, code) ?? index.idOfNumber(code)
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

/** What a row says that no field of the plan can hold: it goes into the notes, so that nothing is lost. */
function leftOver(
  given: UnderstoodActivity,
  facts: { readonly dueRule: DueRule | null },
  index: CourseIndex,
  unknown: readonly string[],
): string[] {
  const part = given.part !== null && !index.parts.some((p) => nameKey(p.title) === nameKey(given.part as string)) ? given.part : null
  return [
    ...(given.notes === null ? [] : [given.notes]),
    ...(given.due !== null && facts.dueRule === null ? [`Due: ${given.due}`] : []),
    ...(part === null ? [] : [`Part: ${part}`]),
    ...(given.percent === null || given.points !== null ? [] : [`Share of the grade: ${formatHundredths(given.percent)} %`]),
    ...(unknown.length === 0 ? [] : [`Objectives: ${unknown.join(', ')}`]),
    ...(given.title.length > longestText('activity', 'title') ? [given.title] : []),
  ]
}
