import { expect } from 'chai'
import { moduleHead, readItem, readStatement, weekHead } from '../../../src/core/intake/items'
import { readAmount, readCodes, readDuration, readWeekSpan, splitCode } from '../../../src/core/intake/quantities'

describe('times as people type them', () => {
  for (const [text, minutes] of [
    ['45', 45],
    ['45 min', 45],
    ['45min.', 45],
    ["45'", 45],
    ['1.5 h', 90],
    ['1,5 h', 90],
    ['1h30', 90],
    ['1 h 30 min', 90],
    ['1:30', 90],
    ['2 hours', 120],
    ['½ h', 30],
    ['2½ h', 150],
    ['ca. 40 min', 40],
    ['~40', 40],
    ['2 x 45 min', 90],
    ['30–60 min', 45],
    ['1-2 h', 90],
    ['4O min', 40],
    ['l5', 15],
  ] as const)
    it(`reads “${text}” as ${minutes} minutes`, () => expect(readDuration(text, 'minutes')?.value).to.equal(minutes))
  it('counts bare numbers in hours where the column says so', () => {
    expect(readDuration('1,5', 'hours')?.value).to.equal(90)
    expect(readDuration('45 min', 'hours')?.value).to.equal(45)
  })
  it('says when it took a guess', () => {
    expect(readDuration('4O', 'minutes')?.guess).to.equal('“4O” read as 40')
    expect(readDuration('40', 'minutes')?.guess).to.equal(null)
  })
  for (const bad of ['', 'soon', 'all day', '12 pages', '-', 'Ool'])
    it(`reads no time from “${bad}”`, () => expect(readDuration(bad, 'minutes')).to.equal(null))
})

describe('points and shares', () => {
  for (const [text, kind, value] of [
    ['50', 'points', 5000],
    ['50 pts', 'points', 5000],
    ['12,5 points', 'points', 1250],
    ['5 %', 'percent', 500],
    ['5%', 'percent', 500],
    ['/50', 'points', 5000],
    ['50/50', 'points', 5000],
    ['5 x 10 points', 'points', 5000],
    ['l0', 'points', 1000],
  ] as const)
    it(`reads “${text}”`, () => expect(readAmount(text, 'points')?.value).to.deep.equal({ kind, value }))
  for (const bad of ['pass', '', 'x', '1.234.5']) it(`reads none from “${bad}”`, () => expect(readAmount(bad, 'points')).to.equal(null))
})

describe('codes', () => {
  for (const [text, codes] of [
    ['1a, 1b', ['1a', '1b']],
    ['1a 1b', ['1a', '1b']],
    ['MLO 1.1; 1.2', ['MLO1.1', '1.2']],
    ['CO1 & CO3', ['CO1', 'CO3']],
    ['CO1, 3', ['CO1', 'CO3']],
    ['1a-c', ['1a', '1b', '1c']],
    ['CO1-3', ['CO1', 'CO2', 'CO3']],
    ['', []],
  ] as const)
    it(`are read from “${text}”`, () => expect(readCodes(text)).to.deep.equal(codes))
  it('are not read from a sentence', () => expect(readCodes('Plan a harvest for 6 weeks')).to.equal(null))
  for (const [text, code, rest] of [
    ['1.1 Describe a soil', '1.1', 'Describe a soil'],
    ['CO 2: Raise seedlings', 'CO2', 'Raise seedlings'],
    ['(3b) Map the forage', '3b', 'Map the forage'],
    ['a) Name it', 'a', 'Name it'],
    ['A colony is counted', null, 'A colony is counted'],
    ['30 stones are counted', null, '30 stones are counted'],
  ] as const)
    it(`in front of “${text}” is ${code}`, () => expect(splitCode(text)).to.deep.equal({ code, rest }))
})

describe('lines', () => {
  it('open modules and weeks', () => {
    expect(moduleHead('Module 3: Measuring flow (weeks 3–4)')).to.deep.equal({
      number: '3',
      title: 'Measuring flow',
      weeks: { first: 3, last: 4 },
    })
    expect(moduleHead('UNIT IV - Soils')).to.include({ number: '4', title: 'Soils' })
    expect(moduleHead('M2 – Sites')).to.include({ number: '2', title: 'Sites' })
    expect(moduleHead('Modular arithmetic')).to.equal(null)
    expect(moduleHead('MLO 1.1 Describe')).to.equal(null)
    expect(weekHead('Weeks 3 to 4: Flow')).to.deep.equal({ weeks: { first: 3, last: 4 }, title: 'Flow' })
    expect(readWeekSpan('Wk 3–4')).to.deep.equal({ first: 3, last: 4 })
    expect(readWeekSpan('99')).to.equal(null)
  })
  it('tell an activity with its time, points, due date and objectives', () =>
    expect(readItem('2.3 Roof survey (150 min, 40 points), due Sun [1a, 1b]')).to.deep.equal({
      number: '2.3',
      title: 'Roof survey',
      kind: 'survey',
      minutes: 150,
      amount: { kind: 'points', value: 4000 },
      due: 'Sun',
      codes: ['1a', '1b'],
      guesses: [],
    }))
  it('read no time out of words', () => expect(readItem('Tour of a loom (3O min)')).to.include({ title: 'Tour of a loom', minutes: 30 }))
  it('keep numbers that belong to a title', () => {
    expect(readItem('Reading: Roofs that carry, pp. 4-19 (60 min)')).to.include({
      title: 'Reading: Roofs that carry, pp. 4-19',
      minutes: 60,
    })
    expect(readItem('The census of 1911 (a source)')).to.include({ title: 'The census of 1911 (a source)', minutes: null })
  })
  it('tell a statement, its code, and the outcomes behind it, without the lead-in', () => {
    expect(readStatement('1.2 Learners will be able to choose an amendment (CO1, CO3).')).to.deep.equal({
      code: '1.2',
      statement: 'Choose an amendment',
      refs: ['CO1', 'CO3'],
    })
    expect(readStatement('Weigh a sample (to 0.1 g)')).to.include({ statement: 'Weigh a sample (to 0.1 g)' })
  })
})
