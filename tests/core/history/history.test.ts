import { expect } from 'chai'
import { applyChange, applyEffective } from '../../../src/core/blueprint/apply'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { invertOperations, type Operation } from '../../../src/core/blueprint/change'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { moveObjective, setOutcomes } from '../../../src/core/edits/objectives'
import { sameBlueprint } from '../../../src/core/formats/native'
import { describeChange } from '../../../src/core/history/describe'
import { planBefore, restorePlan, restoreRecord, withoutLostLinks } from '../../../src/core/history/past'
import { aBlueprint, aCategory, aModule, anActivity, anObjective, anOutcome, assessmentOf } from '../../support/course'

const plan = aBlueprint({
  outcome: [anOutcome('co1'), anOutcome('co2', { statement: 'Measure flow' })],
  module: [aModule('m1', { title: 'Flow' }), aModule('m2')],
  objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1'), anObjective('o3', 'm2')],
  activity: [anActivity('a1', 'm1', { title: 'Lab 2', minutes: 30 })],
  assessment: [assessmentOf('a1', 2000, 'g1')],
  gradeCategory: [aCategory('g1', 5000, { title: 'Labs' })],
})
const told = (work: (e: PlanEdit) => void, base: Blueprint = plan): string[] => {
  const operations = editPlan(base, work)
  return describeChange(operations, base, applyEffective(base, operations)).map((l) => l.text)
}

describe('the log in words', () => {
  it('says which field went from what to what', () => {
    expect(told((e) => e.set('assessment', 'a1--assessment', { points: 2500 }))).to.deep.equal(['1.1 Lab 2: points 20 to 25'])
    expect(told((e) => e.set('activity', 'a1', { title: 'Lab two', minutes: null }))).to.deep.equal([
      '1.1: minutes 30 to nothing; title “Lab 2” to “Lab two”',
    ])
    expect(told((e) => e.set('assessment', 'a1--assessment', { categoryId: null }))).to.deep.equal(['1.1 Lab 2: category Labs to nothing'])
    expect(told((e) => e.set('outcome', 'co2', { intendedShare: 2000 }))).to.deep.equal(['CO2 Measure flow: intended share nothing to 20'])
  })
  it('says of long texts what differs in them, and of one that only looks otherwise that it does', () => {
    const words = 'Measure the velocity of the water at twenty verticals of one section'
    const [a, b] = [`${words} with a float`, `${words} with a meter and a wading rod on a calm day`]
    const long = applyEffective(
      plan,
      editPlan(plan, (e) => e.set('outcome', 'co2', { statement: a })),
    )
    expect(told((e) => e.set('outcome', 'co2', { statement: b }), long)).to.deep.equal([
      'CO2: statement “…a float” to “…a meter and a wading rod on a calm day”',
    ])
    const rich = (text: string, marks?: readonly [{ type: 'bold' }]) => ({
      type: 'doc' as const,
      content: [{ type: 'paragraph' as const, content: [{ type: 'text' as const, text, ...(marks ? { marks } : {}) }] }],
    })
    const described = applyEffective(
      plan,
      editPlan(plan, (e) => e.set('course', 'course', { description: rich('We measure') })),
    )
    expect(told((e) => e.set('course', 'course', { description: rich('We measure') }))).to.deep.equal([
      'the course: description nothing to “We measure”',
    ])
    expect(told((e) => e.set('course', 'course', { description: rich('We measure streams') }), described)).to.deep.equal([
      'the course: description “We measure” to “We measure streams”',
    ])
    expect(told((e) => e.set('course', 'course', { description: rich('We measure', [{ type: 'bold' }]) }), described)).to.deep.equal([
      'the course: description in other form',
    ])
  })
  it('says what moved where', () => {
    expect(told((e) => void moveObjective(e, 'o2', -1))).to.deep.equal(['moved 1b Measure o2 before 1b'])
    expect(told((e) => void moveObjective(e, 'o2', 1))).to.deep.equal(['moved 1b Measure o2 to module 2'])
  })
  it('says what was added, removed and linked, by name', () => {
    expect(told((e) => setOutcomes(e, 'o1', ['co2']))).to.deep.equal(['linked 1a and CO2'])
    expect(told((e) => e.remove({ kind: 'activity', id: 'a1' }))).to.deep.equal(['removed 1.1 Lab 2', 'removed 1.1 Lab 2'])
    expect(told((e) => void e.create('outcome', anOutcome('co3')))).to.deep.equal(['added CO3 Explain co3'])
  })
})

describe('the way back', () => {
  const steps: ((e: PlanEdit) => void)[] = [
    (e) => e.set('activity', 'a1', { title: 'Lab two' }),
    (e) => setOutcomes(e, 'o1', ['co1', 'co2']),
    (e) => e.remove({ kind: 'module', id: 'm1' }),
    (e) => void e.create('module', aModule('m3')),
  ]
  const states: Blueprint[] = [plan]
  const log: Operation[][] = []
  for (const step of steps) {
    const now = states.at(-1) as Blueprint
    const operations = editPlan(now, step)
    log.push(operations)
    states.push(applyEffective(now, operations))
  }
  it('works out every earlier state from the last one and the log', () => {
    let at = states.at(-1) as Blueprint
    for (let i = log.length - 1; i >= 0; i--) {
      at = planBefore(at, log[i] as Operation[])
      expect(sameBlueprint(at, states[i] as Blueprint), `state ${i}`).to.equal(true)
    }
  })
  it('leaves out the links of a record to what is gone since, where it can do without', () => {
    const removed = editPlan(plan, (e) => e.remove({ kind: 'activity', id: 'a1' }))
    const without = applyEffective(
      applyEffective(plan, removed),
      editPlan(plan, (e) => e.remove({ kind: 'gradeCategory', id: 'g1' })).filter((o) => o.op === 'remove'),
    )
    const back = applyEffective(without, withoutLostLinks(without, invertOperations(removed)))
    expect(back.activity.get('a1')?.title).to.equal('Lab 2')
    expect(back.assessment.get('a1--assessment')).to.include({ points: 2000, categoryId: null })
  })
  it('sets the plan, or one record, back as a change that could have been made by hand', () => {
    const last = states.at(-1) as Blueprint
    const back = applyChange(last, { id: 'r', code: 'restore', params: {}, onConflict: 'skip', operations: restorePlan(last, plan) })
    expect(back.ok && back.skipped.length === 0 && sameBlueprint(back.blueprint, plan)).to.equal(true)
    const one = applyEffective(states[1] as Blueprint, restoreRecord(states[1] as Blueprint, plan, { kind: 'activity', id: 'a1' }))
    expect(one.activity.get('a1')?.title).to.equal('Lab 2')
    expect(restoreRecord(last, plan, { kind: 'objective', id: 'o3' })).to.deep.equal([])
    expect(restoreRecord(last, plan, { kind: 'activity', id: 'a1' }).map((o) => o.op)).to.deep.equal(['create'])
  })
})
