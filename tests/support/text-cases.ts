import type { RichNode, RichText } from '../../src/core/blueprint/rich-text'
import type { Weight } from '../../src/core/findings/finding'
import { isMendable } from '../../src/core/learner-pages/mend-text'
import { TEXT_CODES, type TextCode } from '../../src/core/learner-pages/text-codes'
import type { CASES } from './rule-cases'

/** A text for each problem that a text can have. */
function problemTexts(): Readonly<Record<TextCode, readonly RichNode[]>> {
  const link = (text: string, href = 'https://larkfield.example/guide'): RichNode => ({
    type: 'text',
    text,
    marks: [{ type: 'link', attrs: { href } }],
  })
  const p = (...content: readonly (string | RichNode)[]): RichNode => ({
    type: 'paragraph',
    content: content.map((c): RichNode => (typeof c === 'string' ? { type: 'text', text: c } : c)),
  })
  const h = (level: number, text: string): RichNode => ({
    type: 'heading',
    attrs: { level },
    content: text ? [{ type: 'text', text }] : [],
  })
  const row = (type: 'tableCell' | 'tableHeader', ...texts: readonly string[]): RichNode => ({
    type: 'tableRow',
    content: texts.map((t) => ({ type, content: [t ? p(t) : { type: 'paragraph' }] })),
  })
  const image = (attrs: RichNode['attrs']): RichNode => ({ type: 'image', attrs: { fileId: 'f1', ...attrs } })
  return {
    'heading-skips': [h(3, 'What to bring')],
    'heading-empty': [h(2, '')],
    'heading-typed': [{ type: 'paragraph', content: [{ type: 'text', text: 'What to bring', marks: [{ type: 'bold' }] }] }, p('A tape.')],
    'list-typed': [p('- a tape'), p('- a float'), p('- a watch')],
    'link-empty': [p('See ', link(' '))],
    'link-bare': [p(link('https://larkfield.example/guide'))],
    'link-vague': [p(link('here'))],
    'link-same-text': [p(link('The guide')), p(link('The guide', 'https://other.example'))],
    'table-no-header': [{ type: 'table', content: [row('tableCell', 'a', 'b'), row('tableCell', '1', '2')] }],
    'table-layout': [{ type: 'table', content: [row('tableCell', 'a', 'b')] }],
    'table-header-empty': [{ type: 'table', content: [row('tableHeader', 'a', ''), row('tableCell', '1', '2')] }],
    'table-merged': [
      {
        type: 'table',
        content: [
          row('tableHeader', 'a', 'b'),
          { type: 'tableRow', content: [{ type: 'tableCell', attrs: { colspan: 2 }, content: [p('1')] }] },
        ],
      },
    ],
    'image-no-alt': [image({})],
    'image-decorative-alt': [image({ decorative: true, alt: 'A weir' })],
    'image-alt-name': [image({ alt: 'IMG_2041.jpg' })],
    'image-alt-long': [image({ alt: 'A weir in March '.repeat(12) })],
    'sensory-only': [p('Answer the questions in red.')],
  }
}

/** All of them as one text. */
export const everyTextProblem = (): RichText => ({ type: 'doc', content: Object.values(problemTexts()).flat() })

/** Each as the overview of a module; and the colours of its pages. */
export function textCases(): typeof CASES {
  const TEXTS = problemTexts()
  const WEIGHT: Readonly<Partial<Record<TextCode, Weight>>> = {
    'image-decorative-alt': 'fix',
    'table-layout': 'idea',
    'table-merged': 'idea',
    'image-alt-long': 'idea',
    'sensory-only': 'idea',
  }
  const texts = TEXT_CODES.map((code): (typeof CASES)[number] => ({
    code,
    weight: WEIGHT[code] ?? 'check',
    at: 'm1',
    work: (e) => e.set('module', 'm1', { overview: { type: 'doc', content: TEXTS[code] } }),
    ...(isMendable(code) ? { fix: [0] } : {}),
  }))
  return [
    ...texts,
    {
      code: 'contrast-low',
      weight: 'fix',
      at: 'course',
      work: (e) => e.set('course', 'course', { colourPaper: '#f4efe6', colourQuiet: '#8a8a8a', colourAccent: '#c9c2b5' }),
      fix: [0],
    },
  ]
}
