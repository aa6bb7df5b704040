import { expect } from 'chai'
import { analyse } from '../../../src/core/findings/analyse'
import { readStatement } from '../../../src/core/objectives/statement'
import { TAGGER } from '../../../src/core/objectives/tagger'
import { onTagger, readAsTaught, taggerVersion, useTagger } from '../../../src/core/objectives/tagging'
import { aBlueprint, aModule, anObjective } from '../../support/course'

const flambe = { word: 'flambé', level: 'manipulate', unseen: false } as const

describe('a verb that a course has taught', () => {
  before(() => useTagger(TAGGER))
  after(() => {
    readAsTaught([])
    useTagger(null)
  })
  afterEach(() => readAsTaught([]))
  it('is a verb of its level on every line, in the forms that it stands in', () => {
    expect(readStatement('Flambé').flaws.map((f) => f.code)).to.deep.equal(['no-verb'])
    readAsTaught([flambe])
    for (const text of ['Flambé', 'Flambé bananas with rum', 'Learners will flambé bananas'])
      expect(readStatement(text), text).to.deep.include({ level: 'manipulate', domain: 'psychomotor', uncertain: false, flaws: [] })
  })
  it('comes before the lexicon, also where it says that nobody can see it', () => {
    readAsTaught([
      { word: 'list', level: 'evaluate', unseen: false },
      { word: 'compare', level: null, unseen: true },
    ])
    expect(readStatement('List three causes').level).to.equal('evaluate')
    expect(readStatement('Compare two maps').flaws.map((f) => f.code)).to.deep.equal(['unobservable-verb'])
    readAsTaught([])
    expect(readStatement('List three causes').level).to.equal('remember')
  })
  it('is kept in the plan: each course reads its own', () => {
    const course = { module: [aModule('m1')], objective: [anObjective('o1', 'm1', { statement: 'Flambé' })] }
    const codes = (taughtVerb: readonly object[]) =>
      analyse(aBlueprint({ ...course, taughtVerb: taughtVerb as never }), null)
        .findings.map((f) => f.code)
        .filter((code) => code === 'no-verb')
    expect(codes([])).to.deep.equal(['no-verb'])
    expect(codes([{ id: 'flambé--taughtVerb', ...flambe }])).to.deep.equal([])
    expect(codes([])).to.deep.equal(['no-verb'])
  })
})

describe('what statements read as', () => {
  after(() => {
    readAsTaught([])
    useTagger(null)
  })
  it('has another number with another table or other verbs, and its old one again with the old', () => {
    useTagger(null)
    const bare = taggerVersion()
    useTagger(TAGGER)
    const tabled = taggerVersion()
    expect(tabled).to.not.equal(bare)
    readAsTaught([flambe])
    const taught = taggerVersion()
    expect(taught).to.not.equal(tabled)
    readAsTaught([])
    expect(taggerVersion()).to.equal(tabled)
    readAsTaught([flambe])
    expect(taggerVersion()).to.equal(taught)
  })
  it('is told to whoever draws it', () => {
    readAsTaught([])
    let told = 0
    const stop = onTagger(() => told++)
    useTagger(null)
    readAsTaught([flambe])
    readAsTaught([flambe])
    stop()
    readAsTaught([])
    expect(told).to.equal(2)
  })
})
