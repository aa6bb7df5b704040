/** Who does it, states of mind and tasks by the kind of their words. Lines of our own. */
import { expect } from 'chai'
import { readStatement } from '../../../src/core/objectives/statement'
import { TAGGER } from '../../../src/core/objectives/tagger'
import { useTagger } from '../../../src/core/objectives/tagging'

const read = (text: string) => {
  const { verbs, flaws } = readStatement(text)
  return { verbs: verbs.map((v) => v.text), flaws: flaws.map((f) => f.code) }
}

describe('statements by the kind of their words', () => {
  before(() => useTagger(TAGGER))
  after(() => useTagger(null))

  for (const [text, verbs] of [
    ['The apprentice carpenter dresses a rough board with a chisel', ['dresses']],
    ['Beekeepers open a hive without losing the queen', ['open']],
    ['A night nurse should be able to hand over a ward in five minutes', ['hand']],
    ['Ferry crews will moor the boat in a crosswind', ['moor']],
    ['Students can, without notes, recite the coda', ['recite']],
    ['Those who pass this unit can reconcile a payroll', ['reconcile']],
    ['Tunes a viola by ear', ['Tunes']],
    ['Planishes a bowl on a stake', ['Planishes']],
    ['Sharpens a chain and fells a leaning ash', ['Sharpens', 'fells']],
    ['Rack the cider and truss the roast', ['Rack', 'truss']],
  ] as const)
    it(`finds ${verbs.join(' and ')} in “${text}”`, () => {
      expect(read(text).verbs).to.deep.equal(verbs)
      for (const v of readStatement(text).verbs) expect(text.slice(v.start, v.end)).to.equal(v.text)
    })

  for (const [text, flaw] of [
    ['Has a feel for wet clay', 'unobservable-verb'],
    ['Be glad of a second opinion', 'unobservable-verb'],
    ['Cultivate a caring attitude towards every guest', 'unobservable-verb'],
    ['Have faith in the permit system', 'unobservable-verb'],
    ['Attend three choir rehearsals', 'task-not-result'],
    ['Upload your logbook by Friday', 'task-not-result'],
    ['The lecture introduces the main kinds of kiln', 'teacher-centred'],
    ['Trainees will be given a tour of the depot', 'teacher-centred'],
    ['The supervisor demonstrates how to purge a line', 'teacher-centred'],
    ['Edges are burnished with a stone', 'passive'],
    ['Water management systems', 'no-verb'],
    ['Sources of error in soil samples', 'no-verb'],
  ] as const)
    it(`says of “${text}”: ${flaw}`, () => expect(read(text).flaws).to.deep.equal([flaw]))

  for (const text of [
    'Show respect to residents at every visit',
    'Be able to splice a rope',
    'Develop a plan for a small orchard',
    'Read a tide table aloud without errors',
    'Take a swab without touching the rim',
    'Take a blood sample from a client',
    'Complete a tax return for a sole trader',
  ])
    it(`leaves “${text}” as it is`, () => expect(read(text).flaws).to.deep.equal([]))
})
