import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { editPlan } from '../../../src/core/blueprint/edit'
import { scheduleOf, termOf } from '../../../src/core/calendar/schedule'
import { hoursByWeek } from '../../../src/core/hours/by-week'
import { currentOffering, inOffering, offeringsOf } from '../../../src/core/plan/offering'
import { assembleSyllabus } from '../../../src/core/syllabus/assemble'
import { aBlueprint, aModule, anActivity, anOffering } from '../../support/course'

// Both first days are Mondays, so that week 1 is the seven days from them; due on the fourth day of week 1, a Thursday.
const plan = aBlueprint({
  offering: [
    anOffering({ id: 'spring', term: 'Spring', firstDay: '2028-01-10', order: 'a1' }),
    anOffering({ id: 'autumn', term: 'Autumn', firstDay: '2027-09-06', order: 'a0' }),
  ],
  module: [aModule('m1')],
  activity: [anActivity('a1', 'm1', { minutes: 60, dueRule: { rule: 'module-day', week: 1, day: 4 } })],
})
const dates = (of: typeof plan) => {
  const schedule = scheduleOf(of)
  return [schedule?.term.offering.term, schedule?.spanOf('m1')?.first, schedule?.spanOf('m1')?.last, schedule?.dueOf('a1')?.date]
}
const AUTUMN = ['Autumn', '2027-09-06', '2027-09-12', '2027-09-09']
const SPRING = ['Spring', '2028-01-10', '2028-01-16', '2028-01-13']

describe('the offering that a plan is seen in', () => {
  it('is the first in order, unless one is chosen: two show different dates', () => {
    expect(offeringsOf(plan).map((o) => o.id)).to.deep.equal(['autumn', 'spring'])
    expect(dates(plan)).to.deep.equal(AUTUMN)
    const spring = inOffering(plan, 'spring')
    expect(dates(spring)).to.deep.equal(SPRING)
    expect(dates(inOffering(plan, 'autumn'))).to.deep.equal(AUTUMN)
    expect(hoursByWeek(spring).weeks[0]?.week.first).to.equal('2028-01-10')
    expect(
      assembleSyllabus(spring)
        .facts.map((f) => f.value)
        .join(),
    )
      .to.contain('Spring')
      .and.not.contain('Autumn')
    expect(dates(plan), 'the plan itself stays as it is').to.deep.equal(AUTUMN)
  })
  it('is the first where the chosen one is not there', () => {
    expect(inOffering(plan, 'gone')).to.equal(plan)
    expect(inOffering(plan, null)).to.equal(plan)
    expect(currentOffering(aBlueprint({ offering: [] }))).to.equal(undefined)
  })
  it('stays chosen while other kinds are edited, and is chosen again where offerings are', () => {
    const spring = inOffering(plan, 'spring')
    const renamed = applyEffective(
      spring,
      editPlan(spring, (e) => e.set('module', 'm1', { title: 'Other' })),
    )
    expect(currentOffering(renamed)?.id).to.equal('spring')
    const moved = applyEffective(
      spring,
      editPlan(spring, (e) => e.set('offering', 'spring', { firstDay: '2028-01-17' })),
    )
    expect(dates(inOffering(moved, 'spring')).slice(0, 2)).to.deep.equal(['Spring', '2028-01-17'])
    expect(dates(inOffering(moved, 'autumn'))).to.deep.equal(AUTUMN)
  })
  it('is worked out once for each, going to and fro', () => {
    for (const id of ['spring', 'autumn']) termOf(inOffering(plan, id))
    const before = [termOf.built(), scheduleOf.built()]
    for (const id of ['spring', 'autumn', 'spring', 'autumn', 'spring']) scheduleOf(inOffering(plan, id))
    expect(termOf.built()).to.equal(before[0])
    expect(scheduleOf.built() - (before[1] ?? 0)).to.be.at.most(2)
  })
})
