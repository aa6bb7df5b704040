import { expect } from 'chai'
import ExcelJS from 'exceljs'
import { strToU8, zipSync } from 'fflate'
import { NO_ANSWERS } from '../../../src/core/intake/answers'
import { readFile } from '../../../src/core/intake/read-file'
import { readSources } from '../../../src/core/intake/understand'

const HEAD = ['Module', 'Activity', 'Minutes', 'Points']
const ROWS = [
  ['1', 'Chapter on sediment', 30, 0],
  ['1', 'Quiz on grain sizes', 20, 10],
  ['2', 'Field walk along the bank', 120, 20],
  ['2', 'Report on the walk', 90, 40],
  ['3', 'Discussion of flood marks', 45, 5],
  ['3', 'Sketch of a cross section', 60, 15],
] as const

type Change = (sheet: ExcelJS.Worksheet, book: ExcelJS.Workbook) => void
async function read(change: Change, answers = NO_ANSWERS) {
  const book = new ExcelJS.Workbook()
  const sheet = book.addWorksheet('Plan')
  sheet.addRow(HEAD)
  for (const row of ROWS) sheet.addRow([...row])
  change(sheet, book)
  const file = readFile('plan.xlsx', new Uint8Array(await book.xlsx.writeBuffer()))
  if (!file.ok) throw new Error(file.error.message)
  const { understanding, ledger } = readSources([file.value], answers)
  return {
    titles: understanding.modules.flatMap((m) => m.activities.map((a) => a.title)),
    problems: understanding.problems.map((p) => `${p.code}: ${p.message}`),
    at: understanding.problems.map((p) => p.at),
    left: understanding.notUnderstood.map((n) => n.text),
    fates: ledger.map((l) => [l.text, l.fate, l.what] as const),
  }
}
const ALL = ROWS.map((r) => r[1])
const fateOf = (fates: readonly (readonly [string, string, string])[], text: string) => fates.find((f) => f[0] === text)?.[1]

describe('what a workbook holds besides what it shows', () => {
  it('is nothing in a plain one', async () => {
    const { titles, problems } = await read(() => undefined)
    expect(titles).to.deep.equal(ALL)
    expect(problems).to.deep.equal([])
  })

  const HIDE: Change = (sheet) => {
    sheet.getRow(3).hidden = true
    sheet.getRow(5).hidden = true
  }
  it('is asked about where rows are hidden, and the rest stays one table with its rows named as they are', async () => {
    const { titles, problems, fates } = await read(HIDE)
    expect(titles).to.deep.equal(ALL.filter((_, i) => i !== 1 && i !== 3))
    expect(problems).to.deep.equal(['rows-hidden: 2 rows of the sheet “Plan” are hidden: 3, 5. Left out until you say that it is meant.'])
    expect(fateOf(fates, 'Quiz on grain sizes')).to.equal('question')
    expect(fateOf(fates, 'Field walk along the bank')).to.equal('read')
  })
  it('comes in, or goes without a further word, as answered', async () => {
    const [at = ''] = (await read(HIDE)).at
    const taken = await read(HIDE, { ...NO_ANSWERS, aside: { [at]: 'take in' } })
    expect([taken.titles, taken.problems]).to.deep.equal([ALL, []])
    const left = await read(HIDE, { ...NO_ANSWERS, aside: { [at]: 'leave out' } })
    expect([left.titles.length, left.problems]).to.deep.equal([4, []])
    expect(fateOf(left.fates, 'Report on the walk')).to.equal('decoration')
  })

  it('is asked about where a row is struck through as a whole, not where one cell is', async () => {
    const { titles, problems } = await read((sheet) => {
      for (const cell of ['A4', 'B4', 'C4', 'D4']) sheet.getCell(cell).font = { strike: true }
      sheet.getCell('C5').font = { strike: true }
    })
    expect(titles).to.deep.equal(ALL.filter((_, i) => i !== 2))
    expect(problems.map((p) => p.split(':')[0])).to.deep.equal(['rows-struck'])
  })

  it('is asked about where a sheet is hidden; nothing of it is silent', async () => {
    const hidden = await read((_, book) => {
      const more = book.addWorksheet('Spare', { state: 'hidden' })
      more.addRow(['Module', 'Activity', 'Minutes'])
      more.addRow(['4', 'Visit to a weir', 60])
    })
    expect(hidden.problems.map((p) => p.split(':')[0])).to.deep.equal(['sheet-hidden'])
    expect(fateOf(hidden.fates, 'Visit to a weir')).to.equal('question')
    expect(hidden.titles).to.deep.equal(ALL)
  })

  for (const name of ['Plan old', 'Copy of Plan', 'Plan (2)'])
    it(`is an old copy: “${name}”`, async () => {
      const { titles, problems } = await read((_, book) => {
        const copy = book.addWorksheet(name)
        copy.addRow(HEAD)
        for (const row of ROWS.slice(0, 5)) copy.addRow([row[0], row[1], Number(row[2]) + 5, row[3]])
        copy.addRow(['3', 'Something that is gone now', 30, 0])
      })
      expect(titles).to.deep.equal(ALL)
      expect(problems).to.deep.equal([
        `sheet-copy: The sheet “${name}” is nearly the same as “Plan”. Left out until you say that it is meant.`,
      ])
    })
  it('is no copy where another sheet lists other work in the same way', async () => {
    const { problems } = await read((_, book) => {
      const other = book.addWorksheet('Plan of labs')
      other.addRow(HEAD)
      for (const row of ROWS) other.addRow([row[0], `${row[1]}, by night`, row[2], row[3]])
    })
    expect(problems.filter((p) => p.startsWith('sheet-'))).to.deep.equal([])
  })

  it('is a note where a line alone is coloured, and a module where it names one', async () => {
    const { titles, left } = await read((sheet) => {
      const note = sheet.insertRow(4, ['', 'Ask Odile about the boots'])
      note.getCell(2).fill = { type: 'pattern', pattern: 'solid', fgColor: { argb: 'FFFFEE88' } }
    })
    expect(titles).to.deep.equal(ALL)
    expect(left).to.deep.equal(['Ask Odile about the boots'])
  })

  it('keeps each merged cell once in the ledger', async () => {
    const { titles, fates } = await read((sheet) => {
      sheet.mergeCells('A2:A3')
      sheet.mergeCells('A4:A5')
    })
    expect(titles).to.deep.equal(ALL)
    expect(fates.filter((f) => f[0] === '1')).to.have.length(1)
    expect(fates.filter((f) => f[0] === '2')).to.have.length(1)
  })

  it('is asked about in a document as well: a line and a row struck through, merged cells counted once', async () => {
    const strike = '<w:rPr><w:strike/></w:rPr>'
    const line = (text: string, look = '', settings = '') =>
      `<w:p>${settings}<w:r>${look}<w:t xml:space="preserve">${text}</w:t></w:r></w:p>`
    const item = (text: string, look = '') => line(text, look, '<w:pPr><w:numPr/></w:pPr>')
    const cell = (text: string, look = '', merge = '') =>
      `<w:tc><w:tcPr>${merge}</w:tcPr>${text === '' ? '<w:p/>' : line(text, look)}</w:tc>`
    const row = (...cells: string[]) => `<w:tr>${cells.join('')}</w:tr>`
    const body = [
      line('Module 1: Banks'),
      item('Walk the bank (30 min)'),
      item('Draw last year (40 min)', strike),
      item('Wade in (10 min)', '<w:rPr><w:strike w:val="0"/></w:rPr>'),
      '<w:tbl>',
      row(cell('Module'), cell('Activity'), cell('Minutes')),
      row(cell('Module 2: Weirs', '', '<w:vMerge w:val="restart"/>'), cell('Visit a weir'), cell('60')),
      row(cell('', '', '<w:vMerge/>'), cell('Sketch it'), cell('20')),
      row(cell('Module 3: Dams', strike), cell('Visit a dam', strike), cell('90', strike)),
      '</w:tbl>',
    ].join('')
    const space = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"'
    const file = readFile(
      'plan.docx',
      zipSync({ 'word/document.xml': strToU8(`<w:document ${space}><w:body>${body}</w:body></w:document>`) }),
    )
    if (!file.ok) throw new Error(file.error.message)
    const { understanding, ledger } = readSources([file.value])
    expect(understanding.modules.map((m) => m.activities.map((a) => a.title))).to.deep.equal([
      ['Walk the bank', 'Wade in'],
      ['Visit a weir', 'Sketch it'],
    ])
    expect(understanding.problems.map((p) => p.code)).to.have.members(['lines-struck', 'rows-struck'])
    expect(ledger.filter((l) => l.text === 'Module 2: Weirs')).to.have.length(1)
    expect(ledger.filter((l) => l.fate === 'question').map((l) => l.text)).to.have.members([
      'Draw last year (40 min)',
      'Module 3: Dams',
      'Visit a dam',
      '90',
    ])
    const aside = Object.fromEntries(understanding.problems.map((p) => [p.at, 'take in' as const]))
    const all = readSources([file.value], { ...NO_ANSWERS, aside }).understanding
    expect(all.modules.map((m) => m.activities.length)).to.deep.equal([3, 2, 1])
    const left = Object.fromEntries(understanding.problems.map((p) => [p.at, 'leave out' as const]))
    expect(readSources([file.value], { ...NO_ANSWERS, aside: left }).understanding.problems).to.deep.equal([])
  })
})
