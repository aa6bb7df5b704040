import { expect } from 'chai'
import fc from 'fast-check'
import { objectiveOf } from '../../../src/core/formats/objectives'
import { readStatement, type Span, type Statement } from '../../../src/core/objectives/statement'
import { TAGGER } from '../../../src/core/objectives/tagger'
import { useTagger } from '../../../src/core/objectives/tagging'
import { JOINING, randomLines, TABLE_WORDS } from './random-lines'

function inOrder(text: string, read: Statement): void {
  const spans: Span[] = [...read.verbs, ...read.conditions, ...read.criteria, ...read.flaws.map((f) => f.span)]
  for (const one of [read.aim, read.object, read.subject]) if (one) spans.push(one)
  for (const { start, end } of spans)
    expect(start >= 0 && start <= end && end <= text.length, `${start}-${end} of ${JSON.stringify(text)}`).to.equal(true)
  for (const parts of [read.verbs, read.conditions, read.criteria])
    for (const [i, part] of parts.entries()) {
      const before = parts[i - 1]
      if (before) expect(part.start, JSON.stringify(text)).to.be.at.least(before.end)
    }
}

describe('any line', () => {
  before(() => useTagger(TAGGER))
  after(() => useTagger(null))
  it('is read with spans that lie within it, verbs, conditions and how well each in their order, whatever it says', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 120 }), (text) => inOrder(text, readStatement(text))),
      { numRuns: 3000 },
    )
    fc.assert(
      fc.property(fc.array(fc.oneof(fc.constantFrom(...TABLE_WORDS), fc.constantFrom(...JOINING)), { maxLength: 25 }), (parts) => {
        const text = parts.join(' ')
        inOrder(text, readStatement(text))
      }),
      { numRuns: 3000 },
    )
  })
  it('of 100,000 made of the words of the table is read', () => {
    for (const [i, text] of [...randomLines(100_000)].entries()) {
      const read = readStatement(text)
      if (i % 100 === 0) inOrder(text, read)
    }
  }).timeout(120_000)
  it('tells who does it, whether it may be a heading, and what decided', () => {
    const read = objectiveOf('The apprentice plumber bends copper pipe with a hand bender to within 2 mm of the drawing')
    expect(read).to.deep.include({
      subject: 'The apprentice plumber',
      heading: 'no',
      verbs: ['bend'],
      condition: 'with a hand bender',
      criterion: 'to within 2 mm of the drawing',
    })
    expect(objectiveOf('Market forces').heading).to.equal('perhaps')
    expect(objectiveOf('Process control').heading).to.equal('yes')
    expect(objectiveOf('Market forces', 'headings').heading).to.equal('yes')
    expect(objectiveOf('Draft a plan').why.map((w) => w.what)).to.include('before an article')
  })
})
