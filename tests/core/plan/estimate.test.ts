import { expect } from 'chai'
import type { ActivityKind } from '../../../src/core/blueprint/kinds/activity'
import { contactHours, requiredHours } from '../../../src/core/hours/credit'
import { assumptionsOf } from '../../../src/core/plan/assumptions'
import { estimateOf, readPageWords, readSize } from '../../../src/core/plan/estimate'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { sizeInTitle } from '../../../src/core/plan/size-in-title'
import { aBlueprint, aCourse, aModule, anActivity, aSeries } from '../../support/course'

const assume = assumptionsOf(aBlueprint())
type Given = Parameters<typeof anActivity>[2]
const minutes = (over: Given) => estimateOf(anActivity('a1', 'm1', over), assume)?.minutes

describe('an estimate', () => {
  it('of reading is words by rate: 2,380 words at 238 a minute are 10 minutes', () =>
    expect(minutes({ kind: 'reading', size: { unit: 'words', amount: 2380 } })).to.equal(10))
  it('of pages counts 450 words a page: 10 pages learnt at 200 words are 22.5 minutes', () =>
    expect(minutes({ size: { unit: 'pages', amount: 10 }, pace: 'learn' })).to.equal(22.5))
  // Carver 1992: 600, 450, 200, 138 words a minute; Brysbaert 2019: 238.
  for (const [pace, rate] of [
    ['scan', 600],
    ['skim', 450],
    ['read', 238],
    ['learn', 200],
    ['memorise', 138],
  ] as const)
    it(`to ${pace} ${rate} words takes a minute`, () =>
      expect(minutes({ size: { unit: 'words', amount: rate }, pace })).to.be.closeTo(1, 1e-9))
  it('of hard text takes half the rate, of easy text 1.2 times it', () => {
    expect(minutes({ size: { unit: 'words', amount: 4500 }, pace: 'skim', difficulty: 'hard' })).to.equal(20)
    expect(minutes({ size: { unit: 'words', amount: 5400 }, pace: 'skim', difficulty: 'easy' })).to.equal(10)
    expect(minutes({ size: { unit: 'words', amount: 2380 }, difficulty: 'ordinary' })).to.equal(10)
  })
  it('of pages goes by the words of a counted page, else by how they are set, and says that this is a guess', () => {
    const size = { unit: 'pages', amount: 10 } as const
    // 10 pages of 352 words at 200 are 17.6 minutes; of 300 at 200, 15; of 600 at 200, 30.
    const of = (more: Given) => estimateOf(anActivity('a1', 'm1', { size, pace: 'learn', ...more }), assume)
    expect([of({ pageWords: 352 })?.minutes, of({ pageWords: 352 })?.guess]).to.deep.equal([17.6, false])
    expect([of({ pageSet: 'paperback' })?.minutes, of({ pageSet: 'paperback' })?.guess]).to.deep.equal([15, true])
    expect(of({ pageSet: 'close-set' })?.minutes).to.equal(30)
    expect(of({ pageSet: 'close-set', pageWords: 300 })?.minutes, 'counted wins').to.equal(15)
  })
  it('is none where the course says a rate of nothing', () => {
    const own = assumptionsOf(aBlueprint({ assumption: [{ id: 'read--assumption', name: 'read', value: 0 }] }))
    expect(estimateOf(anActivity('a1', 'm1', { size: { unit: 'words', amount: 100 } }), own)).to.equal(null)
  })
  it('of a film is its running time by 1.25, of a live session its length', () => {
    expect(minutes({ kind: 'video', size: { unit: 'minutes', amount: 8 } })).to.equal(10)
    expect(minutes({ kind: 'live session', size: { unit: 'minutes', amount: 60 } })).to.equal(60)
  })
  it('of writing goes by what is written: in two hours 660 words of a reflection, 340 of a report, 200 argued with sources', () => {
    const of = (amount: number, more: Given) => minutes({ size: { unit: 'words written', amount }, ...more })
    expect([of(660, { kind: 'reflection' }), of(340, { kind: 'assignment' }), of(200, { kind: 'project' })]).to.deep.equal([120, 120, 120])
    expect(of(660, { kind: 'project', writing: 'reflection' }), 'what is said wins over the kind').to.equal(120)
  })
  it('of a discussion is a post of 40, replies of 15 and 20 posts read: with two replies 90', () =>
    expect(minutes({ kind: 'discussion', size: { unit: 'replies', amount: 2 } })).to.equal(90))
  it('of a quiz is its items, of peer review its reviews', () => {
    expect(minutes({ kind: 'quiz', size: { unit: 'items', amount: 10 } })).to.equal(15)
    expect(minutes({ kind: 'peer review', size: { unit: 'reviews', amount: 2 } })).to.equal(60)
  })
  it('says how', () =>
    expect(estimateOf(anActivity('a1', 'm1', { size: { unit: 'pages', amount: 17 } }), assume)?.how).to.equal(
      '17 pages of 450 words (a guess: a textbook) at 238 words a minute',
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
    // 450 words at 100 a minute are 4.5; they are rounded where they are shown.
    expect(indexCourse(plan).activities.map((a) => a.minutes)).to.deep.equal([4.5, 30, 2, 99])
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
    const of = (title: string, kind: ActivityKind | null, notes: string | null = null) => sizeInTitle({ title, kind, notes })
    expect(of('Reading: From hillslope to channel, pp. 3–19', 'reading')).to.deep.equal({ unit: 'pages', amount: 17 })
    expect(of('Video: One storm (9 min)', 'video')).to.deep.equal({ unit: 'minutes', amount: 9 })
    expect(of('Chapter 3', 'reading')).to.equal(null)
    // 3 to 20 are 18 pages, 44 to 50 seven more.
    expect(of('Ambrose, pp. 3–20, 44–50', null)).to.deep.equal({ unit: 'pages', amount: 25 })
    expect(of('Ambrose, pp. 20–3', 'reading')).to.equal(null)
    expect(of('Holm ch. 1 (18 pp.)', 'reading')).to.deep.equal({ unit: 'pages', amount: 18 })
    expect(of('Holm ch. 1', 'reading', '2,400 words')).to.deep.equal({ unit: 'words', amount: 2400 })
    // Pages that somebody writes are no pages to read.
    expect(of('Critique paper, 3 pages', 'assignment')).to.equal(null)
    expect(of('Condition report, 1,500 words', 'assignment')).to.deep.equal({ unit: 'words written', amount: 1500 })
    expect(of('Picture quiz, 10 questions', 'quiz')).to.deep.equal({ unit: 'items', amount: 10 })
    expect(of('Forum: one post, two replies', 'discussion')).to.deep.equal({ unit: 'replies', amount: 2 })
    expect(of('Forum: 0 replies', 'discussion')).to.equal(null)
    expect(of('10 questions', null)).to.equal(null)
  })
})

describe('words on a page', () => {
  for (const [text, words] of [
    ['352', 352],
    ['32 x 11', 352],
    ['32×11', 352],
    ['0', null],
    ['5001', null],
    ['100 x 51', null],
    ['32 x', null],
    ['2 x 3 x 4', null],
    ['some', null],
  ] as const)
    it(`are read from “${text}” as ${words}`, () => expect(readPageWords(text)).to.equal(words))
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
