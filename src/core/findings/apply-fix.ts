/** A fix becomes an edit of the blueprint of the moment it is applied. */
import { anyRecord } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import type { NewId } from '../blueprint/ids'
import { addObjectives, mergeObjectives } from '../edits/objectives'
import { coverItem } from '../frameworks/edits'
import { indexCourse } from '../plan/plan-index'
import { unreachable } from '../result'
import type { FixStep } from './finding'

/** Takes the steps; those whose record is gone change nothing. */
export function applyFix(edit: PlanEdit, steps: readonly FixStep[], newId: NewId): void {
  for (const step of steps)
    switch (step.do) {
      case 'set':
        edit.set(step.kind, step.id, step.to)
        break
      case 'create':
        if (!anyRecord(edit.now, { kind: step.kind, id: step.record.id })) edit.create(step.kind, step.record as never)
        break
      case 'remove':
        edit.remove(step)
        break
      case 'split-objective':
        splitObjective(edit, step.id, step.first, step.second, newId)
        break
      case 'merge-objectives':
        mergeObjectives(edit, step.keep, step.gone)
        break
      case 'cover-item':
        coverItem(edit, step.itemId, step.moduleId, step.stage, newId)
        break
      default:
        unreachable(step)
    }
}

/** Two objectives from one: the first keeps its id, the second follows it; links are kept on both. */
export function splitObjective(edit: PlanEdit, id: string, first: string, second: string, newId: NewId): void {
  const objective = edit.now.objective.get(id)
  if (!objective) return
  const index = indexCourse(edit.now)
  edit.set('objective', id, { statement: first })
  const [added] = addObjectives(edit, objective.moduleId, id, [second], newId)
  if (!added) return
  for (const outcome of index.outcomesOf(id)) edit.create('objectiveOutcome', { id: '', objectiveId: added, outcomeId: outcome.id })
  for (const a of index.alignmentsFor(id)) edit.create('alignment', { ...a, objectiveId: added })
}
