/** The judgement of changes against an independent, slow one, over edits made of every kind. */
import { expect } from 'chai'
import { applyChange } from '../../../src/core/blueprint/apply'
import { type Blueprint, refKey } from '../../../src/core/blueprint/blueprint'
import type { Change } from '../../../src/core/blueprint/change'
import { KIND_NAMES } from '../../../src/core/blueprint/kinds'
import { parseChange } from '../../../src/core/blueprint/schema'
import { counter } from '../../support/course'
import { judge, rowsOf } from '../../support/naive-judge'
import { filled, randomOperations, start } from '../../support/random-edits'
import { rng } from '../../support/rng'

describe('the judgement of changes', () => {
  it('is tried with records of every kind', () => {
    for (const kind of KIND_NAMES) expect(start[kind].size, kind).to.be.greaterThan(0)
    expect(filled(rng(1), counter('x')).activity.size).to.be.greaterThan(1)
  })
  for (const seed of [1, 2, 3, 4, 5, 6, 7, 8])
    it(`is that of one who looks at everything (seed ${seed})`, () => {
      const random = rng(seed)
      const newId = counter(`r${seed}x`)
      let truth = start
      let seen: Blueprint = start
      const undoable: Change['operations'][] = []
      for (let i = 0; i < 250; i++) {
        const undo = random() < 0.2 ? undoable.pop() : undefined
        const operations = undo ?? randomOperations(seen, random, newId)
        if (operations.length === 0) continue
        const change: Change = { id: newId(), code: 'test', params: {}, onConflict: undo || random() < 0.3 ? 'skip' : 'refuse', operations }
        expect(parseChange(change).ok, JSON.stringify(change)).to.equal(true)
        const applied = applyChange(truth, change)
        const verdict = judge(rowsOf(truth), change)
        expect(applied.ok, JSON.stringify(change)).to.equal(verdict.accepted)
        const conflicts = applied.ok ? applied.skipped : applied.conflicts
        expect([...new Set(conflicts.map(refKey))].sort(), JSON.stringify(change)).to.deep.equal([...verdict.against].sort())
        if (applied.ok) {
          expect(Object.fromEntries(rowsOf(applied.blueprint))).to.deep.equal(Object.fromEntries(verdict.rows))
          truth = applied.blueprint
          undoable.push(applied.inverse)
        }
        if (random() < 0.3) seen = truth
      }
    })
})
