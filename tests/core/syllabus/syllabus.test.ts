import { readFileSync } from 'node:fs'
import { expect } from 'chai'
import { richFromPlain, richToHtml, richToPlain } from '../../../src/core/blueprint/rich-text'
import { readNative } from '../../../src/core/formats/native'
import { assembleSyllabus } from '../../../src/core/syllabus/assemble'
import { syllabusHtml } from '../../../src/core/syllabus/html'
import { DARK, LIGHT, type Tokens } from '../../../src/ui/theme/tokens'
import { aBlueprint, aCourse, aModule, anActivity, anObjective, assessmentOf } from '../../support/course'

const evil = '<img src=x onerror=alert(1)>"\'&'
const demo = readNative(readFileSync('demo/measuring-small-streams.json', 'utf8'))
if (!demo.ok) throw new Error('the demo does not read')

describe('the syllabus', () => {
  const syllabus = assembleSyllabus(demo.value)
  it('is assembled from the plan: facts, outcomes, objectives, dates, grade, texts', () => {
    expect(syllabus.facts.find((f) => f.label === 'Term')?.value).to.equal('Autumn 2027, 6 Sep 2027 to 5 Dec 2027')
    expect(syllabus.outcomes).to.have.length(6)
    expect(syllabus.modules.flatMap((m) => m.objectives)).to.have.length(30)
    expect(syllabus.schedule.map((w) => w.label)).to.include.members(['Week 1', 'Autumn break', 'Week 12'])
    expect(syllabus.schedule.flatMap((w) => w.closed)).to.deep.equal([
      'Mon 11 Oct: Staff day',
      'Thu 25 Nov: Founders’ day'.replace('’', "'"),
    ])
    expect(syllabus.sections.map((s) => s.title)).to.deep.equal(['Late work and questions'])
  })
  it('shows what is missing to 100 % as a row of its own, so that the table sums', () => {
    expect(syllabus.grades?.rows.at(-1)).to.include({ title: 'Not yet assigned', share: '5 %' })
    expect(syllabus.grades?.total.share).to.equal('100 %')
  })
  it('carries no designer’s notes, decisions or minutes', () => {
    const text = JSON.stringify(
      assembleSyllabus(aBlueprint({ module: [aModule('m1')], activity: [anActivity('a1', 'm1', { notes: 'secret note' })] })),
    )
    expect(text).to.not.include('secret note')
  })
  it('writes every text escaped', () => {
    const html = syllabusHtml(
      assembleSyllabus(
        aBlueprint({
          course: [aCourse({ title: evil, institution: evil, audience: evil, moduleWord: evil })],
          module: [aModule('m1', { title: evil, subtitle: evil })],
          objective: [anObjective('o1', 'm1', { statement: evil })],
          activity: [anActivity('a1', 'm1', { title: evil, dueRule: { rule: 'module-day', week: 1, day: 1 } })],
          assessment: [assessmentOf('a1', 1000)],
          syllabusSection: [{ id: 's', title: evil, body: richFromPlain(evil), order: 'a0' }],
        }),
      ),
    )
    expect(html).to.not.include('<img')
    expect(html.match(/&lt;img/g)?.length).to.be.at.least(8)
  })
  it('is whole for a course with nothing in it', () =>
    expect(syllabusHtml(assembleSyllabus(aBlueprint()))).to.include('<h1>Test course</h1>'))
})

describe('rich text', () => {
  it('drops links that are not safe and keeps their words', () => {
    const link = (href: string) =>
      richToHtml({
        type: 'doc',
        content: [{ type: 'paragraph', content: [{ type: 'text', text: 'go', marks: [{ type: 'link', attrs: { href } }] }] }],
      })
    expect(link('javascript:alert(1)')).to.equal('<p>go</p>')
    expect(link('https://example.org/?a=1&b=2')).to.equal('<p><a href="https://example.org/?a=1&amp;b=2" rel="noopener">go</a></p>')
  })
  it('gives its words back', () => expect(richToPlain(richFromPlain('One\nTwo'))).to.equal('One\nTwo'))
})

describe('colours', () => {
  // Relative luminance and contrast: WCAG 2.2, definitions of terms.
  const luminance = (hex: string) => {
    const [r, g, b] = [1, 3, 5].map((i) => {
      const c = Number.parseInt(hex.slice(i, i + 2), 16) / 255
      return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4
    }) as [number, number, number]
    return 0.2126 * r + 0.7152 * g + 0.0722 * b
  }
  const contrast = (a: string, b: string) => {
    const [hi, lo] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number]
    return (hi + 0.05) / (lo + 0.05)
  }
  const TEXT: [keyof Tokens, keyof Tokens][] = (['ink', 'muted'] as const).flatMap((c) =>
    (['paper', 'surface', 'soft', 'mossSoft', 'riverSoft', 'claySoft', 'ochreSoft'] as const).map(
      (b) => [c, b] as [keyof Tokens, keyof Tokens],
    ),
  )
  TEXT.push(
    ['moss', 'surface'],
    ['moss', 'paper'],
    ['moss', 'mossSoft'],
    ['clay', 'claySoft'],
    ['clay', 'surface'],
    ['clay', 'paper'],
    ['ochre', 'ochreSoft'],
    ['ochre', 'surface'],
    ['river', 'riverSoft'],
    ['river', 'surface'],
    ['onMoss', 'moss'],
  )
  for (const [name, tokens] of [
    ['light', LIGHT],
    ['dark', DARK],
  ] as const) {
    for (const [a, b] of TEXT)
      it(`${name}: ${a} on ${b} is at least 4.5:1`, () => expect(contrast(tokens[a], tokens[b])).to.be.at.least(4.5))
    for (const [a, b] of [
      ['edge', 'surface'],
      ['edge', 'paper'],
      ['plum', 'surface'],
      ['ochre', 'surface'],
    ] as const)
      it(`${name}: the shape ${a} on ${b} is at least 3:1`, () => expect(contrast(tokens[a], tokens[b])).to.be.at.least(3))
  }
})
