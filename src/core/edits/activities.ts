/** What designers do with activities, as edits. */
import { proposedFunction, proposedStage, readLinks } from '../alignment/proposals'
import { blankOf } from '../blueprint/blank'
import type { Blueprint } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText, mostOf } from '../blueprint/field-text'
import { linkId, type NewId } from '../blueprint/ids'
import type { Activity, Assessment } from '../blueprint/kinds'
import type { Stage } from '../blueprint/kinds/activity'
import { readDueRule } from '../blueprint/kinds/due-rule'
import { keyIn } from '../blueprint/order'
import { cleanText } from '../blueprint/text'
import { matchOne } from '../blueprint/types/define-type'
import { readDate } from '../calendar/plain-date'
import { ruleForDate, type Schedule } from '../calendar/schedule'
import { formatWhole, readHundredths, readMinutes } from '../numbers'
import { indexCourse } from '../plan/plan-index'
import type { Refused } from '../result'
import { isEmptyCell } from './cells'
import { linkParts, objectiveStated } from './missing'

/** Adds an activity at the end of a part of a module. Returns its id. */
export function addActivity(edit: PlanEdit, moduleId: string, partId: string | null, title: string, newId: NewId): string {
  const siblings = siblingsIn(edit, moduleId, partId)
  const order = keyIn(edit, 'activity', siblings)
  return edit.create('activity', {
    ...blankOf('activity'),
    id: newId(),
    moduleId,
    partId,
    title: fittedText('activity', 'title', title) ?? 'Untitled',
    order,
  })
}

const siblingsIn = (edit: PlanEdit, moduleId: string, partId: string | null): Activity[] =>
  indexCourse(edit.now)
    .activitiesOf(moduleId)
    .filter((a) => a.partId === partId)

/** Puts an activity at a position among the others of a part. */
export function placeActivity(edit: PlanEdit, id: string, moduleId: string, partId: string | null, position: number): void {
  const others = siblingsIn(edit, moduleId, partId).filter((a) => a.id !== id)
  const order = keyIn(edit, 'activity', others, position)
  edit.set('activity', id, { moduleId, partId, order })
}

/** Moves an activity one row; over the edge of its part it goes to the next part, then to the next module. */
export function moveActivity(edit: PlanEdit, id: string, step: 1 | -1): boolean {
  const index = indexCourse(edit.now)
  const activity = edit.now.activity.get(id)
  if (!activity) return false
  const siblings = siblingsIn(edit, activity.moduleId, activity.partId)
  const at = siblings.findIndex((a) => a.id === id)
  if (at + step >= 0 && at + step < siblings.length) {
    placeActivity(edit, id, activity.moduleId, activity.partId, at + step)
    return true
  }
  const parts: (string | null)[] = [...index.parts.map((p) => p.id), ...(activity.partId === null ? [null] : [])]
  const part = parts.indexOf(activity.partId) + step
  const enter = (moduleId: string, partId: string | null) =>
    placeActivity(edit, id, moduleId, partId, step === 1 ? 0 : siblingsIn(edit, moduleId, partId).length)
  if (part >= 0 && part < parts.length) {
    enter(activity.moduleId, parts[part] ?? null)
    return true
  }
  const module = index.modules[index.modules.findIndex((m) => m.id === activity.moduleId) + step]
  if (!module) return false
  enter(module.id, (step === 1 ? parts[0] : parts.at(-1)) ?? null)
  return true
}

/** The columns of the working table that are more than one field of the activity. */
export type ActivityColumn = 'part' | 'objectives' | 'minutes' | 'due' | 'category' | 'points'

/** Writes a cell of the working table from text, as typed or pasted. */
export function writeActivityCell(edit: PlanEdit, id: string, column: ActivityColumn, text: string, schedule: Schedule | null): Refused {
  const activity = indexCourse(edit.now).activity(id)
  if (!activity) return 'This activity is gone.'
  const typed = cleanText(text, false)
  const empty = typed === null || isEmptyCell(typed)
  switch (column) {
    case 'part':
      return writePart(edit, activity, empty ? null : typed)
    case 'objectives':
      return writeLinks(edit, activity, empty ? '' : typed)
    case 'minutes': {
      const minutes = empty ? null : readMinutes(typed)
      if (!empty && minutes === null) return `“${typed}” is no time. Write 45, 1.5 h or 1h30.`
      edit.set('activity', id, { minutes })
      return null
    }
    case 'due':
      return writeDue(edit, activity, empty ? '' : typed, schedule)
    case 'category': {
      const category = empty ? null : indexCourse(edit.now).categories.find((c) => c.title.toLowerCase() === typed.toLowerCase())
      if (category === undefined) return `There is no category “${typed}”.`
      setAssessment(edit, activity, { categoryId: category?.id ?? null })
      return null
    }
    case 'points': {
      const points = empty ? null : readHundredths(typed)
      if (!empty && points === null) return `“${typed}” is no number of points.`
      if ((points ?? 0) > mostOf('assessment', 'points'))
        return `An assessment has up to ${formatWhole(mostOf('assessment', 'points') / 100)} points.`
      setAssessment(edit, activity, { points })
      return null
    }
  }
}

function writePart(edit: PlanEdit, activity: Activity, typed: string | null): Refused {
  const { parts } = indexCourse(edit.now)
  const title =
    typed === null
      ? null
      : matchOne(
          parts.map((p) => p.title),
          typed,
        )
  if (title === undefined) return `There is no part “${typed}” in this course.`
  const partId = title === null ? null : (parts.find((p) => p.title === title)?.id ?? null)
  if (partId !== activity.partId) placeActivity(edit, activity.id, activity.moduleId, partId, Number.MAX_SAFE_INTEGER)
  return null
}

function writeLinks(edit: PlanEdit, activity: Activity, typed: string): Refused {
  const index = indexCourse(edit.now)
  const { links, unknown } = readStatedLinks(edit.now, typed)
  const missing = links.filter((l) => !edit.now.objective.has(index.idOfNumber(l.number) ?? ''))
  if (unknown.length + missing.length > 0)
    return `Not understood: ${[...unknown, ...missing.map((l) => l.number)].join(', ')}. Write 4a I, 4b P A.`
  const wanted = new Map<string, readonly Stage[]>()
  for (const link of links) {
    const objectiveId = index.idOfNumber(link.number) as string
    const known = edit.now.alignment.get(linkId([activity.id, objectiveId]))
    wanted.set(objectiveId, link.stages.length > 0 ? link.stages : (known?.stages ?? [proposedStage(activity)]))
  }
  for (const a of index.alignmentsOf(activity.id)) if (!wanted.has(a.objectiveId)) edit.remove({ kind: 'alignment', id: a.id })
  for (const [objectiveId, stages] of wanted) setStages(edit, activity.id, objectiveId, stages)
  return null
}

/** Links by number, `4a I, 4b PA`, and by the very words of a statement, parted by `;` or lines. */
function readStatedLinks(plan: Blueprint, typed: string): ReturnType<typeof readLinks> {
  const read = readLinks(typed)
  if (read.unknown.length === 0) return read
  const index = indexCourse(plan)
  const parts = linkParts(typed).map((part) => {
    const stated = objectiveStated(plan, part)
    return stated === undefined ? readLinks(part) : { links: [{ number: index.numberOf(stated), stages: [] }], unknown: [] }
  })
  return { links: parts.flatMap((p) => p.links), unknown: parts.flatMap((p) => p.unknown) }
}

/** Sets what an activity does for an objective; no stages: nothing. */
export function setStages(edit: PlanEdit, activityId: string, objectiveId: string, stages: readonly Stage[]): void {
  const id = linkId([activityId, objectiveId])
  const known = edit.now.alignment.get(id)
  if (stages.length === 0) return known ? edit.remove({ kind: 'alignment', id }) : undefined
  if (!known) edit.create('alignment', { ...blankOf('alignment'), id, activityId, objectiveId, stages })
  else if (known.stages.join() !== stages.join()) edit.set('alignment', id, { stages })
}

function writeDue(edit: PlanEdit, activity: Activity, typed: string, schedule: Schedule | null): Refused {
  if (typed === '') {
    edit.set('activity', activity.id, { dueRule: null, dueTime: null })
    return null
  }
  const module = edit.now.module.get(activity.moduleId)
  const weekStart = schedule?.term.offering.weekStart ?? 'monday'
  const rule = readDueRule(typed, weekStart)
  if (rule) {
    edit.set('activity', activity.id, { dueRule: rule.rule, ...(rule.time ? { dueTime: rule.time } : {}) })
    return null
  }
  const clock = /(?:^|\s|,)\s*([01]?\d|2[0-3]):([0-5]\d)$/.exec(typed)
  const date = schedule && readDate((clock ? typed.slice(0, clock.index) : typed).replace(/,\s*$/, ''), schedule.term.firstDay)
  const dated = date && module && schedule ? ruleForDate(date, module, schedule.term) : null
  if (!dated)
    return date
      ? 'That day lies in no counted week of this module or after it.'
      : `“${typed}” is no due rule. Write Sun wk 2, wk 1 Thu 18:00 or a date.`
  edit.set('activity', activity.id, { dueRule: dated, ...(clock ? { dueTime: `${String(clock[1]).padStart(2, '0')}:${clock[2]}` } : {}) })
  return null
}

/**
 * Sets points, category or function of an activity's assessment, which is made where there is none, with the function that the
 * kind proposes. An assessment left with neither points nor category stays: it may be ungraded.
 */
export function setAssessment(edit: PlanEdit, activity: Activity, to: Partial<Omit<Assessment, 'id' | 'activityId'>>): void {
  const id = linkId([activity.id], 'assessment')
  if (edit.now.assessment.has(id)) return edit.set('assessment', id, to)
  if (Object.values(to).every((v) => v === null || v === false)) return
  const index = indexCourse(edit.now)
  const whole = index.activity(activity.id) ?? activity
  edit.create('assessment', {
    ...blankOf('assessment'),
    id,
    activityId: activity.id,
    function: index.assessmentOf(activity.id)?.function ?? proposedFunction(whole),
    ...to,
  })
}
