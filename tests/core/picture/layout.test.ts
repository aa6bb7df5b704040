import { expect } from 'chai'
import { LANE, LEFT, layOutPicture, TOP, wrapText } from '../../../src/core/picture/layout'
import {
  aBlueprint,
  aCourse,
  alignmentOf,
  aModule,
  anActivity,
  anObjective,
  anOutcome,
  assessmentOf,
  outcomeLink,
} from '../../support/course'

const plan = aBlueprint({
  course: [aCourse({ weeklyHoursMax: 300 })],
  module: [aModule('m1'), aModule('m2', { firstWeek: 2, lastWeek: 3 })],
  outcome: [anOutcome('co1', { intendedShare: 10_000 }), anOutcome('co2')],
  objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1'), anObjective('o3', 'm2')],
  objectiveOutcome: [outcomeLink('o1', 'co1'), outcomeLink('o2', 'co2'), outcomeLink('o3', 'co2')],
  activity: [
    anActivity('a1', 'm1', { minutes: 100, kind: 'reading' }),
    anActivity('a2', 'm1', { minutes: 400, kind: 'exam' }),
    anActivity('a3', 'm2', { minutes: 30, kind: 'video' }),
    anActivity('a4', 'm2', { minutes: 30, kind: 'page' }),
  ],
  alignment: [
    alignmentOf('a1', 'o1', 'introduces'),
    alignmentOf('a2', 'o1', 'assesses'),
    alignmentOf('a2', 'o2', 'assesses'),
    alignmentOf('a3', 'o3', 'introduces'),
  ],
  assessment: [assessmentOf('a2', 10)],
})
const picture = layOutPicture(plan, 'minutes', 1000)
const areaOf = (key: string) => {
  const s = picture.stones.find((x) => x.key === key)
  return s ? s.rx * s.ry : 0
}

describe('the course picture', () => {
  it('gives each module a column as wide as its weeks, filling the width', () => {
    const [one, two] = picture.columns
    expect(one).to.include({ number: '1', weeks: 'wk 1', x: LEFT })
    // 1000 - 206 - 2 x 82 = 630 to spare, a third of it for one week of three.
    expect([one?.width, two?.width]).to.deep.equal([82 + 210, 82 + 420])
    expect(picture.width).to.equal(1000)
  })
  it('grows wider than the room where there are many modules', () => {
    const many = aBlueprint({ module: Array.from({ length: 30 }, (_, i) => aModule(`m${i}`)) })
    expect(layOutPicture(many, 'minutes', 1000).width).to.equal(LEFT + 30 * 82)
  })
  it('puts an activity into every lane it serves, tied, and shares its area', () => {
    expect(picture.stones.map((s) => s.key)).to.deep.equal(['co1 a1', 'co1 a2', 'co2 a2', 'co2 a3'])
    expect(picture.ties).to.have.lengthOf(1)
    // 400 minutes, half in each lane, against 100 minutes in one: areas as 2 to 1.
    expect(areaOf('co1 a2') / areaOf('co1 a1')).to.be.closeTo(2, 1e-9)
    expect(areaOf('co1 a2')).to.be.closeTo(areaOf('co2 a2'), 1e-9)
  })
  it('keeps stones inside their cell and apart from each other', () => {
    for (const s of picture.stones) {
      const lane = picture.lanes.find((l) => l.laneId === s.laneId)
      const column = picture.columns.find((c) => c.moduleId === s.moduleId)
      if (!lane || !column) throw new Error('a stone without its cell')
      expect(s.y - s.ry).to.be.at.least(lane.y)
      expect(s.y + s.ry).to.be.at.most(lane.y + lane.height)
      expect(s.x - s.rx).to.be.at.least(column.x)
      expect(s.x + s.rx).to.be.at.most(column.x + column.width)
    }
    const [a, b] = picture.stones
    expect((b?.x ?? 0) - (b?.rx ?? 0)).to.be.greaterThan((a?.x ?? 0) + (a?.rx ?? 0))
  })
  it('marks what assesses, and names what nothing assesses as a hole', () => {
    expect(picture.stones.filter((s) => s.assesses).map((s) => s.key)).to.deep.equal(['co1 a2', 'co2 a2'])
    expect(picture.holes.map((h) => [h.laneId, h.moduleId, h.lines.join(' ')])).to.deep.equal([['co2', 'm2', '2a not assessed yet']])
    expect(picture.unplaced).to.deep.equal(['a4'])
  })
  it('carries hours against the target and the share of the grade', () => {
    // Module 1: 500 minutes in one week, 8.3 hours, over 3; module 2: 60 minutes in two weeks.
    expect(picture.columns.map((c) => [c.over, c.share])).to.deep.equal([
      [true, 10_000],
      [false, 0],
    ])
    expect(picture.columns[1]?.hours).to.equal(0.5)
    expect(picture.lanes.map((l) => [l.number, l.graded, l.off])).to.deep.equal([
      ['CO1', 5000, true],
      ['CO2', 5000, false],
    ])
    expect(picture.lanes[0]).to.include({ y: TOP })
  })
  it('sizes by the grade when asked: what is not graded is as small as can be', () => {
    const graded = layOutPicture(plan, 'grade', 1000).stones
    expect(graded.find((s) => s.key === 'co1 a1')?.rx).to.be.lessThan(graded.find((s) => s.key === 'co1 a2')?.rx ?? 0)
  })
  it('is empty for an empty course, and keeps a lane for an outcome that nothing serves', () => {
    expect(layOutPicture(aBlueprint(), 'minutes', 900)).to.deep.include({ columns: [], lanes: [], stones: [], holes: [], width: 900 })
    const lone = layOutPicture(aBlueprint({ outcome: [anOutcome('co1')], module: [aModule('m1')] }), 'minutes', 900)
    expect(lone.lanes.map((l) => l.height)).to.deep.equal([LANE])
  })
  it('breaks titles into lines and ends what does not fit', () => {
    expect(wrapText('Why small streams matter', 80, 2)).to.deep.equal(['Why small', 'streams…'])
    expect(wrapText('Sites', 80, 2)).to.deep.equal(['Sites'])
    expect(wrapText('Incomprehensibilities', 64, 2)).to.deep.equal(['Incompreh…'])
  })
})
