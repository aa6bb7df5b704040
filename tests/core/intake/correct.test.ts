/** Corrections in the preview: rows move with what is said of them. */
import { expect } from 'chai'
import { answersSchema } from '../../../src/core/intake/answers'
import * as correct from '../../../src/core/intake/correct'
import { readText } from '../../../src/core/intake/read-file'
import { understand } from '../../../src/core/intake/understand'

const SOURCE = readText(
  'plan.csv',
  'Module,Activity,Minutes,Points,Due\n1,Quiz 1,10,5,Fri\n1,Read; sketch,20,,\n2,Quiz 2: Sites,30,5,\n2,Lab,40,,Sun\n',
)
const tree = understand([SOURCE])
const row = (module: number, at: number) => ({ module, rows: 'activities', at }) as const
const titles = (t: typeof tree) => t.modules.map((m) => m.activities.map((a) => a.title))
const guessed = (t: typeof tree) => t.guesses.map((g) => g.path)

describe('corrections of a reading', () => {
  it('begins with guesses of three kinds: the titles tell them', () =>
    expect(guessed(tree).filter((p) => p.endsWith('.kind'))).to.deep.equal([
      'modules[0].activities[0].kind',
      'modules[0].activities[1].kind',
      'modules[1].activities[0].kind',
      'modules[1].activities[1].kind',
    ]))
  it('a value that is set is no guess', () => {
    const next = correct.setRow(tree, row(0, 0), { kind: 'exam' })
    expect(next.modules[0]?.activities[0]?.kind).to.equal('exam')
    expect(guessed(next)).not.to.include('modules[0].activities[0].kind')
    expect(guessed(next)).to.include('modules[0].activities[1].kind')
  })
  it('a row that moves takes its guesses with it, and those behind it move up', () => {
    const next = correct.moveRow(tree, row(0, 0), 1)
    expect(titles(next)).to.deep.equal([['Read; sketch'], ['Quiz 2: Sites', 'Lab', 'Quiz 1']])
    expect(guessed(next).filter((p) => p.endsWith('.kind'))).to.have.members([
      'modules[1].activities[2].kind',
      'modules[0].activities[0].kind',
      'modules[1].activities[0].kind',
      'modules[1].activities[1].kind',
    ])
  })
  it('a row is parted in two and joined again, its time with it', () => {
    const parted = correct.splitActivity(tree, row(0, 1), 'Read', 'sketch (15 min)')
    expect(parted.modules[0]?.activities.map((a) => [a.title, a.minutes])).to.deep.equal([
      ['Quiz 1', 10],
      ['Read', 20],
      ['sketch', 15],
    ])
    const joined = correct.joinActivity(parted, row(0, 2))
    expect(joined.modules[0]?.activities.map((a) => [a.title, a.minutes])).to.deep.equal([
      ['Quiz 1', 10],
      ['Read sketch', 35],
    ])
    expect(correct.joinActivity(tree, row(0, 0))).to.equal(tree)
  })
  it('an activity becomes an objective, what is taken out is kept among what was not understood', () => {
    const next = correct.swapRow(tree, row(1, 1))
    expect(next.modules[1]?.objectives.map((o) => [o.code, o.statement])).to.deep.equal([['2a', 'Lab']])
    const gone = correct.removeRow(tree, row(0, 0), 'Quiz 1')
    expect(gone.notUnderstood[0]).to.deep.equal({ text: 'Quiz 1', at: 'taken out' })
    expect(titles(gone)[0]).to.deep.equal(['Read; sketch'])
  })
  it('gives a kind to all that are called alike', () => {
    const [quiz] = tree.modules[0]?.activities ?? []
    const next = correct.setAlike(tree, quiz as never, { kind: 'survey' })
    expect(next.modules.map((m) => m.activities.map((a) => a.kind))).to.deep.equal([
      ['quiz', 'reading'],
      ['survey', 'lab'],
    ])
  })
  it('a day that is typed is read, and one that is none is kept as text', () => {
    expect(correct.dueFrom('Sun wk 2')).to.deep.equal({ due: 'Sun wk 2', dueAt: { date: null, week: 2, day: 7, time: null } })
    expect(correct.dueFrom('4 Oct 18:00').dueAt).to.deep.equal({ date: '--10-04', week: null, day: null, time: '18:00' })
    expect(correct.dueFrom('soon')).to.deep.equal({ due: 'soon', dueAt: null })
  })
  it('values that were corrected are given again as answers', () => {
    const now = correct.setRow(correct.setRow(tree, row(0, 0), { minutes: 25 }), row(1, 1), { kind: null })
    const values = correct.correctedValues(tree, now)
    expect(values).to.deep.equal({ 'modules[0].activities[0].minutes': 25, 'modules[1].activities[1].kind': null })
    const again = understand([SOURCE], answersSchema.parse({ values }))
    expect(again.modules[0]?.activities[0]?.minutes).to.equal(25)
    expect(again.modules[1]?.activities[1]?.kind).to.equal(null)
    expect(understand([SOURCE], answersSchema.parse({ values: { 'modules[7].title': 'x' } })).problems.map((p) => p.code)).to.deep.equal([
      'answer-not-used',
    ])
  })
  it('a table and a column are read as somebody says', () => {
    const [table] = tree.tables
    expect(table?.as).to.equal('activities')
    const as = understand([SOURCE], answersSchema.parse({ columns: { [`${table?.at}, 3`]: 'points', [`${table?.at}, 4`]: 'note' } }))
    expect(as.modules[0]?.activities.map((a) => [a.minutes, a.points, a.notes])).to.deep.equal([
      [null, 1000, 'Points: 5'],
      [null, 2000, null],
    ])
    const text = understand([SOURCE], answersSchema.parse({ tables: { [table?.at ?? '']: 'text' } }))
    expect(text.modules).to.deep.equal([])
  })
  it('answers that fit no field are told and change nothing, and names that every object has are names like others', () => {
    for (const values of [
      { modules: ['x'] },
      { 'modules[0].title': null },
      { 'modules[0].activities': [] },
      { 'modules[0].objectives': ['x'] },
      { 'modules.length': 0 },
      { 'constructor.prototype.name': 'x' },
      { 'modules[0].activities[0].kind': 'dance' },
      { 'modules[0].activities[0].dueAt': 'x' },
    ]) {
      const read = understand([SOURCE], answersSchema.parse({ values }))
      expect(
        read.problems.map((p) => p.code),
        JSON.stringify(values),
      ).to.include('answer-not-used')
      expect(read.modules).to.deep.equal(tree.modules)
    }
    const odd = understand([
      readText('odd.csv', 'Module,Activity,Minutes,Objectives,constructor\n1,Read it,30,constructor,a\n1,toString,20,__proto__,b\n'),
    ])
    expect(() => structuredClone(odd)).not.to.throw()
    expect(odd.modules.flatMap((m) => m.activities.map((a) => a.title))).to.deep.equal(['Read it', 'toString'])
  })
})
