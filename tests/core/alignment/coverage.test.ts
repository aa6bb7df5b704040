import { expect } from 'chai'
import { coverageOf } from '../../../src/core/alignment/coverage'
import { gradeByOutcome } from '../../../src/core/grading/by-outcome'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { servedBy } from '../../../src/core/plan/served'
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

/**
 * By hand: the lab (60 % of the grade, 90 minutes) assesses o1 (outcomes co1, co2) and o2 (co2): o1 30 %, of which co1 15 and
 * co2 15; o2 30 to co2. The exam (30 %) assesses o3, which supports nothing; the essay (10 %) assesses no objective.
 */
const plan = aBlueprint({
  module: [aModule('m1'), aModule('m2', { firstWeek: 2, lastWeek: 3 })],
  outcome: [anOutcome('co1', { intendedShare: 1500 }), anOutcome('co2', { intendedShare: 8500 }), anOutcome('co3')],
  objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1'), anObjective('o3', 'm2')],
  objectiveOutcome: [outcomeLink('o1', 'co1'), outcomeLink('o1', 'co2'), outcomeLink('o2', 'co2')],
  activity: [
    anActivity('a1', 'm1', { title: 'Reading', minutes: 70 }),
    anActivity('a2', 'm1', { title: 'Lab', minutes: 90, dueRule: { rule: 'module-day', week: 1, day: 5 } }),
    anActivity('a3', 'm2', { title: 'Exam', minutes: 140 }),
    anActivity('a4', 'm2', { title: 'Essay' }),
  ],
  alignment: [
    alignmentOf('a1', 'o1', 'introduces'),
    alignmentOf('a2', 'o1', 'practises', 'assesses'),
    alignmentOf('a2', 'o2', 'assesses'),
    alignmentOf('a3', 'o3', 'assesses'),
  ],
  gradeCategory: [aCategory('g1', 6000), aCategory('g2', 3000), aCategory('g3', 1000)],
  assessment: [assessmentOf('a2', 10, 'g1'), assessmentOf('a3', 10, 'g2', 'formative'), assessmentOf('a4', 10, 'g3')],
})

describe('what serves what', () => {
  it('divides an activity over its objectives and each over its outcomes; the parts sum to one', () => {
    expect(servedBy(indexCourse(plan), 'a2')).to.deep.equal([
      { objectiveId: 'o1', laneId: 'co1', part: 0.25 },
      { objectiveId: 'o1', laneId: 'co2', part: 0.25 },
      { objectiveId: 'o2', laneId: 'co2', part: 0.5 },
    ])
    expect(servedBy(indexCourse(plan), 'a4')).to.deep.equal([{ objectiveId: null, laneId: null, part: 1 }])
  })
  it('is counted by outcome and module, minutes and shares once', () => {
    // Reading: 70 minutes, half to co2; lab: 90 minutes, three quarters.
    expect(coverageOf(plan).cellOf('co2', 'm1')).to.deep.equal({
      laneId: 'co2',
      moduleId: 'm1',
      activityIds: ['a1', 'a2'],
      minutes: 102.5,
      share: 4500,
      stages: { introduces: 1, practises: 1, assesses: 1 },
    })
    expect(coverageOf(plan).cells.map((c) => `${c.laneId} ${c.moduleId}`)).to.deep.equal(['co1 m1', 'co2 m1'])
  })
  it('tells how far each objective has come', () => {
    expect(['o1', 'o2', 'o3', 'none'].map(coverageOf(plan).stateOf)).to.deep.equal(['assessed', 'assessed', 'checked', 'none'])
  })
})

describe('the grade by outcome', () => {
  it('gives every outcome its part, and what reaches none a row of its own', () => {
    const { shares } = gradeByOutcome(plan)
    expect(shares.map((s) => [s.laneId, s.graded, s.intended])).to.deep.equal([
      ['co1', 1500, 1500],
      ['co2', 4500, 8500],
      ['co3', 0, null],
      [null, 4000, null],
    ])
    expect(shares[1]?.parts).to.deep.equal([
      { activityId: 'a2', criterionId: null, objectiveId: 'o1', amount: 1500 },
      { activityId: 'a2', criterionId: null, objectiveId: 'o2', amount: 3000 },
    ])
  })
  it('agrees with what was intended as far as it does: |15-15| + |85-45| + |0-40| = 80, half of it 40', () => {
    const { agreement, words } = gradeByOutcome(plan)
    expect(agreement).to.be.closeTo(0.6, 1e-12)
    expect(words).to.equal('60 % of the grade lies where intended; CO2 40.0 points short.')
  })
  it('says nothing of agreement until shares are intended', () => {
    const { agreement, words, shares } = gradeByOutcome(aBlueprint({ outcome: [anOutcome('co1')] }))
    expect([agreement, words, shares.length]).to.deep.equal([null, null, 1])
  })
  it('sums to what is assigned, whatever the thirds', () => {
    const thirds = gradeByOutcome(
      aBlueprint({
        module: [aModule('m1')],
        outcome: ['co1', 'co2', 'co3'].map((id) => anOutcome(id)),
        objective: [anObjective('o1', 'm1')],
        objectiveOutcome: ['co1', 'co2', 'co3'].map((id) => outcomeLink('o1', id)),
        activity: [anActivity('a1', 'm1')],
        alignment: [alignmentOf('a1', 'o1', 'assesses')],
        assessment: [assessmentOf('a1', 7)],
      }),
    )
    expect(thirds.shares.map((s) => s.graded)).to.deep.equal([3334, 3333, 3333])
  })
})
