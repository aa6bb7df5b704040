import { expect } from 'chai'
import { markingByWeek } from '../../../src/core/hours/marking'
import { aBlueprint, aModule, anActivity, anOffering, assessmentOf } from '../../support/course'

const due = (day: number) => ({ rule: 'module-day', week: 1, day }) as const
/** Week 1 is 6 to 12 September 2027, a Monday to a Sunday. */
const plan = aBlueprint({
  offering: [anOffering({ enrolment: 24, returnDays: 5 })],
  module: [aModule('m1')],
  calendarRule: [{ id: 'r', offeringId: 'run', kind: 'closed', title: 'Closed', firstDate: '2027-09-15', lastDate: '2027-09-15' }],
  activity: [
    anActivity('a1', 'm1', { kind: 'lab', dueRule: due(4) }),
    anActivity('a2', 'm1', { kind: 'quiz', dueRule: due(4) }),
    anActivity('a3', 'm1', { kind: 'assignment' }),
    anActivity('a4', 'm1', { kind: 'reflection', dueRule: due(4) }),
  ],
  assessment: [
    assessmentOf('a1', 1000, null, 'summative', { markingMinutes: 10 }),
    assessmentOf('a2', 1000),
    assessmentOf('a3', 1000),
    assessmentOf('a4', null, null, 'formative'),
  ],
})

describe('marking hours', () => {
  it('are submissions by minutes, spread over five working days after the due date, the closed one left out', () => {
    // Due Thu 9 Sep: marked Fri 10 | Mon 13, Tue 14, Thu 16, Fri 17. 24 x 10 = 240 minutes, 48 a day.
    const marking = markingByWeek(plan)
    expect(marking?.weeks.map((w) => w.minutes)).to.deep.equal([48, 192, 0, 0])
    expect(marking?.work).to.deep.equal([
      {
        activityId: 'a1',
        each: 10,
        minutes: 240,
        due: '2027-09-09',
        days: ['2027-09-10', '2027-09-13', '2027-09-14', '2027-09-16', '2027-09-17'],
        back: '2027-09-17',
      },
    ])
    expect(marking).to.include({ total: 240, after: 0 })
  })
  it('leave out what marks itself, what has no date and what is not graded', () => {
    expect(markingByWeek(plan)?.work.map((w) => w.activityId)).to.deep.equal(['a1'])
  })
  it('can be asked for another enrolment', () => expect(markingByWeek(plan, 48)?.total).to.equal(480))
  it('name what falls after the last week', () => {
    const late = aBlueprint({
      offering: [anOffering({ enrolment: 10, returnDays: 10 })],
      module: [aModule('m4', { firstWeek: 4, lastWeek: 4 })],
      activity: [anActivity('a1', 'm4', { dueRule: due(5) })],
      assessment: [assessmentOf('a1', 1000, null, 'summative', { markingMinutes: 6 })],
    })
    // Due Fri 1 Oct, the last week ends Sun 3 Oct: all ten working days come after it.
    expect(markingByWeek(late)).to.include({ total: 60, after: 60 })
  })
  it('has nobody to mark for while no learners are expected', () => {
    expect(markingByWeek(aBlueprint({ ...{}, module: [aModule('m1')] }))).to.include({ enrolment: 0, total: 0, returnDays: 5 })
    expect(markingByWeek(aBlueprint({ offering: [] }))).to.equal(null)
  })
})
