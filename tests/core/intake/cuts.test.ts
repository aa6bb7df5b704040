/** Too much of something is left out in sight: with its place and how much it is. */
import { expect } from 'chai'
import { strToU8, zipSync } from 'fflate'
import { readFrameworkText } from '../../../src/core/frameworks/read-framework'
import { LIMITS } from '../../../src/core/intake/blocks'
import { isCut } from '../../../src/core/intake/cuts'
import { readFile, readText } from '../../../src/core/intake/read-file'
import { understand } from '../../../src/core/intake/understand'

const xlsx = (sheet: string, strings = '') =>
  zipSync({
    'xl/workbook.xml': strToU8('<workbook xmlns:r="r"><sheets><sheet name="Plan" r:id="r1"/></sheets></workbook>'),
    'xl/_rels/workbook.xml.rels': strToU8('<Relationships><Relationship Id="r1" Target="worksheets/sheet1.xml"/></Relationships>'),
    'xl/sharedStrings.xml': strToU8(`<sst>${strings}</sst>`),
    'xl/worksheets/sheet1.xml': strToU8(`<worksheet><sheetData>${sheet}</sheetData></worksheet>`),
  })
const cell = (ref: string, text: string) => `<c r="${ref}" t="inlineStr"><is><t>${text}</t></is></c>`
const cutOf = (bytes: Uint8Array, name = 'plan.xlsx') => {
  const read = readFile(name, bytes)
  return read.ok ? understand([read.value]).problems.filter(isCut) : [read.error]
}
const lines = (n: number) => `Module,Activity\n${Array.from({ length: n - 1 }, (_, i) => `1,Task ${i}`).join('\n')}\n`

describe('what is too much', () => {
  it('is nothing at the limits themselves', () => {
    expect(cutOf(strToU8(lines(LIMITS.lines)), 'plan.csv')).to.deep.equal([])
    expect(cutOf(strToU8(`Module,Activity\n1,${'x'.repeat(LIMITS.cellCharacters)}\n`), 'plan.csv')).to.deep.equal([])
  })
  it('of lines is told with their number', () => {
    expect(cutOf(strToU8(lines(LIMITS.lines + 2)), 'plan.csv')).to.deep.equal([
      { code: 'cut-lines', message: 'More than 60,000 lines: 2 lines left out.', at: 'plan.csv, row 60001' },
    ])
    const prose = readText('notes', `Aims\n${'A line of words\n'.repeat(LIMITS.lines)}`)
    expect(prose.cut?.map((c) => [c.code, c.at])).to.deep.equal([['cut-lines', 'notes, line 60001']])
  })
  it('in a cell is told, all of them together', () => {
    const long = 'x'.repeat(LIMITS.cellCharacters + 1)
    expect(cutOf(strToU8(`Module,Activity\n1,Short\n1,${long}\n1,a${long}\n`), 'plan.csv')).to.deep.equal([
      { code: 'cut-cell', message: '2 cells of more than 20,000 characters: what goes beyond is left out.', at: 'plan.csv, row 3' },
    ])
  })
  it('far from the rest of a sheet is told, and empty cells there are not', () => {
    const near = `<row r="1">${cell('A1', 'Module')}${cell('B1', 'Activity')}</row><row r="2">${cell('A2', '1')}${cell('B2', 'Walk')}</row>`
    expect(cutOf(xlsx(near))).to.deep.equal([])
    expect(cutOf(xlsx(`${near}<row r="3"><c r="SH3"/></row><row r="9000"><c r="A9000"/></row>`))).to.deep.equal([])
    expect(cutOf(xlsx(`${near}<row r="3">${cell('SH3', 'far')}</row><row r="9000">${cell('A9000', 'farther')}</row>`))).to.deep.equal([
      { code: 'cut-far', message: '2 cells far from the rest of the sheet left out.', at: 'plan.xlsx, sheet Plan, row 3' },
    ])
  })
  it('in sum, where one long text stands in many cells, is told, and costs no memory', () => {
    const text = `<si><t>${'word '.repeat(3_900)}</t></si>`
    const rows = Array.from({ length: 4_000 }, (_, i) => `<row r="${i + 1}"><c r="A${i + 1}" t="s"><v>0</v></c></row>`).join('')
    const before = process.memoryUsage().heapUsed
    const read = readFile('plan.xlsx', xlsx(rows, text))
    expect(read.ok && read.value.cut?.map((c) => c.code)).to.deep.equal(['cut-text'])
    expect(process.memoryUsage().heapUsed - before).to.be.below(100_000_000)
  })
  it('of a framework is told with what was read of it', () => {
    const rows = `Code,Statement,Type\nA1,Lay a course of stones,element\nA1.1,${'x '.repeat(LIMITS.cellCharacters / 2 + 1)},criterion\n`
    const read = readFrameworkText(rows)
    expect(read.ok && read.value.problems.filter(isCut).map((p) => p.code)).to.have.members(['cut-cell', 'cut-field'])
  })
  it('of what was not understood is all there', () => {
    const odd = Array.from({ length: 6_000 }, (_, i) => `* ??? ${i} ${'!'.repeat(600)}`).join('\n')
    const { notUnderstood } = understand([readText('notes', odd)])
    expect(notUnderstood.reduce((n, l) => n + l.text.length, 0)).to.be.greaterThan(6_000 * 600)
  })
})
