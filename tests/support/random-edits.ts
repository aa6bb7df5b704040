/** Edits by chance, for what must hold whatever people do. */
import { blankOf } from '../../src/core/blueprint/blank'
import { type Blueprint, patchBlueprint, recordMap } from '../../src/core/blueprint/blueprint'
import type { Operation } from '../../src/core/blueprint/change'
import { editPlan, type PlanEdit } from '../../src/core/blueprint/edit'
import { withFixedId } from '../../src/core/blueprint/ids'
import { type AnyRecord, fieldsOf, KIND_NAMES, type KindName, leadsToItself, parentFieldOf, specOf } from '../../src/core/blueprint/kinds'
import { moveActivity, setAssessment, setStages } from '../../src/core/edits/activities'
import { addModule, addObjectives, moveInList, moveObjective, setOutcomes } from '../../src/core/edits/objectives'
import { setItemLinks } from '../../src/core/frameworks/edits'
import { addItem } from '../../src/core/frameworks/item-cells'
import { aBlueprint, aCategory, aFramework, aModule, anActivity, anItem, anObjective, anOutcome, counter } from './course'
import { valueFor } from './random-values'
import { rng } from './rng'

/** A small plan in which every sort of edit that is written by hand finds something. */
const small = aBlueprint({
  outcome: [anOutcome('co1'), anOutcome('co2')],
  part: [
    { ...blankOf('part'), id: 'p1', title: 'Try', order: 'a0' },
    { ...blankOf('part'), id: 'p2', title: 'Show', order: 'a1' },
  ],
  module: [aModule('m1'), aModule('m2')],
  objective: [anObjective('o1', 'm1'), anObjective('o2', 'm2')],
  activity: [anActivity('a1', 'm1', { partId: 'p1' }), anActivity('a2', 'm2')],
  gradeCategory: [aCategory('g1', 5000, { title: 'Labs' })],
  framework: [aFramework('f1')],
  frameworkItem: [anItem('i1', 'f1'), anItem('i2', 'f1', { parentId: 'i1' }), anItem('i3', 'f1')],
})

const idsIn = (plan: Blueprint) => (kind: string) => [...recordMap(plan, kind as KindName).keys()]

/** A record of a kind with a value in every field; null where it would have to refer to what is not there. */
export function generatedRecord(plan: Blueprint, kind: KindName, random: () => number, newId: () => string): AnyRecord | null {
  const values: [string, unknown][] = []
  for (const [name, field] of fieldsOf(kind)) {
    // A new record stands in no other of its kind yet: what would make a cycle is tried by updates.
    const value = name === parentFieldOf(kind) ? null : valueFor(field, random, idsIn(plan))
    if (value === undefined) return null
    values.push([name, value])
  }
  return withFixedId(kind, { id: newId(), ...Object.fromEntries(values) } as AnyRecord)
}

/** A plan that has records of every kind there is. */
export function filled(random: () => number, newId: () => string, base: Blueprint = small): Blueprint {
  let plan = base
  // By chance a link leads to itself, or is there already: then another.
  for (const kind of KIND_NAMES)
    for (let tries = 0; recordMap(plan, kind).size < 2 && tries < 6; tries++) {
      const record = specOf(kind).single ? null : generatedRecord(plan, kind, random, newId)
      if (record && !leadsToItself(kind, record) && !recordMap(plan, kind).has(record.id))
        plan = patchBlueprint(plan, { set: [{ kind, record }], removed: [] })
    }
  return plan
}

/** The plan that tests of changes begin with. */
export const start = filled(rng(4242), counter('s'))

/** An edit made of the fields of a kind, whichever kinds there are: made, changed in a field or two, or removed. */
function generatedWork(random: () => number, newId: () => string): (e: PlanEdit) => void {
  return (e) => {
    const kind = KIND_NAMES[Math.floor(random() * KIND_NAMES.length)] as KindName
    const spec = specOf(kind)
    const ids = idsIn(e.now)(kind)
    const id = ids[Math.floor(random() * ids.length)]
    const dice = random()
    if (!spec.single && (id === undefined || dice < 0.3)) {
      const record = generatedRecord(e.now, kind, random, newId)
      if (record && !recordMap(e.now, kind).has(record.id)) e.create(kind, record as never)
    } else if (id !== undefined && !spec.single && dice < 0.4 && ids.length > 1) e.remove({ kind, id })
    else if (id !== undefined) {
      const fields = fieldsOf(kind).filter(([name]) => !spec.ends?.includes(name))
      for (const [name, field] of fields.filter(() => random() < 2 / Math.max(2, fields.length))) {
        const value = valueFor(field, random, idsIn(e.now))
        if (value !== undefined) e.set(kind, id, { [name]: value })
      }
    }
  }
}

/** One random edit of a plan, as operations: of those that people make, or made of the kinds. */
export function randomOperations(base: Blueprint, random: () => number, newId: () => string): Operation[] {
  const enough = [base.module, base.objective, base.activity, base.part, base.outcome, base.frameworkItem].every((m) => m.size > 0)
  return editPlan(base, random() < 0.5 && enough ? randomWork(random, newId) : generatedWork(random, newId))
}

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
