import { expect } from 'chai'
import { applyChange, applyEffective } from '../../../src/core/blueprint/apply'
import type { Operation } from '../../../src/core/blueprint/change'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { aBlueprint, aModule, anActivity } from '../../support/course'

const plan = aBlueprint({ module: [aModule('m1')], activity: [anActivity('a1', 'm1'), anActivity('a2', 'm1')] })
const titled = (title: string) => (e: PlanEdit) => e.set('activity', 'a1', { title })
const judged = (base: typeof plan, operations: readonly Operation[]) =>
  applyChange(base, { id: 'c', code: 'test', params: {}, onConflict: 'refuse', operations })

describe('an edit', () => {
  it('is one operation a record, however many steps touch it', () => {
    const operations = editPlan(plan, (e) => {
      e.set('activity', 'a1', { title: 'One' })
      e.set('activity', 'a1', { title: 'Two', minutes: 5 })
    })
    expect(operations).to.deep.equal([
      {
        op: 'update',
        kind: 'activity',
        id: 'a1',
        from: { title: 'Activity a1', minutes: null },
        to: { title: 'Two', minutes: 5 },
      },
    ])
  })
  it('is nothing where it leads back to what was', () => {
    const there = (e: PlanEdit) => e.set('activity', 'a1', { title: 'There' })
    const back = (e: PlanEdit) => e.set('activity', 'a1', { title: 'Activity a1' })
    expect(
      editPlan(plan, (e) => {
        there(e)
        back(e)
      }),
    ).to.deep.equal([])
  })
  it('conflicts with what somebody else wrote there since the typing began', () => {
    const theirs = applyEffective(plan, editPlan(plan, titled('Theirs')))
    const result = judged(theirs, editPlan(theirs, titled('Mine'), plan))
    expect(result.ok ? [] : result.conflicts).to.deep.equal([
      { kind: 'activity', id: 'a1', reason: 'changed', field: 'title', was: 'Activity a1', stored: 'Theirs', wanted: 'Mine' },
    ])
  })
  it('stands where somebody else changed another field, or wrote the same', () => {
    const minutes = applyEffective(
      plan,
      editPlan(plan, (e) => e.set('activity', 'a1', { minutes: 9 })),
    )
    const both = judged(minutes, editPlan(minutes, titled('Mine'), plan))
    expect(both.ok && both.blueprint.activity.get('a1')).to.include({ title: 'Mine', minutes: 9 })
    const same = applyEffective(plan, editPlan(plan, titled('Mine')))
    expect(judged(same, editPlan(same, titled('Mine'), plan)).ok).to.equal(true)
  })
  it('of a record that is gone meanwhile is not lost without a word', () => {
    const gone = applyEffective(
      plan,
      editPlan(plan, (e) => e.remove({ kind: 'activity', id: 'a1' })),
    )
    const result = judged(gone, editPlan(gone, titled('Mine'), plan))
    expect(result.ok ? null : result.conflicts[0]?.reason).to.equal('removed')
  })
})
