/** What a cell names that is not in the course yet, and making it: categories, parts, objectives. */
import { readLinks } from '../alignment/proposals'
import { blankOf } from '../blueprint/blank'
import type { Blueprint } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { readValue } from '../blueprint/field-text'
import type { NewId } from '../blueprint/ids'
import { keyIn } from '../blueprint/order'
import { indexCourse } from '../plan/plan-index'
import { addObjectives } from './objectives'

/** Case and spaces make no other thing. */
const folded = (text: string): string => text.toLowerCase().replace(/\s+/g, ' ').trim()

/** The statements, or numbers, that one cell of links holds. */
export const linkParts = (text: string): readonly string[] => text.split(/[;\n]+/).flatMap((part) => part.trim() || [])

/** The objective that is stated in these words, if there is one. */
export const objectiveStated = (plan: Blueprint, text: string): string | undefined =>
  [...plan.objective.values()].find((o) => folded(o.statement) === folded(text))?.id

/** Statements in a cell of links that no objective of the course has: not numbers, two words at least. */
export const missingObjectives = (plan: Blueprint, text: string): readonly string[] =>
  linkParts(text).filter(
    (part) => readLinks(part).unknown.length > 0 && /^\p{L}\S*\s+\S/u.test(part) && objectiveStated(plan, part) === undefined,
  )

const missingTitle =
  (kind: 'gradeCategory' | 'part') =>
  (plan: Blueprint, text: string): readonly string[] => {
    const title = readValue(kind, 'title', text)
    if (!title.ok || text.trim() === '') return []
    const index = indexCourse(plan)
    const all = kind === 'part' ? index.parts : index.categories
    return all.some((r) => folded(r.title) === folded(text)) ? [] : [String(title.value)]
  }
export const missingCategory = missingTitle('gradeCategory')
export const missingPart = missingTitle('part')

/** Adds a category of the grade, last, without a share. */
export function addCategory(edit: PlanEdit, title: string, newId: NewId): string {
  const order = keyIn(edit, 'gradeCategory', indexCourse(edit.now).categories)
  return edit.create('gradeCategory', { ...blankOf('gradeCategory'), id: newId(), title, order })
}

/** Adds a part of every module, last. */
export function addPart(edit: PlanEdit, title: string, newId: NewId): string {
  return edit.create('part', { ...blankOf('part'), id: newId(), title, order: keyIn(edit, 'part', indexCourse(edit.now).parts) })
}

/** Adds an objective at the end of the module that an activity stands in. */
export function addObjectiveFor(edit: PlanEdit, activityId: string, statement: string, newId: NewId): void {
  const moduleId = edit.now.activity.get(activityId)?.moduleId
  if (moduleId === undefined) return
  addObjectives(edit, moduleId, indexCourse(edit.now).objectivesOf(moduleId).at(-1)?.id ?? null, [statement], newId)
}
