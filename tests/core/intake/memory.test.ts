/** What reading takes of a machine, measured where it is: in a process of its own. */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { strToU8, zipSync } from 'fflate'
import { LIMITS } from '../../../src/core/intake/blocks'

const MOST_KILOBYTES = 500_000

describe('memory that reading takes', () => {
  const folder = mkdtempSync(join(tmpdir(), 'cairn-memory-'))
  after(() => rmSync(folder, { recursive: true }))
  const taken = (name: string, content: string | Uint8Array) => {
    const path = join(folder, name)
    writeFileSync(path, content)
    const child = spawnSync(process.execPath, ['--import', 'tsx', 'tests/support/read-in-child.ts', path], { encoding: 'utf8' })
    return JSON.parse(child.stdout) as { ok: boolean; modules: number; lines: number; kilobytes: number }
  }

  it('is below 500 MB for a table of as many rows as are read', () => {
    const row = (i: number) => `Module ${1 + (i % 12)},Task ${i} about streams and what they carry,Reading,1a,${10 + (i % 50)},${i % 20}`
    const rows = Array.from({ length: LIMITS.lines - 1 }, (_, i) => row(i))
    const { ok, modules, lines, kilobytes } = taken('long.csv', ['Module,Title,Kind,Objectives,Minutes,Points', ...rows].join('\n'))
    // Six cells in each of 60,000 rows, and what became of each of them.
    expect([ok, modules, lines]).to.deep.equal([true, 12, 360_000])
    expect(kilobytes).to.be.below(MOST_KILOBYTES)
  }).timeout(120_000)

  it('is below 500 MB for a workbook whose one long text stands in every cell', () => {
    const cells = Array.from({ length: 120_000 }, (_, i) => `<row r="${i + 1}"><c r="A${i + 1}" t="s"><v>0</v></c></row>`).join('')
    const bytes = zipSync({
      'xl/workbook.xml': strToU8('<workbook xmlns:r="r"><sheets><sheet name="Plan" r:id="r1"/></sheets></workbook>'),
      'xl/_rels/workbook.xml.rels': strToU8('<Relationships><Relationship Id="r1" Target="worksheets/sheet1.xml"/></Relationships>'),
      'xl/sharedStrings.xml': strToU8(`<sst><si><t>${'stones and water '.repeat(1200)}</t></si></sst>`),
      'xl/worksheets/sheet1.xml': strToU8(`<worksheet><sheetData>${cells}</sheetData></worksheet>`),
    })
    const { ok, kilobytes } = taken('one-text.xlsx', bytes)
    expect(ok).to.equal(true)
    expect(kilobytes).to.be.below(MOST_KILOBYTES)
  }).timeout(120_000)
})
