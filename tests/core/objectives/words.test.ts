/** The table of words, the forms that words stand in, and what makes a word a verb at the beginning of a line. */
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import fc from 'fast-check'
import { isWord } from '../../../src/core/objectives/tagger'
import { Forms } from '../../../src/core/objectives/words/forms'
import { PHRASAL, WORDS } from '../../../src/core/objectives/words/table'
import { scoreVerb, tokensOf, WEIGHTS } from '../../../src/core/objectives/words/verb-score'
import { Words } from '../../../src/core/objectives/words/words'

const words = new Words(WORDS, PHRASAL)
const forms = new Forms(words)

describe('the table of words', () => {
  it('is made from its source byte for byte', () => {
    const folder = mkdtempSync(join(tmpdir(), 'cairn-words-'))
    const made = join(folder, 'table.ts')
    execFileSync(process.execPath, ['scripts/words/build-words.mjs', made])
    expect(readFileSync(made, 'utf8') === readFileSync('src/core/objectives/words/table.ts', 'utf8')).to.equal(true)
    rmSync(folder, { recursive: true })
  }).timeout(120_000)
  it('has its notice at its head', () =>
    expect(readFileSync('src/core/objectives/words/table.ts', 'utf8').slice(0, 2500)).to.contain('Copyright 2011 by Princeton University'))
  it('tells what a word may be, and what kind of thing or doing it names', () => {
    // WordNet: a nurse is a person (file 18) and to nurse is of the body (29); an exam is an act of testing, to know is of the mind.
    expect(words.get('nurse')).to.include({ personShare: 0.6, verbFile: 29, doing: true, mental: false })
    expect(words.get('exam')?.classes).to.include('event')
    expect(words.get('week')?.classes).to.include('time')
    expect(words.get('awareness')?.classes).to.include('mind')
    expect(words.get('know')).to.include({ mental: true })
    expect(words.get('quickly')).to.include({ adverb: true, noun: 0, verb: 0 })
    expect((words.get('list')?.noun ?? 0) > 0 && (words.get('list')?.verb ?? 0) > 0).to.equal(true)
    expect(words.get('xyzzy')).to.equal(undefined)
    expect(words.get('constructor')).to.not.have.property('name')
  })
  it('knows verbs of two words, and which of them are of the mind', () => {
    expect([words.phrasal('point', 'out'), words.phrasal('believe', 'in'), words.phrasal('point', 'banana')]).to.deep.equal([
      { mental: false },
      { mental: true },
      null,
    ])
  })
})

describe('forms', () => {
  const verbs = (text: string) => forms.verbsOf(text).map((f) => `${f.lemma} ${f.form}`)
  for (const [text, wanted] of [
    ['measures', 'measure s'],
    ['carries', 'carry s'],
    ['washes', 'wash s'],
    ['stopping', 'stop ing'],
    ['filed', 'file past'],
    ['written', 'write past'],
    ['wrung', 'wring past'],
    ['hypothesising', 'hypothesise ing'],
    ['re-anchor', 're-anchor base'],
  ] as const)
    it(`“${text}” is a form of ${wanted.split(' ')[0]}`, () => expect(verbs(text)).to.include(wanted))
  it('of nothing are words that no verb has', () => expect([verbs('banana'), verbs('x'), verbs('')]).to.deep.equal([[], [], []]))
  for (const [text, lemma] of [
    ['mice', 'mouse'],
    ['hypotheses', 'hypothesis'],
    ['batteries', 'battery'],
    ['boxes', 'box'],
    ['hand-saw', 'saw'],
  ] as const)
    it(`“${text}” is a form of the noun ${lemma}`, () => expect(forms.nounOf(text)?.lemma).to.equal(lemma))
  it('say which texts are words', () =>
    expect(['reconstruct', 'measuring', 'mice', 'reconstr', 'xqz'].map(isWord)).to.deep.equal([true, true, true, false, false]))
})

describe('a word at the beginning of a line', () => {
  const score = (line: string) => scoreVerb(tokensOf(line), forms, 'first')
  for (const line of [
    'Model projectile motion in a spreadsheet',
    'Decant the wine',
    'Season by taste automatically during service',
    'Sample river water',
    'Draft clear instructions',
    'Collect and label the samples',
    "Respect landowners' property on field trips",
    'Point out three faults',
  ])
    it(`is a verb in “${line}”`, () => expect(score(line)?.sum).to.be.above(0))
  for (const line of [
    'Water management systems',
    'Model Answers To Set Questions',
    'Sources of error',
    'Trial and error',
    'Plan, do, check',
    'Process safety',
    'Care plans for patients',
    'Record: readings of the day',
  ])
    it(`is none in “${line}”`, () => expect(score(line)?.sum ?? -1).to.be.below(0))
  it('tells why, each reason with its weight', () => {
    const read = score('Sources of error')
    expect(read?.reasons).to.include('before "of"')
    for (const [, why] of Object.values(WEIGHTS)) expect(why.length).to.be.above(10)
  })
  it('is looked at without failing, whatever stands there', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 120 }), (text) => {
        const read = score(text)
        expect(read === null || Number.isFinite(read.sum)).to.equal(true)
      }),
      { seed: 11, numRuns: 500 },
    )
    expect(score('')).to.equal(null)
  })
})
