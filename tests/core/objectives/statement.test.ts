import { expect } from 'chai'
import fc from 'fast-check'
import { LEXICON_SIZE, verbEntry } from '../../../src/core/objectives/lexicon'
import { readStatement, rewordings, splitPerformances } from '../../../src/core/objectives/statement'

const codes = (text: string) => readStatement(text).flaws.map((f) => f.code)

describe('reading an objective', () => {
  for (const [text, level, verbs] of [
    ['Explain where rain goes', 'understand', ['Explain']],
    ['Learners will be able to compare and contrast two sites', 'analyse', ['compare', 'contrast']],
    ['By the end of this module, you will calculate discharge', 'apply', ['calculate']],
    ['Given a calibrated probe, measure oxygen at three points', 'apply', ['measure']],
    ['Critically evaluate a finding', 'evaluate', ['evaluate']],
    ['Analyze the readings', 'analyse', ['Analyze']],
    ['List causes and effects', 'remember', ['List']],
    ['To design a survey', 'create', ['design']],
  ] as const)
    it(`finds ${verbs.join(' and ')} in “${text}”: ${level}`, () => {
      const statement = readStatement(text)
      expect(statement.level).to.equal(level)
      expect(statement.verbs.map((v) => v.text)).to.deep.equal(verbs)
      for (const v of statement.verbs) expect(text.slice(v.start, v.end)).to.equal(v.text)
      expect(statement.flaws).to.deep.equal([])
    })

  for (const text of [
    'Understand flow',
    'Know the parts of a meter',
    'Be aware of hazards',
    'Learners will appreciate small streams',
    'Demonstrate an understanding of flow',
  ])
    it(`says of “${text}” that one cannot see it`, () => expect(codes(text)).to.deep.equal(['unobservable-verb']))

  it('offers observable wordings, in the case and with the rest as written', () => {
    expect(rewordings('Understand how readings mislead')[0]).to.equal('Explain how readings mislead')
    expect(rewordings('Students will know the parts')[0]).to.equal('Students will state the parts')
    expect(rewordings('Explain it')).to.deep.equal([])
    for (const wording of rewordings('Appreciate the value of small streams')) expect(codes(wording)).to.deep.equal([])
  })

  it('finds two performances, and splits them with their object', () => {
    expect(codes('Collect and interpret a water sample')).to.deep.equal(['double-performance'])
    expect(splitPerformances('Collect and interpret a water sample')).to.deep.equal(['Collect a water sample', 'Interpret a water sample'])
    expect(splitPerformances('Draw a map and explain the contours')).to.deep.equal(['Draw a map', 'Explain the contours'])
  })
  for (const text of [
    'Compare and contrast two methods',
    'Describe cause and effect',
    'Collect and record readings',
    'List plants and animals',
  ])
    it(`finds one performance in “${text}”`, () => expect(codes(text)).to.not.include('double-performance'))

  it('asks for a verb where there is none, and nothing of an empty line', () => {
    expect(codes('The water cycle')).to.deep.equal(['no-verb'])
    expect(codes('   ')).to.deep.equal([])
  })
  it('finds a clause of more than thirty words long', () => expect(codes(`Explain ${'word '.repeat(31)}`)).to.deep.equal(['too-long']))
  it('keeps to the text whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 200 }), (text) => {
        for (const { span } of readStatement(text).flaws)
          expect(span.start >= 0 && span.end <= text.length && span.start <= span.end).to.equal(true)
      }),
      { seed: 30, numRuns: 300 },
    )
    expect(readStatement('😀'.repeat(2500)).verbs).to.deep.equal([])
  })
  it('knows more than two hundred verbs, in both spellings', () => {
    expect(LEXICON_SIZE).to.be.greaterThan(200)
    expect(verbEntry('Organize')?.lemma).to.equal('organise')
    expect(verbEntry('practice')?.lemma).to.equal('practise')
  })
})
