/** Edits by chance, for what must hold whatever people do. */
import type { Blueprint } from '../../src/core/blueprint/blueprint'
import type { Operation } from '../../src/core/blueprint/change'
import { editPlan, type PlanEdit } from '../../src/core/blueprint/edit'
import { moveActivity, setAssessment, setStages } from '../../src/core/edits/activities'
import { addModule, addObjectives, moveInList, moveObjective, setOutcomes } from '../../src/core/edits/objectives'
import { setItemLinks } from '../../src/core/frameworks/edits'
import { addItem } from '../../src/core/frameworks/item-cells'
import { aBlueprint, aCategory, aFramework, aModule, anActivity, anItem, anObjective, anOutcome } from './course'

/** A small plan in which every sort of edit finds something. */
export const start = aBlueprint({
  outcome: [anOutcome('co1'), anOutcome('co2')],
  part: [
    { id: 'p1', title: 'Try', purpose: null, order: 'a0' },
    { id: 'p2', title: 'Show', purpose: null, order: 'a1' },
  ],
  module: [aModule('m1'), aModule('m2')],
  objective: [anObjective('o1', 'm1'), anObjective('o2', 'm2')],
  activity: [anActivity('a1', 'm1', { partId: 'p1' }), anActivity('a2', 'm2')],
  gradeCategory: [aCategory('g1', 5000, { title: 'Labs' })],
  framework: [aFramework('f1')],
  frameworkItem: [anItem('i1', 'f1'), anItem('i2', 'f1', { parentId: 'i1' }), anItem('i3', 'f1')],
})

/** One random edit of a plan, as operations; none where the plan has too little left. */
export const randomOperations = (base: Blueprint, random: () => number, newId: () => string): Operation[] =>
  base.module.size && base.objective.size && base.activity.size && base.part.size && base.outcome.size
    ? editPlan(base, randomWork(random, newId))
    : []

/** One random edit, of the kinds that people make. */
function randomWork(random: () => number, newId: () => string): (e: PlanEdit) => void {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
  const one = <K extends 'module' | 'objective' | 'activity' | 'outcome' | 'part' | 'gradeCategory' | 'frameworkItem'>(
    e: PlanEdit,
    kind: K,
  ) => pick([...e.now[kind].keys()])
  return pick<(e: PlanEdit) => void>([
    (e) => e.set('activity', one(e, 'activity'), { title: `T${Math.floor(random() * 4)}` }),
    (e) =>
      e.set('activity', one(e, 'activity'), {
        minutes: Math.floor(random() * 3),
        dueRule: { rule: 'module-day', week: 1, day: 1 + Math.floor(random() * 2) },
      }),
    (e) => e.set('objective', one(e, 'objective'), { statement: `Measure ${Math.floor(random() * 4)}` }),
    (e) => e.set('gradeCategory', one(e, 'gradeCategory'), { share: Math.floor(random() * 3) * 1000 }),
    (e) => void addObjectives(e, one(e, 'module'), null, ['Explain it', 'Draw it'], newId),
    (e) => void addModule(e, 'More', newId),
    (e) => void e.create('activity', anActivity(newId(), one(e, 'module'), { order: 'a5' })),
    (e) => setStages(e, one(e, 'activity'), one(e, 'objective'), pick([['introduces'], ['practises', 'assesses'], []])),
    (e) => setOutcomes(e, one(e, 'objective'), pick([[], [...e.now.outcome.keys()]])),
    (e) => {
      const activity = e.now.activity.get(one(e, 'activity'))
      if (activity)
        setAssessment(e, activity, { points: 100 * Math.floor(random() * 3), categoryId: pick([null, ...e.now.gradeCategory.keys()]) })
    },
    (e) => void moveActivity(e, one(e, 'activity'), pick([1, -1])),
    (e) => void moveObjective(e, one(e, 'objective'), pick([1, -1])),
    (e) => void moveInList(e, 'module', one(e, 'module'), pick([1, -1])),
    // Whatever stands within what: those that would stand within themselves are refused alike.
    (e) => e.set('frameworkItem', one(e, 'frameworkItem'), { parentId: pick([null, ...e.now.frameworkItem.keys()]), order: 'a5' }),
    (e) => void addItem(e, 'f1', 'More', newId),
    (e) => setItemLinks(e, 'objective', one(e, 'frameworkItem'), pick([[], [...e.now.objective.keys()]])),
    (e) => e.now.frameworkItem.size > 2 && e.remove({ kind: 'frameworkItem', id: one(e, 'frameworkItem') }),
    (e) => e.remove({ kind: 'activity', id: one(e, 'activity') }),
    (e) => e.remove({ kind: 'objective', id: one(e, 'objective') }),
    (e) => e.now.module.size > 1 && e.remove({ kind: 'module', id: one(e, 'module') }),
    (e) => e.now.part.size > 1 && e.remove({ kind: 'part', id: one(e, 'part') }),
  ])
}
