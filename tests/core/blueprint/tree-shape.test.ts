import { expect } from 'chai'
import { applyChange } from '../../../src/core/blueprint/apply'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import type { Operation } from '../../../src/core/blueprint/change'
import { editPlan } from '../../../src/core/blueprint/edit'
import type { FrameworkItem } from '../../../src/core/blueprint/kinds'
import { levelsAbove, levelsBelow, MOST_LEVELS } from '../../../src/core/blueprint/tree-shape'
import { readNative, writeNative } from '../../../src/core/formats/native'
import { fittedTree } from '../../../src/core/frameworks/fit-tree'
import { placeItem } from '../../../src/core/frameworks/item-cells'
import { EMPTY_TREE, type TreeItem, treeItem, walkTree } from '../../../src/core/frameworks/tree'
import { rowsOfTree, shiftRow } from '../../../src/core/frameworks/tree-rows'
import { aBlueprint, aFramework, anItem } from '../../support/course'

/** Items that stand in one another, the first at the top. */
const chain = (n: number, prefix: string): FrameworkItem[] =>
  Array.from({ length: n }, (_, i) => anItem(`${prefix}${i + 1}`, 'f1', { parentId: i === 0 ? null : `${prefix}${i}` }))
const planOf = (...items: readonly FrameworkItem[]): Blueprint => aBlueprint({ framework: [aFramework('f1')], frameworkItem: [...items] })

const under = (id: string, parentId: string): Operation => ({
  op: 'update',
  kind: 'frameworkItem',
  id,
  from: { parentId: null, order: 'a0' },
  to: { parentId, order: 'a9' },
})
const tried = (plan: Blueprint, ...operations: Operation[]) => {
  const applied = applyChange(plan, { id: 'c', code: 'test', params: {}, onConflict: 'refuse', operations })
  return applied.ok ? 'written' : applied.conflicts.map((c) => `${c.id} ${c.reason}`).join(', ')
}

describe('a tree of records', () => {
  it('has fifty levels at most', () => expect(MOST_LEVELS).to.equal(50))

  it('is gone up from a record, no further than a tree may go', () => {
    const plan = planOf(...chain(70, 'c'))
    const above = (id: string) => levelsAbove({ kind: 'frameworkItem', id }, 'parentId', (ref) => plan.frameworkItem.get(ref.id) as never)
    expect(['c1', 'c2', 'c50', 'c70'].map(above)).to.deep.equal([0, 1, 49, 50])
  })
  it('is counted from its leaves, and never without end', () => {
    const below = levelsBelow([
      ['a', null],
      ['b', 'a'],
      ['c', 'b'],
      ['d', 'a'],
      ['x', 'y'],
      ['y', 'x'],
    ])
    expect([...below].sort()).to.deep.equal([
      ['a', 2],
      ['b', 1],
    ])
  })

  it('takes a record into its last level, and none below it', () => {
    const one = (parentId: string): Operation => ({ op: 'create', kind: 'frameworkItem', record: anItem('new', 'f1', { parentId }) })
    expect(tried(planOf(...chain(50, 'c')), one('c49'))).to.equal('written')
    expect(tried(planOf(...chain(50, 'c')), one('c50'))).to.equal('new too-deep')
  })
  it('takes a record with all that stands within it, or not at all', () => {
    // 20 levels under the 30th are 50; under the 31st they would be 51.
    const plan = planOf(...chain(40, 'c'), ...chain(20, 'd'))
    expect(tried(plan, under('d1', 'c30'))).to.equal('written')
    expect(tried(plan, under('d1', 'c31'))).to.equal('d1 too-deep')
    // Two moved at once: the second stands within what the first brought.
    const three = planOf(...chain(30, 'c'), ...chain(15, 'd'), ...chain(10, 'e'))
    expect(tried(three, under('d1', 'c30'), under('e1', 'd5'))).to.equal('written')
    expect(tried(three, under('d1', 'c30'), under('e1', 'd11'))).to.equal('e1 too-deep')
  })
  it('that is too deep already can be written in, and brought up', () => {
    const plan = planOf(...chain(60, 'c'))
    const text: Operation = { op: 'update', kind: 'frameworkItem', id: 'c60', from: { notes: null }, to: { notes: 'Read.' } }
    expect(tried(plan, text)).to.equal('written')
    const up: Operation = { ...under('c55', 'c1'), from: { parentId: 'c54', order: 'a0' } } as Operation
    expect(tried(plan, up)).to.equal('written')
  })
  it('is not made deeper by hand', () => {
    const plan = planOf(...chain(40, 'c'), ...chain(20, 'd'))
    const placed = (to: string) => {
      let moved = false
      editPlan(plan, (edit) => void (moved = placeItem(edit, 'd1', to, 0)))
      return moved
    }
    expect([placed('c30'), placed('c31')]).to.deep.equal([true, false])
    const rows = rowsOfTree(nested(50))
    expect(shiftRow([...rows, { ...(rows[49] as (typeof rows)[number]), key: 'last' }], 50, 1)).to.have.length(51)
    expect(shiftRow([...rows, { ...(rows[49] as (typeof rows)[number]), key: 'last' }], 50, 1)[50]?.depth).to.equal(49)
  })
  it('too deep in a file is refused, with the place', () => {
    expect(readNative(writeNative(planOf(...chain(50, 'c')))).ok).to.equal(true)
    const read = readNative(writeNative(planOf(...chain(51, 'c'))))
    expect(read.ok ? [] : read.error).to.deep.equal([
      { code: 'too-deep', message: 'this framework item stands deeper than 50 levels', at: 'frameworkItems[50].parentId' },
    ])
  })
})

/** Items read from outside that stand in one another. */
const nested = (n: number): TreeItem[] => {
  let items: TreeItem[] = []
  for (let i = n; i > 0; i--) items = [treeItem({ statement: `Item ${i}`, kind: 'element', at: `line ${i}`, children: items })]
  return items
}

describe('a framework that was read', () => {
  it('keeps every item, those that stand too deep in the last level, and tells it', () => {
    const fit = fittedTree({ ...EMPTY_TREE, items: nested(53) })
    const walked = walkTree(fit.items)
    expect(walked.map(({ item }) => item.statement)).to.deep.equal(Array.from({ length: 53 }, (_, i) => `Item ${i + 1}`))
    expect(walked.slice(48).map(({ depth }) => depth)).to.deep.equal([48, 49, 49, 49, 49])
    expect(fit.problems).to.deep.equal([
      { code: 'too-deep', message: '3 items deeper than 50 levels: they stand in the last of them', at: 'line 51' },
    ])
  })
  it('is left as it is where it fits', () => {
    const items = nested(50)
    expect(fittedTree({ ...EMPTY_TREE, items }).items[0]).to.equal(items[0])
  })
  it('may have a hundred thousand levels, and does not end the reading', () => {
    expect(walkTree(fittedTree({ ...EMPTY_TREE, items: nested(100_000) }).items)).to.have.length(100_000)
  })
})
