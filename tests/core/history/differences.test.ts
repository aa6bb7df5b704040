/** What differs between two plans. */
import { expect } from 'chai'
import { applyChange } from '../../../src/core/blueprint/apply'
import type { Records } from '../../../src/core/blueprint/blueprint'
import type { Change } from '../../../src/core/blueprint/change'
import { differencesOf, differencesText } from '../../../src/core/history/differences'
import { aBlueprint, aModule, anActivity, anObjective, counter } from '../../support/course'
import { filled, randomOperations } from '../../support/random-edits'
import { rng } from '../../support/rng'

/** A course of two modules with activities in this order. */
const plan = (first: readonly string[], second: readonly string[] = [], more: Partial<Records> = {}) =>
  aBlueprint({
    module: [aModule('m1'), aModule('m2')],
    activity: [
      ...first.map((id, n) => anActivity(id, 'm1', { title: `Task ${id}`, order: `a${n}` })),
      ...second.map((id, n) => anActivity(id, 'm2', { title: `Task ${id}`, order: `a${n}` })),
    ],
    ...more,
  } as never)
const ids = (records: readonly { readonly id: string }[]) => records.map((r) => r.id)

describe('the differences of two plans', () => {
  it('are none between a plan and itself, however its order is written', () => {
    const same = { added: [], removed: [], changed: [], moved: [] }
    expect(differencesOf(plan(['a', 'b']), plan(['a', 'b']))).to.deep.equal(same)
    // Other keys, the same order.
    const rekeyed = aBlueprint({
      module: [aModule('m1'), aModule('m2')],
      activity: [anActivity('b', 'm1', { title: 'Task b', order: 'z' }), anActivity('a', 'm1', { title: 'Task a', order: 'k' })],
    })
    expect(differencesOf(plan(['a', 'b']), rekeyed)).to.deep.equal(same)
  })
  it('are what was added and removed, by its name where it is', () => {
    const { added, removed } = differencesOf(plan(['a', 'b']), plan(['b', 'c']))
    expect(added).to.deep.equal([{ kind: 'activity', id: 'c', name: '1.2 Task c' }])
    expect(removed).to.deep.equal([{ kind: 'activity', id: 'a', name: '1.1 Task a' }])
  })
  it('are as few moves as lead from one order to the other: one down over three, two at once', () => {
    expect(ids(differencesOf(plan(['a', 'b', 'c', 'd']), plan(['b', 'c', 'd', 'a'])).moved)).to.deep.equal(['a'])
    expect(ids(differencesOf(plan(['a', 'b', 'c', 'd', 'e']), plan(['c', 'a', 'b', 'e', 'd'])).moved)).to.have.length(2)
    expect(ids(differencesOf(plan(['a', 'b', 'c']), plan(['c', 'b', 'a'])).moved)).to.have.length(2)
  })
  it('are a move to another module, and no change of its fields', () => {
    const { moved, changed } = differencesOf(plan(['a', 'b']), plan(['a'], ['b']))
    expect([ids(moved), changed]).to.deep.equal([['b'], []])
  })
  it('are changed fields with both values as files hold them, also of a record that moved', () => {
    const [before, after] = [
      plan(['a'], [], { objective: [anObjective('o1', 'm1', { statement: 'Measure flow', level: null })] } as never),
      plan(['a'], [], { objective: [anObjective('o1', 'm2', { statement: 'Measure flow twice', level: 'apply' })] } as never),
    ]
    const { changed, moved } = differencesOf(before, after)
    expect(changed.map((c) => [c.id, c.fields])).to.deep.equal([
      [
        'o1',
        [
          { field: 'statement', from: 'Measure flow', to: 'Measure flow twice' },
          { field: 'level', from: null, to: 'apply' },
        ],
      ],
    ])
    expect(ids(moved)).to.deep.equal(['o1'])
    const text = differencesText(differencesOf(before, after), before, after)
    expect(text).to.include('changed 1 objective\n  2a Measure flow twice\n    statement: Measure flow → Measure flow twice\n')
  })
  it('there and back mirror each other, after edits by chance', () => {
    const random = rng(11)
    const newId = counter('n')
    const start = filled(rng(3), counter('v'))
    let now = start
    for (let n = 0; n < 120; n++) {
      const operations = randomOperations(now, random, newId)
      const change: Change = { id: newId(), code: 'test', params: {}, onConflict: 'refuse', operations }
      const done = operations.length > 0 ? applyChange(now, change) : null
      if (done?.ok) now = done.blueprint
    }
    const [there, back] = [differencesOf(start, now), differencesOf(now, start)]
    expect(there.added.length + there.changed.length).to.be.greaterThan(5)
    expect(ids(back.removed).sort()).to.deep.equal(ids(there.added).sort())
    expect(ids(back.added).sort()).to.deep.equal(ids(there.removed).sort())
    expect(ids(back.changed).sort()).to.deep.equal(ids(there.changed).sort())
    expect(back.moved.length).to.equal(there.moved.length)
  })
})
