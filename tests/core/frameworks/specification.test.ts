import { readdirSync, readFileSync } from 'node:fs'
import { expect } from 'chai'
import fc from 'fast-check'
import { frameworkMap } from '../../../src/core/frameworks/framework-map'
import { readFramework } from '../../../src/core/frameworks/read-framework'
import { readSpecification } from '../../../src/core/frameworks/read-specification'
import { codedLine } from '../../../src/core/frameworks/spec-codes'
import { anyOfIn, timesIn } from '../../../src/core/frameworks/spec-words'
import { walkTree } from '../../../src/core/frameworks/tree'

const fixture = (name: string) => readFileSync(new URL(`../../fixtures/frameworks/${name}`, import.meta.url), 'utf8')
const map = (text: string) => frameworkMap(readSpecification(text))
/** `1 Prepare [1.1 Obtain, 1.2 Identify]`, by first words. */
const outline = (text: string) =>
  map(text).elements.map(
    (e) =>
      `${e.code ?? '-'} ${e.statement.split(' ')[0]} [${e.criteria.map((c) => `${c.code ?? '-'} ${c.statement.split(' ')[0]}`).join(', ')}]`,
  )

describe('a pasted specification', () => {
  it('is read as a word processor gives it: elements, criteria, skills, evidence, conditions', () => {
    const read = map(fixture('solar-clean.txt'))
    expect(read.title).to.equal('Inspect rooftop solar arrays')
    expect(outline(fixture('solar-clean.txt'))).to.deep.equal([
      '1 Prepare [1.1 Obtain, 1.2 Identify, 1.3 Select]',
      '2 Inspect [2.1 Examine, 2.2 Check]',
      '3 Inspect [3.1 Isolate, 3.2 Measure, 3.3 Compare]',
      '4 Report [4.1 Grade, 4.2 Write]',
    ])
    expect(read.skills.map((s) => s.split(':')[0])).to.deep.equal(['Reading', 'Numeracy', 'Oral communication'])
    expect(read.evidence).to.include('inspecting at least three arrays of different mounting systems')
    expect(read.evidence).to.include('hazards of working at height and their controls')
    expect(read.evidence).to.include('Assessors must hold a current inspection licence.')
    expect(read.notUnderstood.join(' ')).to.equal(
      'This unit covers the inspection of small grid-connected arrays on pitched roofs. It applies to inspectors who work under the supervision of a licensed electrician.',
    )
  })

  it('is read as a PDF gives it: two columns, headers in the middle, words and lines broken', () => {
    const read = map(fixture('solar-pdf.txt'))
    expect(outline(fixture('solar-pdf.txt'))).to.deep.equal(['1 Prepare [1.1 Obtain, 1.2 Identify]', '2 Inspect [2.1 Examine, 2.2 Check]'])
    expect(read.elements[0]?.statement).to.equal('Prepare for the inspection')
    expect(read.elements[1]?.criteria[1]?.statement).to.equal('Check that modules are free of cracks, browning and hot spots')
    expect(read.evidence).to.include('hazards of working at height and their controls')
    expect(read.evidence).to.include('how irradiance and temperature change voltage and current, on-site and in the lab')
    expect(readSpecification(fixture('solar-pdf.txt')).ledger.find((l) => l.text.includes('Page 1 of 3'))?.fate).to.equal('decoration')
  })

  it('is read as a web table gives it: tabs, cells of several lines, a table of skills', () => {
    const read = map(fixture('barista-web.txt'))
    expect(outline(fixture('barista-web.txt'))).to.deep.equal([
      '1 Set [1.1 Clean, 1.2 Warm, 1.3 Adjust]',
      '2 Extract [2.1 Dose, 2.2 Extract, 2.3 Discard]',
    ])
    expect(read.skills).to.deep.equal(['Numeracy: Weighs doses to 0.1 g', 'Teamwork: Calls orders so that colleagues can prepare'])
    expect(read.notUnderstood).to.deep.equal([])
    expect(readSpecification(fixture('barista-web.txt'))).to.include({ title: 'Prepare espresso drinks', code: 'HBV-31', version: '2' })
  })

  it('is read as a mail gives it: quoted, with ragged numbers and a greeting that is kept apart', () => {
    const read = map(fixture('care-mail.txt'))
    expect(read.title).to.equal('Support play in early childhood settings')
    expect(outline(fixture('care-mail.txt'))).to.deep.equal([
      '1 Observe [1.1 Watch, 1.2 Note, 1.3 Keep]',
      '2 Plan [2.1 Choose, 2.2 Agree, 2.3 Check]',
    ])
    expect(read.skills).to.deep.equal(['listening', 'writing clearly for parents'])
    expect(read.notUnderstood).to.include.members(['Hi Ines,', 'Regards, Marta'])
  })

  it('is read without elements, with outcomes for elements, and with bullets for criteria', () => {
    expect(outline(fixture('welding-flat.txt'))).to.deep.equal(['- Weld [P1 select, P2 set, P3 run]'])
    expect(outline(fixture('music-outcomes.txt'))).to.deep.equal(['1 The [1.1 Sing, 1.2 Sing]', '2 The [2.1 Clap, 2.2 Conduct]'])
    expect(outline(fixture('bakery-bullets.txt'))).to.deep.equal(['- Mix [- Weigh, - Judge]', '- Shape [- Shape, - Bake]'])
    expect(map(fixture('bakery-bullets.txt')).evidence).to.deep.equal(['how flour strength changes water', 'why salt slows fermentation'])
  })

  it('is read with tabs behind numbers, numbers on lines of their own, letters for criteria, and a table of contents', () => {
    expect(outline(fixture('stall-tabs.txt'))).to.deep.equal(['1 Prepare [1.1 Clean, 1.2 Arrange]', '2 Serve [2.1 Greet]'])
    expect(map(fixture('stall-tabs.txt')).elements[0]?.criteria.map((c) => c.statement)).to.deep.equal([
      'Clean and arrange the counter so that stock is seen',
      'Arrange stock so that the oldest is sold first',
    ])
    expect(map(fixture('stall-tabs.txt')).notUnderstood).to.include.members(['Range of variables', 'roofs: pitched, flat', 'weather'])
    expect(outline(fixture('stall-numbers-alone.txt'))).to.deep.equal(['1 Prepare [1.1 Clean, 1.2 Arrange]', '2 Serve [2.1 Greet]'])
    expect(outline(fixture('garden-letters.txt'))).to.deep.equal(['1 Observe [1a Note, 1b Note]', '2 Plan [2a Sketch, 2b List]'])
    expect(outline(fixture('ledger-contents.txt'))).to.deep.equal([
      '1 Prepare [1.1 Open, 1.2 Carry, 1.2.1 Reconcile, 1.2.2 Note, 1.3 Choose]',
      '2 Post [2.1 Enter, 2.3 Correct]',
      '4 Report [4.1 Draw]',
    ])
    expect(readSpecification(fixture('ledger-contents.txt'))).to.include({
      title: 'Keep a household ledger',
      code: 'HB2',
      issuer: 'Brookmere College',
    })
    expect(map(fixture('ledger-contents.txt')).notUnderstood).to.include('1. Prepare the ledger ........ 3')
  })

  it('is read with columns of spaces, letters over numbers, codes that begin anew, and bars', () => {
    const beverages = map(fixture('beverages-columns.txt'))
    expect(readSpecification(fixture('beverages-columns.txt'))).to.include({
      title: 'Prepare and serve hot beverages',
      code: 'NSA-H114',
      issuer: 'Northbridge Skills Authority',
      version: '2',
    })
    expect(beverages.elements.map((e) => e.criteria.length)).to.deep.equal([2, 3, 2])
    expect(beverages.elements[2]?.statement).to.equal('Work safely and keep the area clean.')
    expect(beverages.skills).to.deep.equal([
      "Reading skills to: interpret manufacturers' instructions.",
      'Oral communication skills to: take orders and ask customers about preferences.',
      'Numeracy skills to: weigh and time doses.',
    ])
    expect(beverages.evidence).to.include.members([
      'effect of the grind on extraction',
      'an industry workplace',
      'complete the above within commercial time constraints',
    ])
    expect(outline(fixture('benches-mail.txt'))).to.deep.equal(['A Inspecting [A1 Check, A2 Check]', 'B Repairing [B1 Replace, B2 Sand]'])
    expect(map(fixture('benches-mail.txt'))).to.deep.include({
      title: 'Maintain park benches',
      evidence: ['types of timber', 'how oil protects'],
    })
    expect(outline(fixture('teaching-codes.txt'))).to.deep.equal(['1 Plan [PC1 identify, PC2 write]', '2 Teach [PC1 explain, PC2 check]'])
    expect(map(fixture('teaching-codes.txt')).skills).to.deep.equal(['planning', 'writing', 'listening'])
    expect(outline(fixture('bread-markdown.txt'))).to.deep.equal(['1 Mix [1.1 Weigh, 1.2 Knead]', '2 Bake [2.1 Preheat, 2.2 Steam]'])
    expect(map(fixture('bread-markdown.txt'))).to.deep.include({
      skills: ['reading scales'],
      evidence: ['one loaf of each of three flours'],
    })
  })

  it('says where numbers miss, come twice or stand alone', () => {
    const { problems } = map('1. One\n1.1 Do this\n1.3 Do that\n1.3 Do it again\n3.1 Stand alone')
    expect(problems.map((p) => p.code)).to.deep.equal(['element-missing', 'number-missing', 'number-missing', 'number-twice'])
  })

  it('counts occasions, and knows how many of a list are enough', () => {
    expect(['on at least three occasions', 'two different arrays', 'twice', 'one report', 'in 20 minutes'].map(timesIn)).to.deep.equal([
      3,
      2,
      2,
      null,
      null,
    ])
    expect(['any two of the following:', 'at least one of these', 'all of them'].map(anyOfIn)).to.deep.equal([2, 1, null])
    const performance = walkTree(readSpecification(fixture('solar-clean.txt')).items).flatMap(({ item }) => item.times ?? [])
    expect(performance).to.deep.equal([3, 2])
  })

  for (const [line, code] of [
    ['1. Prepare', '1'],
    ['1 Prepare', '1'],
    ['1.1 Obtain', '1.1'],
    ['1. 1 Obtain', '1.1'],
    ['1,2 Note', '1.2'],
    ['1.1.Obtain', '1.1'],
    ['2.1Choose', '2.1'],
    ['l.2 Choose', '1.2'],
    ['Element 3: Report', '3'],
    ['PC 1.2 Check', 'PC1.2'],
    ['K3 the hazards', 'K3'],
    ['3 phase supplies', null],
    ['2.5 mm cable', null],
    ['3 November 2026', null],
    ['2026 edition', null],
    ['Prepare', null],
  ] as const)
    it(`reads the number of “${line}” as ${code ?? 'none'}`, () => expect(codedLine(line)?.code ?? null).to.equal(code))

  for (const text of [
    '',
    '\n\n',
    '\u0000',
    '😀\n😀',
    '1.',
    '1.1',
    '-',
    '\t\t\t',
    '|||',
    'a'.repeat(200_000),
    '1.1 x\n'.repeat(3000),
    '>>>>\n> >',
    '((((',
    '\ufeff1. A',
  ])
    it(`never fails: ${JSON.stringify(text.slice(0, 12))}`, () => expect(() => map(text)).to.not.throw())

  const words = (text: string) => text.toLowerCase().match(/[a-z]{5,}/g) ?? []
  const line = fc.oneof(
    fc.constantFrom(
      '1. Prepare benches',
      '1.1 Sweep floors',
      '1.2 Label shelves',
      'Knowledge evidence',
      'Foundation skills',
      '• Reading labels',
      'Element 2 Mixing',
      '2.1 Weigh powder\tgently',
      '',
      'Larkfield handbook    Page 2',
      'and something further',
      'Wholly unrelated remark.',
      'Regards,',
      'Application',
    ),
    fc.stringMatching(/^[ a-z]{0,40}$/),
  )
  it('drops no word: each is in the tree, the title, a heading, a page’s head, or among what was not understood', () => {
    fc.assert(
      fc.property(fc.array(line, { maxLength: 25 }), (lines) => {
        const tree = readSpecification(lines.join('\n'))
        const kept = [
          tree.title,
          tree.issuer,
          tree.version,
          ...walkTree(tree.items).map(({ item }) => item.statement),
          ...tree.notUnderstood.map((n) => n.text),
          ...tree.ledger.flatMap((l) => (l.what === 'head or foot of a page' ? [l.text] : [])),
        ]
          .join(' ')
          .toLowerCase()
        const headings = new Set(['knowledge', 'evidence', 'foundation', 'skills', 'application', 'element'])
        for (const word of lines.flatMap(words)) if (!headings.has(word) && !kept.includes(word)) throw new Error(`lost ${word}`)
      }),
      { seed: 20261, numRuns: 400 },
    )
  })

  it('reads every sample and fixture with an element and a criterion at least', () => {
    const texts = [
      ...readdirSync('tests/fixtures/frameworks')
        .filter((f) => f.endsWith('.txt'))
        .map(fixture),
      readFileSync('examples/rooftop-solar-specification.txt', 'utf8'),
    ]
    for (const text of texts) {
      const { elements } = map(text)
      expect(elements.length).to.be.at.least(1)
      expect(elements[0]?.criteria.length).to.be.at.least(1)
    }
  })

  it('is refused with a sentence where it is no text at all', () => {
    const refused = (name: string, bytes: Uint8Array) => {
      const read = readFramework(name, bytes)
      return read.ok ? 'read' : read.error.code
    }
    expect(refused('a.txt', new Uint8Array())).to.equal('empty')
    expect(refused('a.pdf', new TextEncoder().encode('%PDF-1.7'))).to.equal('pdf')
    expect(refused('a.bin', new Uint8Array([65, 0, 1, 2, 3, 66, 67]))).to.equal('not-text')
    expect(refused('a.json', new TextEncoder().encode('{"title": "x"}'))).to.equal('no-package')
    expect(refused('a.json', new TextEncoder().encode('{"CFDocument": '))).to.equal('not-json')
  })
})
