/** Design sheets as a document, read back by another program's reader. */

import { expect } from 'chai'
import { XMLParser } from 'fast-xml-parser'
import { strFromU8, unzipSync } from 'fflate'
import { learnerSheet, moduleSheet } from '../../../src/core/design/sheet'
import { writeSheets } from '../../../src/core/formats/sheet-docx'
import { aBlueprint, aModule } from '../../support/course'
import { demoCourse } from '../../support/demo'

const demo = demoCourse('measuring-small-streams')
/** The texts of a document's paragraphs. */
function textsOf(bytes: Uint8Array): string[] {
  const xml = strFromU8(unzipSync(bytes)['word/document.xml'] as Uint8Array)
  new XMLParser().parse(xml, true)
  return [...xml.matchAll(/<w:p[ >].*?<\/w:p>/gs)].map((p) => [...p[0].matchAll(/<w:t[^>]*>([^<]*)<\/w:t>/g)].map((t) => t[1]).join(''))
}

describe('design sheets', () => {
  it('hold what stands in the plan, in four columns', () => {
    const sheet = moduleSheet(demo, 'm1')
    expect(sheet?.number).to.equal('1')
    expect(sheet?.objectives.map((o) => o.number)).to.deep.equal(['1a', '1b', '1c'])
    const hydrograph = sheet?.activities.find((a) => a.id === 'a1-8')
    expect(hydrograph?.columns.map((c) => c.title)).to.deep.equal([
      'What it is',
      'What learners do',
      'How it is judged and answered',
      'Access',
    ])
    expect(hydrograph?.columns[2]?.lines).to.deep.include({ label: 'Feedback within days', text: '5' })
    // 10 % a day behind 6 hours of grace, at most 50 %, nothing after 7 days.
    expect(hydrograph?.columns[2]?.lines.find((l) => l.label === 'Late work')?.text).to.equal(
      '1 day 90 %, 2 days 80 %, 3 days 70 %, 4 days 60 %, 5 days 50 %, after 7 days nothing',
    )
    expect(moduleSheet(demo, 'gone')).to.equal(null)
  })

  it('for learners have no notes of designers, and what is shown in several modules stands in each', () => {
    const sheet = learnerSheet(demo, 'm2')
    expect(sheet?.tasks.map((t) => t.number)).to.include('A.2')
    expect(JSON.stringify(learnerSheet(demo, 'm5'))).to.not.include('temperature correction')
  })

  it('are written as a document, filled and blank', async () => {
    const filled = textsOf((await writeSheets(demo, { moduleIds: ['m1'], blank: false })) as Uint8Array)
    expect(filled).to.include('Module 1 Why small streams matter')
    expect(filled.some((t) => t.startsWith('Instructions: Annotate the hydrograph'))).to.equal(true)
    expect(filled).to.include('Materials: Hydrograph of 12 February, unmarked; An annotated hydrograph of another stream')
    const blank = textsOf((await writeSheets(demo, { moduleIds: ['m1'], blank: true })) as Uint8Array)
    expect(blank.some((t) => t.startsWith('Instructions:'))).to.equal(true)
    expect(blank.some((t) => t.includes('hydrograph'))).to.equal(false)
    // Every module, each in its own section.
    const all = textsOf((await writeSheets(demo, { moduleIds: [], blank: false })) as Uint8Array)
    expect(all.filter((t) => /^Module [A-Z0-9]+ /.test(t))).to.have.lengthOf(10)
    expect(await writeSheets(aBlueprint({ module: [aModule('m1')] }), { moduleIds: ['m9'], blank: false })).to.equal(null)
  })
})
