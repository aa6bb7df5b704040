import { expect } from 'chai'
import { hoursByWeek, isOver } from '../../../src/core/hours/by-week'
import { aBlueprint, aModule, anActivity } from '../../support/course'

const plan = aBlueprint({
  module: [aModule('m1'), aModule('m2', { firstWeek: 2, lastWeek: 3 })],
  activity: [
    anActivity('a1', 'm1', { title: 'Reading', minutes: 70 }),
    anActivity('a2', 'm1', { title: 'Lab', minutes: 90, dueRule: { rule: 'module-day', week: 1, day: 5 } }),
    anActivity('a3', 'm2', { title: 'Exam', minutes: 140 }),
    anActivity('a4', 'm2', { title: 'Essay' }),
  ],
})

describe('hours by week', () => {
  it('spreads minutes over the days from the module’s first to the due date', () => {
    const { weeks, undated, total, moduleWeekly } = hoursByWeek(plan)
    // Week 1: the reading's 70 minutes over its seven days and the lab's 90 over five; the exam's 140 over weeks 2 and 3.
    expect(weeks.map((w) => Math.round(w.minutes * 100) / 100)).to.deep.equal([160, 70, 70, 0])
    expect([undated, total]).to.deep.equal([0, 300])
    expect([...moduleWeekly]).to.deep.equal([
      ['m1', 160 / 60],
      ['m2', 140 / 60 / 2],
    ])
  })
  it('leaves out a break inside a module, and names what has no days', () => {
    const broken = aBlueprint({
      module: [aModule('m1', { firstWeek: 1, lastWeek: 2 }), aModule('m2', { firstWeek: null, lastWeek: null })],
      activity: [anActivity('a1', 'm1', { minutes: 140 }), anActivity('a2', 'm2', { minutes: 30 })],
      calendarRule: [{ id: 'r', offeringId: 'run', kind: 'break', title: 'Break', firstDate: '2027-09-13', lastDate: '2027-09-19' }],
    })
    const { weeks, undated } = hoursByWeek(broken)
    expect(weeks.slice(0, 3).map((w) => [w.week.number, Math.round(w.minutes)])).to.deep.equal([
      [1, 70],
      [null, 0],
      [2, 70],
    ])
    expect(undated).to.equal(30)
  })
  it('is over the target from ten per cent and one hour on', () => {
    expect([isOver(12.9, 12), isOver(13.2, 12), isOver(5, 4.6), isOver(99, null)]).to.deep.equal([false, true, false, false])
  })
})
