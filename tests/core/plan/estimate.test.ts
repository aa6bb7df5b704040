import { expect } from 'chai'
import { contactHours, requiredHours } from '../../../src/core/hours/credit'
import { assumptionsOf } from '../../../src/core/plan/assumptions'
import { estimateOf, readSize, sizeInTitle } from '../../../src/core/plan/estimate'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { aBlueprint, aCourse, aModule, anActivity, aSeries } from '../../support/course'

const assume = assumptionsOf(aBlueprint())
type Given = Parameters<typeof anActivity>[2]
const minutes = (over: Given) => estimateOf(anActivity('a1', 'm1', over), assume)?.minutes

describe('an estimate', () => {
  it('of reading is words by rate: 2,380 words at 238 a minute are 10 minutes', () =>
    expect(minutes({ kind: 'reading', size: { unit: 'words', amount: 2380 } })).to.equal(10))
  it('of pages counts 450 words a page: 10 pages studied at 200 words are 22.5 minutes', () =>
    expect(minutes({ size: { unit: 'pages', amount: 10 }, pace: 'study' })).to.equal(22.5))
  it('of dense text takes half the rate', () =>
    expect(minutes({ size: { unit: 'words', amount: 4500 }, pace: 'skim', difficulty: 'dense' })).to.equal(20))
  it('of a film is its running time by 1.25, of a live session its length', () => {
    expect(minutes({ kind: 'video', size: { unit: 'minutes', amount: 8 } })).to.equal(10)
    expect(minutes({ kind: 'live session', size: { unit: 'minutes', amount: 60 } })).to.equal(60)
  })
  it('of writing goes by its kind: 500 words are 90, 180 or 300 minutes', () => {
    const size = { unit: 'words written', amount: 500 } as const
    expect([
      minutes({ kind: 'reflection', size }),
      minutes({ kind: 'assignment', size }),
      minutes({ kind: 'project', size }),
    ]).to.deep.equal([90, 180, 300])
  })
  it('of a discussion is a post of 40, replies of 15 and 20 posts read: with two replies 90', () =>
    expect(minutes({ kind: 'discussion', size: { unit: 'replies', amount: 2 } })).to.equal(90))
  it('of a quiz is its items, of peer review its reviews', () => {
    expect(minutes({ kind: 'quiz', size: { unit: 'items', amount: 10 } })).to.equal(15)
    expect(minutes({ kind: 'peer review', size: { unit: 'reviews', amount: 2 } })).to.equal(60)
  })
  it('says how', () =>
    expect(estimateOf(anActivity('a1', 'm1', { size: { unit: 'pages', amount: 17 } }), assume)?.how).to.equal(
      '17 pages of 450 words at 238 words a minute',
    ))
  it('is none where the size is open', () => expect(minutes({ kind: 'reading' })).to.equal(undefined))

  it('stands for the minutes that nobody set, with the course’s own assumptions', () => {
    const plan = aBlueprint({
      module: [aModule('m1')],
      assumption: [{ id: 'read--assumption', name: 'read', value: 10_000 }],
      series: [aSeries('s1', { minutes: 99 })],
      activity: [
        anActivity('a1', 'm1', { size: { unit: 'words', amount: 450 } }),
        anActivity('a2', 'm1', { size: { unit: 'words', amount: 450 }, minutes: 30 }),
        anActivity('a3', 'm1', { size: { unit: 'words', amount: 200 }, seriesId: 's1' }),
        anActivity('a4', 'm1', { seriesId: 's1' }),
      ],
    })
    // 450 words at 100 a minute are 4.5, rounded to 5.
    expect(indexCourse(plan).activities.map((a) => a.minutes)).to.deep.equal([5, 30, 2, 99])
  })
})

describe('a size', () => {
  for (const [text, unit, amount] of [
    ['17 pages', 'pages', 17],
    ['17 pp', 'pages', 17],
    ['2,400 words', 'words', 2400],
    ['9 min', 'minutes', 9],
    ['500 words written', 'words written', 500],
    ['10 questions', 'items', 10],
    ['2 replies', 'replies', 2],
  ] as const)
    it(`is read from “${text}”`, () => expect(readSize(text)).to.deep.equal({ unit, amount }))
  for (const bad of ['', '17', 'pages', '-3 pages', '99999999 words', '3 elephants'])
    it(`is not read from “${bad}”`, () => expect(readSize(bad)).to.equal(null))
  it('is told by titles', () => {
    const of = (title: string, kind: 'reading' | 'video') => sizeInTitle({ title, kind })
    expect(of('Reading: From hillslope to channel, pp. 3–19', 'reading')).to.deep.equal({ unit: 'pages', amount: 17 })
    expect(of('Video: One storm (9 min)', 'video')).to.deep.equal({ unit: 'minutes', amount: 9 })
    expect(of('Chapter 3', 'reading')).to.equal(null)
  })
})

describe('credits', () => {
  it('ask for 45 hours a semester credit and 25 to 30 a European one', () => {
    expect(requiredHours(aCourse({ credits: 300 }))).to.deep.equal({ least: 135, most: 135 })
    expect(requiredHours(aCourse({ credits: 500, creditSystem: 'ects' }))).to.deep.equal({ least: 125, most: 150 })
    expect(requiredHours(aCourse({ creditSystem: 'none', credits: null }))).to.equal(null)
  })
  it('count contact in hours of their own length: 100 minutes live are 2 contact hours of 50', () => {
    const plan = aBlueprint({
      course: [aCourse({ contactHour: 50 })],
      module: [aModule('m1')],
      activity: [
        anActivity('a1', 'm1', { kind: 'live session', minutes: 100 }),
        anActivity('a2', 'm1', { kind: 'discussion', minutes: 30 }),
        anActivity('a3', 'm1', { kind: 'reading', minutes: 45, countsAs: 'guided' }),
        anActivity('a4', 'm1', { minutes: 5 }),
      ],
    })
    expect(contactHours(plan)).to.deep.equal({
      minutes: { instruction: 100, guided: 75, independent: 5 },
      hourMinutes: 50,
      contactHours: 2,
    })
  })
})
