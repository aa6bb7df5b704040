import { expect } from 'chai'
import fc from 'fast-check'
import { loadMeanings } from '../../../src/core/findings/load-tagger'
import { compare } from '../../../src/core/objectives/similar/compare'
import { useComparer } from '../../../src/core/objectives/similar/comparing'
import { isSame, similarPairs } from '../../../src/core/objectives/similar/similar'
import { useTagger } from '../../../src/core/objectives/tagging'
import { evaluatePairs } from './pairs'

describe('similar statements', () => {
  before(loadMeanings)
  after(() => {
    useComparer(null)
    useTagger(null)
  })
  for (const [first, second] of [
    ['Explain how rain becomes stream flow', 'Describe how rainfall turns into the flow of a stream'],
    ['List the parts of a microscope', 'Name the components of a microscope'],
    ['Evaluate sources for bias', 'Assess sources for bias'],
    ['Identify hazards in a kitchen', 'Recognise the dangers in a kitchen'],
    ['Students will be able to write a SQL query', 'Write SQL queries'],
    ['Compare two methods of measuring flow', 'Contrast two flow measurement techniques'],
    ['Given a map, locate three wells', 'Locate three wells within 5 m'],
    ['Explain tides', 'explain tides '],
    ['Prepare a budget for a small firm', 'Create a budget for a small business'],
    ['Interview a client', 'Conduct a client interview'],
    ['Recognise signs of stroke', 'Identify the symptoms of a stroke'],
    ['Solder a copper pipe', 'Solder copper pipes without leaks'],
    ['Analyse a poem’s tone', 'Analyse the tone of a poem'],
    ['Explain how tides form', 'Describe the formation of tides'],
  ] as const)
    it(`are “${first}” and “${second}”`, () => expect(isSame(first, second)).to.equal(true))
  for (const [first, second] of [
    ['Explain how rain becomes stream flow', 'Explain how rocks become soil'],
    ['List the parts of a microscope', 'Design a microscope'],
    ['Calculate the mean of a sample', 'Calculate the variance of a sample'],
    ['Apply first aid to a burn', 'Apply first aid to a fracture'],
    ['Describe the causes of the war', 'Describe the effects of the war'],
    ['Describe two causes', 'Describe three causes'],
    ['Write a lesson plan', 'Evaluate a lesson plan'],
    ['Solve linear equations', 'Solve quadratic equations'],
    ['', ''],
    ['Conduct a client interview', 'Conduct a staff survey'],
    ['Design a survey', 'Analyse a survey'],
    ['List the stages of mitosis', 'List the stages of meiosis'],
    ['Apply Newton’s second law', 'Apply Newton’s third law'],
    ['Plan a menu for guests with allergies', 'Plan a menu for children'],
    ['Write a unit test', 'Write an integration test'],
  ] as const)
    it(`are not “${first}” and “${second}”`, () => expect(isSame(first, second)).to.equal(false))

  for (const which of ['seen', 'aside', 'last'] as const)
    it(`are told from those that ask for something else, in pairs labelled by hand: ${which}`, () => {
      const { precision, recall } = evaluatePairs(which)
      // A wrong remark costs more than a missed one.
      expect(precision).to.be.at.least(0.95)
      expect(recall).to.be.at.least(0.45)
    })
  it('tell what stands for what, and what only one of them says', () => {
    const { same, likened, onlyFirst, onlySecond } = compare('Identify hazards in a kitchen', 'Recognise the dangers in a busy kitchen')
    expect({ same, likened, onlyFirst, onlySecond }).to.deep.equal({
      same: true,
      likened: [['hazards', 'dangers']],
      onlyFirst: [],
      onlySecond: ['busy'],
    })
  })
  it('are found among many as they are pair by pair, in whichever order', () => {
    const verb = fc.constantFrom('Explain', 'Describe', 'List', 'Design', 'Understand')
    const noun = fc.constantFrom('tides', 'tide', 'rainfall', 'rain', 'soil maps', 'maps of soil', '3 wells', '4 wells', '')
    const statement = fc.tuple(verb, noun, noun).map((parts) => parts.join(' '))
    fc.assert(
      fc.property(fc.array(statement, { maxLength: 12 }), (all) => {
        const found = new Set(similarPairs(all).map((p) => p.join()))
        for (let j = 0; j < all.length; j++)
          for (let i = 0; i < j; i++) {
            const [a, b] = [all[i] as string, all[j] as string]
            expect(isSame(a, b)).to.equal(isSame(b, a))
            // Found pairs are same ones; same ones share a word, and are found.
            if (found.has(`${i},${j}`)) expect(isSame(a, b)).to.equal(true)
            if (a === b && /tides|soil maps/.test(a)) expect(found.has(`${i},${j}`)).to.equal(true)
          }
      }),
      { seed: 7, numRuns: 200 },
    )
  })
})
