import { expect } from 'chai'
import fc from 'fast-check'
import { objectiveOf } from '../../../src/core/formats/objectives'
import { readStatement, type Span, type Statement } from '../../../src/core/objectives/statement'
import { TAGGER } from '../../../src/core/objectives/tagger'
import { useTagger } from '../../../src/core/objectives/tagging'
import { WORDS } from '../../../src/core/objectives/words/table'

/** Words of the table, as its front-coded lines give them. */
const words = (() => {
  let before = ''
  return WORDS.split(/[,\n]+/)
    .filter((entry) => entry !== '')
    .map((entry) => {
      const kept = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_'.indexOf(entry[0] ?? 'A')
      before = before.slice(0, kept) + entry.slice(1, entry.indexOf(' '))
      return before
    })
})()
const JOINING = 'the a and or of to with without how that by for in on at from within , ; . : ( ) 5 % so until be is are will can'.split(
  ' ',
)

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
      fc.property(fc.array(fc.oneof(fc.constantFrom(...words), fc.constantFrom(...JOINING)), { maxLength: 25 }), (parts) => {
        const text = parts.join(' ')
        inOrder(text, readStatement(text))
      }),
      { numRuns: 3000 },
    )
  })
  it('of 100,000 made of the words of the table is read', () => {
    // A plain generator of numbers (Park & Miller 1988), so that the same lines come every time.
    let state = 20_260
    const next = (n: number) => {
      state = (state * 48_271) % 2_147_483_647
      return state % n
    }
    for (let i = 0; i < 100_000; i++) {
      const length = 2 + next(14)
      const text = Array.from({ length }, () => (next(3) === 0 ? JOINING[next(JOINING.length)] : words[next(words.length)])).join(' ')
      const read = readStatement(text)
      if (i % 100 === 0) inOrder(text, read)
    }
  })
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
