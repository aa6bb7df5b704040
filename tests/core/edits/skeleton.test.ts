import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { editPlan } from '../../../src/core/blueprint/edit'
import { makeSkeleton, type Skeleton, skeletonCounts } from '../../../src/core/edits/skeleton'
import { gradeTable } from '../../../src/core/grading/grade-table'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { aBlueprint, aModule, counter } from '../../support/course'

const skeleton: Skeleton = {
  modules: 3,
  moduleTitle: 'Week {n}',
  weeksEach: 2,
  activities: [
    { title: 'Reading', kind: 'reading', partId: null, minutes: 60, points: null, asSeries: false },
    { title: 'Quiz {n}', kind: 'quiz', partId: null, minutes: 20, points: 1000, asSeries: true },
    { title: 'Essay {n}', kind: 'assignment', partId: null, minutes: 90, points: 2500, asSeries: false },
  ],
}
const base = aBlueprint({ module: [aModule('m1', { firstWeek: 1, lastWeek: 1 })] })
const plan = applyEffective(
  base,
  editPlan(base, (e) => makeSkeleton(e, skeleton, counter())),
)
const index = indexCourse(plan)

describe('a skeleton', () => {
  it('is counted before it is made: 3 modules of 3 activities, 510 minutes, 105 points', () =>
    expect(skeletonCounts(skeleton)).to.deep.equal({ modules: 3, weeks: 6, activities: 9, graded: 6, minutes: 510, points: 10_500 }))
  it('makes what was counted, behind what is there', () => {
    expect(index.modules.map((m) => [m.title, m.firstWeek, m.lastWeek])).to.deep.equal([
      ['Module m1', 1, 1],
      ['Week 2', 2, 3],
      ['Week 3', 4, 5],
      ['Week 4', 6, 7],
    ])
    expect(index.activities).to.have.length(9)
    expect(gradeTable(plan).totalPoints).to.equal(10_500)
    expect(plan.course.get('course')?.weeks).to.equal(7)
  })
  it('gives a series one definition: its members hold nothing of their own', () => {
    const [series] = index.series
    expect(index.membersOf(series?.id ?? '').map((a) => [a.title, a.minutes])).to.deep.equal([
      ['Quiz 1', 20],
      ['Quiz 2', 20],
      ['Quiz 3', 20],
    ])
    expect([...plan.activity.values()].filter((a) => a.seriesId !== null).map((a) => [a.kind, a.minutes])).to.deep.equal(
      Array(3).fill([null, null]),
    )
  })
})
