import { expect } from 'chai'
import ExcelJS from 'exceljs'
import { strToU8, zipSync } from 'fflate'
import { mayWrite } from '../../../src/core/access/abilities'
import { frameworkMap } from '../../../src/core/frameworks/framework-map'
import { readFramework } from '../../../src/core/frameworks/read-framework'
import { type FrameworkTree, walkTree } from '../../../src/core/frameworks/tree'

const tree = (name: string, bytes: Uint8Array): FrameworkTree => {
  const read = readFramework(name, bytes)
  if (!read.ok) throw new Error(read.error.message)
  return read.value
}
const outline = (t: FrameworkTree) =>
  walkTree(t.items).map(({ item, depth }) => `${'-'.repeat(depth)}${item.code ?? ''} ${item.statement}`.trim())

const NS = 'http://schemas.openxmlformats.org/wordprocessingml/2006/main'
const paragraph = (text: string, list = false) =>
  `<w:p>${list ? '<w:pPr><w:numPr><w:ilvl w:val="0"/><w:numId w:val="1"/></w:numPr></w:pPr>' : ''}<w:r><w:t xml:space="preserve">${text}</w:t></w:r></w:p>`
const table = (rows: readonly (readonly (readonly string[])[])[]) =>
  `<w:tbl>${rows.map((r) => `<w:tr>${r.map((cell) => `<w:tc>${cell.map((p) => paragraph(p)).join('')}</w:tc>`).join('')}</w:tr>`).join('')}</w:tbl>`
const docx = (body: string): Uint8Array =>
  zipSync({
    '[Content_Types].xml': strToU8('<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"/>'),
    'word/document.xml': strToU8(`<?xml version="1.0"?><w:document xmlns:w="${NS}"><w:body>${body}</w:body></w:document>`),
  })

async function xlsx(rows: readonly (readonly (string | number)[])[]): Promise<Uint8Array> {
  const book = new ExcelJS.Workbook()
  const sheet = book.addWorksheet('Items')
  for (const row of rows) sheet.addRow([...row])
  return new Uint8Array((await book.xlsx.writeBuffer()) as ArrayBuffer)
}

describe('a framework as an office file', () => {
  it('is read from a document: a table of elements with cells of several lines, lists below', () => {
    const read = tree(
      'unit.docx',
      docx(
        paragraph('KIT-7 Run a small kitchen') +
          table([
            [['Element'], ['Performance criteria']],
            [['1. Prepare'], ['1.1 Check deliveries', '1.2 Store by date']],
            [['2. Cook'], ['2.1 Follow the recipe']],
          ]) +
          paragraph('Knowledge evidence') +
          paragraph('temperatures for storing', true) +
          paragraph('signs of spoiling', true),
      ),
    )
    expect(read).to.include({ title: 'Run a small kitchen', code: 'KIT-7' })
    expect(frameworkMap(read).elements.map((e) => [e.code, e.criteria.map((c) => c.code)])).to.deep.equal([
      ['1', ['1.1', '1.2']],
      ['2', ['2.1']],
    ])
    expect(frameworkMap(read).evidence).to.deep.equal(['temperatures for storing', 'signs of spoiling'])
  })

  it('is read from a document whose numbers a word processor kept for itself', () => {
    const read = tree(
      'unit.docx',
      docx(
        table([
          [['Elements'], ['Performance criteria']],
          [['Prepare'], ['Check deliveries', 'Store by date']],
          [['Cook'], ['Follow the recipe']],
        ]),
      ),
    )
    expect(outline(read)).to.deep.equal(['Prepare', '- Check deliveries', '- Store by date', 'Cook', '- Follow the recipe'])
  })

  it('is read from a workbook with a header: codes that are numbers, parents by code', async () => {
    const read = tree(
      'items.xlsx',
      await xlsx([
        ['Standards of the trade', ''],
        ['Code', 'Statement', 'Parent', 'Kind'],
        [1, 'Prepare', '', 'element'],
        ['1.1', 'Check deliveries', 1, 'criterion'],
        ['1.2', 'Store by date', 1, 'criterion'],
      ]),
    )
    expect(outline(read)).to.deep.equal(['1 Prepare', '-1.1 Check deliveries', '-1.2 Store by date'])
  })

  it('is read from a workbook without one, as it would be pasted', async () => {
    const read = tree(
      'unit.xlsx',
      await xlsx([
        ['Run a small kitchen'],
        ['1. Prepare', '1.1 Check deliveries'],
        ['', '1.2 Store by date'],
        ['2. Cook', '2.1 Follow the recipe'],
      ]),
    )
    expect(outline(read)).to.deep.equal(['1 Prepare', '-1.1 Check deliveries', '-1.2 Store by date', '2 Cook', '-2.1 Follow the recipe'])
  })

  it('is refused where it is no such file, with a sentence', () => {
    const refused = (bytes: Uint8Array) => {
      const read = readFramework('x', bytes)
      return read.ok ? 'read' : read.error.message
    }
    expect(refused(zipSync({ 'a.txt': strToU8('x') }))).to.contain('neither a workbook')
    expect(refused(new Uint8Array([0xd0, 0xcf, 1, 2]))).to.contain('old or a protected office file')
    expect(refused(docx('').slice(0, 40))).to.not.equal('read')
    expect(refused(strToU8('{"CFDocument": {}, "CFItems": 7}'))).to.contain('no competency package')
  })
})

describe('who may write frameworks', () => {
  it('brings them in as a designer; experts link what they teach, reviewers read', () => {
    expect(['framework', 'frameworkItem', 'criterionItem'].map((k) => mayWrite('designer', k as never))).to.deep.equal([true, true, true])
    expect(['framework', 'frameworkItem', 'itemRelation'].map((k) => mayWrite('expert', k as never))).to.deep.equal([false, false, false])
    expect(['objectiveItem', 'activityItem', 'evidencePoint', 'evidenceItem'].map((k) => mayWrite('expert', k as never))).to.deep.equal([
      true,
      true,
      true,
      true,
    ])
    expect(['objectiveItem', 'activityItem'].map((k) => mayWrite('reviewer', k as never))).to.deep.equal([false, false])
  })
})
