import { expect } from 'chai'
import { readDuration } from '../../../src/core/intake/duration'
import { moduleHead, weekHead } from '../../../src/core/intake/heads'
import { readItem, readStatement } from '../../../src/core/intake/items'
import { likest } from '../../../src/core/intake/likeness'
import { readAmount, readCodes, readWeekSpan, splitCode } from '../../../src/core/intake/quantities'
import { readText } from '../../../src/core/intake/read-file'
import { understand } from '../../../src/core/intake/understand'

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
    // Of a range the upper end, so that no learner has too little time; which range it was is said.
    ['30–60 min', 60],
    ['1-2 h', 120],
    ['45 to 60', 60],
    ['between 1 and 2 hours', 120],
    ['45 min - 1 h', 60],
    ['three quarters of an hour', 45],
    ['half an hour', 30],
    ['a half hour', 30],
    ['a quarter of an hour', 15],
    ['quarter hour', 15],
    ['an hour', 60],
    ['An hour and a half', 90],
    ['one and a half hours', 90],
    ['two hours', 120],
    ['two and a quarter hours', 135],
    ['two hours and twenty minutes', 140],
    ['ninety minutes', 90],
    ['twenty-five min', 25],
    ['twelve', 12],
    ['1 h 1/4', 75],
    ['1 1/2 h', 90],
    ['3/4 h', 45],
    ['1¼ h', 75],
    ['1 hr 20 mins', 80],
    ['1h 5m', 65],
    ['2 × 25 min', 50],
    ['3 times 20 min', 60],
    ['30 min each x 2', 60],
    ['20 min + 15 min', 35],
    ['1 h + 30', 90],
    ['45 min (approx.)', 45],
    ['roughly half an hour', 30],
    ['eine halbe Stunde', 30],
    ['1 Std. 30 Min.', 90],
    ['90 Minuten', 90],
    ['une demi-heure', 30],
    ['1 h 30 mn', 90],
    ['media hora', 30],
    ['2 horas', 120],
    ['0,75 Std', 45],
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
    expect(readDuration('45–60 min', 'minutes')?.guess).to.equal('“45–60 min” read as 60 min, the most of it')
    expect(readDuration('half an hour', 'minutes')?.guess).to.equal(null)
  })
  for (const bad of [
    '',
    'soon',
    'all day',
    '12 pages',
    '-',
    'Ool',
    'half',
    'an',
    '60-45 min',
    '1/0 h',
    'one lecture',
    'x 2',
    '5 min apples',
    '1 + h',
  ])
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
      kindSaid: null,
      minutes: 150,
      amount: { kind: 'points', value: 4000 },
      amountGuess: null,
      note: null,
      due: 'Sun',
      dueSaid: true,
      when: { read: 'Sun', date: null, otherDate: null, week: null, day: 7, time: null, meeting: null },
      codes: ['1a', '1b'],
      guesses: [],
    }))
  it('say the kind behind the title, and what all of them before the last noun are', () => {
    expect(readItem('Safety with rags (video, 6 min)')).to.include({
      title: 'Safety with rags',
      kind: 'video',
      kindSaid: 'video',
      minutes: 6,
    })
    expect(readItem('Draft reading quiz (10 pts)')).to.include({ kind: 'quiz', kindSaid: null })
  })
  it('open sessions with their times of day', () => {
    expect(moduleHead('Session 2: Compressions (10:45–12:15)')).to.include({ title: 'Compressions', minutes: 90 })
    expect(moduleHead('Module 1 / Week 1\nThe shop window')).to.deep.include({ title: 'The shop window', weeks: { first: 1, last: 1 } })
  })
  it('part what more a line says from its title', () => {
    const read = (text: string) => {
      const { title, note, minutes, amount, when, guesses } = readItem(text)
      return [title, note, minutes, amount?.value ?? null, when?.read ?? null, guesses.length]
    }
    expect(read('Practice quiz: Seasons (5 questions, 5 min)')).to.deep.equal(['Practice quiz: Seasons', '5 questions', 5, null, null, 0])
    expect(read('2) make a flat piece, about 2 hours')).to.deep.equal(['make a flat piece', null, 120, null, null, 0])
    expect(read('09:00-10:30 Demonstration')).to.deep.equal(['Demonstration', null, 90, null, null, 0])
    expect(read('9 am Listen in (1 hour)')).to.deep.equal(['Listen in', '9 am', 60, null, null, 0])
    expect(read('Homework: sketch the hall, half an hour')).to.deep.equal(['Homework: sketch the hall', null, 30, null, null, 0])
    expect(read('Video: Opening the box (8:35)')).to.deep.equal(['Video: Opening the box', null, 9, null, null, 0])
    expect(read('Guide pp. 4–9 – 12 min')).to.deep.equal(['Guide pp. 4–9', null, 12, null, null, 0])
    expect(read('Walk (10 min) and talk (20 min)')[5]).to.equal(1)
    expect(readItem('Quiz 1 (10)')).to.include({ title: 'Quiz 1', amountGuess: '“(10)” is read as points' })
    expect(readItem('The flood of (1910)').amount).to.equal(null)
  })
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

describe('wordings of one thing', () => {
  const OBJECTIVES = ['Measure the flow of a stream', 'Measure the width of a stream', 'Choose a site']
  it('are found by the words that they share, others nearly as like named', () => {
    expect(likest('measuring stream flow', OBJECTIVES, (o) => o)).to.deep.equal({
      found: 'Measure the flow of a stream',
      others: ['Measure the width of a stream'],
    })
    expect(likest('choosing a good site', OBJECTIVES, (o) => o)).to.deep.equal({ found: 'Choose a site', others: [] })
    expect(likest('explain rain', OBJECTIVES, (o) => o)).to.equal(null)
  })
  it('link work to the objective that they are like, as a guess with its alternatives', () => {
    const text =
      'Module\tObjective\n1\tMeasure the flow of a stream\n1\tMeasure the width of a stream\n\n\nModule\tActivity\tMinutes\tObjectives\n1\tFloat test\t40\tmeasuring stream flow\n1\tTape test\t20\tMeasure the width of a stream'
    const { modules, guesses } = understand([readText('pasted text', text)])
    expect(modules[0]?.objectives).to.have.length(2)
    expect(modules[0]?.activities.map((a) => a.objectives)).to.deep.equal([['1a'], ['1b']])
    expect(guesses.find((g) => g.path === 'modules[0].activities[0].objectives')?.why).to.equal(
      '“measuring stream flow” is read as 1a, which it is like; it may be 1b',
    )
  })
})
