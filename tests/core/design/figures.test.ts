/** Mix, late work and lengths; every figure worked out by hand in the comments. */
import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { blankOf } from '../../../src/core/blueprint/blank'
import { editPlan } from '../../../src/core/blueprint/edit'
import { writeDemands } from '../../../src/core/design/edit-demand'
import { keptAfter, lateMarks, lateText, lateWork } from '../../../src/core/design/late'
import { plannedLengths } from '../../../src/core/design/length'
import { mixOf } from '../../../src/core/design/mix'
import { moveInList } from '../../../src/core/edits/objectives'
import { figuresOf } from '../../../src/core/formats/figures'
import { numberIn } from '../../../src/core/plan/numbering'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { aBlueprint, alignmentOf, aModule, anActivity, anObjective, assessmentOf } from '../../support/course'

describe('the mix of a module', () => {
  const plan = aBlueprint({
    module: [aModule('m1'), aModule('m2')],
    activity: [
      anActivity('a1', 'm1', { minutes: 90, interactions: ['content', 'learners'], timing: 'live' }),
      anActivity('a2', 'm1', { minutes: 20, interactions: ['content'], grouping: 'pair', isOptional: true }),
      anActivity('a3', 'm1', { minutes: null }),
    ],
  })
  it('counts what is set, divides minutes over interactions, and leaves the rest open', () => {
    const [m1, m2] = mixOf(plan)
    // content: half of 90, and 20; learners: the other half.
    expect(m1?.interactions).to.deep.equal({
      open: { activities: 1, minutes: 0 },
      content: { activities: 2, minutes: 65 },
      learners: { activities: 1, minutes: 45 },
    })
    expect(m1?.timing).to.deep.equal({ open: { activities: 2, minutes: 20 }, live: { activities: 1, minutes: 90 } })
    expect(m1?.required).to.deep.include({ optional: { activities: 1, minutes: 20 } })
    expect(m2?.setting).to.deep.equal({ open: { activities: 0, minutes: 0 } })
  })
})

describe('the level that links ask', () => {
  const plan = aBlueprint({
    module: [aModule('m1')],
    objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1')],
    activity: [anActivity('a1', 'm1')],
    alignment: [alignmentOf('a1', 'o1', 'practises'), alignmentOf('a1', 'o2', 'practises')],
  })
  const written = (text: string) => {
    let refused: string | null = null
    const after = applyEffective(
      plan,
      editPlan(plan, (edit) => {
        refused = writeDemands(edit, 'a1', text)
      }),
    )
    return { refused, said: [...after.alignment.values()].map((a) => a.demand) }
  }
  it('is written in one cell, by number', () => {
    expect(written('1a apply; 1B anal')).to.deep.equal({ refused: null, said: ['apply', 'analyse'] })
    expect(written('–')).to.deep.equal({ refused: null, said: [null, null] })
    for (const wrong of ['1c apply', '1a dance', 'apply', '2'])
      expect(written(wrong), wrong)
        .to.deep.include({ said: [null, null] })
        .and.to.have.property('refused')
        .that.is.a('string')
  })
})

describe('late work', () => {
  const rule = { perDay: 10_00, graceHours: 0, most: 100_00, cutoffDays: 5 }
  it('loses a percent for each started day, down to the most, and is not taken behind the last day', () => {
    expect([0, 1, 2, 5, 6].map((n) => keptAfter(rule, n))).to.deep.equal([100_00, 90_00, 80_00, 50_00, 0])
    expect(lateText({ ...rule, most: 20_00 })).to.equal('1 day 90 %, 2 days 80 %, after 5 days nothing')
    expect(lateMarks({ ...rule, perDay: 30_00, cutoffDays: null }).map((m) => m.kept)).to.deep.equal([70_00, 40_00, 10_00, 0])
    expect(lateText({ ...rule, perDay: 0, cutoffDays: 0 })).to.equal('after 0 days nothing')
    expect(lateMarks({ ...rule, perDay: 0, cutoffDays: null })).to.deep.equal([])
  })
  it('follows the rule of the course, its own, or none', () => {
    const base = aBlueprint({ module: [aModule('m1')] })
    const course = { ...blankOf('course'), ...base.course.get('course'), latePercent: 10_00, lateCutoffDays: 2 }
    const plan = aBlueprint({
      course: [course as never],
      module: [aModule('m1')],
      activity: [anActivity('a1', 'm1'), anActivity('a2', 'm1'), anActivity('a3', 'm1')],
      assessment: [
        assessmentOf('a1', 1000),
        assessmentOf('a2', 1000, null, 'summative', { lateRule: 'none' }),
        assessmentOf('a3', 1000, null, 'summative', { lateRule: 'own', latePercent: 50_00 }),
      ],
    })
    expect(lateWork(plan).map((w) => [w.activityId, lateText(w.rule)])).to.deep.equal([
      ['a1', '1 day 90 %, 2 days 80 %, after 2 days nothing'],
      ['a3', '1 day 50 %, after 1 day nothing'],
    ])
    expect(figuresOf(plan).late[0]).to.deep.equal({
      id: 'a1',
      marks: [
        { days: 1, percent: 90 },
        { days: 2, percent: 80 },
        { days: 3, percent: 0 },
      ],
    })
  })
})

describe('a storyboard', () => {
  it('runs as long as its rows, by hand or by their words, rounded once', () => {
    const row = (id: string, to: object) => ({ ...blankOf('storyRow'), id, activityId: 'a1', order: `a${id.slice(-1)}`, ...to })
    const plan = aBlueprint({
      module: [aModule('m1')],
      activity: [anActivity('a1', 'm1')],
      storyRow: [
        row('s1', { seconds: 30, words: 'these words do not count' }),
        // 7 words at 140 a minute: 3 seconds.
        row('s2', { words: 'one two three four five six seven' }),
        // 1 word: 0.43 seconds.
        row('s3', { words: '– again –' }),
        row('s4', {}),
      ] as never,
    })
    expect(plannedLengths(plan)).to.deep.equal([{ activityId: 'a1', seconds: 33, target: 600, isEstimate: true }])
  })
})

describe('groups outside the sequence', () => {
  it('are moved among themselves, and the sequence among itself, whatever their keys', () => {
    const plan = aBlueprint({
      module: [
        aModule('m1', { order: 'a5' }),
        aModule('m2', { order: 'a3', role: 'end' }),
        aModule('m3', { order: 'a8', role: 'start' }),
        aModule('m4', { order: 'a6' }),
        aModule('m5', { order: 'a1', role: 'throughout' }),
      ],
    })
    const moved = (id: string, step: -1 | 1) =>
      indexCourse(
        applyEffective(
          plan,
          editPlan(plan, (e) => moveInList(e, 'module', id, step)),
        ),
      ).modules.map((m) => m.id)
    expect(indexCourse(plan).modules.map((m) => m.id)).to.deep.equal(['m3', 'm1', 'm4', 'm5', 'm2'])
    expect(moved('m4', -1)).to.deep.equal(['m3', 'm4', 'm1', 'm5', 'm2'])
    expect(moved('m2', -1)).to.deep.equal(['m3', 'm1', 'm4', 'm2', 'm5'])
    expect(moved('m1', -1)).to.deep.equal(['m3', 'm1', 'm4', 'm5', 'm2'])
  })
  it('are lettered, those at the start before it and the others behind it, wherever numbers are asked', () => {
    const plan = aBlueprint({
      module: [
        aModule('m1'),
        aModule('m2', { role: 'end' }),
        aModule('m3', { role: 'start' }),
        aModule('m4'),
        aModule('m5', { role: 'throughout' }),
      ],
      activity: [anActivity('a1', 'm3'), anActivity('a2', 'm4')],
      objective: [anObjective('o1', 'm5')],
    })
    const index = indexCourse(plan)
    expect(index.modules.map((m) => [m.id, index.numberOf(m.id)])).to.deep.equal([
      ['m3', 'A'],
      ['m1', '1'],
      ['m4', '2'],
      ['m2', 'B'],
      ['m5', 'C'],
    ])
    const numbers = (ask: (kind: 'activity' | 'objective' | 'module', id: string) => string) => [
      ask('activity', 'a1'),
      ask('activity', 'a2'),
      ask('objective', 'o1'),
      ask('module', 'm5'),
    ]
    expect(numbers((_, id) => index.numberOf(id))).to.deep.equal(['A.1', '2.1', 'Ca', 'C'])
    expect(numbers((kind, id) => numberIn(plan, kind, id))).to.deep.equal(['A.1', '2.1', 'Ca', 'C'])
  })
})
