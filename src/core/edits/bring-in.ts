/** Puts what was understood of a file or a text into the course, as one edit. What the course has already is filled up, not doubled. */
import { proposedFunction, proposedPurpose, proposedStage } from '../alignment/proposals'
import { blankOf } from '../blueprint/blank'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText, mostOf } from '../blueprint/field-text'
import { linkId, type NewId } from '../blueprint/ids'
import type { Activity, Module } from '../blueprint/kinds'
import { type DueRule, MOST_WEEKS, readDueRule } from '../blueprint/kinds/due-rule'
import { keyIn } from '../blueprint/order'
import { readDate } from '../calendar/plain-date'
import { ruleForDate, scheduleOf } from '../calendar/schedule'
import { sameCode } from '../intake/items'
import { codeKey, readWeekSpan, titleKey } from '../intake/quantities'
import type { Understanding, UnderstoodActivity, UnderstoodModule } from '../intake/understanding'
import { indexCourse } from '../plan/plan-index'
import { addActivity, setAssessment, setStages } from './activities'
import { addModule, addObjectives, addOutcomes } from './objectives'

type Codes = Map<string, string>

/** Adds the tree. Numbers of the plan follow from its order, so codes only join what came together. */
export function bringIn(edit: PlanEdit, understood: Understanding, newId: NewId): void {
  const outcomes = bringOutcomes(edit, understood, newId)
  const categories = bringCategories(edit, understood, newId)
  const objectives: Codes = new Map()
  const modules = understood.modules.map((m) => ({ from: m, id: bringModule(edit, m, newId) }))
  for (const { from, id } of modules) bringObjectives(edit, from, id, outcomes, objectives, newId)
  for (const { from, id } of modules)
    for (const activity of from.activities) bringActivity(edit, activity, id, objectives, categories, newId)
}

function bringOutcomes(edit: PlanEdit, { outcomes }: Understanding, newId: NewId): Codes {
  const codes: Codes = new Map()
  for (const { code, statement } of outcomes) {
    const known = indexCourse(edit.now).outcomes.find((o) => titleKey(o.statement) === titleKey(statement))
    const id = known?.id ?? addOutcomes(edit, null, [statement], newId)[0]
    if (code !== null && id !== undefined) codes.set(codeKey(code), id)
  }
  return codes
}

/** Categories come in only where the grade table gives shares: without them the grade goes by points. */
function bringCategories(edit: PlanEdit, { categories }: Understanding, newId: NewId): Codes {
  const titles: Codes = new Map()
  if (categories.every((c) => c.share === null)) return titles
  for (const { title, share } of categories) {
    const text = fittedText('gradeCategory', 'title', title)
    if (text === null) continue
    const siblings = indexCourse(edit.now).categories
    const known = siblings.find((c) => titleKey(c.title) === titleKey(text))
    if (known) {
      if (known.share === null && share !== null) edit.set('gradeCategory', known.id, { share: Math.min(share, 100_00) })
      titles.set(titleKey(title), known.id)
      continue
    }
    const order = keyIn(edit, 'gradeCategory', siblings)
    const id = edit.create('gradeCategory', {
      ...blankOf('gradeCategory'),
      id: newId(),
      title: text,
      share: share === null ? null : Math.min(share, 100_00),
      order,
    })
    titles.set(titleKey(title), id)
  }
  return titles
}

function bringModule(edit: PlanEdit, { title, weeks }: UnderstoodModule, newId: NewId): string {
  const known = indexCourse(edit.now).modules.find((m) => titleKey(m.title) === titleKey(title))
  const id = known?.id ?? addModule(edit, title, newId)
  if (weeks && weeks.last <= MOST_WEEKS && (!known || known.firstWeek === null)) {
    edit.set('module', id, { firstWeek: weeks.first, lastWeek: weeks.last })
    const course = edit.now.course.get('course')
    if (course && course.weeks < weeks.last) edit.set('course', 'course', { weeks: weeks.last })
  }
  return id
}

function bringObjectives(edit: PlanEdit, from: UnderstoodModule, moduleId: string, outcomes: Codes, objectives: Codes, newId: NewId): void {
  for (const { code, statement, outcomes: refs } of from.objectives) {
    const siblings = indexCourse(edit.now).objectivesOf(moduleId)
    const known = siblings.find((o) => titleKey(o.statement) === titleKey(statement))
    const id = known?.id ?? addObjectives(edit, moduleId, siblings.at(-1)?.id ?? null, [statement], newId)[0]
    if (id === undefined) continue
    if (code !== null) objectives.set(codeKey(code), id)
    for (const ref of refs) {
      const outcomeId =
        outcomes.get(codeKey(ref)) ?? [...outcomes].find(([known]) => sameCode(known, ref))?.[1] ?? outcomeByNumber(edit, ref)
      if (outcomeId && !edit.now.objectiveOutcome.has(linkId([id, outcomeId])))
        edit.create('objectiveOutcome', { id: '', objectiveId: id, outcomeId })
    }
  }
}

/** An outcome of the course that its number names, for objectives that came without the list. */
function outcomeByNumber(edit: PlanEdit, ref: string): string | undefined {
  const id = indexCourse(edit.now).idOfNumber(ref)
  return id !== undefined && edit.now.outcome.has(id) ? id : undefined
}

function bringActivity(
  edit: PlanEdit,
  from: UnderstoodActivity,
  moduleId: string,
  objectives: Codes,
  categories: Codes,
  newId: NewId,
): void {
  const index = indexCourse(edit.now)
  const known = index.activitiesOf(moduleId).find((a) => titleKey(a.title) === titleKey(from.title))
  const counts = from.points !== null || from.percent !== null || from.category !== null
  const id = known?.id ?? addActivity(edit, moduleId, partFor(edit, from, counts), from.title, newId)
  const own = edit.now.activity.get(id) as Activity
  const purpose = proposedPurpose(from.kind) === null && counts ? ('demonstrate' as const) : null
  edit.set('activity', id, {
    kind: own.kind ?? from.kind,
    purpose: own.purpose ?? purpose,
    minutes: own.minutes ?? (from.minutes === null ? null : Math.min(from.minutes, mostOf('activity', 'minutes'))),
    dueRule: own.dueRule ?? dueRuleOf(edit, from, moduleId),
  })
  const activity = edit.now.activity.get(id) as Activity
  if (counts) {
    const assessment = index.assessmentOf(id)
    setAssessment(edit, activity, {
      points: assessment?.points ?? (from.points === null ? null : Math.min(from.points, mostOf('assessment', 'points'))),
      categoryId: assessment?.categoryId ?? (from.category === null ? null : (categories.get(titleKey(from.category)) ?? null)),
    })
  }
  for (const code of from.objectives) {
    const objectiveId = objectives.get(codeKey(code)) ?? [...objectives].find(([k]) => sameCode(k, code))?.[1] ?? index.idOfNumber(code)
    if (objectiveId === undefined || !edit.now.objective.has(objectiveId) || edit.now.alignment.has(linkId([id, objectiveId]))) continue
    const summative = counts && proposedFunction(activity) === 'summative'
    setStages(edit, id, objectiveId, [summative ? 'assesses' : proposedStage(activity)])
  }
}

/** The part that a file names, else the one whose purpose is that of the kind. */
function partFor(edit: PlanEdit, from: UnderstoodActivity, counts: boolean): string | null {
  const { parts } = indexCourse(edit.now)
  const named = from.part === null ? undefined : parts.find((p) => titleKey(p.title) === titleKey(from.part as string))
  const purpose = proposedPurpose(from.kind) ?? (counts ? 'demonstrate' : null)
  return (named ?? parts.find((p) => p.purpose === purpose))?.id ?? null
}

/** A weekday, a date or a week as they were written. A week alone is its last day. */
function dueRuleOf(edit: PlanEdit, { due, week }: UnderstoodActivity, moduleId: string): DueRule | null {
  const module = edit.now.module.get(moduleId) as Module
  const schedule = scheduleOf(edit.now)
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
