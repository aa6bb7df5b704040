import { expect } from 'chai'
import { gradeTable } from '../../../src/core/grading/grade-table'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { aBlueprint, aCategory, aModule, anActivity, aSeries, assessmentOf } from '../../support/course'

const plan = aBlueprint({
  module: [aModule('m1'), aModule('m2'), aModule('m3')],
  gradeCategory: [aCategory('g1', 10_000)],
  series: [aSeries('s1', { title: 'Practice set {n}', kind: 'quiz', minutes: 40, points: 1000, function: 'formative', categoryId: 'g1' })],
  activity: [
    anActivity('a1', 'm1', { seriesId: 's1', title: 'Practice set {n}: Rain' }),
    anActivity('a2', 'm2', { seriesId: 's1', title: 'Practice set {n}', minutes: 60 }),
    anActivity('a3', 'm3', { seriesId: 's1', title: 'Practice set {n}' }),
    anActivity('a4', 'm1', { title: 'Set {n}' }),
  ],
  assessment: [assessmentOf('a3', 2000, null, 'summative')],
})

describe('a series', () => {
  const index = indexCourse(plan)
  it('numbers its members in course order', () =>
    expect(index.membersOf('s1').map((a) => a.title)).to.deep.equal(['Practice set 1: Rain', 'Practice set 2', 'Practice set 3']))
  it('gives what a member leaves open, and leaves what it sets', () => {
    expect(index.membersOf('s1').map((a) => [a.kind, a.minutes])).to.deep.equal([
      ['quiz', 40],
      ['quiz', 60],
      ['quiz', 40],
    ])
  })
  it('gives its members an assessment, of which a member may set points and function of its own', () => {
    expect(['a1', 'a3'].map((id) => index.assessmentOf(id)).map((a) => [a?.points, a?.categoryId, a?.function])).to.deep.equal([
      [1000, 'g1', 'formative'],
      [2000, 'g1', 'summative'],
    ])
    // 10, 10 and 20 points of 40.
    expect(['a1', 'a2', 'a3'].map((id) => gradeTable(plan).effectiveOf(id))).to.deep.equal([2500, 2500, 5000])
  })
  it('leaves other activities alone', () => expect(index.activity('a4')?.title).to.equal('Set {n}'))
  it('keeps the same member object while nothing about it changes, so that its row is not drawn again', () => {
    const again = indexCourse({ ...plan, module: new Map(plan.module) })
    expect(again.membersOf('s1')[0]).to.equal(index.membersOf('s1')[0])
  })
})
