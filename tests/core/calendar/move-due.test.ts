import { expect } from 'chai'
import { moveDue } from '../../../src/core/calendar/move-due'
import { scheduleOf } from '../../../src/core/calendar/schedule'
import { aBlueprint, aModule, anActivity } from '../../support/course'

const plan = aBlueprint({
  module: [aModule('m1', { firstWeek: 2, lastWeek: 3 })],
  activity: [anActivity('a1', 'm1', { dueRule: { rule: 'module-day', week: 1, day: 5 } })],
})

describe('another due date', () => {
  it('is tried in a copy, as the rule that gives it', () => {
    // Week 1 is 6 to 12 September 2027; the module begins on the 13th.
    const moved = moveDue(plan, 'a1', '2027-09-22')
    if (!moved.ok) throw new Error(moved.why)
    expect(moved.rule).to.deep.equal({ rule: 'module-day', week: 2, day: 3 })
    expect(scheduleOf(moved.blueprint)?.dueOf('a1')?.date).to.equal('2027-09-22')
    expect(scheduleOf(plan)?.dueOf('a1')?.date).to.equal('2027-09-17')
  })
  for (const date of ['2027-09-06', '2028-01-01'])
    it(`is refused on ${date}, outside the module's weeks`, () => expect(moveDue(plan, 'a1', date)).to.include({ ok: false }))
  it('is refused for what is gone', () => expect(moveDue(plan, 'a9', '2027-09-22').ok).to.equal(false))
})
