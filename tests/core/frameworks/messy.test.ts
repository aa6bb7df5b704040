import { expect } from 'chai'
import fc from 'fast-check'
import { frameworkLedger, frameworkMap } from '../../../src/core/frameworks/framework-map'
import { readFrameworkText } from '../../../src/core/frameworks/read-framework'
import { readSpecification } from '../../../src/core/frameworks/read-specification'
import { walkTree } from '../../../src/core/frameworks/tree'
import { rng } from '../../support/rng'
import { readSpec, type SpecMiss, scoreSpec, specCases } from '../../support/specs/score'

const SEEDS = [1, 2, 3, 4, 5, 6]
const words = (text: string) => text.toLowerCase().match(/[\p{L}\p{N}]{4,}/gu) ?? []
/** Every line of a text is in its ledger, and no word of the tree comes from elsewhere. */
function accountsFor(text: string): void {
  const tree = readSpecification(text)
  const entries = tree.ledger.map((l) => l.text).join('\n')
  // Divided words and numbers on lines of their own are whole in the ledger.
  const whole = (t: string) => t.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '')
  const kept = whole(entries)
  for (const line of text.split(/\r?\n/))
    for (const word of words(line)) if (!kept.includes(word)) throw new Error(`“${word}” of “${line}” is in no entry`)
  const source = whole(text)
  for (const { item } of walkTree(tree.items))
    for (const word of words(item.statement))
      if (!source.includes(whole(word)) && !/^element/.test(word)) throw new Error(`“${word}” of “${item.statement}” was not there`)
  for (const line of tree.ledger) expect(['read', 'decoration', 'question', 'not understood']).to.include(line.fate)
}

describe('specifications as institutions write them', () => {
  // What is held back is scored in the bench alone, so that nothing here is bent to it.
  for (const c of specCases(SEEDS, false))
    it(`are read whole: ${c.name}`, async () => {
      const misses: SpecMiss[] = []
      const tally = scoreSpec(c, await readSpec(c), misses)
      expect(misses).to.deep.equal([])
      expect(tally.found).to.equal(tally.items)
    })

  for (const held of [false, true])
    it(`lose nothing on the way: ${held ? 'held back' : 'known'} forms`, () => {
      for (const { rendered } of specCases(SEEDS, held)) if (rendered.text !== undefined) accountsFor(rendered.text)
    })

  it('lose nothing when their lines are shuffled, cut and repeated', () => {
    const texts = [...specCases([1, 2], false)].flatMap((c) => c.rendered.text ?? [])
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.constantFrom(...texts), (seed, text) => {
        const random = rng(seed)
        const lines = text.split(/\r?\n/).filter(() => random() < 0.8)
        for (let i = 0; i < 6; i++) {
          const [from, to] = [random(), random()].map((x) => Math.floor(x * lines.length)) as [number, number]
          lines.splice(to, 0, ...lines.splice(from, 1))
        }
        accountsFor(lines.join('\n'))
      }),
      { seed: 20277, numRuns: 150 },
    )
  })

  const STRANGE = '1. Prepare\n1.1 Clean the bench\n\nPerformance evidence\n- two benches\n\nTools and gear\n- a brush\n- a bucket'
  it('ask about a heading that nobody knows; an answer is enough to read what is below it', () => {
    const asked = readSpecification(STRANGE)
    expect(asked.problems.map((p) => p.code)).to.deep.equal(['heading-unknown'])
    expect(asked.problems[0]?.message).to.contain('Tools and gear')
    expect(asked.notUnderstood.map((l) => l.under ?? null)).to.deep.equal([null, 'Tools and gear', 'Tools and gear'])
    expect(asked.ledger.find((l) => l.text === 'Tools and gear')?.fate).to.equal('question')
    const answered = readFrameworkText(STRANGE, { answers: { headings: { 'Tools and gear': 'assessment condition' } } })
    if (!answered.ok) throw new Error(answered.error.message)
    expect(frameworkMap(answered.value).evidence).to.deep.equal(['two benches', 'a brush', 'a bucket'])
    expect(answered.value.problems).to.deep.equal([])
    const left = readSpecification(STRANGE, { headings: { 'Tools and gear': 'leave out' } })
    expect(left.problems).to.deep.equal([])
    expect(frameworkMap(left).evidence).to.deep.equal(['two benches'])
  })

  it('keep sentences that open a list, and what a criterion covers, beside their items', () => {
    const tree = readSpecification(
      '1. Cut\n1.1 Cut on the waste side\nRange: oak, ash, pine\n1.2 Sweep\n\nKnowledge\nThe candidate explains:\n- dust\n- noise\n\nPerformance evidence\nAny two of the following:\n- a box\n- a tray\n- a lid',
    )
    const map = frameworkMap(tree)
    expect(map.notes).to.deep.equal([
      { path: 'elements[0].criteria[0]', text: 'Range: oak, ash, pine' },
      { path: 'evidence[0]', text: 'The candidate explains:' },
      { path: 'evidence[1]', text: 'The candidate explains:' },
    ])
    // A sentence that says how many are enough asks for something itself.
    expect(tree.items.at(-1)).to.include({ statement: 'Any two of the following:', anyOf: 2 })
    expect(tree.items.at(-1)?.children).to.have.length(3)
  })

  it('give the ledger with places of the map', () => {
    const tree = readSpecification('RSA-12 Mend a wall\n1. Prepare\n1.1 Wet the stones\nso that mortar holds\n\nHello there everybody.')
    expect(frameworkLedger(tree).map((l) => [l.at, l.fate, l.what, ...l.paths])).to.deep.equal([
      ['line 1', 'read', 'title'],
      ['line 2', 'read', 'element', 'elements[0]'],
      ['line 3', 'read', 'performance criterion', 'elements[0].criteria[0]'],
      ['line 4', 'read', 'performance criterion', 'elements[0].criteria[0]'],
      ['line 6', 'not understood', ''],
    ])
  })

  it('say where a number was not there: criteria without an element stand below the title, marked', () => {
    const map = frameworkMap(readSpecification('Weld thin sheet\n\nYou must be able to:\nP1 select filler metal\nP2 set current'))
    expect(map.guesses).to.deep.equal([
      {
        path: 'elements[0]',
        value: 'Weld thin sheet',
        why: 'no element stands above the criteria: they stand below the title',
      },
    ])
    expect(frameworkMap(readSpecification('1. Prepare\n- Clean the bench')).elements[0]?.criteria).to.deep.equal([
      { code: null, statement: 'Clean the bench' },
    ])
  })

  for (const [first, second, wanted] of [
    ['self-', 'locking gates', 'self-locking gates'],
    ['con-', 'trols', 'controls'],
    // The text itself decides: it writes the word both ways elsewhere.
    ['hand-', 'over notes', 'hand-over notes'],
    ['half-', 'finished', 'half-finished'],
  ] as const)
    it(`joins “${first}” and “${second}” as “${wanted}”`, () => {
      const text = `1. Work\n1.1 Note all ${first}\n${second}\n1.2 Write a hand-over in time\n1.3 Use controls`
      expect(frameworkMap(readSpecification(text)).elements[0]?.criteria[0]?.statement).to.equal(`Note all ${wanted}`)
    })
})
