/** When two rows are one thing, and that what was shown is what is stored. */
import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { editPlan } from '../../../src/core/blueprint/edit'
import { newCourseBlueprint } from '../../../src/core/blueprint/new-course'
import { bringIn } from '../../../src/core/edits/bring-in'
import { nameKey } from '../../../src/core/intake/quantities'
import { readText } from '../../../src/core/intake/read-file'
import { understand } from '../../../src/core/intake/understand'
import type { Understanding } from '../../../src/core/intake/understanding'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { counter } from '../../support/course'
import { rng } from '../../support/rng'

const table = (name: string, ...rows: readonly string[]) => readText(`${name}.csv`, ['Module,Activity,Minutes,Points', ...rows].join('\n'))
const read = (understood: Understanding) =>
  understood.modules.flatMap((m) => m.activities.map((a) => [a.title, a.minutes, a.points === null ? null : a.points / 100]))
const EMPTY = newCourseBlueprint(
  {
    title: 'A course',
    code: '',
    delivery: 'online-async',
    creditSystem: 'none',
    credits: null,
    weeks: 10,
    term: 'Spring',
    firstDay: '2027-03-01',
    timeZone: 'Europe/London',
  },
  counter('c'),
)
const brought = (plan: Blueprint, understood: Understanding, ids: string) =>
  applyEffective(
    plan,
    editPlan(plan, (edit) => bringIn(edit, understood, counter(ids))),
  )
const stored = (plan: Blueprint) =>
  [...plan.activity.values()].map((a) => {
    const assessment = [...plan.assessment.values()].find((x) => x.activityId === a.id)
    return [a.title, a.minutes, assessment?.points == null ? null : assessment.points / 100]
  })

describe('two names', () => {
  for (const [a, b] of [
    ['Quiz 1', 'quiz  1'],
    ['Field trip – part 2', 'Field trip - Part 2'],
    ['The “long” read', 'the "long" read'],
    ['Baker’s choice', "Baker's choice"],
    ['Flow\u00a0curves', 'Flow curves'],
  ] as const)
    it(`“${a}” and “${b}” are the same`, () => expect(nameKey(a)).to.equal(nameKey(b)))
  for (const [a, b] of [
    ['C', 'C++'],
    ['C++', 'C#'],
    ['Quiz 1: Sites', 'Quiz 1 Sites'],
    ['Read p. 1', 'Read p 1'],
    ['+ and -', '- and +'],
    ['Résumé', 'Resume'],
  ] as const)
    it(`“${a}” and “${b}” are two`, () => expect(nameKey(a)).not.to.equal(nameKey(b)))
})

describe('rows', () => {
  it('of one table whose titles differ by signs are so many activities, each with its minutes', () => {
    const understood = understand([table('langs', '1,C,30,1', '1,C++,45,2', '1,C#,50,3')])
    const wanted = [
      ['C', 30, 1],
      ['C++', 45, 2],
      ['C#', 50, 3],
    ]
    expect(read(understood)).to.deep.equal(wanted)
    expect(understood.problems).to.deep.equal([])
    expect(stored(brought(EMPTY, understood, 'n'))).to.deep.equal(wanted)
  })
  it('of one table with one title are two activities, also where another table has it', () => {
    const twice = table('plan', '1,Reading,30,', '1,Reading,20,')
    expect(read(understand([twice]))).to.deep.equal([
      ['Reading', 30, null],
      ['Reading', 20, null],
    ])
    // The first of the other table is the first, its third is a third.
    const points = table('points', '1,reading,,5', '1,Reading,,6', '1,READING,,7')
    expect(read(understand([twice, points]))).to.deep.equal([
      ['Reading', 30, 5],
      ['Reading', 20, 6],
      ['READING', null, 7],
    ])
  })
  it('of two tables are one where the names are the same, and told as near where only the letters are', () => {
    const first = table('plan', '1,Quiz 1 – Sites,30,')
    expect(read(understand([first, table('points', '1,quiz 1 - sites,,5')]))).to.deep.equal([['Quiz 1 – Sites', 30, 5]])
    const near = understand([first, table('points', '1,Quiz 1: Sites,,5')])
    expect(read(near)).to.deep.equal([
      ['Quiz 1 – Sites', 30, null],
      ['Quiz 1: Sites', null, 5],
    ])
    expect(near.problems.map((p) => p.code)).to.deep.equal(['two-spellings'])
  })
  it('fill up what the course has under the same name alone, each once', () => {
    const plan = brought(EMPTY, understand([table('plan', '1,C,30,', '1,C,,')]), 'old')
    const again = understand([table('more', '1,C,99,4', '1,C,10,5', '1,C,20,6', '1,C++,40,7')])
    expect(stored(brought(plan, again, 'new'))).to.deep.equal([
      ['C', 30, 4],
      ['C', 10, 5],
      ['C', 20, 6],
      ['C++', 40, 7],
    ])
  })
  it('of two modules of one name stay in two modules, and a second time adds nothing', () => {
    const understood = understand([
      readText('plan.csv', 'Module,Title,Activity,Minutes\n3,Review,Quiz,30\n3,Review,Quiz,20\n6,Review,Quiz,10\n'),
    ])
    expect(understood.modules.map((m) => [m.number, m.title, m.activities.map((a) => a.minutes)])).to.deep.equal([
      ['3', 'Review', [30, 20]],
      ['6', 'Review', [10]],
    ])
    const plan = brought(EMPTY, understood, 'n')
    const index = indexCourse(plan)
    expect(index.modules.map((m) => [m.title, index.activitiesOf(m.id).map((a) => a.minutes)])).to.deep.equal([
      ['Review', [30, 20]],
      ['Review', [10]],
    ])
    expect(editPlan(plan, (edit) => bringIn(edit, understood, counter('again')))).to.deep.equal([])
  })
  it('are stored as they were shown, however names, signs, minutes and points fall', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const random = rng(seed)
      const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
      const sources = ['a', 'b'].slice(0, 1 + Math.floor(random() * 2)).map((name) =>
        table(
          name,
          ...Array.from({ length: 1 + Math.floor(random() * 30) }, () => {
            const title = `${one(['Quiz', 'quiz', 'Lab', 'C', 'C++', 'C#', 'Read'])}${one(['', ' 1', ' 2', ' – a', ' - a', '!'])}`
            return [one(['1', '2', '3']), title, one(['', '5', '90']), one(['', '1', '12.5'])].join(',')
          }),
        ),
      )
      const understood = understand(sources)
      const rows = (list: readonly unknown[]) => list.map((r) => JSON.stringify(r)).sort()
      expect(rows(stored(brought(EMPTY, understood, 'n'))), `seed ${seed}`).to.deep.equal(rows(read(understood)))
    }
  })
})
