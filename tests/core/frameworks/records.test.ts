import { expect } from 'chai'
import { applyChange } from '../../../src/core/blueprint/apply'
import type { Change, Operation } from '../../../src/core/blueprint/change'
import { editPlan } from '../../../src/core/blueprint/edit'
import { parentFieldOf } from '../../../src/core/blueprint/kinds'
import { removalOf } from '../../../src/core/blueprint/removal'
import { readNative, sameBlueprint, writeNative } from '../../../src/core/formats/native'
import { indexFrameworks } from '../../../src/core/plan/framework-index'
import { aBlueprint, aFramework, aModule, anActivity, anItem, anObjective, aPoint, itemOf } from '../../support/course'

const plan = aBlueprint({
  module: [aModule('m1')],
  objective: [anObjective('o1', 'm1')],
  activity: [anActivity('a1', 'm1')],
  framework: [aFramework('f1', { code: 'F' }), aFramework('f2')],
  // Children before parents, on purpose: order keys say nothing of depth.
  frameworkItem: [
    anItem('i3', 'f1', { parentId: 'i2', order: 'a0', code: '1.1.1', anyOf: 2, times: 3, required: false }),
    anItem('i2', 'f1', { parentId: 'i1', order: 'a0', code: '1.1' }),
    anItem('i4', 'f1', { parentId: 'i1', order: 'a1', code: '1.2' }),
    anItem('i1', 'f1', { order: 'a2', code: '1', kind: 'element' }),
    anItem('i5', 'f1', { order: 'a1', kind: 'area' }),
    anItem('x1', 'f2', { code: '1' }),
  ],
  itemRelation: [{ id: 'i1--x1', fromId: 'i1', toId: 'x1', relation: 'same' }],
  objectiveItem: [itemOf.objective('o1', 'i2')],
  activityItem: [itemOf.activity('a1', 'i4', 'practises')],
  evidencePoint: [aPoint('p1', 'a1')],
  evidenceItem: [itemOf.point('p1', 'i3')],
})
const change = (...operations: Operation[]): Change => ({ id: 'c', code: 'test', params: {}, onConflict: 'refuse', operations })
const under = (id: string, from: string | null, to: string | null): Operation => ({
  op: 'update',
  kind: 'frameworkItem',
  id,
  from: { parentId: from, order: plan.frameworkItem.get(id)?.order },
  to: { parentId: to, order: 'a9' },
})

describe('framework records', () => {
  it('stand in a file parents first, and come back the same', () => {
    const text = writeNative(plan)
    const ids = (JSON.parse(text) as { frameworkItems: { id: string }[] }).frameworkItems.map((i) => i.id)
    expect(ids).to.deep.equal(['i5', 'i1', 'i2', 'i3', 'i4', 'x1'])
    const back = readNative(text)
    expect(back.ok && sameBlueprint(back.value, plan)).to.equal(true)
  })
  it('of an older file are none', () => {
    const older = JSON.parse(writeNative(aBlueprint())) as { formatVersion: number }
    const read = readNative(JSON.stringify({ ...older, formatVersion: 2 }))
    expect(read.ok && read.value.framework.size).to.equal(0)
  })
  it('that stand within themselves are refused in a file, with the place', () => {
    const file = JSON.parse(writeNative(plan)) as { frameworkItems: { id: string; parentId?: string }[] }
    const one = file.frameworkItems.find((i) => i.id === 'i1')
    if (one) one.parentId = 'i3'
    const read = readNative(JSON.stringify(file))
    expect(read.ok ? [] : read.error.map((p) => p.code)).to.include('in-itself')
    expect(read.ok ? '' : read.error[0]?.at).to.match(/^frameworkItems\[\d\]\.parentId$/)
  })

  it('know by which field they stand in one another', () => {
    expect(parentFieldOf('frameworkItem')).to.equal('parentId')
    expect(parentFieldOf('activity')).to.equal(null)
  })
  for (const [what, operations] of [
    ['in itself', [under('i1', null, 'i1')]],
    ['in its part', [under('i1', null, 'i2')]],
    ['in the part of its part', [under('i1', null, 'i3')]],
    ['in each other, both moved at once', [under('i2', 'i1', 'i4'), under('i4', 'i1', 'i2')]],
  ] as const)
    it(`cannot be put ${what}`, () => {
      const tried = applyChange(plan, change(...operations))
      expect(tried.ok).to.equal(false)
      expect(tried.ok ? [] : tried.conflicts.map((c) => c.reason)).to.include('in-itself')
      const skipped = applyChange(plan, { ...change(...operations), onConflict: 'skip' })
      // What is skipped leaves a tree.
      if (!skipped.ok) throw new Error('skip is never refused')
      for (const { id } of skipped.blueprint.frameworkItem.values()) {
        const seen = new Set<string>()
        for (let at: string | null = id; at !== null; at = skipped.blueprint.frameworkItem.get(at)?.parentId ?? null) {
          expect(seen.has(at)).to.equal(false)
          seen.add(at)
        }
      }
    })
  it('can be turned over in one change, where no one stands within itself at its end', () => {
    const turned = applyChange(plan, change(under('i2', 'i1', null), under('i1', null, 'i2')))
    expect(turned.ok && turned.blueprint.frameworkItem.get('i1')?.parentId).to.equal('i2')
  })

  it('take their parts and links with them, and all of it comes back', () => {
    const gone = applyChange(plan, change(...removalOf(plan, [{ kind: 'frameworkItem', id: 'i1' }])))
    if (!gone.ok) throw new Error('refused')
    expect([...gone.blueprint.frameworkItem.keys()].sort()).to.deep.equal(['i5', 'x1'])
    expect([
      gone.blueprint.itemRelation.size,
      gone.blueprint.objectiveItem.size,
      gone.blueprint.activityItem.size,
      gone.blueprint.evidenceItem.size,
    ]).to.deep.equal([0, 0, 0, 0])
    const back = applyChange(gone.blueprint, { ...change(...gone.inverse), onConflict: 'skip' })
    expect(back.ok && sameBlueprint(back.blueprint, plan)).to.equal(true)
  })
  it('are indexed once for as long as they are as they are, whatever else changes', () => {
    const index = indexFrameworks(plan)
    const edited = applyChange(
      plan,
      change({ op: 'update', kind: 'objective', id: 'o1', from: { statement: 'Measure o1' }, to: { statement: 'Draw' } }),
    )
    expect(edited.ok && indexFrameworks(edited.blueprint)).to.equal(index)
    const moved = applyChange(plan, change(under('i4', 'i1', null)))
    expect(moved.ok && indexFrameworks(moved.blueprint)).to.not.equal(index)
  })
  it('are made many at once as they would be one by one', () => {
    const items = Array.from({ length: 40 }, (_, i) => anItem(`n${i}`, 'f2'))
    const atOnce = editPlan(plan, (e) => e.createAll('frameworkItem', items))
    const each = editPlan(plan, (e) => {
      for (const item of items) e.create('frameworkItem', item)
    })
    expect(atOnce).to.deep.equal(each)
  })
})
