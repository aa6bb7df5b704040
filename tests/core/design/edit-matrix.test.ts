/** Typing in the matrix. */
import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { editPlan } from '../../../src/core/blueprint/edit'
import { type MatrixCell, readStages, setMatrixCell, stagesIn, turnStage } from '../../../src/core/design/edit-matrix'
import type { MatrixOf } from '../../../src/core/design/matrix'
import type { Refused } from '../../../src/core/result'
import { aBlueprint, alignmentOf, aModule, anActivity, anObjective, anOutcome, outcomeLink } from '../../support/course'

// 1a leads to both outcomes, 1b to the second; 2a, in the other module, to the first.
const base = aBlueprint({
  outcome: [anOutcome('co1'), anOutcome('co2'), anOutcome('co3')],
  module: [aModule('m1'), aModule('m2')],
  objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1'), anObjective('o3', 'm2')],
  objectiveOutcome: [outcomeLink('o1', 'co1'), outcomeLink('o1', 'co2'), outcomeLink('o2', 'co2'), outcomeLink('o3', 'co1')],
  activity: [anActivity('a1', 'm1'), anActivity('a2', 'm1'), anActivity('a3', 'm2')],
  alignment: [alignmentOf('a1', 'o1', 'introduces')],
})
const at = (row: string, column: string): MatrixCell => ({ row, column })
function turned(plan: Blueprint, of: MatrixOf, cells: readonly MatrixCell[], stage: 'introduces' | 'practises' | 'assesses') {
  let told: readonly string[] = []
  const after = applyEffective(
    plan,
    editPlan(plan, (edit) => {
      told = turnStage(edit, of, cells, stage)
    }),
  )
  return { after, told }
}

describe('typing in the matrix', () => {
  it('a letter is written over a range, and taken off where all had it', () => {
    const cells = [at('o1', 'a1'), at('o2', 'a1'), at('o2', 'a2')]
    const on = turned(base, 'objectives', cells, 'practises').after
    expect(cells.map((c) => stagesIn(on, 'objectives', c).join())).to.deep.equal(['introduces,practises', 'practises', 'practises'])
    const off = turned(on, 'objectives', cells, 'practises').after
    expect(cells.map((c) => stagesIn(off, 'objectives', c).join())).to.deep.equal(['introduces', '', ''])
    // A link that says nothing any more is gone.
    expect([...off.alignment.keys()]).to.have.lengthOf(1)
  })

  it('for an outcome it goes through the objectives that are served already, or the only one there could be', () => {
    // a1 serves co2 through 1a; what it does for 1a it does for co1 too.
    const one = turned(base, 'outcomes', [at('co2', 'a1')], 'assesses').after
    expect(stagesIn(one, 'objectives', at('o1', 'a1'))).to.deep.equal(['introduces', 'assesses'])
    // a3 serves nothing: in its own module only 2a leads to co1.
    const two = turned(base, 'outcomes', [at('co1', 'a3')], 'practises').after
    expect(stagesIn(two, 'objectives', at('o3', 'a3'))).to.deep.equal(['practises'])
    // a2 could serve co2 through 1a or 1b; co3 has no objective.
    expect(turned(base, 'outcomes', [at('co2', 'a2'), at('co3', 'a2')], 'practises').told).to.deep.equal([
      '1.2 could serve CO2 through 1a and 1b: say which among the objectives.',
      'No objective leads to CO3 yet.',
    ])
  })

  it('clears a cell, and says what is gone', () => {
    let refused: Refused = null
    const cleared = applyEffective(
      base,
      editPlan(base, (edit) => {
        setMatrixCell(edit, 'outcomes', at('co1', 'a1'), [])
        refused = setMatrixCell(edit, 'objectives', at('nowhere', 'a1'), ['practises'])
      }),
    )
    expect([cleared.alignment.size, refused]).to.deep.equal([0, 'This objective is gone.'])
  })

  it('reads letters as people write them', () => {
    expect(readStages(' pI ')).to.deep.equal(['introduces', 'practises'])
    expect(readStages('A, P')).to.deep.equal(['practises', 'assesses'])
    expect(readStages('–')).to.deep.equal([])
    expect(readStages('x')).to.equal(null)
  })
})
