/** A fix becomes operations against the blueprint of the moment it is applied. */
import { type Blueprint, anyRecord } from '../blueprint/blueprint'
import { type Operation, updateOperation } from '../blueprint/change'
import { indexCourse } from '../blueprint/course-index'
import { linkId, type NewId } from '../blueprint/ids'
import type { Objective } from '../blueprint/kinds'
import { insertAt, rekeyOperations } from '../blueprint/order'
import { removalOf } from '../blueprint/removal'
import { unreachable } from '../result'
import type { FixStep } from './finding'

/** Operations for the steps; those whose record is gone, or that change nothing, are left out. */
export function fixOperations(blueprint: Blueprint, steps: readonly FixStep[], newId: NewId): Operation[] {
  return steps.flatMap((step): readonly Operation[] => {
    switch (step.do) {
      case 'set': {
        const record = anyRecord(blueprint, step)
        const operation = record && updateOperation(step.kind, record, step.to)
        return operation ? [operation] : []
      }
      case 'create':
        return anyRecord(blueprint, { kind: step.kind, id: step.record.id }) ? [] : [{ op: 'create', kind: step.kind, record: step.record }]
      case 'remove': {
        const removal = removalOf(blueprint, [step])
        return removal.ok ? removal.operations : []
      }
      case 'split-objective': {
        const objective = blueprint.objective.get(step.id)
        return objective ? splitObjective(blueprint, objective, step.first, step.second, newId()) : []
      }
      default:
        return unreachable(step)
    }
  })
}

/** Two objectives from one: the first keeps its id, the second follows it and gets the same links. */
export function splitObjective(blueprint: Blueprint, objective: Objective, first: string, second: string, id: string): Operation[] {
  const index = indexCourse(blueprint)
  const siblings = index.objectivesOf(objective.moduleId)
  const insertion = insertAt(siblings, siblings.findIndex((o) => o.id === objective.id) + 1, 1)
  const record = { ...objective, id, statement: second, level: null, order: insertion.keys[0] as string }
  const reworded = updateOperation('objective', objective, { statement: first })
  return [
    ...(reworded ? [reworded] : []),
    ...rekeyOperations('objective', insertion, (o) => blueprint.objective.get(o)),
    { op: 'create', kind: 'objective', record },
    ...index.outcomesOf(objective.id).map((o): Operation => ({
      op: 'create',
      kind: 'objectiveOutcome',
      record: { id: linkId([id, o.id]), objectiveId: id, outcomeId: o.id },
    })),
    ...index.alignmentsFor(objective.id).map((a): Operation => ({
      op: 'create',
      kind: 'alignment',
      record: { ...a, id: linkId([a.activityId, id]), objectiveId: id },
    })),
  ]
}
