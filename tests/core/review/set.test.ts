/** Sets of quality points as they come: what is taken, what is made, what is told, what is refused; out and in again. */
import { expect } from 'chai'
import { Workbook } from 'exceljs'
import fc from 'fast-check'
import { POINT_TAGS, PRIORITIES } from '../../../src/core/blueprint/kinds/review-set'
import { ownSet } from '../../../src/core/review/own-set'
import { type ReadSet, readSetFile, readSetText } from '../../../src/core/review/read-set'
import { pointsOf, type ReviewSet } from '../../../src/core/review/review-set'
import { setCsv, setJson } from '../../../src/core/review/write-set'

const READING = { name: 'our points', isRule: (code: string) => code === 'no-verb' || code === 'passive' }
const read = (text: string): ReadSet => {
  const done = readSetText(text, READING)
  if (!done.ok) throw new Error(done.error.message)
  return done.value
}
const refusal = (text: string) => {
  const done = readSetText(text, READING)
  return done.ok ? null : done.error.code
}
const told = (of: ReadSet) => of.problems.map((p) => [p.at, p.code])
const json = (areas: unknown, more: object = {}) =>
  JSON.stringify({ format: 'cairn-review-set', formatVersion: 1, title: 'Ours', areas, ...more })

describe('a set of quality points', () => {
  it('is read from rows, whatever their order, case and spacing; areas in the order of first mention', () => {
    const { set, problems } = read(
      'Priority;STATEMENT;looks at;Area;Findings;Weight;Tags;As  Learner\n' +
        'Must;"Dates stand in one place,\nand once";activity: Lab;Dates;no-verb passive;1,5;engagement, Representation;I knew when\n' +
        '\n' +
        'could;Names agree;module;;;;;\n' +
        ';Marks are told;;Marks;;;;\n' +
        'should;Late work has a rule;;dates;;;;\n' +
        'should;Days are days;;Dates;;;;\n',
    )
    expect(set.areas.map((a) => [a.title, a.points.map((p) => p.statement)])).to.deep.equal([
      ['Dates', ['Dates stand in one place,\nand once', 'Names agree', 'Days are days']],
      ['Marks', ['Marks are told']],
      ['dates', ['Late work has a rule']],
    ])
    expect(pointsOf(set)[0]).to.deep.include({
      priority: 'must',
      weight: 1.5,
      findings: ['no-verb', 'passive'],
      looksAt: ['activity:lab'],
      tags: ['engagement', 'representation'],
      asLearner: 'I knew when',
    })
    expect(problems.filter((p) => p.code !== 'code-missing').map((p) => [p.at, p.code])).to.deep.equal([['row 5', 'priority-missing']])
  })

  it('makes codes: given ones first, then row by row, from the first letter of the area', () => {
    const { set, problems } = read(
      'area,code,statement\nÉvaluer,,one\nÉvaluer,E-1,two\n1 Übung,,three\n?,,four\nÉvaluer,E-1,five\nÉvaluer,E-3,six\nÉvaluer,,seven\n',
    )
    // Areas gather their points: E-1 is given in row 3, so that row 2 has E-2, row 6 the next free one.
    const codes = Object.fromEntries(pointsOf(set).map((p) => [p.statement, p.code]))
    expect(codes).to.deep.equal({ one: 'E-2', two: 'E-1', five: 'E-4', six: 'E-3', seven: 'E-5', three: 'U-1', four: 'X-1' })
    expect(problems.filter((p) => p.code.startsWith('code')).map((p) => [p.at, p.code])).to.deep.equal([
      ['row 2', 'code-missing'],
      ['row 4', 'code-missing'],
      ['row 5', 'code-missing'],
      ['row 6', 'code-twice'],
      ['row 8', 'code-missing'],
    ])
  })

  it('tells each value that cannot be taken, with its row, and leaves out what says nothing', () => {
    const long = 'x'.repeat(2_001)
    const of = read(
      `code,statement,priority,weight,tags,findings,looks at,colour\nA,Good,Would,0,fun;action and expression,nope,planet;course,red\nB,,must,,,,,\nC,${long},must,,,,,\nD, good ,must,100,,,,\n`,
    )
    expect(told(of)).to.deep.equal([
      ['row 1', 'column-unknown'],
      ['row 2', 'priority-unknown'],
      ['row 2', 'weight-unknown'],
      ['row 2', 'tag-unknown'],
      ['row 2', 'looks-at-unknown'],
      ['row 2', 'finding-unknown'],
      ['row 3', 'statement-missing'],
      ['row 4', 'too-long'],
      ['row 5', 'statement-twice'],
    ])
    expect(pointsOf(of.set).map((p) => [p.code, p.priority, p.weight, p.tags, p.findings, p.looksAt])).to.deep.equal([
      ['A', 'should', 1, ['action'], ['nope'], ['course']],
      ['D', 'must', 100, [], [], []],
    ])
    expect(of.set.title).to.equal('our points')
  })

  it('is read from JSON with the place of each value', () => {
    const of = read(
      json(
        [
          {
            title: 'One',
            points: [
              { code: 'A', statement: 'x', priority: 'must', weight: 0.01, extra: 1 },
              { code: 'A', statement: 3 },
            ],
          },
          { points: [{ statement: 'y', priority: 'SHOULD', tags: 'action' }, { statement: 'z', priority: 'must', extra: 2 }, 7] },
        ],
        { rule: { mustNeeds: 'partly', shouldNeeds: 'soon', scoreFrom: 80, other: 1 }, mood: 'good' },
      ),
    )
    expect(told(of)).to.deep.equal([
      ['mood', 'key-unknown'],
      ['rule.shouldNeeds', 'value-wrong'],
      ['rule.other', 'key-unknown'],
      ['areas[0].points[0].extra', 'key-unknown'],
      ['areas[1].points[2]', 'value-wrong'],
      ['areas[0].points[1].statement', 'value-wrong'],
      ['areas[1].points[0].tags', 'value-wrong'],
      ['areas[1].points[1].code', 'code-missing'],
    ])
    // Areas stay as the file has them, of one name or empty.
    const alike = read(
      json([
        { title: 'One', points: [] },
        { title: 'Two', points: [{ code: 'A', statement: 'x', priority: 'must' }] },
        { title: 'Two', points: [{ code: 'B', statement: 'y', priority: 'must' }] },
      ]),
    )
    expect(alike.set.areas.map((a) => [a.title, a.points.map((p) => p.code)])).to.deep.equal([
      ['One', []],
      ['Two', ['A']],
      ['Two', ['B']],
    ])
    expect(of.set.rule).to.deep.equal({ mustNeeds: 'partly', shouldNeeds: null, scoreFrom: 80 })
    expect(pointsOf(of.set).map((p) => [p.area, p.code, p.weight])).to.deep.equal([
      ['One', 'A', 0.01],
      ['General', 'G-1', null],
    ])
  })

  it('is refused where it is none, too much, too new, or hostile', () => {
    const point = { statement: 's', code: 'c', priority: 'must' }
    expect(refusal('code,priority\nA,must')).to.equal('no-statements')
    expect(refusal('')).to.equal('no-statements')
    expect(refusal('statement\n\n')).to.equal('no-point')
    expect(refusal(json([]))).to.equal('no-point')
    expect(refusal(json([{ title: 'a', points: Array.from({ length: 501 }, (_, i) => ({ ...point, code: `c${i}` })) }]))).to.equal(
      'too-many',
    )
    expect(refusal(json([{ title: 'a', points: Array.from({ length: 500 }, (_, i) => ({ ...point, code: `c${i}` })) }]))).to.equal(null)
    expect(refusal(json([{ title: 'a', points: [point] }], { formatVersion: 2 }))).to.equal('newer-version')
    expect(refusal(json([{ title: 'a', points: [point] }], { format: 'cairn-blueprint' }))).to.equal('other-format')
    expect(refusal('[1]')).to.equal('other-format')
    expect(refusal('{"format": ')).to.equal('not-json')
    expect(refusal('{"__proto__": 1}')).to.equal('forbidden-key')
    expect(refusal(`${'{"a":'.repeat(22)}1${'}'.repeat(22)}`)).to.equal('too-deep')
  })

  it('is read from a workbook, row by row as a spreadsheet counts', async () => {
    const book = new Workbook()
    book.addWorksheet('Remarks').addRow(['Nothing here'])
    book.addWorksheet('Points').addRows([
      ['Code', 'Statement', 'Priority', 'Weight'],
      ['A-1', 'Dates agree', 'must', 2.5],
      ['A-2', '', 'must', 1],
      ['A-3', "'=not a sum", 'maybe', 1],
    ])
    const done = readSetFile(new Uint8Array((await book.xlsx.writeBuffer()) as ArrayBuffer), READING)
    if (!done.ok) throw new Error(done.error.message)
    expect(pointsOf(done.value.set).map((p) => [p.code, p.statement, p.weight])).to.deep.equal([
      ['A-1', 'Dates agree', 2.5],
      ['A-3', '=not a sum', 1],
    ])
    expect(told(done.value)).to.deep.equal([
      ['row 3', 'statement-missing'],
      ['row 4', 'priority-unknown'],
    ])
  })

  it('that ships has 59 points in our own words, each with a code of its own', async () => {
    const { set, problems } = await ownSet()
    const points = pointsOf(set)
    expect(points.length).to.equal(59)
    expect(new Set(points.map((p) => p.code)).size).to.equal(59)
    // Codes and kinds of records that are still to come are told, and nothing else.
    expect([...new Set(problems.map((p) => p.code))].sort()).to.deep.equal(['finding-unknown', 'looks-at-unknown'])
    expect(set.rule).to.deep.equal({ mustNeeds: 'in place', shouldNeeds: 'dated action', scoreFrom: null })
  })

  it('comes back the same from JSON and from CSV', () => {
    const words = fc.string({ unit: 'grapheme', maxLength: 40 }).map((s) => s.trim().replace(/\r\n?/g, '\n'))
    const text = words.filter((s) => s !== '' && !/^'[=+\-@\t\r]/.test(s))
    const open = fc.option(text)
    const point = fc.record({
      statement: text,
      priority: fc.constantFrom(...PRIORITIES),
      why: open,
      where: open,
      basis: open,
      weight: fc.option(fc.integer({ min: 1, max: 10_000 }).map((n) => n / 100)),
      tags: fc.subarray([...POINT_TAGS]),
      findings: fc.subarray(['no-verb', 'passive']),
      looksAt: fc.subarray(['course', 'activity:lab', 'module']),
      asLearner: open,
    })
    const set = fc.array(fc.array(point, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 4 }).map(
      (areas): ReviewSet => ({
        key: null,
        title: 'our points',
        version: null,
        language: null,
        note: null,
        rule: { mustNeeds: null, shouldNeeds: null, scoreFrom: null },
        areas: areas.map((points, a) => ({ title: `Area ${a}`, points: points.map((p, i) => ({ ...p, code: `${a}-${i}` })) })),
      }),
    )
    fc.assert(
      fc.property(set, (made) => {
        expect(read(JSON.stringify(setJson(made))).set).to.deep.equal(made)
        expect(read(setCsv(made)).set).to.deep.equal(made)
      }),
    )
  })
})
