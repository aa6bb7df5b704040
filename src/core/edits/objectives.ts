/** What designers do with outcomes and objectives, as edits. */

import { blankOf } from '../blueprint/blank'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText } from '../blueprint/field-text'
import type { NewId } from '../blueprint/ids'
import { STAGES } from '../blueprint/kinds/activity'
import { MOST_WEEKS } from '../blueprint/kinds/due-rule'
import { keyIn, keysIn } from '../blueprint/order'
import { capital } from '../blueprint/text'
import { standBeside } from '../plan/numbering'
import { indexCourse } from '../plan/plan-index'

/** Adds objectives to a module behind `afterId` (null: at the start). Empty lines are left out. Returns their ids. */
export function addObjectives(
  edit: PlanEdit,
  moduleId: string,
  afterId: string | null,
  statements: readonly string[],
  newId: NewId,
): string[] {
  const texts = statements.flatMap((s) => fittedText('objective', 'statement', s) ?? [])
  const siblings = indexCourse(edit.now).objectivesOf(moduleId)
  const keys = keysIn(edit, 'objective', siblings, siblings.findIndex((o) => o.id === afterId) + 1, texts.length)
  return texts.map((statement, i) =>
    edit.create('objective', { id: newId(), moduleId, statement, level: null, origin: 'own', order: keys[i] as string }),
  )
}

/**
 * Makes two objectives of one, cut where the caret stood. What was typed before a wording that was there (`was`) becomes a new line
 * above it, so that the links stay with their wording; else what is behind the caret becomes a new line below. Returns the id of
 * the second line, where the caret goes on.
 */
export function breakObjective(edit: PlanEdit, id: string, head: string, tail: string, was: string, newId: NewId): string | null {
  const objective = edit.now.objective.get(id)
  if (!objective) return null
  if (tail === was.trim()) {
    const siblings = indexCourse(edit.now).objectivesOf(objective.moduleId)
    const above = siblings[siblings.findIndex((o) => o.id === id) - 1]
    edit.set('objective', id, { statement: was })
    addObjectives(edit, objective.moduleId, above?.id ?? null, [capital(head)], newId)
    return id
  }
  edit.set('objective', id, { statement: head })
  return addObjectives(edit, objective.moduleId, id, [capital(tail)], newId)[0] ?? null
}

/** Makes one objective of two: `keepId` keeps its wording and gets the links that only the other had; stages are joined. */
export function mergeObjectives(edit: PlanEdit, keepId: string, goneId: string): void {
  const index = indexCourse(edit.now)
  if (keepId === goneId || !edit.now.objective.has(keepId) || !edit.now.objective.has(goneId)) return
  const outcomes = new Set(index.outcomesOf(keepId).map((o) => o.id))
  for (const outcome of index.outcomesOf(goneId))
    if (!outcomes.has(outcome.id)) edit.create('objectiveOutcome', { id: '', objectiveId: keepId, outcomeId: outcome.id })
  const own = new Map(index.alignmentsFor(keepId).map((a) => [a.activityId, a]))
  for (const other of index.alignmentsFor(goneId)) {
    const mine = own.get(other.activityId)
    if (mine) edit.set('alignment', mine.id, { stages: STAGES.filter((s) => mine.stages.includes(s) || other.stages.includes(s)) })
    else edit.create('alignment', { ...other, objectiveId: keepId })
  }
  const cited = new Set([...edit.now.criterionObjective.values()].filter((l) => l.objectiveId === keepId).map((l) => l.criterionId))
  for (const link of edit.now.criterionObjective.values())
    if (link.objectiveId === goneId && !cited.has(link.criterionId))
      edit.create('criterionObjective', { id: '', criterionId: link.criterionId, objectiveId: keepId })
  edit.remove({ kind: 'objective', id: goneId })
}

export function addOutcomes(edit: PlanEdit, afterId: string | null, statements: readonly string[], newId: NewId): string[] {
  const texts = statements.flatMap((s) => fittedText('outcome', 'statement', s) ?? [])
  const siblings = indexCourse(edit.now).outcomes
  const at = afterId === null ? siblings.length : siblings.findIndex((o) => o.id === afterId) + 1
  const keys = keysIn(edit, 'outcome', siblings, at, texts.length)
  return texts.map((statement, i) =>
    edit.create('outcome', { id: newId(), statement, level: null, intendedShare: null, origin: 'own', order: keys[i] as string }),
  )
}

/** Moves an objective one line up or down; over the edge of its module it goes to the next one. Returns whether it moved. */
export function moveObjective(edit: PlanEdit, id: string, step: 1 | -1): boolean {
  const index = indexCourse(edit.now)
  const objective = edit.now.objective.get(id)
  if (!objective) return false
  const siblings = index.objectivesOf(objective.moduleId)
  const at = siblings.findIndex((o) => o.id === id)
  if (at + step >= 0 && at + step < siblings.length) return placeObjective(edit, id, objective.moduleId, at + step)
  const module = index.modules[index.modules.findIndex((m) => m.id === objective.moduleId) + step]
  return module ? placeObjective(edit, id, module.id, step === 1 ? 0 : index.objectivesOf(module.id).length) : false
}

/** Puts an objective at a position among the others of a module. */
export function placeObjective(edit: PlanEdit, id: string, moduleId: string, position: number): boolean {
  const others = indexCourse(edit.now)
    .objectivesOf(moduleId)
    .filter((o) => o.id !== id)
  const order = keyIn(edit, 'objective', others, position)
  edit.set('objective', id, { moduleId, order })
  return true
}

type Listed = 'outcome' | 'module' | 'part' | 'gradeCategory' | 'rubric' | 'criterion'

/** Moves a record one place among its like: all of its kind, or those of the same rubric. */
export function moveInList(edit: PlanEdit, kind: Listed, id: string, step: 1 | -1): boolean {
  const list = siblingsInList(edit, kind, id)
  const at = list.findIndex((r) => r.id === id)
  if (at < 0 || at + step < 0 || at + step >= list.length) return false
  placeInList(edit, kind, id, at + step)
  return true
}

/** Puts a record at a position among the others of its list. */
export function placeInList(edit: PlanEdit, kind: Listed, id: string, position: number): void {
  const order = keyIn(
    edit,
    kind,
    siblingsInList(edit, kind, id).filter((r) => r.id !== id),
    position,
  )
  edit.set(kind, id, { order })
}

function siblingsInList(edit: PlanEdit, kind: Listed, id: string): readonly { readonly id: string; readonly order: string }[] {
  const index = indexCourse(edit.now)
  if (kind === 'criterion') return index.criteriaOf(edit.now.criterion.get(id)?.rubricId ?? '')
  const own = edit.now.module.get(id)
  if (kind === 'module') return own ? index.modules.filter((m) => standBeside(m, own)) : []
  return { outcome: index.outcomes, part: index.parts, gradeCategory: index.categories, rubric: index.rubrics }[kind]
}

/**
 * Joins an objective to the one above it in its module: one line with the links of both. Returns the id that stays and where
 * the texts meet; null where there is nothing above, or a wording is prescribed.
 */
export function joinWithAbove(edit: PlanEdit, id: string, text: string): { readonly id: string; readonly at: number } | null {
  const objective = edit.now.objective.get(id)
  const siblings = objective ? indexCourse(edit.now).objectivesOf(objective.moduleId) : []
  const above = siblings[siblings.findIndex((o) => o.id === id) - 1]
  if (!objective || !above || above.origin === 'prescribed' || objective.origin === 'prescribed') return null
  const joined = fittedText('objective', 'statement', `${above.statement} ${text.trim()}`)
  if (joined === null) return null
  mergeObjectives(edit, above.id, id)
  edit.set('objective', above.id, { statement: joined })
  return { id: above.id, at: Math.min(above.statement.length, joined.length) }
}

/** Links several objectives to these outcomes as well, leaving the links they have. */
export function addOutcomeLinks(edit: PlanEdit, objectiveIds: readonly string[], outcomeIds: readonly string[]): void {
  for (const objectiveId of objectiveIds) {
    const own = indexCourse(edit.now).outcomesOf(objectiveId)
    setOutcomes(edit, objectiveId, [...new Set([...own.map((o) => o.id), ...outcomeIds])])
  }
}

/** Puts objectives at the end of a module, in the order they have. */
export function moveToModule(edit: PlanEdit, objectiveIds: readonly string[], moduleId: string): void {
  const chosen = indexCourse(edit.now).objectives.filter((o) => objectiveIds.includes(o.id))
  for (const o of chosen) placeObjective(edit, o.id, moduleId, indexCourse(edit.now).objectivesOf(moduleId).length)
}

/** Links an objective to exactly these outcomes. */
export function setOutcomes(edit: PlanEdit, objectiveId: string, outcomeIds: readonly string[]): void {
  const before = indexCourse(edit.now).outcomesOf(objectiveId)
  for (const link of edit.now.objectiveOutcome.values())
    if (link.objectiveId === objectiveId && !outcomeIds.includes(link.outcomeId)) edit.remove({ kind: 'objectiveOutcome', id: link.id })
  for (const outcomeId of outcomeIds)
    if (!before.some((o) => o.id === outcomeId)) edit.create('objectiveOutcome', { id: '', objectiveId, outcomeId })
}

/** Reads outcome numbers as typed: `5 3`, `CO5, CO3`. Null for each that there is not. */
export function readOutcomeNumbers(
  edit: Pick<PlanEdit, 'now'>,
  text: string,
): { readonly ids: readonly string[]; readonly unknown: readonly string[] } {
  const { outcomes } = indexCourse(edit.now)
  const tokens = text.split(/[\s,;]+/).filter(Boolean)
  const found = tokens.map((t) => ({ t, outcome: /^\D{0,8}\d{1,3}$/.test(t) ? outcomes[Number(t.replace(/^\D+/, '')) - 1] : undefined }))
  return {
    ids: [...new Set(found.flatMap((f) => f.outcome?.id ?? []))],
    unknown: found.flatMap((f) => (f.outcome ? [] : [f.t])),
  }
}

/** Adds a module at the end, in the first week that no other uses. Returns its id. */
export function addModule(edit: PlanEdit, title: string, newId: NewId): string {
  const { modules } = indexCourse(edit.now)
  const order = keyIn(
    edit,
    'module',
    modules.filter((m) => m.role === null),
  )
  const used = Math.max(0, ...modules.map((m) => m.lastWeek ?? m.firstWeek ?? 0))
  const weeks = edit.now.course.get('course')?.weeks ?? 0
  const week = used < weeks ? used + 1 : null
  return edit.create('module', {
    ...blankOf('module'),
    id: newId(),
    title: fittedText('module', 'title', title) ?? 'Untitled',
    subtitle: null,
    planning: 'sketch',
    firstWeek: week,
    lastWeek: week,
    order,
  })
}

/** Reads weeks as typed: `5`, `5-6`, `weeks 5–6`. */
export function readWeeks(text: string): { readonly firstWeek: number | null; readonly lastWeek: number | null } | null {
  const t = text.trim()
  if (t === '') return { firstWeek: null, lastWeek: null }
  const match = /^(?:weeks?|wk)?\s*(\d{1,2})(?:\s*(?:-|–|to)\s*(\d{1,2}))?$/i.exec(t)
  if (!match) return null
  const [first, last] = [Number(match[1]), Number(match[2] ?? match[1])]
  return first >= 1 && last <= MOST_WEEKS && first <= last ? { firstWeek: first, lastWeek: last } : null
}
