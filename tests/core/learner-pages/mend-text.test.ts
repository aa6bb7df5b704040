/** Mending texts: nothing of what was mended is left, and no word is lost. */
import { expect } from 'chai'
import fc from 'fast-check'
import { type RichNode, type RichText, richToPlain } from '../../../src/core/blueprint/rich-text'
import { isMendable, type Mendable, mendText } from '../../../src/core/learner-pages/mend-text'
import { textProblems } from '../../../src/core/learner-pages/text-access'
import { TEXT_CODES } from '../../../src/core/learner-pages/text-codes'

const t = (text: string, bold = false): RichNode => ({ type: 'text', text, ...(bold ? { marks: [{ type: 'bold' }] } : {}) })
const p = (...content: readonly RichNode[]): RichNode => ({ type: 'paragraph', content })
const doc = (...content: readonly RichNode[]): RichText => ({ type: 'doc', content })

const word = fc.constantFrom('tape', 'float', 'Why it matters', 'a weir', '1. first', '2. second', '- item', '• item', 'b) x', 'c) y', ' ')
const line = fc.array(fc.tuple(word, fc.boolean()), { maxLength: 3 }).map((parts) => p(...parts.map(([text, bold]) => t(text, bold))))
const link = fc
  .constantFrom(' ', 'guide')
  .map((text): RichNode => p(t('See '), { ...t(text), marks: [{ type: 'link', attrs: { href: 'https://x.example' } }] }))
const heading = fc
  .tuple(fc.integer({ min: 2, max: 4 }), fc.constantFrom('', 'Part'))
  .map(([level, text]): RichNode => ({ type: 'heading', attrs: { level }, content: text ? [t(text)] : [] }))
const table = fc.constantFrom<'tableCell' | 'tableHeader'>('tableCell', 'tableHeader').map(
  (type): RichNode => ({
    type: 'table',
    content: [1, 2].map(() => ({ type: 'tableRow', content: [1, 2].map(() => ({ type, content: [p(t('cell'))] })) })),
  }),
)
const image = fc
  .record({ decorative: fc.constant(true as const), alt: fc.constantFrom('', 'A weir') })
  .map((attrs): RichNode => ({ type: 'image', attrs }))
const block = fc.oneof({ weight: 4, arbitrary: line }, heading, link, table, image)
const list = fc.array(fc.array(line, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 3 }).map(
  (items): RichNode => ({
    type: 'bulletList',
    content: items.map((content) => ({ type: 'listItem', content })),
  }),
)
const anyText = fc.array(fc.oneof({ weight: 4, arbitrary: block }, list), { maxLength: 8 }).map((content) => doc(...content))
const codes = fc.constantFrom(...TEXT_CODES.filter(isMendable))
/** The words without what marks the items of a list. */
const words = (text: RichText) =>
  richToPlain(text)
    .replace(/(^|\n)\s*(?:[-–•*]|\d+[.)]|[a-z][.)])\s+/g, '$1')
    .replace(/\s+/g, ' ')
    .trim()

describe('a text that is mended', () => {
  it('makes a heading of a bold line as deep as the one before, and a list of lines with numbers that begins where they do', () => {
    const before = doc(
      { type: 'heading', attrs: { level: 3 }, content: [t('One')] },
      p(t('What to bring', true)),
      p(t('3. a '), t('tape', true)),
      p(t('4. a float')),
      p(t('5. a watch')),
    )
    expect(mendText(before, 'heading-typed').content?.[1]).to.deep.equal({
      type: 'heading',
      attrs: { level: 3 },
      content: [t('What to bring')],
    })
    expect(mendText(before, 'list-typed').content?.[2]).to.deep.equal({
      type: 'orderedList',
      attrs: { start: 3 },
      content: [[t('a '), t('tape', true)], [t('a float')], [t('a watch')]].map((content) => ({
        type: 'listItem',
        content: [p(...content)],
      })),
    })
  })

  it('has nothing of it left, and keeps its words', () => {
    fc.assert(
      fc.property(anyText, codes, (text, code: Mendable) => {
        const mended = mendText(text, code)
        expect(textProblems(mended).filter((x) => x.code === code)).to.deep.equal([])
        if (code !== 'image-decorative-alt') expect(words(mended)).to.equal(words(text))
      }),
      { numRuns: 400 },
    )
  })
})
