import { expect } from 'chai'
import fc from 'fast-check'
import { readDueRule, ruleText } from '../../../src/core/blueprint/kinds/due-rule'
import { addDays, dateSpan, readDate, shortDate, weekdayOf } from '../../../src/core/calendar/plain-date'
import { resolveDueDate, ruleForDate, scheduleOf } from '../../../src/core/calendar/schedule'
import { layOutTerm } from '../../../src/core/calendar/term'
import { aBlueprint, aCourse, aModule, anActivity, anOffering } from '../../support/course'

const autumnBreak = { id: 'b', offeringId: 'run', kind: 'break' as const, title: 'Break', firstDate: '2027-09-20', lastDate: '2027-09-26' }
const term = (over = {}, rules = [autumnBreak], weeks = 4) => layOutTerm(anOffering(over), rules, aCourse({ weeks }))

describe(`plain days (in ${process.env['TZ'] ?? 'the machine’s zone'})`, () => {
  it('know their weekday whatever the zone of the machine', () => {
    // 6 September 2027 is a Monday; 29 February 2028 a Tuesday (perpetual calendar).
    expect(weekdayOf('2027-09-06')).to.equal(0)
    expect(weekdayOf('2028-02-29')).to.equal(1)
    expect(shortDate('2027-10-04')).to.equal('Mon 4 Oct')
  })
  it('count over the ends of months, leap years and clock changes', () => {
    expect(addDays('2028-02-28', 2)).to.equal('2028-03-01')
    expect(addDays('2027-10-31', 1)).to.equal('2027-11-01')
    expect(addDays('2027-03-14', -1)).to.equal('2027-03-13')
  })
  it('are said short', () => {
    expect(dateSpan('2027-10-04', '2027-10-17')).to.equal('4 to 17 Oct')
    expect(dateSpan('2027-09-27', '2027-10-10')).to.equal('27 Sep to 10 Oct')
  })
  it('are read as people write them, the year from what is near', () => {
    expect(readDate('4 Oct', '2027-09-06')).to.equal('2027-10-04')
    expect(readDate('Mon 4 October 2027', '2020-01-01')).to.equal('2027-10-04')
    expect(readDate('10 Jan', '2027-11-01')).to.equal('2028-01-10')
    for (const bad of ['31 Feb', 'soon', '4', '2027-13-01']) expect(readDate(bad, '2027-09-06'), bad).to.equal(null)
  })
})

describe('the weeks of a term', () => {
  it('number the counted ones and leave out a whole week of break', () => {
    expect(term().weeks.map((w) => w.number)).to.deep.equal([1, 2, null, 3, 4])
    expect(term().lastDay).to.equal('2027-10-10')
  })
  it('number a break that is counted, and a break of part of a week', () => {
    expect(term({ countBreaks: true }).weeks.map((w) => w.number)).to.deep.equal([1, 2, 3, 4])
    expect(term({}, [{ ...autumnBreak, lastDate: '2027-09-25' }]).weeks).to.have.length(4)
  })
  it('begin with the calendar week that holds the first day', () => {
    expect(term({ firstDay: '2027-09-08' }).weeks[0]).to.include({ first: '2027-09-06', last: '2027-09-12' })
    expect(term({ firstDay: '2027-09-08', weekStart: 'sunday' }).weeks[0]).to.include({ first: '2027-09-05', last: '2027-09-11' })
  })
  it('end when the last day says so, and come to an end when all is break', () => {
    expect(term({ lastDay: '2027-09-19' }).weeks).to.have.length(2)
    expect(term({}, [{ ...autumnBreak, firstDate: '2020-01-01', lastDate: '2099-01-01' }]).weeks.length).to.be.lessThan(200)
  })
})

describe('due rules', () => {
  const module = aModule('m1', { firstWeek: 2, lastWeek: 3 })
  it('skip the break: week 2 of a module that begins before it is the week after', () => {
    expect(resolveDueDate({ rule: 'module-day', week: 1, day: 7 }, module, term())).to.equal('2027-09-19')
    expect(resolveDueDate({ rule: 'module-day', week: 2, day: 1 }, module, term())).to.equal('2027-09-27')
  })
  it('have no date in a week that the term does not have', () =>
    expect(resolveDueDate({ rule: 'module-day', week: 9, day: 1 }, module, term())).to.equal(undefined))
  it('take Sunday as the first or the last day, as the week starts', () => {
    const sunday = term({ weekStart: 'sunday' })
    expect(ruleText({ rule: 'module-day', week: 2, day: 1 }, 'sunday')).to.equal('Sun wk 2')
    expect(resolveDueDate({ rule: 'module-day', week: 1, day: 1 }, module, sunday)).to.equal('2027-09-12')
  })
  it('are found again from the date they give, for every day of every counted week', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 1, max: 7 }),
        fc.constantFrom('monday' as const, 'sunday' as const),
        (week, day, weekStart) => {
          const t = term({ weekStart })
          const rule = { rule: 'module-day' as const, week, day }
          const date = resolveDueDate(rule, module, t)
          expect(date && ruleForDate(date, module, t)).to.deep.equal(date && rule)
        },
      ),
      { seed: 12 },
    )
  })
  for (const [text, week, day, time] of [
    ['Sun wk 2', 2, 7, null],
    ['wk 2 sun', 2, 7, null],
    ['2 sunday 18:00', 2, 7, '18:00'],
    ['sun', 1, 7, null],
    ['Thu of week 3 at 9:05', 3, 4, '09:05'],
    ['2.7', 2, 7, null],
  ] as const)
    it(`are read from “${text}”`, () =>
      expect(readDueRule(text, 'monday')).to.deep.equal({ rule: { rule: 'module-day', week, day }, time }))
  for (const bad of ['', 'someday', 'wk 2', '2.9', 'sun wk 0', 'sun wk 2 25:00', 'sun <b>', '4 Oct'])
    it(`are not read from “${bad}”`, () => expect(readDueRule(bad, 'monday')).to.equal(null))

  it('carry the activity’s time, the offering’s, or 23:59', () => {
    const dueRule = { rule: 'module-day' as const, week: 1, day: 1 }
    const at = (dueTime: string | null, usual: string | null) =>
      scheduleOf(
        aBlueprint({
          offering: [anOffering({ dueTime: usual })],
          module: [aModule('m1')],
          activity: [anActivity('a1', 'm1', { dueRule, dueTime })],
        }),
      )?.dueOf('a1')?.time
    expect([at('08:00', '17:00'), at(null, '17:00'), at(null, null)]).to.deep.equal(['08:00', '17:00', '23:59'])
  })
})
