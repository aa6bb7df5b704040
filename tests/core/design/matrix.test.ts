/** The matrix of what serves what; every figure worked out by hand in the comments. */
import { expect } from 'chai'
import { matrixOf } from '../../../src/core/design/matrix'
import { matrixJson, matrixNamed, matrixText } from '../../../src/core/formats/matrix'
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

// Two outcomes; 1a leads to both, 1b to the second, 1c to none and is served by nothing.
const plan = aBlueprint({
  outcome: [anOutcome('co1'), anOutcome('co2')],
  module: [aModule('m1')],
  objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1'), anObjective('o3', 'm1')],
  objectiveOutcome: [outcomeLink('o1', 'co1'), outcomeLink('o1', 'co2'), outcomeLink('o2', 'co2')],
  gradeCategory: [aCategory('g1', 100_00)],
  activity: [anActivity('a1', 'm1', { minutes: 60 }), anActivity('a2', 'm1', { minutes: 45 }), anActivity('a3', 'm1', { minutes: 30 })],
  alignment: [
    alignmentOf('a1', 'o1', 'introduces'),
    alignmentOf('a2', 'o1', 'practises'),
    alignmentOf('a2', 'o2', 'practises', 'assesses'),
    alignmentOf('a3', 'o1', 'assesses'),
  ],
  assessment: [assessmentOf('a2', null, null, 'formative'), assessmentOf('a3', 1000, 'g1')],
})

describe('the matrix', () => {
  it('of objectives counts stages, divides minutes and grade, says what each lacks', () => {
    const { rows, cells, columns, practised, assessed } = matrixJson(matrixOf(plan, 'objectives'))
    expect(columns.map((c) => c.number)).to.deep.equal(['1.1', '1.2', '1.3'])
    expect(cells).to.deep.include({ row: 'o2', column: 'a2', stages: ['practises', 'assesses'] })
    // o1: 60 of a1, half of a2's 45, 30 of a3; all of the grade. o2: the other half; a formative check alone.
    expect(rows).to.deep.equal([
      { id: 'o1', number: '1a', introduces: 1, practises: 1, assesses: 1, minutes: 112.5, share: 100, state: 'assessed', gap: [] },
      {
        id: 'o2',
        number: '1b',
        introduces: 0,
        practises: 1,
        assesses: 1,
        minutes: 22.5,
        share: 0,
        state: 'checked',
        gap: ['introduces', 'assesses'],
      },
      {
        id: 'o3',
        number: '1c',
        introduces: 0,
        practises: 0,
        assesses: 0,
        minutes: 0,
        share: 0,
        state: 'none',
        gap: ['introduces', 'practises', 'assesses'],
      },
    ])
    // Two of three are practised, one of three is assessed.
    expect([practised, assessed]).to.deep.equal([66.67, 33.33])
  })
  it('of outcomes divides each objective over its outcomes', () => {
    const { rows } = matrixJson(matrixOf(plan, 'outcomes'))
    // co1: half of o1's 112.5; co2: the other half and o2's 22.5.
    expect(rows.map((r) => [r.number, r.minutes, r.share, r.state])).to.deep.equal([
      ['CO1', 56.25, 50, 'assessed'],
      ['CO2', 78.75, 50, 'assessed'],
    ])
  })
  it('has no percents without rows, and says so', () => {
    const empty = matrixOf(aBlueprint({ module: [aModule('m1')] }), 'objectives')
    expect(matrixJson(empty)).to.deep.include({ rows: [], practised: null, assessed: null })
    expect(matrixText(empty)).to.equal('no objectives yet\n')
  })
  it('of a framework that is not there is refused in one sentence', () => {
    const made = matrixNamed(plan, 'XYZ')
    expect(made.ok ? '' : made.error).to.match(/^There is no framework “XYZ”/)
  })
})
