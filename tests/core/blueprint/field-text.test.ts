import { expect } from 'chai'
import { date, type Field, hundredths, int, line, lines, optional, time } from '../../../src/core/blueprint/field'
import { fieldText, readField } from '../../../src/core/blueprint/field-text'

const CASES: readonly [Field, string, unknown][] = [
  [line(10), '  two\twords\n', 'two words'],
  [lines(20), 'one\r\ntwo', 'one\ntwo'],
  [optional(line()), '   ', null],
  [int(1, 60), '12', 12],
  [hundredths(0, 100), '12,5', 1250],
  [hundredths(0, 100), '30 %', 3000],
  [optional(hundredths(0, 100)), '', null],
  [date(), '2027-09-06', '2027-09-06'],
  [optional(time()), '', null],
  [time(), '18:00', '18:00'],
  [time(), '9:30', '09:30'],
  [time(), '18h', '18:00'],
  [time(), '6 pm', '18:00'],
  [time(), '12:15 a.m.', '00:15'],
  [time(), '12pm', '12:00'],
]
const REFUSED: readonly [Field, string, RegExp][] = [
  [line(10), '', /cannot be empty/],
  [line(3), 'long', /At most 3 characters; this has 4/],
  [int(1, 60), '61', /from 1 to 60/],
  [int(1, 60), '1.5', /whole number/],
  [int(1, 60), '99999999999', /whole number/],
  [hundredths(0, 100), '101', /from 0 to 100/],
  [hundredths(0, 100), 'many', /A number from/],
  [date(), '', /cannot be empty/],
  [date(), '6 Sep', /day from 1900 to 2200/],
  [time(), '25', /time/],
  [time(), '24:00', /time/],
  [time(), '13 pm', /time/],
  [time(), '9:5', /time/],
]

describe('what is typed into a field', () => {
  for (const [field, typed, value] of CASES)
    it(`is read: ${JSON.stringify(typed)}`, () => {
      const read = readField(field, typed)
      expect(read.ok && read.value).to.equal(value)
      if (value !== null) expect(readField(field, fieldText(field, value))).to.deep.equal(read)
    })
  for (const [field, typed, sentence] of REFUSED)
    it(`is refused with a sentence: ${JSON.stringify(typed)}`, () => {
      const read = readField(field, typed)
      expect(read.ok ? '' : read.error).to.match(sentence)
    })
  it('shows open as empty', () => expect(fieldText(optional(line()), null)).to.equal(''))
})
