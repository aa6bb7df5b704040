/** The colours of learners' pages: what a course sets, what Cairn's are, and that each pair stands in the table. */
import { expect } from 'chai'
import fc from 'fast-check'
import { courseOf } from '../../../src/core/blueprint/blueprint'
import { readHex } from '../../../src/core/blueprint/types/colour'
import { readNative, writeNative } from '../../../src/core/formats/native'
import { syllabusPage } from '../../../src/core/formats/syllabus-page'
import { textAccessOf } from '../../../src/core/formats/text-access'
import { colourCss, coloursOf, PAGE_COLOURS, paletteOf } from '../../../src/core/learner-pages/palette'
import { assembleSyllabus } from '../../../src/core/syllabus/assemble'
import { readSyllabus, storedSyllabus } from '../../../src/core/syllabus/stored'
import { LIGHT } from '../../../src/ui/theme/tokens'
import { aBlueprint, aCourse } from '../../support/course'

describe('the colours of learners’ pages', () => {
  it('are Cairn’s where a course sets none, and all of them stand out enough', () => {
    expect(coloursOf(aCourse())).to.equal(null)
    expect(paletteOf(aCourse()).filter((p) => !p.passes)).to.deep.equal([])
    const { colourPaper, colourInk, colourQuiet, colourLink } = PAGE_COLOURS
    expect([colourPaper, colourInk, colourQuiet, colourLink]).to.deep.equal(
      [LIGHT.surface, LIGHT.ink, LIGHT.muted, LIGHT.moss].map((c) => c.toLowerCase()),
    )
  })

  it('are judged pair by pair, with the field that the nearest is for', () => {
    // 138 on white: ((138/255+0.055)/1.055)^2.4 = 0.2541; 1.05 / 0.3041 = 3.45.
    const low = paletteOf(aCourse({ colourQuiet: '#8a8a8a' })).filter((p) => !p.passes)
    expect(low.map((p) => [p.pair, p.field, p.shown, p.needed])).to.deep.equal([['quiet on paper', 'colourQuiet', '3.45', 4.5]])
  })

  it('are read as people write them, and come back from a file', () => {
    expect(['#FFF', '20282B', ' #20282b '].map(readHex)).to.deep.equal(['#ffffff', '#20282b', '#20282b'])
    expect(['', 'red', '#12', '#20282b0'].map(readHex)).to.deep.equal([null, null, null, null])
    const read = readNative(writeNative(aBlueprint({ course: [aCourse({ colourInk: '#102030' })] })))
    expect(read.ok && courseOf(read.value).colourInk).to.equal('#102030')
  })

  it('go with the page that is published, as it was, and with the page as a file', async () => {
    const plan = aBlueprint({ course: [aCourse({ colourPaper: '#fdf6e3', colourInk: '#102030' })] })
    const stored = readSyllabus(JSON.parse(JSON.stringify(storedSyllabus(assembleSyllabus(plan)))))
    expect(stored.ok && stored.value.colours).to.deep.include({ colourPaper: '#fdf6e3', colourLink: '#2c6a4f' })
    // What version 2 stored has none.
    const { colours: _, ...older } = assembleSyllabus(aBlueprint())
    const lifted = readSyllabus({ ...older, formatVersion: 2 })
    expect(lifted.ok && lifted.value.colours).to.equal(null)
    expect(await syllabusPage(plan, {} as never)).to.contain('--surface:#fdf6e3')
    fc.assert(
      fc.property(fc.constantFrom(...Object.keys(PAGE_COLOURS)), (field) => {
        expect(colourCss({ ...PAGE_COLOURS, [field]: '#123456' })).to.contain(':#123456')
      }),
    )
  })

  it('are printed with the texts, under fixed keys', () => {
    const plan = aBlueprint({
      course: [
        aCourse({
          description: { type: 'doc', content: [{ type: 'heading', attrs: { level: 3 }, content: [{ type: 'text', text: 'Deep' }] }] },
        }),
      ],
    })
    const { palette, texts } = textAccessOf(plan)
    expect(Object.keys(palette[0] ?? {})).to.deep.equal(['pair', 'colour', 'on', 'use', 'ratio', 'shown', 'needed', 'passes'])
    expect(texts).to.deep.equal([
      { record: { kind: 'course', id: 'course' }, field: 'description', code: 'heading-skips', at: '0', words: 'Deep' },
    ])
  })
})
