/** Where a course stands. All figures are counted and added by hand. */
import { expect } from 'chai'
import { analyse } from '../../../src/core/findings/analyse'
import { worthDoing } from '../../../src/core/findings/next'
import { inOffering } from '../../../src/core/plan/offering'
import { gradeOverTerm } from '../../../src/core/standing/grade-over-term'
import { standingOf } from '../../../src/core/standing/standing'
import {
  aBlueprint,
  aCategory,
  aCourse,
  alignmentOf,
  aModule,
  anActivity,
  anObjective,
  anOffering,
  assessmentOf,
} from '../../support/course'

/** Sunday of the module's first week, where weeks start on Monday. */
const SUNDAY = { rule: 'module-day', week: 1, day: 7 } as const

describe('where a course stands', () => {
  it('of an empty course: nothing of nothing, no grade, no dates without an offering', () => {
    const standing = standingOf(aBlueprint({ course: [aCourse({ credits: null })], offering: [] }))
    expect(standing).to.deep.equal({
      objectives: { assessed: 0, all: 0 },
      modules: { planned: 0, all: 0 },
      gradeGiven: null,
      hours: { planned: 0, asked: null, fits: true },
      firstDay: null,
    })
  })

  it('counts objectives that a summative assessment covers, and modules of which every activity has a time', () => {
    const standing = standingOf(
      aBlueprint({
        module: [aModule('m1'), aModule('m2'), aModule('m3')],
        objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1'), anObjective('o3', 'm2')],
        activity: [
          anActivity('a1', 'm1', { minutes: 60 }),
          anActivity('a2', 'm1', { minutes: 30 }),
          anActivity('a3', 'm2', { minutes: 30 }),
          anActivity('a4', 'm2'),
        ],
        // One covered by a summative piece, one by a formative one, one only practised.
        assessment: [assessmentOf('a1', 1000), assessmentOf('a2', 1000, null, 'formative')],
        alignment: [alignmentOf('a1', 'o1', 'assesses'), alignmentOf('a2', 'o2', 'assesses'), alignmentOf('a3', 'o3', 'practises')],
      }),
    )
    expect(standing.objectives).to.deep.equal({ assessed: 1, all: 3 })
    // m1 is planned, m2 has one without a time, m3 has none.
    expect(standing.modules).to.deep.equal({ planned: 1, all: 3 })
    expect(standing.hours.planned).to.equal(2)
    // By points all of the grade is given away.
    expect(standing.gradeGiven).to.equal(100_00)
    expect(standing.firstDay).to.equal('2027-09-06')
  })

  it('gives the stated shares where there are categories, and the first day of the offering that it is seen in', () => {
    const plan = aBlueprint({
      gradeCategory: [aCategory('c1', 60_00), aCategory('c2', 35_00)],
      offering: [anOffering({ id: 'late', firstDay: '2028-01-10', order: 'a1' }), anOffering()],
    })
    const standing = standingOf(plan)
    expect([standing.gradeGiven, standing.firstDay]).to.deep.equal([95_00, '2027-09-06'])
    expect(standingOf(inOffering(plan, 'late')).firstDay).to.equal('2028-01-10')
  })
})

describe('the grade over the term', () => {
  const plan = (over: object = {}) =>
    aBlueprint({
      module: [aModule('m1'), aModule('m2', { firstWeek: 3, lastWeek: 3 })],
      activity: [
        anActivity('a1', 'm1', { kind: 'quiz', dueRule: SUNDAY }),
        anActivity('a2', 'm2', { kind: 'assignment', dueRule: SUNDAY }),
        anActivity('a3', 'm2', { kind: 'assignment' }),
      ],
      assessment: [assessmentOf('a1', 20_00), assessmentOf('a2', 50_00), assessmentOf('a3', 30_00)],
      ...over,
    })

  it('sums what is due until the end of each week; what has no date is told apart', () => {
    const over = gradeOverTerm(plan())
    // 20 of 100 points in week 1, 50 in week 3, 30 without a date.
    expect(over?.weeks.map((w) => [w.week.number, w.share, w.sum])).to.deep.equal([
      [1, 20_00, 20_00],
      [2, 0, 20_00],
      [3, 50_00, 70_00],
      [4, 0, 70_00],
    ])
    expect(over?.undated).to.equal(30_00)
    // A quiz marks itself: it is known when it is due, Sun 12 Sep.
    expect(over?.firstFeedback).to.deep.equal({ activityId: 'a1', date: '2027-09-12' })
  })

  it('says when marked work comes back: five working days after Sun 12 Sep are over on Fri 17 Sep', () => {
    const over = gradeOverTerm(
      plan({
        activity: [anActivity('a1', 'm1', { kind: 'assignment', dueRule: SUNDAY })],
        assessment: [assessmentOf('a1', 20_00)],
      }),
    )
    expect(over?.firstFeedback).to.deep.equal({ activityId: 'a1', date: '2027-09-17' })
  })

  it('is none without an offering', () => expect(gradeOverTerm(plan({ offering: [] }))).to.equal(null))
})

describe('what is worth doing next', () => {
  it('is what must be mended, one of each rule, then what is not planned yet, at most three', () => {
    const plan = aBlueprint({
      module: [aModule('m1')],
      objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1')],
      gradeCategory: [aCategory('c1', 60_00)],
    })
    const analysis = analyse(plan, null)
    const next = worthDoing(analysis)
    expect(next.length).to.be.at.most(3)
    const weights = next.map((n) => n.weight)
    expect(weights).to.deep.equal(weights.toSorted())
    expect(next[0]?.message).to.match(/shares sum to 60 %/)
    expect(worthDoing(analysis, 1)).to.deep.equal(next.slice(0, 1))
    const codes = analysis.findings.filter((f) => f.weight === 'fix').map((f) => f.code)
    expect(next.filter((n) => n.weight === 'fix').length).to.equal(Math.min(3, new Set(codes).size))
  })

  it('is nothing where nothing is open', () => expect(worthDoing({ findings: [], open: [] } as never)).to.deep.equal([]))
})
