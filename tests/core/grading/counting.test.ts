import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import type { Records } from '../../../src/core/blueprint/blueprint'
import { editPlan } from '../../../src/core/blueprint/edit'
import { gradeByOutcome } from '../../../src/core/grading/by-outcome'
import { gradeTable } from '../../../src/core/grading/grade-table'
import { scaledWeights } from '../../../src/core/grading/rubric'
import { letterFor, roundedPercent, scaleOf } from '../../../src/core/grading/scale'
import { gradeLine, tryMarks } from '../../../src/core/grading/try-marks'
import {
  aBlueprint,
  aCategory,
  aCourse,
  aCriterion,
  alignmentOf,
  aModule,
  anActivity,
  anObjective,
  anOutcome,
  aRubric,
  assessmentOf,
  criterionLink,
  outcomeLink,
} from '../../support/course'

const work = (n: number) => Array.from({ length: n }, (_, i) => anActivity(`a${i + 1}`, 'm1'))
const planOf = (records: Records) => aBlueprint({ module: [aModule('m1')], ...records })
/** Three equal practice sets, the lowest dropped, and an exam: 30 and 70 %. */
const practice = planOf({
  activity: work(4),
  gradeCategory: [aCategory('g1', 3000, { title: 'Practice', dropLowest: 1 }), aCategory('g2', 7000, { title: 'Exam', hurdle: 5000 })],
  assessment: [
    assessmentOf('a1', 1000, 'g1'),
    assessmentOf('a2', 1000, 'g1'),
    assessmentOf('a3', 1000, 'g1'),
    assessmentOf('a4', 1000, 'g2', 'summative', { hurdle: 4000 }),
  ],
  gradeStep: [
    { id: 's1', letter: 'Pass', minimum: 5000 },
    { id: 's2', letter: 'Merit', minimum: 7000 },
  ],
})
const itemOf = (blueprint: ReturnType<typeof planOf>, id: string) =>
  gradeTable(blueprint)
    .rows.flatMap((r) => r.items)
    .find((i) => i.activity.id === id)

describe('dropping the lowest', () => {
  it('plans 30 % over all three sets, 10 % each, and counts 15 % for each of the two that are kept', () => {
    expect(itemOf(practice, 'a1')).to.include({ effective: 1000, whenKept: 1500 })
    expect(gradeTable(practice)).to.include({ totalEffective: 10_000 })
    expect(gradeTable(practice).rows[0]?.kept).to.equal(2)
  })
  it('never drops the only work that has weight: ungraded points beside it are no results', () => {
    const plan = planOf({
      activity: work(3),
      gradeCategory: [aCategory('g1', 10_000, { dropLowest: 2 })],
      assessment: [assessmentOf('a1', 1000, 'g1'), assessmentOf('a2', null, 'g1'), assessmentOf('a3', null, 'g1')],
    })
    expect(itemOf(plan, 'a1')?.whenKept).to.equal(10_000)
    expect(tryMarks(plan, new Map([['a1', 8000]]))).to.include({ complete: true, least: 8000 })
  })
  it('always keeps one', () => {
    const plan = planOf({
      activity: work(2),
      gradeCategory: [aCategory('g1', 10_000, { dropLowest: 9 })],
      assessment: [assessmentOf('a1', 100, 'g1'), assessmentOf('a2', 100, 'g1')],
    })
    expect(gradeTable(plan).rows[0]?.kept).to.equal(1)
    expect(itemOf(plan, 'a1')?.whenKept).to.equal(10_000)
  })
})

describe('extra credit', () => {
  it('comes on top: 5 points beside 20 in a category of 40 % add 10 %', () => {
    const plan = planOf({
      activity: work(4),
      gradeCategory: [aCategory('g1', 4000), aCategory('g2', 6000)],
      assessment: [
        assessmentOf('a1', 1000, 'g1'),
        assessmentOf('a2', 1000, 'g1'),
        assessmentOf('a3', 500, 'g1', 'formative', { extraCredit: true }),
        assessmentOf('a4', 1000, 'g2'),
      ],
    })
    expect(itemOf(plan, 'a3')).to.include({ effective: 0, extra: 1000 })
    expect(itemOf(plan, 'a1')).to.include({ effective: 2000, extra: null })
    expect(gradeTable(plan)).to.include({ totalEffective: 10_000, totalExtra: 1000, totalPoints: 3000 })
  })
})

describe('satisfactory / not yet', () => {
  it('counts with an equal part where it has no points: one of three, the rest by points', () => {
    const plan = planOf({
      activity: work(3),
      gradeCategory: [aCategory('g1', 9000), aCategory('g2', 1000)],
      assessment: [
        assessmentOf('a1', 4000, 'g1'),
        assessmentOf('a2', 2000, 'g1'),
        assessmentOf('a3', null, 'g1', 'formative', { graded: 'satisfactory' }),
      ],
    })
    expect(['a1', 'a2', 'a3'].map((id) => itemOf(plan, id)?.effective)).to.deep.equal([4000, 2000, 3000])
  })
  it('counts nothing where it is not graded at all', () => {
    const plan = planOf({
      activity: work(2),
      assessment: [assessmentOf('a1', 1000), assessmentOf('a2', 1000, null, 'formative', { graded: 'no' })],
    })
    expect(gradeTable(plan).effectiveOf('a1')).to.equal(10_000)
    expect(itemOf(plan, 'a2')).to.equal(undefined)
  })
})

describe('the grade by outcome through a rubric', () => {
  const plan = planOf({
    outcome: [anOutcome('co1'), anOutcome('co2')],
    objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1'), anObjective('o3', 'm1')],
    objectiveOutcome: [outcomeLink('o1', 'co1'), outcomeLink('o2', 'co2')],
    activity: work(1),
    alignment: [alignmentOf('a1', 'o1', 'assesses'), alignmentOf('a1', 'o2', 'assesses')],
    rubric: [aRubric('r1')],
    criterion: [
      aCriterion('c1', 'r1', 2000),
      aCriterion('c2', 'r1', 1000),
      aCriterion('c3', 'r1', 600),
      aCriterion('c4', 'r1', 400, { general: true }),
    ],
    criterionObjective: [criterionLink('c1', 'o1'), criterionLink('c2', 'o1'), criterionLink('c2', 'o2'), criterionLink('c3', 'o3')],
    assessment: [assessmentOf('a1', 4000, null, 'summative', { rubricId: 'r1' })],
  })
  it('goes by the weight of the criteria: 50 + 12.5 + 5, 12.5 + 5, and 15 % to no outcome', () => {
    // c1 50 % to o1; c2 25 % halved; c3 15 % to o3, which supports nothing; c4 10 % over the assessed o1 and o2.
    const { shares } = gradeByOutcome(plan)
    expect(shares.map((s) => [s.laneId, s.graded])).to.deep.equal([
      ['co1', 6750],
      ['co2', 1750],
      [null, 1500],
    ])
    expect(shares[0]?.parts.map((p) => [p.criterionId, p.objectiveId, p.amount])).to.deep.equal([
      ['c1', 'o1', 5000],
      ['c2', 'o1', 1250],
      ['c4', 'o1', 500],
    ])
  })
  it('scales criteria to other points in the same proportion, in whole points: 5, 3, 1, 1 of 10', () => {
    // 20:10:6:4 of 10 is 5, 2.5, 1.5, 1: both halves are equal rests, the earlier one gets the point that is left.
    expect(scaledWeights([...plan.criterion.values()], 1000)).to.deep.equal([500, 300, 100, 100])
  })
})

describe('the scale', () => {
  const steps = scaleOf(practice)
  it('starts from the highest step', () => expect(steps.map((s) => s.letter)).to.deep.equal(['Merit', 'Pass']))
  for (const [percent, places, letter] of [
    [7000, 0, 'Merit'],
    [6950, 0, 'Merit'],
    [6949, 0, 'Pass'],
    [6995, 1, 'Merit'],
    [6994, 1, 'Pass'],
    [6999, null, 'Pass'],
    [4949, 0, null],
  ] as const)
    it(`gives ${letter} for ${percent / 100} % rounded to ${places ?? 'no'} places`, () =>
      expect(letterFor(steps, percent, places)?.letter ?? null).to.equal(letter))
  it('rounds half up', () =>
    expect([roundedPercent(8950, 0), roundedPercent(8949, 0), roundedPercent(8945, 1)]).to.deep.equal([9000, 8900, 8950]))
})

describe('trying marks', () => {
  const marks = (list: Record<string, number>) => new Map(Object.entries(list))
  it('drops the lowest and counts the others for its share: 80, 60, (20) and 50 give 21 + 35 = 56 %', () => {
    const tried = tryMarks(practice, marks({ a1: 8000, a2: 2000, a3: 6000, a4: 5000 }))
    expect(tried).to.include({ complete: true, least: 5600, most: 5600 })
    expect(tried.dropped).to.deep.equal(['a2'])
    expect(tried.letter?.letter).to.equal('Pass')
    expect(tried.hurdles).to.deep.equal([])
  })
  it('drops the later of two equal ones', () =>
    expect(tryMarks(practice, marks({ a1: 5000, a2: 5000, a3: 9000, a4: 9000 })).dropped).to.deep.equal(['a2']))
  it('says what is needed: with the sets at 80 % the exam needs 65.72 % for 70 and 37.15 % for 50', () => {
    // 24 + 0.7 x >= 70 gives x = 65.714..., and >= 50 gives 37.142...
    const tried = tryMarks(practice, marks({ a1: 8000, a2: 8000, a3: 8000 }))
    expect(tried.needed.map((n) => [n.step.letter, n.percent])).to.deep.equal([
      ['Merit', 6572],
      ['Pass', 3715],
    ])
    expect(tried).to.include({ complete: false, soFar: 8000, least: 2400, most: 9400 })
  })
  it('says when nothing is enough any more, and when it is already', () => {
    const failed = tryMarks(practice, marks({ a4: 0 }))
    expect(failed.needed.map((n) => n.percent)).to.deep.equal([null, null])
    const safe = tryMarks(practice, marks({ a4: 10_000 }))
    expect(safe.needed.find((n) => n.step.letter === 'Pass')?.percent).to.equal(0)
  })
  it('names the hurdles that are not reached, of the work and of its category', () => {
    const tried = tryMarks(practice, marks({ a4: 3900 }))
    expect(tried.hurdles.map((h) => [h.title, h.minimum, h.reached])).to.deep.equal([
      ['Exam', 5000, 3900],
      ['1.4 Activity a4', 4000, 3900],
    ])
    // A hurdle that is missed leads the line.
    expect(gradeLine(tried)).to.equal('not passed: Exam 39 of 50 %, 1.4 Activity a4 39 of 40 %; without them 39.00 %')
    const once = tryMarks(practice, marks({ a1: 9000, a2: 9000, a3: 9000, a4: 4500 }))
    // 27 + 0.7 x 45 = 58.5
    expect(gradeLine(once)).to.equal('not passed: Exam 45 of 50 %; without it 58.50 %, Pass')
    expect(gradeLine(tryMarks(practice, marks({ a1: 8000, a2: 2000, a3: 6000, a4: 5000 })))).to.equal('56.00 % Pass')
    expect(gradeLine(tryMarks(practice, marks({})))).to.equal(null)
  })
  it('does not say that the lowest step, from 0 %, is reached', () => {
    const withFail = applyEffective(
      practice,
      editPlan(practice, (e) => e.create('gradeStep', { id: 'fail', letter: 'Fail', minimum: 0 })),
    )
    expect(tryMarks(withFail, marks({ a4: 10_000 })).needed.map((n) => n.step.letter)).to.deep.equal(['Merit', 'Pass'])
  })
  it('says nothing of an empty course', () =>
    expect(tryMarks(aBlueprint({ course: [aCourse()] }), marks({}))).to.deep.equal({
      soFar: null,
      least: 0,
      most: 0,
      letter: null,
      complete: false,
      dropped: [],
      needed: [],
      hurdles: [],
    }))
})
