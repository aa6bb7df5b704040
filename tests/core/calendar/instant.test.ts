import { expect } from 'chai'
import { instantOf } from '../../../src/core/calendar/instant'

describe('an instant', () => {
  it('is the date and time in its zone, whatever the machine’s', () => {
    expect(instantOf('2027-09-12', '23:59', 'Europe/London')).to.equal('2027-09-12T22:59:00Z')
    expect(instantOf('2027-12-12', '23:59', 'Europe/London')).to.equal('2027-12-12T23:59:00Z')
    expect(instantOf('2027-01-01', '00:30', 'Pacific/Auckland')).to.equal('2026-12-31T11:30:00Z')
    expect(instantOf('2027-06-01', '12:00', 'Asia/Kolkata')).to.equal('2027-06-01T06:30:00Z')
  })
  // Clocks in London go forward at 01:00 on 28 March 2027 and back at 02:00 on 31 October 2027.
  it('in a gap lies later, by as much as it lies in the gap', () =>
    expect(instantOf('2027-03-28', '01:30', 'Europe/London')).to.equal('2027-03-28T01:30:00Z'))
  it('in an overlap is the first', () => expect(instantOf('2027-10-31', '01:30', 'Europe/London')).to.equal('2027-10-31T00:30:00Z'))
  it('is right on both sides of a change', () => {
    expect(instantOf('2027-03-28', '00:59', 'Europe/London')).to.equal('2027-03-28T00:59:00Z')
    expect(instantOf('2027-03-28', '02:00', 'Europe/London')).to.equal('2027-03-28T01:00:00Z')
    expect(instantOf('2027-10-31', '02:00', 'Europe/London')).to.equal('2027-10-31T02:00:00Z')
    expect(instantOf('2027-11-07', '01:30', 'America/New_York')).to.equal('2027-11-07T05:30:00Z')
  })
})
