import { expect } from 'chai'
import { ladderOf, spreadOf } from '../../../src/core/alignment/ladder'
import { supportOf } from '../../../src/core/alignment/support'
import type { Level } from '../../../src/core/blueprint/kinds/levels'
import { moduleWordOf } from '../../../src/core/plan/module-word'
import { indexCourse } from '../../../src/core/plan/plan-index'
import {
  aBlueprint,
  aCriterion,
  alignmentOf,
  aModule,
  anActivity,
  anObjective,
  anOutcome,
  aRubric,
  assessmentOf,
  criterionLink,
  outcomeLink,
} from '../../support/course'

const MODULE = moduleWordOf(aBlueprint({}))

/** A course in which objective n stands in module n with the n-th level, all of them for one outcome. */
const climbing = (wanted: Level | null, ...levels: readonly (Level | null)[]) =>
  indexCourse(
    aBlueprint({
      outcome: [anOutcome('co1', { level: wanted })],
      module: levels.map((_, i) => aModule(`m${i + 1}`)),
      objective: levels.map((level, i) => anObjective(`o${i + 1}`, `m${i + 1}`, { level, statement: level ? 'Measure' : 'Tides' })),
      objectiveOutcome: levels.map((_, i) => outcomeLink(`o${i + 1}`, 'co1')),
    }),
  )

describe('the level ladder of an outcome', () => {
  for (const [levels, wanted, words] of [
    [['remember', 'understand', 'apply'], 'apply', 'climbs from remember to apply'],
    [['apply', 'apply'], null, 'stays at apply'],
    [['remember', 'analyse'], null, 'jumps from remember to analyse in module 2'],
    [['remember', 'apply'], 'create', 'climbs from remember to apply; create is not reached'],
    [['evaluate', 'remember'], null, 'sinks from evaluate in module 1 to remember in module 2'],
    [['understand', 'imitate', 'apply', 'precise'], null, 'climbs from understand to apply; climbs from imitate to precise'],
    [[], null, 'no objectives yet'],
    [[null], null, 'no level known'],
  ] as const)
    it(`says that it ${words}`, () => expect(ladderOf(climbing(wanted, ...levels), 'co1', MODULE).words).to.equal(words))

  it('has a band for each learning domain, and steps by module and level', () => {
    const { bands, unknown } = ladderOf(climbing(null, 'understand', 'precise', null), 'co1', MODULE)
    expect(bands.map((b) => [b.domain, b.levels.length])).to.deep.equal([
      ['cognitive', 6],
      ['psychomotor', 5],
    ])
    expect(bands.flatMap((b) => b.steps.map((s) => [s.number, s.module, s.rank]))).to.deep.equal([
      ['1a', 0, 1],
      ['2a', 1, 2],
    ])
    expect(unknown).to.equal(1)
  })
})

describe('the spread of objectives', () => {
  it('counts by module and level, thinking levels always, others when they occur', () => {
    const spread = spreadOf(climbing(null, 'apply', 'precise', null))
    expect(spread.levels).to.deep.equal(['remember', 'understand', 'apply', 'analyse', 'evaluate', 'create', 'precise'])
    expect(spread.rows.map((r) => [...r.counts, r.unknown])).to.deep.equal([
      [0, 0, 1, 0, 0, 0, 0, 0],
      [0, 0, 0, 0, 0, 0, 1, 0],
      [0, 0, 0, 0, 0, 0, 0, 1],
    ])
    expect(spread.unknown).to.equal(1)
  })
})

describe('what supports an outcome', () => {
  it('goes from objective over stage to the criterion that cites it', () => {
    const index = indexCourse(
      aBlueprint({
        outcome: [anOutcome('co1')],
        module: [aModule('m1')],
        objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1')],
        objectiveOutcome: [outcomeLink('o1', 'co1')],
        activity: [anActivity('a1', 'm1'), anActivity('a2', 'm1')],
        alignment: [alignmentOf('a1', 'o1', 'introduces', 'practises'), alignmentOf('a2', 'o1', 'assesses')],
        rubric: [aRubric('r1')],
        criterion: [aCriterion('c1', 'r1', 10), aCriterion('c2', 'r1', 10)],
        criterionObjective: [criterionLink('c1', 'o1')],
        assessment: [assessmentOf('a2', 20, null, 'summative', { rubricId: 'r1' })],
      }),
    )
    const [row, ...rest] = supportOf(index, 'co1')
    expect(rest).to.deep.equal([])
    expect(Object.values(row?.stages ?? {}).map((list) => list.map((a) => a.id))).to.deep.equal([['a1'], ['a1'], ['a2']])
    expect(row?.criteria.map((c) => [c.criterion.id, c.activity.id])).to.deep.equal([['c1', 'a2']])
  })
})
