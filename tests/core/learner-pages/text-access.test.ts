/** Texts that learners read: what is found where, at the limits of each rule. */
import { expect } from 'chai'
import type { RichNode, RichText } from '../../../src/core/blueprint/rich-text'
import { sensoryWords } from '../../../src/core/learner-pages/sensory-words'
import { textProblems } from '../../../src/core/learner-pages/text-access'

const t = (text: string, ...marks: readonly ('bold' | 'italic')[]): RichNode => ({
  type: 'text',
  text,
  ...(marks.length > 0 ? { marks: marks.map((type) => ({ type })) } : {}),
})
const a = (text: string, href: string, ...more: readonly 'bold'[]): RichNode => ({
  type: 'text',
  text,
  marks: [...more.map((type) => ({ type })), { type: 'link', attrs: { href } }],
})
const p = (...content: readonly (RichNode | string)[]): RichNode => ({
  type: 'paragraph',
  content: content.map((c) => (typeof c === 'string' ? t(c) : c)),
})
const h = (level: number, text: string): RichNode => ({ type: 'heading', attrs: { level }, content: text === '' ? [] : [t(text)] })
const img = (attrs: RichNode['attrs']): RichNode => ({ type: 'image', attrs })
const cell = (text: string, type: 'tableCell' | 'tableHeader' = 'tableCell', attrs: RichNode['attrs'] = {}): RichNode => ({
  type,
  attrs,
  content: [p(...(text ? [text] : []))],
})
const th = (text: string, attrs: RichNode['attrs'] = {}) => cell(text, 'tableHeader', attrs)
const table = (...rows: readonly (readonly RichNode[])[]): RichNode => ({
  type: 'table',
  content: rows.map((content) => ({ type: 'tableRow', content })),
})
const found = (...content: readonly RichNode[]) =>
  textProblems({ type: 'doc', content } as RichText).map(({ code, at, words }) => [code, at, words])
const codes = (...content: readonly RichNode[]) => found(...content).map(([code]) => code)

describe('texts that learners read', () => {
  it('have headings that begin at level 2 and go down one at a time; empty ones are aside', () => {
    expect(found(h(2, 'One'), h(3, 'Two'), h(4, 'Three'), h(2, 'Four'))).to.deep.equal([])
    expect(found(h(3, 'One'), h(2, 'Two'), h(4, 'Three'))).to.deep.equal([
      ['heading-skips', '0', 'One'],
      ['heading-skips', '2', 'Three'],
    ])
    expect(found(h(2, 'One'), h(3, ' '), h(4, 'Two'))).to.deep.equal([
      ['heading-empty', '1', ''],
      ['heading-skips', '2', 'Two'],
    ])
  })

  it('have no headings made of bold paragraphs: 2 to 80 letters, not closed, with a block behind that is none', () => {
    const bold = (text: string) => p(t(text, 'bold'))
    expect(found(bold('What to bring'), p('A tape.'))).to.deep.equal([['heading-typed', '0', 'What to bring']])
    expect(found(p(t('What ', 'bold'), t(' '), t('to bring', 'italic', 'bold')), p('x'))).to.have.length(1)
    expect(codes(bold('x'.repeat(80)), p('x'))).to.deep.equal(['heading-typed'])
    expect(codes(bold('xy'), p('x'))).to.deep.equal(['heading-typed'])
    for (const none of [bold('x'.repeat(81)), bold('x'), bold('Bring this:'), bold('Careful!'), p(t('What', 'bold'), ' to bring')])
      expect(codes(none, p('x'))).to.deep.equal([])
    // The last block, and one of two in a row, head nothing.
    expect(codes(p('x'), bold('The end'))).to.deep.equal([])
    expect(found(bold('One'), bold('Two'), p('x'))).to.deep.equal([['heading-typed', '1', 'Two']])
  })

  it('have no lists made of three or more paragraphs with marks, or with numbers or letters that rise by one', () => {
    expect(found(p('x'), p('- a'), p('• b'), p('* c'), p('y'))).to.deep.equal([['list-typed', '1', '- a']])
    expect(codes(p('- a'), p('– b'))).to.deep.equal([])
    expect(codes(p('-a'), p('-b'), p('-c'))).to.deep.equal([])
    expect(found(p('3. a'), p('4. b'), p('5. c'))).to.deep.equal([['list-typed', '0', '3. a']])
    expect(codes(p('1. a'), p('2. b'), p('4. c'))).to.deep.equal([])
    expect(codes(p('a) x'), p('b) y'), p('c) z'))).to.deep.equal(['list-typed'])
    expect(codes(p('a) x'), p('b. y'), p('c) z'))).to.deep.equal([])
    // A wrong start does not spoil the list behind it.
    expect(found(p('7. a'), p('1. a'), p('2. b'), p('3. c'))).to.deep.equal([['list-typed', '1', '1. a']])
    const inItem: RichNode = {
      type: 'bulletList',
      content: [
        { type: 'listItem', content: [p('x')] },
        { type: 'listItem', content: [p('- a'), p('- b'), p('- c')] },
      ],
    }
    expect(found(inItem)).to.deep.equal([['list-typed', '0.1.0', '- a']])
  })

  it('have links whose words say where they lead', () => {
    const url = 'https://larkfield.example/guide'
    expect(found(p(a(' ', url)))).to.deep.equal([['link-empty', '0', '']])
    expect(found(p('See ', a('Here', url), '.'))).to.deep.equal([['link-vague', '0', 'Here']])
    expect(codes(p(a('read', url), a(' more …', url, 'bold')))).to.deep.equal(['link-vague'])
    expect(codes(p(a('read', url), ' ', a('more', url)))).to.deep.equal(['link-vague'])
    for (const bare of [url, 'WWW.larkfield.example', 'larkfield.example/guide', 'larkfield.example/guide/'])
      expect(codes(p(a(bare, url))), bare).to.deep.equal(['link-bare'])
    expect(codes(p(a('ines@larkfield.example', 'mailto:ines@larkfield.example')))).to.deep.equal([])
    expect(codes(p(a('The guide', url), a('the  guide.', `${url}#2`)))).to.deep.equal(['link-same-text'])
    expect(found(p(a('The guide', url)), p(a('The guide', url)), p(a('THE GUIDE', 'https://other.example')))).to.deep.equal([
      ['link-same-text', '2', 'THE GUIDE'],
    ])
    expect(codes(p(a('here', url), a('here', 'https://other.example')))).to.deep.equal(['link-vague', 'link-vague'])
  })

  it('have tables with headers, and none for layout', () => {
    expect(found(table([cell('a'), cell('b')], [cell('1'), cell('2')]))).to.deep.equal([['table-no-header', '0', 'a | b']])
    expect(codes(table([th('a'), th('b')], [cell('1'), cell('2')]))).to.deep.equal([])
    expect(codes(table([th('a'), cell('b')], [th('1'), cell('2')]))).to.deep.equal([])
    expect(codes(table([th('a'), cell('b')], [cell('1'), th('2')]))).to.deep.equal(['table-no-header'])
    expect(codes(table([cell('a'), cell('b')]))).to.deep.equal(['table-layout'])
    expect(codes(table([cell('a')], [cell('b')]))).to.deep.equal(['table-layout'])
    expect(found(table([th(''), th('b')], [th(''), cell('2')]))).to.deep.equal([['table-header-empty', '0.1.0', '']])
    expect(found(table([th(''), th('b')], [cell('1'), cell('2')]))).to.deep.equal([['table-header-empty', '0.0.0', '']])
    expect(found(table([th('a', { colspan: 2 })], [cell('1'), cell('2')]))).to.deep.equal([['table-merged', '0.0.0', 'a']])
  })

  it('have pictures in words that say what they show', () => {
    expect(found(p('x'), img({ fileId: 'f' }))).to.deep.equal([['image-no-alt', '1', '']])
    expect(codes(img({ fileId: 'f', decorative: true }))).to.deep.equal([])
    expect(codes(img({ fileId: 'f', decorative: true, alt: 'A weir' }))).to.deep.equal(['image-decorative-alt'])
    for (const name of [
      'weir.JPG',
      'IMG_2041',
      'DSC01234',
      'P1010234',
      'Screenshot 2027-03-01 at 10.11.12',
      'screenshot',
      'Picture',
      'image 3',
      'Figure 2.',
      '20270301_101112',
    ])
      expect(codes(img({ alt: name })), name).to.deep.equal(['image-alt-name'])
    for (const fine of ['A weir in March', 'Picture of a weir', 'Figure 2: depth by day', 'Screenshot of the gauge page'])
      expect(codes(img({ alt: fine })), fine).to.deep.equal([])
    expect(codes(img({ alt: 'x'.repeat(150) }))).to.deep.equal([])
    expect(codes(img({ alt: 'x'.repeat(151) }))).to.deep.equal(['image-alt-long'])
  })

  it('find nothing by colour, shape or place alone', () => {
    const CASES: readonly (readonly [string, readonly string[]])[] = [
      ['Answer the questions in red.', ['in red']],
      ['Fill in the green ones first', ['the green ones']],
      ['Use the menu on the right, then the round button.', ['on the right', 'the round button']],
      ['Required fields are marked in red', ['marked in red']],
      ['You find it in the top right corner.', ['in the top right corner']],
      ['The bridge is built in red sandstone.', []],
      ['Walk to the right bank and look at the large stones.', []],
      ['Choose the right answer.', []],
      ['Green alder grows on wet ground.', []],
    ]
    for (const [text, words] of CASES) expect(sensoryWords(text), text).to.deep.equal(words)
  })

  it('are looked through wherever blocks stand, and hold no problem where they are empty', () => {
    expect(textProblems(null)).to.deep.equal([])
    expect(
      found(table([th('a'), th('b')], [cell('1'), { type: 'tableCell', content: [p('x'), p(a('here', 'https://x.example'))] }])),
    ).to.deep.equal([['link-vague', '0.1.1.1', 'here']])
  })
})
