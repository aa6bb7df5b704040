import { expect } from 'chai'
import { applyChange } from '../../../src/core/blueprint/apply'
import { blankOf } from '../../../src/core/blueprint/blank'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import type { Change, Operation } from '../../../src/core/blueprint/change'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { linkId } from '../../../src/core/blueprint/ids'
import {
  aBlueprint,
  aCategory,
  alignmentOf,
  aModule,
  anActivity,
  anObjective,
  anOutcome,
  assessmentOf,
  outcomeLink,
} from '../../support/course'

const plan = aBlueprint({
  module: [aModule('m1'), aModule('m2')],
  outcome: [anOutcome('co1')],
  part: [{ ...blankOf('part'), id: 'p1', title: 'Try', order: 'a0' }],
  objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1')],
  objectiveOutcome: [outcomeLink('o1', 'co1')],
  activity: [anActivity('a1', 'm1', { partId: 'p1' }), anActivity('a2', 'm1')],
  alignment: [alignmentOf('a1', 'o1', 'assesses')],
  gradeCategory: [aCategory('g1', 10_000, { title: 'Labs' })],
  assessment: [assessmentOf('a1', 1000, 'g1')],
})
let n = 0
const change = (operations: readonly Operation[], onConflict: Change['onConflict'] = 'refuse'): Change => ({
  id: `c${++n}`,
  code: 'test',
  params: {},
  onConflict,
  operations,
})
const edit = (base: Blueprint, work: (e: PlanEdit) => void, onConflict?: Change['onConflict']) => change(editPlan(base, work), onConflict)
const applied = (base: Blueprint, c: Change) => {
  const result = applyChange(base, c)
  if (!result.ok) throw new Error(`refused: ${JSON.stringify(result.conflicts)}`)
  return result
}
const refused = (base: Blueprint, c: Change) => {
  const result = applyChange(base, c)
  expect(result.ok).to.equal(false)
  return result.ok ? [] : result.conflicts
}
const rename = (title: string) => (e: PlanEdit) => e.set('activity', 'a1', { title })

describe('applying a change', () => {
  it('writes the fields it names and leaves the blueprint it was given alone', () => {
    const result = applied(plan, edit(plan, rename('Lab')))
    expect(result.blueprint.activity.get('a1')?.title).to.equal('Lab')
    expect(plan.activity.get('a1')?.title).to.equal('Activity a1')
  })

  it('lets two people change two fields of one record', () => {
    const first = applied(plan, edit(plan, rename('Lab'))).blueprint
    const second = applied(
      first,
      edit(plan, (e) => e.set('activity', 'a1', { minutes: 30 })),
    ).blueprint
    expect(second.activity.get('a1')).to.include({ title: 'Lab', minutes: 30 })
  })

  it('refuses two values for one field and names both', () => {
    const theirs = applied(plan, edit(plan, rename('Theirs'))).blueprint
    expect(refused(theirs, edit(plan, rename('Mine')))).to.deep.equal([
      { kind: 'activity', id: 'a1', reason: 'changed', field: 'title', was: 'Activity a1', stored: 'Theirs', wanted: 'Mine' },
    ])
  })

  it('agrees where both wanted the same value', () => {
    const theirs = applied(plan, edit(plan, rename('Same'))).blueprint
    expect(applied(theirs, edit(plan, rename('Same'))).effective).to.deep.equal([])
  })

  it('lets the last move win, and undo of a move not take back a later one', () => {
    const move = (moduleId: string) => (e: PlanEdit) => e.set('activity', 'a2', { moduleId })
    const mine = applied(plan, edit(plan, move('m2')))
    const theirs = applied(
      mine.blueprint,
      edit(plan, (e) => e.set('activity', 'a2', { order: 'a9' })),
    )
    expect(theirs.blueprint.activity.get('a2')).to.include({ moduleId: 'm1', order: 'a9' })
    const undo = applied(theirs.blueprint, change(mine.inverse, 'skip'))
    expect(undo.skipped).to.have.length(1)
    expect(undo.blueprint.activity.get('a2')?.order).to.equal('a9')
  })

  it('removes all that goes with a record, and undo brings all of it back', () => {
    const result = applied(
      plan,
      edit(plan, (e) => e.remove({ kind: 'module', id: 'm1' })),
    )
    for (const kind of ['objective', 'activity', 'alignment', 'assessment', 'objectiveOutcome'] as const)
      expect(result.blueprint[kind].size, kind).to.equal(0)
    expect(applied(result.blueprint, change(result.inverse, 'skip')).blueprint).to.deep.equal(plan)
  })

  it('unlinks what only pointed there', () => {
    const { blueprint } = applied(
      plan,
      edit(plan, (e) => e.remove({ kind: 'part', id: 'p1' }, { kind: 'gradeCategory', id: 'g1' })),
    )
    expect(blueprint.activity.get('a1')?.partId).to.equal(null)
    expect(blueprint.assessment.get(linkId(['a1'], 'assessment'))).to.include({ categoryId: null, points: 1000 })
  })

  it('refuses a removal whose closure has grown, and names what came', () => {
    const removal = edit(plan, (e) => e.remove({ kind: 'module', id: 'm2' }))
    const grown = applied(
      plan,
      edit(plan, (e) => e.create('objective', anObjective('o3', 'm2'))),
    ).blueprint
    expect(refused(grown, removal)).to.deep.equal([
      { kind: 'module', id: 'm2', reason: 'still-used', by: [{ kind: 'objective', id: 'o3' }] },
    ])
  })

  it('refuses to edit, or link to, what somebody removed', () => {
    const gone = applied(
      plan,
      edit(plan, (e) => e.remove({ kind: 'objective', id: 'o1' })),
    ).blueprint
    expect(
      refused(
        gone,
        edit(plan, (e) => e.set('objective', 'o1', { statement: 'New' })),
      )[0]?.reason,
    ).to.equal('removed')
    expect(
      refused(
        gone,
        edit(plan, (e) => e.create('alignment', alignmentOf('a2', 'o1', 'practises'))),
      )[0]?.reason,
    ).to.equal('missing-target')
  })

  it('refuses to remove what somebody edited meanwhile', () => {
    const edited = applied(plan, edit(plan, rename('Better'))).blueprint
    expect(
      refused(
        edited,
        edit(plan, (e) => e.remove({ kind: 'activity', id: 'a1' })),
      )[0]?.reason,
    ).to.equal('edited')
  })

  it('makes one record when two people tick the same cell', () => {
    const tick = edit(plan, (e) => e.create('alignment', alignmentOf('a2', 'o2', 'practises')))
    const once = applied(plan, tick).blueprint
    const again = applied(once, { ...tick, id: 'other' })
    expect(again.effective).to.deep.equal([])
    expect(again.blueprint.alignment.size).to.equal(2)
  })

  it('skips the conflicting records and writes the rest, when asked to skip', () => {
    const theirs = applied(plan, edit(plan, rename('Theirs'))).blueprint
    const both = edit(
      plan,
      (e) => {
        e.set('activity', 'a1', { title: 'Mine' })
        e.set('activity', 'a2', { title: 'Mine too' })
      },
      'skip',
    )
    const result = applied(theirs, both)
    expect(result.skipped.map((s) => s.id)).to.deep.equal(['a1'])
    expect([...result.blueprint.activity.values()].map((a) => a.title)).to.deep.equal(['Theirs', 'Mine too'])
  })

  it('skips what depends on something that was skipped', () => {
    const taken = applied(
      plan,
      edit(plan, (e) => e.remove({ kind: 'module', id: 'm2' })),
    ).blueprint
    const result = applied(
      taken,
      edit(
        plan,
        (e) => {
          e.create('activity', anActivity('a7', 'm2'))
          e.create('alignment', alignmentOf('a7', 'o1', 'practises'))
        },
        'skip',
      ),
    )
    expect(result.effective).to.deep.equal([])
    expect(result.skipped.map((s) => s.reason)).to.deep.equal(['missing-target', 'missing-target'])
  })

  it('gives one operation a record, however many steps touched it', () => {
    const operations = editPlan(plan, (e) => {
      e.set('activity', 'a1', { title: 'One' })
      e.set('activity', 'a1', { title: 'Two', minutes: 5 })
      e.create('activity', anActivity('a8', 'm1'))
      e.set('activity', 'a8', { minutes: 9 })
    })
    expect(operations.map((o) => o.op)).to.have.members(['update', 'create'])
    expect(operations.find((o) => o.op === 'create')).to.have.nested.property('record.minutes', 9)
  })
})
