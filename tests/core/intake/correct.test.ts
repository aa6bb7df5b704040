/** Corrections in the preview: rows move with what is said of them. */
import { expect } from 'chai'
import { answersSchema } from '../../../src/core/intake/answers'
import * as correct from '../../../src/core/intake/correct'
import { type Correction, corrected } from '../../../src/core/intake/corrections'
import { readText } from '../../../src/core/intake/read-file'
import { readSources, understand } from '../../../src/core/intake/understand'

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
    const next = corrected(tree, { do: 'set alike', row: row(0, 0), to: { kind: 'survey' } })
    expect(next?.modules.map((m) => m.activities.map((a) => a.kind))).to.deep.equal([
      ['quiz', 'reading'],
      ['survey', 'lab'],
    ])
  })
  it('a day that is typed is read, and one that is none is kept as text', () => {
    expect(correct.dueFrom('Sun wk 2')).to.deep.equal({ due: 'Sun wk 2', dueAt: { date: null, week: 2, day: 7, time: null } })
    expect(correct.dueFrom('4 Oct 18:00').dueAt).to.deep.equal({ date: '--10-04', week: null, day: null, time: '18:00' })
    expect(correct.dueFrom('soon')).to.deep.equal({ due: 'soon', dueAt: null })
  })
  it('steps as a preview makes them read the same file again in the same way, rows moved, parted and taken out', () => {
    const steps: Correction[] = [
      { do: 'set', path: 'modules[0].activities[0]', to: { minutes: 25, due: 'Sun wk 2' } },
      { do: 'set', path: 'modules[1]', to: { title: 'Sites', weeks: { first: 3, last: 4 } } },
      { do: 'part', row: row(0, 1), first: 'Read', second: 'sketch (15 min)' },
      { do: 'move', row: row(0, 0), module: 1 },
      { do: 'take out', path: 'modules[1].activities[1]', text: 'Lab' },
      { do: 'right', path: 'modules[1].activities[0]' },
    ]
    const inPreview = steps.reduce((t, step) => corrected(t, step) ?? expect.fail(step.do), tree)
    const { understanding, ledger } = readSources([SOURCE], answersSchema.parse(JSON.parse(JSON.stringify({ steps }))))
    expect(understanding).to.deep.equal(inPreview)
    expect(titles(understanding)).to.deep.equal([
      ['Read', 'sketch'],
      ['Quiz 2: Sites', 'Quiz 1'],
    ])
    expect(understanding.modules[1]?.weeks).to.deep.equal({ first: 3, last: 4 })
    expect(understanding.modules[1]?.activities[1]?.dueAt).to.deep.equal({ date: null, week: 2, day: 7, time: null })
    // What was read stands where it stands now; what was taken out stands nowhere.
    const pathsOf = (text: string) => ledger.find((l) => l.text === text)?.paths
    expect(pathsOf('Quiz 1')).to.deep.equal(['modules[1].activities[1]'])
    expect(pathsOf('Lab')).to.deep.equal([])
  })
  it('guesses about modules are right or set like those of rows, and move up when one is taken out', () => {
    const source = readText('pasted text', 'Module 1 (Jan 13–26): Need\nTask: a (20 min)\nModule 2 (Jan 27–Feb 9): Plan\nTask: b (20 min)')
    const guesses = (...steps: object[]) => understand([source], answersSchema.parse({ steps })).guesses.map((g) => g.path)
    expect(guesses()).to.deep.equal(['modules[0].weeks', 'modules[1].weeks'])
    expect(guesses({ do: 'right', path: 'modules[0]' })).to.deep.equal(['modules[1].weeks'])
    expect(guesses({ do: 'take out', path: 'modules[0]', text: 'Need' })).to.deep.equal(['modules[0].weeks'])
  })
  it('a line is decoration once somebody says so, and the ledger says who did', () => {
    const source = readText('pasted text', 'Module 1: Looking\n- Read one (10 min)\n\nBe kind to the barn.')
    const [line] = understand([source]).notUnderstood
    const steps = [{ do: 'line', at: line?.at, text: line?.text, is: 'nothing' }]
    const { understanding, ledger } = readSources([source], answersSchema.parse({ steps }))
    expect(understanding.notUnderstood).to.deep.equal([])
    expect(ledger.map((l) => [l.fate, l.what]).at(-1)).to.deep.equal(['decoration', 'somebody said so'])
    const as = (is: string, module?: number) =>
      understand([source], answersSchema.parse({ steps: [{ ...steps[0], is, ...(module === undefined ? {} : { module }) }] }))
    expect(as('outcome').outcomes.map((o) => o.statement)).to.deep.equal(['Be kind to the barn'])
    expect(as('module').modules.map((m) => m.title)).to.deep.equal(['Looking', 'Be kind to the barn.'])
    expect(as('activity', 0).modules[0]?.activities).to.have.length(2)
    expect(as('objective', 7).problems.map((p) => p.code)).to.deep.equal(['answer-not-used'])
  })
  it('steps that fit nothing are told, and change nothing', () => {
    for (const step of [
      { do: 'move', row: row(0, 9), module: 1 },
      { do: 'join', row: row(0, 0) },
      { do: 'join', row: { module: 0, rows: 'objectives', at: 1 } },
      { do: 'part', row: { module: 0, rows: 'objectives', at: 0 }, first: 'a', second: 'b' },
      { do: 'swap', row: row(5, 0) },
      { do: 'right', path: 'modules[5].activities[0]' },
      { do: 'set alike', row: row(0, 0), to: { kind: 'dance' } },
      { do: 'set', path: 'modules[0].activities[0]', to: { merge: 'burn' } },
      { do: 'set', path: 'modules[0]', to: { weeks: { first: 4, last: 3 } } },
      { do: 'set', path: 'pieces[0]', to: { title: 'x' } },
      { do: 'take out', path: 'categories[0]', text: 'x' },
    ]) {
      const read = understand([SOURCE], answersSchema.parse({ steps: [step] }))
      expect(read.problems.at(-1)?.code, JSON.stringify(step)).to.equal('answer-not-used')
      expect(read.modules).to.deep.equal(tree.modules)
    }
    expect(answersSchema.safeParse({ steps: [{ do: 'burn' }] }).success).to.equal(false)
  })
  it('single values are answered by their paths', () => {
    const values = { 'modules[0].activities[0].minutes': 25, 'modules[1].activities[1].kind': null }
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
