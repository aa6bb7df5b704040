import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { writeActivityCell } from '../../../src/core/edits/activities'
import { alikeActivities, leaveSeries, makeSeries, patternOf, repeatSeries, spreadField } from '../../../src/core/edits/series'
import { gradeTable } from '../../../src/core/grading/grade-table'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { assembleSyllabus } from '../../../src/core/syllabus/assemble'
import { aBlueprint, aCategory, aModule, anActivity, assessmentOf, counter } from '../../support/course'

const ids = ['a1', 'a2', 'a3']
const base = aBlueprint({
  module: [aModule('m1'), aModule('m2'), aModule('m3'), aModule('m4')],
  gradeCategory: [aCategory('g1', 10_000, { title: 'Sets', dropLowest: 1 })],
  activity: [
    ...ids.map((id, i) => anActivity(id, `m${i + 1}`, { title: `Set ${i + 1}: Topic ${id}`, kind: 'quiz', minutes: i === 2 ? 50 : 40 })),
    anActivity('b1', 'm1', { title: 'Lab 1', kind: 'lab' }),
  ],
  assessment: ids.map((id) => assessmentOf(id, 1000, 'g1', 'formative')),
})
const edited = (plan: Blueprint, work: (e: PlanEdit) => void): Blueprint => applyEffective(plan, editPlan(plan, work))
const made = edited(base, (e) => void makeSeries(e, ids, counter('s')))
const index = indexCourse(made)
const minutes = (plan: Blueprint) =>
  indexCourse(plan)
    .membersOf('s1')
    .map((a) => a.minutes)
const points = (plan: Blueprint) =>
  indexCourse(plan)
    .membersOf('s1')
    .map((a) => indexCourse(plan).assessmentOf(a.id)?.points)

describe('a series of activities that are alike', () => {
  it('is found by the words before a number and the kind', () => {
    const plan = indexCourse(base)
    const [first] = plan.activitiesOf('m1')
    expect(first && alikeActivities(plan, first).map((a) => a.id)).to.deep.equal(ids)
    expect([patternOf('Lab 2: Bed'), patternOf('Report')]).to.deep.equal(['Lab {n}: Bed', null])
  })
  it('takes what they share; what differs stays with each', () => {
    expect(made.series.get('s1')).to.include({
      title: 'Set {n}',
      kind: 'quiz',
      minutes: null,
      points: 1000,
      categoryId: 'g1',
      function: 'formative',
    })
    expect(made.activity.get('a3')).to.include({ title: 'Set {n}: Topic a3', kind: null, minutes: 50 })
    expect(made.assessment.size).to.equal(0)
  })
  it('changes nothing of what anybody sees', () => {
    const before = indexCourse(base)
    expect(index.activities.map((a) => [a.title, a.kind, a.minutes])).to.deep.equal(
      before.activities.map((a) => [a.title, a.kind, a.minutes]),
    )
    expect(ids.map((id) => gradeTable(made).effectiveOf(id))).to.deep.equal(ids.map((id) => gradeTable(base).effectiveOf(id)))
  })
  it('stands as one in the syllabus, with the rule for the lowest', () =>
    expect(assembleSyllabus(made).grades?.rows[0]).to.include({ items: 'Set 1–3. The lowest result does not count.' }))
})

describe('an edit of a member', () => {
  const changed = edited(made, (e) => {
    writeActivityCell(e, 'a2', 'minutes', '30', null)
    writeActivityCell(e, 'a2', 'points', '25', null)
  })
  it('reaches this one alone', () => {
    expect(minutes(changed)).to.deep.equal([40, 30, 50])
    expect(points(changed)).to.deep.equal([1000, 2500, 1000])
    expect(indexCourse(changed).assessmentOf('a2')?.function).to.equal('formative')
  })
  it('or all, through the definition, and leaves no copies behind', () => {
    const all = edited(changed, (e) => {
      spreadField(e, 'a2', 'minutes', 'all')
      spreadField(e, 'a2', 'points', 'all')
    })
    expect([minutes(all), points(all)]).to.deep.equal([
      [30, 30, 30],
      [2500, 2500, 2500],
    ])
    expect(all.assessment.size).to.equal(0)
    expect([...all.activity.values()].filter((a) => a.seriesId).map((a) => a.minutes)).to.deep.equal([null, null, null])
  })
  it('or those from here on', () => {
    const later = edited(changed, (e) => {
      spreadField(e, 'a2', 'minutes', 'from-here')
      spreadField(e, 'a2', 'points', 'from-here')
    })
    expect([minutes(later), points(later)]).to.deep.equal([
      [40, 30, 30],
      [1000, 2500, 2500],
    ])
  })
  it('of the definition reaches those that set nothing of their own', () =>
    expect(points(edited(changed, (e) => e.set('series', 's1', { points: 500 })))).to.deep.equal([500, 2500, 500]))
})

describe('members', () => {
  it('come to modules without one, numbered by their place', () => {
    const more = edited(made, (e) => void repeatSeries(e, 's1', ['m4'], counter('n')))
    expect(
      indexCourse(more)
        .membersOf('s1')
        .map((a) => a.title),
    ).to.deep.equal(['Set 1: Topic a1', 'Set 2: Topic a2', 'Set 3: Topic a3', 'Set 4'])
    expect(points(more)).to.deep.equal([1000, 1000, 1000, 1000])
  })
  it('leave with all that the series gave', () => {
    const left = edited(made, (e) => leaveSeries(e, 'a1'))
    expect(left.activity.get('a1')).to.include({ title: 'Set 1: Topic a1', kind: 'quiz', minutes: 40, seriesId: null })
    expect(indexCourse(left).assessmentOf('a1')).to.include({ points: 1000, categoryId: 'g1' })
    expect(
      indexCourse(left)
        .membersOf('s1')
        .map((a) => a.title),
    ).to.deep.equal(['Set 1: Topic a2', 'Set 2: Topic a3'])
  })
})
