/** Puts what was understood of a file or a text into the course, as one edit. What the course has already is filled up, not doubled. */
import { blankOf } from '../blueprint/blank'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText } from '../blueprint/field-text'
import { linkId, type NewId } from '../blueprint/ids'
import type { Module } from '../blueprint/kinds'
import { MOST_WEEKS } from '../blueprint/kinds/due-rule'
import { keyIn } from '../blueprint/order'
import { sameCode } from '../intake/items'
import { codeKey, nameKey } from '../intake/quantities'
import type { Understanding, UnderstoodModule } from '../intake/understanding'
import { groupBy } from '../plan/group-by'
import { indexCourse } from '../plan/plan-index'
import { bringActivities } from './bring-activities'
import { bringPieces, bringTerm } from './bring-pieces'
import { addModule, addObjectives, addOutcomes } from './objectives'

/** Ids by codes or names as they came. */
export type Codes = Map<string, string>
/** Objectives by their codes: of each module, since codes may begin anew there, and of all, the first of a code. */
export type ObjectiveCodes = { readonly all: Codes; readonly of: Map<string, Codes> }

/** Adds the tree. Numbers of the plan follow from its order, so codes only join what came together. */
export function bringIn(edit: PlanEdit, understood: Understanding, newId: NewId): void {
  bringTerm(edit, understood.pieces, newId)
  const outcomes = bringOutcomes(edit, understood, newId)
  const categories = bringCategories(edit, understood, newId)
  const objectives: ObjectiveCodes = { all: new Map(), of: new Map() }
  // Two of one name are two, as they were shown: the first is the first that the course has under it.
  const there = groupBy(indexCourse(edit.now).modules, (m) => nameKey(m.title))
  const modules = understood.modules.map((m) => ({ from: m, id: bringModule(edit, m, there.get(nameKey(m.title))?.shift(), newId) }))
  for (const { from, id } of modules) bringObjectives(edit, from, id, outcomes, objectives, newId)
  bringActivities(edit, modules, objectives, categories, newId)
  bringPieces(edit, understood.pieces, objectives.all, newId)
}

function bringOutcomes(edit: PlanEdit, { outcomes }: Understanding, newId: NewId): Codes {
  const codes: Codes = new Map()
  for (const { code, statement } of outcomes) {
    const known = indexCourse(edit.now).outcomes.find((o) => nameKey(o.statement) === nameKey(statement))
    const id = known?.id ?? addOutcomes(edit, null, [statement], newId)[0]
    if (code !== null && id !== undefined) codes.set(codeKey(code), id)
  }
  return codes
}

/** Categories come in only where the grade table gives shares: without them the grade goes by points. */
function bringCategories(edit: PlanEdit, { categories }: Understanding, newId: NewId): Codes {
  // Work may name a category that the course has, also where no grade table came.
  const titles: Codes = new Map(indexCourse(edit.now).categories.map((c) => [nameKey(c.title), c.id]))
  if (categories.every((c) => c.share === null)) return titles
  for (const { title, share, drop } of categories) {
    const text = fittedText('gradeCategory', 'title', title)
    if (text === null) continue
    const siblings = indexCourse(edit.now).categories
    const known = siblings.find((c) => nameKey(c.title) === nameKey(text))
    if (known) {
      if (known.share === null && share !== null) edit.set('gradeCategory', known.id, { share: Math.min(share, 100_00) })
      if (known.dropLowest === null && drop !== undefined) edit.set('gradeCategory', known.id, { dropLowest: drop })
      titles.set(nameKey(title), known.id)
      continue
    }
    const order = keyIn(edit, 'gradeCategory', siblings)
    const id = edit.create('gradeCategory', {
      ...blankOf('gradeCategory'),
      id: newId(),
      title: text,
      share: share === null ? null : Math.min(share, 100_00),
      dropLowest: drop ?? null,
      order,
    })
    titles.set(nameKey(title), id)
  }
  return titles
}

function bringModule(edit: PlanEdit, { title, weeks, role }: UnderstoodModule, known: Module | undefined, newId: NewId): string {
  const id = known?.id ?? addModule(edit, title, newId)
  if (role && !known) edit.set('module', id, { role })
  if (weeks && weeks.last <= MOST_WEEKS && (!known || known.firstWeek === null)) {
    edit.set('module', id, { firstWeek: weeks.first, lastWeek: weeks.last })
    const course = edit.now.course.get('course')
    if (course && course.weeks < weeks.last) edit.set('course', 'course', { weeks: weeks.last })
  }
  return id
}

function bringObjectives(
  edit: PlanEdit,
  from: UnderstoodModule,
  moduleId: string,
  outcomes: Codes,
  objectives: ObjectiveCodes,
  newId: NewId,
): void {
  const own: Codes = objectives.of.get(moduleId) ?? new Map()
  objectives.of.set(moduleId, own)
  for (const { code, statement, outcomes: refs } of from.objectives) {
    const siblings = indexCourse(edit.now).objectivesOf(moduleId)
    const known = siblings.find((o) => nameKey(o.statement) === nameKey(statement))
    const id = known?.id ?? addObjectives(edit, moduleId, siblings.at(-1)?.id ?? null, [statement], newId)[0]
    if (id === undefined) continue
    if (code !== null) {
      own.set(codeKey(code), id)
      if (!objectives.all.has(codeKey(code))) objectives.all.set(codeKey(code), id)
    }
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
