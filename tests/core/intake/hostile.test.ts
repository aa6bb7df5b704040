import { expect } from 'chai'
import { strToU8, zipSync } from 'fflate'
import { readPlanFile } from '../../../src/core/formats/plan-file'
import { LIMITS } from '../../../src/core/intake/blocks'
import { decodeExactly, decodeText } from '../../../src/core/intake/decode'
import { readFile } from '../../../src/core/intake/read-file'
import { understand } from '../../../src/core/intake/understand'

const WORKBOOK = '<workbook xmlns:r="r"><sheets><sheet name="S" r:id="r1"/></sheets></workbook>'
const RELS = '<Relationships><Relationship Id="r1" Target="worksheets/sheet1.xml"/></Relationships>'
const xlsx = (sheet: string, more: Record<string, Uint8Array> = {}) =>
  zipSync({
    'xl/workbook.xml': strToU8(WORKBOOK),
    'xl/_rels/workbook.xml.rels': strToU8(RELS),
    'xl/worksheets/sheet1.xml': strToU8(sheet),
    ...more,
  })
const codeOf = (bytes: Uint8Array): string => {
  const read = readFile('a.xlsx', bytes)
  if (read.ok) return 'read'
  expect(read.error.message).to.match(/\.$/)
  return read.error.code
}
const inline = (text: string) => `<c t="inlineStr"><is><t>${text}</t></is></c>`

describe('hostile files', () => {
  it('a bomb is refused before it is unpacked', () => {
    const bomb = xlsx('<worksheet/>', { 'xl/worksheets/sheet2.xml': new Uint8Array(1_000_000) })
    expect(codeOf(bomb)).to.equal('read')
    // The directory says what the sheet would come to: a little over the limit.
    const view = new DataView(bomb.buffer)
    for (let i = 0; i + 30 < bomb.length; i++)
      if (view.getUint32(i, true) === 0x02014b50 && view.getUint32(i + 24, true) === 1_000_000)
        view.setUint32(i + 24, LIMITS.unpackedBytes + 1, true)
    expect(codeOf(bomb)).to.equal('too-large')
  })
  it('a bomb that lies about its size is refused or cut', () => {
    const bomb = xlsx(' '.repeat(5_000_000))
    // The stated size of the sheet in the directory and in its header is set to 10.
    const view = new DataView(bomb.buffer)
    for (let i = 0; i + 30 < bomb.length; i++) {
      const signature = view.getUint32(i, true)
      if (signature === 0x04034b50 && view.getUint32(i + 22, true) === 5_000_000) view.setUint32(i + 22, 10, true)
      if (signature === 0x02014b50 && view.getUint32(i + 24, true) === 5_000_000) view.setUint32(i + 24, 10, true)
    }
    const read = readFile('a.xlsx', bomb)
    if (read.ok) expect(JSON.stringify(read.value).length).to.be.lessThan(1000)
    else expect(read.error.code).to.equal('damaged')
  })
  it('entities are refused', () =>
    expect(codeOf(xlsx('<!DOCTYPE x [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><worksheet><sheetData>&b;</sheetData></worksheet>'))).to.equal(
      'forbidden-entities',
    ))
  it('names that climb out of the archive name nothing', () =>
    expect(codeOf(xlsx('<worksheet/>', { '../../etc/passwd': strToU8('x'), '/abs/xl/worksheets/a.xml': strToU8('<!ENTITY') }))).to.equal(
      'read',
    ))
  it('too many parts are refused', () =>
    expect(
      codeOf(xlsx('<worksheet/>', Object.fromEntries(Array.from({ length: LIMITS.files }, (_, i) => [`x/${i}.xml`, new Uint8Array()])))),
    ).to.equal('too-large'))
  it('formulas are read by their last result, never run, and stay text', () => {
    const sheet = `<worksheet><sheetData><row r="1">${inline('Activity')}${inline('Minutes')}</row><row r="2"><c t="str"><f>HYPERLINK("http://x","y")</f><v>=cmd|' /C calc'!A0</v></c><c><f>40+5</f><v>45</v></c></row></sheetData></worksheet>`
    const read = readFile('a.xlsx', xlsx(sheet))
    const [activity] = read.ok ? (understand([read.value]).modules[0]?.activities ?? []) : []
    expect(activity).to.include({ title: "=cmd|' /C calc'!A0", minutes: 45 })
  })
  it('absurd positions and spans cost nothing', () => {
    const sheet = `<worksheet><sheetData><row r="1"><c r="A1"><v>1</v></c><c r="XFD1"><v>2</v></c></row><row r="1048576"><c r="A1048576"><v>3</v></c></row></sheetData><mergeCells><mergeCell ref="A1:A1048576"/></mergeCells></worksheet>`
    const read = readFile('a.xlsx', xlsx(sheet))
    expect(read.ok && read.value.blocks[0]?.type === 'table' && read.value.blocks[0].rows).to.deep.equal([['1']])
  })
  it('deep XML does not exhaust the stack', () => {
    const deep = `${'<a>'.repeat(20_000)}${'</a>'.repeat(20_000)}`
    expect(['read', 'damaged']).to.include(codeOf(xlsx(`<worksheet><sheetData>${deep}</sheetData></worksheet>`)))
  })
  for (const [what, bytes, code] of [
    ['an empty file', new Uint8Array(), 'empty'],
    ['a file that is too large', new Uint8Array(LIMITS.fileBytes + 1), 'too-large'],
    ['a broken archive', strToU8('PK\u0003\u0004 xl/workbook.xml nothing'), 'damaged'],
    ['another archive', zipSync({ 'a.txt': strToU8('x') }), 'unknown-archive'],
    ['an old office file', new Uint8Array([0xd0, 0xcf, 0x11, 0xe0]), 'old-office'],
    ['a PDF', strToU8('%PDF-1.7'), 'pdf'],
    ['a picture', new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]), 'picture'],
    ['a photograph', new Uint8Array([0xff, 0xd8, 0xff, 0xe0, 0, 16]), 'picture'],
    ['an archive of another kind', new Uint8Array([0x1f, 0x8b, 8, 0]), 'unknown-archive'],
    ['a web page', strToU8('\n<!-- saved -->\n<!DOCTYPE html>\n<table><tr><td>Quiz</td></tr></table>'), 'web-page'],
    ['a web page that calls itself XML', strToU8('<?xml version="1.0"?><html xmlns="http://www.w3.org/1999/xhtml"></html>'), 'web-page'],
    ['rich text', strToU8('{\\rtf1\\ansi Quiz}'), 'rich-text'],
    ['text that is about a web page', strToU8('Write <html> by hand'), 'read'],
    ['bytes of no kind', new Uint8Array(Array.from({ length: 400 }, (_, i) => (i * 37) % 32)), 'not-text'],
  ] as const)
    it(`${what} is answered with a sentence`, () => expect(codeOf(bytes)).to.equal(code))
  it('a table of thousands of rows is read whole', () => {
    const rows = Array.from({ length: 3000 }, (_, i) => `M${(i % 40) + 1},Task ${i},quiz,10`).join('\n')
    const read = readFile('a.csv', strToU8(`Module,Activity,Type,Minutes\n${rows}`))
    expect(read.ok && understand([read.value]).modules.reduce((n, m) => n + m.activities.length, 0)).to.equal(3000)
  })
})

describe('encodings', () => {
  const text = 'Übung – „Farbe“'
  const utf16 = (little: boolean) => {
    const bytes = new Uint8Array(text.length * 2)
    const view = new DataView(bytes.buffer)
    ;[...text].forEach((c, i) => {
      view.setUint16(i * 2, c.charCodeAt(0), little)
    })
    return bytes
  }
  it('of a format that says its own: another is refused with its line, and nothing is put in its place', () => {
    expect(decodeExactly(new TextEncoder().encode(`\ufeff${text}`))).to.deep.equal({ ok: true, value: text })
    expect(decodeExactly(new Uint8Array([0xff, 0xfe, ...utf16(true)]))).to.deep.equal({ ok: true, value: text })
    const latin = Uint8Array.from([...'{\n"title": "', 0xdc, ...'bung"}'].map((c) => (typeof c === 'number' ? c : c.charCodeAt(0))))
    const refused = { ok: false, error: 'this file is no UTF-8 text: line 2 holds what cannot be decoded' }
    expect(decodeExactly(latin)).to.deep.equal(refused)
    const file = readPlanFile('a.cairn.json', latin)
    expect(!file.ok && file.error).to.deep.equal([{ code: 'not-utf8', message: refused.error, at: '' }])
  })
  it('UTF-8, with and without its mark', () => {
    expect(decodeText(new TextEncoder().encode(text))).to.equal(text)
    expect(decodeText(new TextEncoder().encode(`\ufeff${text}`)).replace(/^\ufeff/, '')).to.equal(text)
  })
  it('UTF-16 with its mark, both ways round', () => {
    expect(decodeText(new Uint8Array([0xff, 0xfe, ...utf16(true)]))).to.equal(text)
    expect(decodeText(new Uint8Array([0xfe, 0xff, ...utf16(false)]))).to.equal(text)
  })
  it('UTF-16 without a mark, where most of it is plain letters', () => {
    const bytes = new Uint8Array([...'Module,Activity'].flatMap((c) => [c.charCodeAt(0), 0]))
    expect(decodeText(bytes)).to.equal('Module,Activity')
  })
  it('Windows-1252', () =>
    expect(decodeText(new Uint8Array([0xdc, 0x62, 0x75, 0x6e, 0x67, 0x20, 0x96, 0x20, 0x84, 0x46, 0x93]))).to.equal('Übung – „F“'))
})
