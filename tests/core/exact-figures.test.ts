/** Figures are worked out from exact numbers and rounded once, where they are shown. Numbers by hand, as told beside them. */
import { expect } from 'chai'
import { applyEffective } from '../../src/core/blueprint/apply'
import { editPlan } from '../../src/core/blueprint/edit'
import { makeSeries } from '../../src/core/edits/series'
import { figuresOf } from '../../src/core/formats/figures'
import { gradeByOutcome } from '../../src/core/grading/by-outcome'
import { scaledWeights } from '../../src/core/grading/rubric'
import { hoursByWeek, offTarget } from '../../src/core/hours/by-week'
import { indexCourse } from '../../src/core/plan/plan-index'
import { minutesFrom } from '../../src/core/plan/whole-activity'
import {
  aBlueprint,
  aCategory,
  aCriterion,
  alignmentOf,
  aModule,
  anActivity,
  anObjective,
  anOffering,
  anOutcome,
  aSeries,
  assessmentOf,
  counter,
  outcomeLink,
} from '../support/course'

describe('minutes', () => {
  // 357 words at 238 a minute are 1.5 minutes: twelve of them 18, where each rounded would make 24.
  const readings = Array.from({ length: 12 }, (_, i) =>
    anActivity(`a${i}`, 'm1', { kind: 'reading', size: { unit: 'words', amount: 357 } }),
  )
  const plan = aBlueprint({ module: [aModule('m1')], activity: readings })

  it('that are estimated are summed before they are rounded', () => {
    expect(hoursByWeek(plan).total).to.be.closeTo(18, 1e-9)
    expect(figuresOf(plan).hours.total).to.equal(0.3)
  })
  it('are told with how they were found: by hand, from the series, or from the size', () => {
    const mixed = aBlueprint({
      module: [aModule('m1')],
      series: [aSeries('s1', { minutes: 25 })],
      activity: [
        anActivity('hand', 'm1', { minutes: 40, size: { unit: 'words', amount: 357 } }),
        anActivity('member', 'm1', { seriesId: 's1' }),
        anActivity('sized', 'm1', { kind: 'reading', seriesId: 's1', size: { unit: 'words', amount: 357 } }),
        anActivity('open', 'm1'),
      ],
    })
    const index = indexCourse(mixed)
    expect(index.activities.map((a) => [a.id, minutesFrom(mixed.activity.get(a.id) ?? a, a)])).to.have.deep.members([
      ['hand', 'by hand'],
      ['member', 'series'],
      ['sized', 'estimate'],
      ['open', null],
    ])
    expect(figuresOf(mixed).minutes.map((m) => [m.id, m.minutes, m.from, m.how])).to.have.deep.members([
      ['hand', 40, 'by hand', null],
      ['member', 25, 'series', null],
      ['sized', 1.5, 'estimate', '357 words at 238 words a minute'],
      ['open', null, null, null],
    ])
  })
  it('can be followed into weeks and marking: openings, submissions and half minutes', () => {
    const marked = aBlueprint({
      offering: [anOffering({ enrolment: 20 })],
      module: [aModule('m1')],
      activity: [anActivity('a1', 'm1', { dueRule: { rule: 'module-day', week: 1, day: 5 } })],
      assessment: [{ ...assessmentOf('a1', 10), markingMinutes: 5 }],
    })
    const { openings, hours, marking } = figuresOf(marked)
    expect(openings.map((o) => [o.id, o.date])).to.deep.equal([['a1', hours.weeks[0]?.first]])
    // Twenty submissions of five minutes: 100 minutes, 200 half ones.
    expect(marking?.work.map((w) => [w.submissions, w.minutesEach, w.halfMinutes])).to.deep.equal([[20, 5, 200]])
  })
  it('that are estimated are nobody’s: a series made of such activities has none', () => {
    const made = applyEffective(
      plan,
      editPlan(plan, (edit) => makeSeries(edit, ['a0', 'a1'], counter('n'))),
    )
    expect([...made.series.values()].map((s) => s.minutes)).to.deep.equal([null])
  })
})

describe('the grade by outcome', () => {
  const three = (share: number, intended: readonly [number, number]) =>
    aBlueprint({
      module: [aModule('m1')],
      outcome: [anOutcome('co1', { intendedShare: intended[0] }), anOutcome('co2', { intendedShare: intended[1] })],
      objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1'), anObjective('o3', 'm1')],
      objectiveOutcome: [outcomeLink('o1', 'co1'), outcomeLink('o2', 'co1'), outcomeLink('o3', 'co2')],
      activity: [anActivity('a1', 'm1')],
      alignment: ['o1', 'o2', 'o3'].map((o) => alignmentOf('a1', o, 'assesses')),
      gradeCategory: [aCategory('g1', share)],
      assessment: [assessmentOf('a1', 10, 'g1')],
    })

  it('has steps that add up to what they lead to: thirds of 100 are 33.34 and 33.33 under 66.67', () => {
    const [first] = gradeByOutcome(three(10_000, [6000, 4000])).shares
    expect([first?.graded, first?.parts.map((p) => p.amount)]).to.deep.equal([6667, [3334, 3333]])
  })
  it('is compared of 100 where 95 are assigned: 63.33 of 60, and 31.67 of 40 leave 91.67 where they were meant to be', () => {
    const { agreement, words } = gradeByOutcome(three(9500, [6000, 4000]))
    expect(agreement).to.be.closeTo(0.916666666, 1e-8)
    expect(words).to.equal('92 % of the grade lies where intended; CO2 8.3 points short, CO1 3.3 over.')
  })
  it('agrees from exact shares: two thirds and one third as intended to the hundredth are 99.9967 %', () => {
    // min(66.67, 66.666...) + min(33.33, 33.333...) = 66.6666 + 33.33
    expect(gradeByOutcome(three(10_000, [6667, 3333])).agreement).to.be.closeTo(0.99996667, 1e-8)
  })
})

describe('criteria scaled to a sum', () => {
  const scaled = (weights: readonly (number | null)[], total: number) =>
    scaledWeights(
      weights.map((w, i) => aCriterion(`c${i}`, 'r1', w)),
      total,
    )
  it('keep whole points where all are whole, and change as few as can be', () => {
    // 50, 30 and 21 times 100/101 are 49.5, 29.7 and 20.8: the two of three that may stay do.
    expect(scaled([5000, 3000, 2100], 10_000)).to.deep.equal([4900, 3000, 2100])
    // 3 : 3 : 3 : 2 of 10 are 2.73 three times and 1.82: one of the first three gives.
    expect(scaled([300, 300, 300, 200], 1000)).to.deep.equal([300, 300, 200, 200])
  })
  it('have parts of points where one of them has, or where there are fewer points than criteria', () => {
    expect(scaled([1250, 8760], 10_000)).to.deep.equal([1249, 8751])
    expect(scaled([100, 100, 100], 200)).to.deep.equal([67, 67, 66])
  })
  it('leave what has no weight without one', () => {
    expect(scaled([600, null, 600], 1000)).to.deep.equal([500, null, 500])
    expect(scaled([null, null], 1000)).to.deep.equal([500, 500])
  })
})

describe('a week', () => {
  it('stands out below its target as it does above it; a break is never below', () => {
    const target = { min: 9, max: 12 }
    // One hour and ten per cent: 13.2 is over 12, and 8 is below 9; 8.1 is not.
    expect([13.2, 13.1, 12, 9, 8.1, 8, 0].map((h) => offTarget(h, target))).to.deep.equal([
      'over',
      null,
      null,
      null,
      null,
      'below',
      'below',
    ])
    expect(offTarget(0, target, false)).to.equal(null)
    expect(offTarget(0, { min: null, max: 12 })).to.equal(null)
    expect(offTarget(99, null)).to.equal(null)
  })
})
