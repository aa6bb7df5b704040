import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { blankOf } from '../../../src/core/blueprint/blank'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { newCourseBlueprint } from '../../../src/core/blueprint/new-course'
import { scheduleOf } from '../../../src/core/calendar/schedule'
import { type ActivityColumn, addActivity, moveActivity, placeActivity, writeActivityCell } from '../../../src/core/edits/activities'
import {
  addModule,
  addObjectives,
  addOutcomeLinks,
  breakObjective,
  joinWithAbove,
  moveInList,
  moveObjective,
  moveToModule,
  readOutcomeNumbers,
  readWeeks,
  setOutcomes,
} from '../../../src/core/edits/objectives'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { aBlueprint, aCategory, alignmentOf, aModule, anActivity, anObjective, anOutcome, counter, outcomeLink } from '../../support/course'

const part = (id: string) => ({ ...blankOf('part'), id, title: `Part ${id}`, order: `a${id.slice(-1)}` })
const plan = aBlueprint({
  outcome: [anOutcome('co1'), anOutcome('co2')],
  part: [part('p1'), part('p2')],
  module: [aModule('m1'), aModule('m2', { firstWeek: 2, lastWeek: 2 })],
  objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1'), anObjective('o3', 'm2')],
  activity: [anActivity('a1', 'm1', { partId: 'p1' }), anActivity('a2', 'm1', { partId: 'p2' }), anActivity('a3', 'm2', { partId: 'p1' })],
  gradeCategory: [aCategory('g1', null, { title: 'Labs' })],
})
const after = (work: (e: PlanEdit) => void, base: Blueprint = plan) => applyEffective(base, editPlan(base, work))
const numbers = (b: Blueprint) => {
  const index = indexCourse(b)
  return [...index.objectives, ...index.activities].map((r) => `${index.numberOf(r.id)} ${r.id}`)
}

describe('numbers', () => {
  it('follow the order and are never stored', () => {
    expect(numbers(plan)).to.deep.equal(['1a o1', '1b o2', '2a o3', '1.1 a1', '1.2 a2', '2.1 a3'])
    expect(numbers(after((e) => moveInList(e, 'module', 'm2', -1)))).to.deep.equal([
      '1a o3',
      '2a o1',
      '2b o2',
      '1.1 a3',
      '2.1 a1',
      '2.2 a2',
    ])
  })
})

describe('objectives', () => {
  it('are added where one is, several at once, empty lines left out', () => {
    const b = after((e) => void addObjectives(e, 'm1', 'o1', ['First', '  ', 'Second'], counter()))
    expect(
      indexCourse(b)
        .objectivesOf('m1')
        .map((o) => o.statement),
    ).to.deep.equal(['Measure o1', 'First', 'Second', 'Measure o2'])
  })
  it('move over the edge of their module', () => {
    expect(numbers(after((e) => moveObjective(e, 'o2', 1))).slice(0, 3)).to.deep.equal(['1a o1', '2a o2', '2b o3'])
    expect(numbers(after((e) => moveObjective(e, 'o3', -1))).slice(0, 3)).to.deep.equal(['1a o1', '1b o2', '1c o3'])
    expect(editPlan(plan, (e) => void moveObjective(e, 'o1', -1))).to.deep.equal([])
  })
  it('are linked by number, and unlinked by what is left out', () => {
    expect(readOutcomeNumbers({ now: plan }, '2, CO1 9 x')).to.deep.equal({ ids: ['co2', 'co1'], unknown: ['9', 'x'] })
    const linked = after((e) => setOutcomes(e, 'o1', ['co1', 'co2']))
    expect(
      indexCourse(linked)
        .outcomesOf('o1')
        .map((o) => o.id),
    ).to.deep.equal(['co1', 'co2'])
    expect(
      indexCourse(after((e) => setOutcomes(e, 'o1', ['co2']), linked))
        .outcomesOf('o1')
        .map((o) => o.id),
    ).to.deep.equal(['co2'])
  })
  it('join the line above: one wording, the links of both, the caret where they meet', () => {
    const linked = aBlueprint({
      ...Object.fromEntries(Object.entries(plan).map(([kind, records]) => [kind, [...records.values()]])),
      objectiveOutcome: [outcomeLink('o1', 'co1'), outcomeLink('o2', 'co2')],
      alignment: [alignmentOf('a1', 'o1', 'introduces'), alignmentOf('a1', 'o2', 'assesses'), alignmentOf('a2', 'o2', 'practises')],
    })
    let at: ReturnType<typeof joinWithAbove> = null
    const index = indexCourse(
      after((e) => {
        at = joinWithAbove(e, 'o2', ' and again ')
      }, linked),
    )
    expect(at).to.deep.equal({ id: 'o1', at: 'Measure o1'.length })
    expect(index.objectivesOf('m1').map((o) => o.statement)).to.deep.equal(['Measure o1 and again'])
    expect(index.outcomesOf('o1').map((o) => o.id)).to.deep.equal(['co1', 'co2'])
    expect(index.alignmentsFor('o1').map((a) => [a.activityId, ...a.stages])).to.deep.equal([
      ['a1', 'introduces', 'assesses'],
      ['a2', 'practises'],
    ])
  })
  it('are split at the caret: behind it a new line; before a wording that was there, the new line comes above and leaves it its links', () => {
    const split = (head: string, tail: string, was: string) =>
      indexCourse(after((e) => void breakObjective(e, 'o1', head, tail, was, counter())))
        .objectivesOf('m1')
        .slice(0, 2)
        .map((o) => `${o.id} ${o.statement}`)
    expect(split('Measure', 'count o1', 'Measure count o1')).to.deep.equal(['o1 Measure', 'n1 Count o1'])
    expect(split('draw a map', 'Measure o1', 'Measure o1')).to.deep.equal(['n1 Draw a map', 'o1 Measure o1'])
  })
  it('do not join where nothing is above, or where a wording is prescribed', () => {
    expect(editPlan(plan, (e) => void joinWithAbove(e, 'o1', 'x'))).to.deep.equal([])
    const locked = after((e) => e.set('objective', 'o1', { origin: 'prescribed' }))
    expect(editPlan(locked, (e) => void joinWithAbove(e, 'o2', 'x'))).to.deep.equal([])
  })
  it('are linked and moved several at once, in their order, keeping what they have', () => {
    const linked = after((e) => {
      setOutcomes(e, 'o1', ['co1'])
      addOutcomeLinks(e, ['o1', 'o3'], ['co2'])
      moveToModule(e, ['o2', 'o1'], 'm2')
    })
    const index = indexCourse(linked)
    expect(['o1', 'o2', 'o3'].map((id) => index.outcomesOf(id).map((o) => o.id))).to.deep.equal([['co1', 'co2'], [], ['co2']])
    expect(numbers(linked).slice(0, 3)).to.deep.equal(['2a o3', '2b o1', '2c o2'])
  })
})

describe('activities', () => {
  it('move through parts and modules row by row', () => {
    const step = (id: string, by: 1 | -1) => after((e) => void moveActivity(e, id, by)).activity.get(id)
    expect(step('a1', 1)).to.include({ moduleId: 'm1', partId: 'p2' })
    expect(step('a2', 1)).to.include({ moduleId: 'm2', partId: 'p1' })
    expect(step('a3', -1)).to.include({ moduleId: 'm1', partId: 'p2' })
    expect(editPlan(plan, (e) => void moveActivity(e, 'a1', -1))).to.deep.equal([])
  })
  it('are placed at a position among others', () => {
    const b = after((e) => {
      addActivity(e, 'm1', 'p1', 'New', counter())
      placeActivity(e, 'a3', 'm1', 'p1', 1)
    })
    expect(
      indexCourse(b)
        .activitiesOf('m1')
        .map((a) => a.id),
    ).to.deep.equal(['a1', 'a3', 'n1', 'a2'])
  })

  const write = (column: ActivityColumn, text: string) => {
    let refused: string | null = null
    const b = after((e) => {
      refused = writeActivityCell(e, 'a1', column, text, scheduleOf(e.now))
    })
    return { activity: b.activity.get('a1'), refused, b, index: indexCourse(b) }
  }
  it('take cells as typed or pasted', () => {
    expect(write('minutes', '1h30').activity?.minutes).to.equal(90)
    expect(write('part', 'part p2').activity?.partId).to.equal('p2')
    expect(write('due', 'Thu wk 1 18:00').activity).to.deep.include({ dueRule: { rule: 'module-day', week: 1, day: 4 }, dueTime: '18:00' })
    expect(write('due', 'Wed 8 Sep').activity?.dueRule).to.deep.equal({ rule: 'module-day', week: 1, day: 3 })
    expect(write('points', '12,5').index.assessmentOf('a1')).to.include({ points: 1250, function: 'formative' })
    expect(write('category', 'labs').index.assessmentOf('a1')?.categoryId).to.equal('g1')
  })
  it('take links with stages, and propose a stage where none is typed', () => {
    const typed = (text: string, kind = '') => {
      const { index } = write('objectives', text)
      return [kind, ...index.alignmentsOf('a1').map((a) => `${index.numberOf(a.objectiveId)} ${a.stages.join('+')}`)].filter(Boolean)
    }
    expect(typed('1a I, 1b PA')).to.deep.equal(['1a introduces', '1b practises+assesses'])
    expect(typed('2a')).to.deep.equal(['2a introduces'])
    const demonstrates = after((e) => {
      e.set('activity', 'a1', { kind: 'exam' })
      writeActivityCell(e, 'a1', 'objectives', '1a', null)
    })
    expect([...demonstrates.alignment.values()][0]?.stages).to.deep.equal(['assesses'])
  })
  it('make a summative assessment of what demonstrates', () => {
    const b = after((e) => {
      e.set('activity', 'a1', { kind: 'exam' })
      writeActivityCell(e, 'a1', 'points', '40', null)
    })
    expect([...b.assessment.values()][0]).to.include({ function: 'summative', points: 4000 })
  })
  for (const [column, text] of [
    ['minutes', 'long'],
    ['objectives', '9z I'],
    ['objectives', 'what'],
    ['due', 'whenever'],
    ['due', '1 Jan'],
    ['points', 'many'],
    ['category', 'Unknown'],
    ['part', 'Nowhere'],
  ] as const)
    it(`refuse “${text}” as ${column} with a sentence, and stay as they were`, () => {
      const { refused, b } = write(column, text)
      expect(refused).to.match(/\.$/)
      expect(b).to.equal(plan)
    })
})

describe('a new course', () => {
  it('has its facts, an offering and the parts, and nothing else', () => {
    const b = newCourseBlueprint(
      {
        title: ' Bread ',
        code: '',
        weeks: 6,
        creditSystem: 'none',
        credits: 300,
        delivery: 'blended',
        term: 'Spring',
        firstDay: '2028-01-10',
        timeZone: 'UTC',
      },
      counter(),
    )
    expect(b.course.get('course')).to.include({ title: 'Bread', code: null, credits: null, weeks: 6 })
    expect([b.offering.size, b.part.size, b.module.size]).to.deep.equal([1, 5, 0])
  })
  it('gives modules the weeks in turn, as long as there are any', () => {
    const b = after((e) => ['A', 'B', 'C'].forEach((t) => void addModule(e, t, counter(t))))
    expect(
      indexCourse(b)
        .modules.slice(2)
        .map((m) => m.firstWeek),
    ).to.deep.equal([3, 4, null])
  })
  it('reads weeks as typed', () => {
    expect(readWeeks('5-6')).to.deep.equal({ firstWeek: 5, lastWeek: 6 })
    expect(readWeeks('week 3')).to.deep.equal({ firstWeek: 3, lastWeek: 3 })
    expect(readWeeks('')).to.deep.equal({ firstWeek: null, lastWeek: null })
    for (const bad of ['6-5', 'x', '0', '99']) expect(readWeeks(bad), bad).to.equal(null)
  })
})
