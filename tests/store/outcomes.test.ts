import { expect } from 'chai'
import type { Finding } from '../../src/core/findings/finding'
import { isFiltering, NO_FILTER, shownObjectives } from '../../src/ui/outcomes/filter'
import { chooseTo, clearChosen, lightObjective, toggleChosen, usePicked } from '../../src/ui/outcomes/picked'
import { aBlueprint, aModule, anObjective, anOutcome, outcomeLink } from '../support/course'

const plan = aBlueprint({
  module: [aModule('m1'), aModule('m2')],
  outcome: [anOutcome('co1'), anOutcome('co2')],
  objective: [
    anObjective('o1', 'm1', { statement: 'Measure surface velocity' }),
    anObjective('o2', 'm1', { statement: 'Explain a flood', level: 'evaluate' }),
    anObjective('o3', 'm2', { statement: 'Tides' }),
  ],
  objectiveOutcome: [outcomeLink('o1', 'co1'), outcomeLink('o2', 'co1'), outcomeLink('o2', 'co2')],
})
const finding = (code: string, accepted = false) =>
  ({ code, accepted: accepted ? { decisionId: 'd', reason: 'r', author: 'a' } : null }) as Finding
const found = new Map([
  ['o1', [finding('too-long', true)]],
  ['o3', [finding('no-verb')]],
])
const shown = (over: Partial<typeof NO_FILTER>) => {
  const ids = shownObjectives(plan, { ...NO_FILTER, ...over }, (id) => found.get(id) ?? [])
  return ids && [...ids]
}

describe('the filter of objectives', () => {
  it('lets all through when nothing is asked', () => {
    expect(shown({})).to.equal(null)
    expect(isFiltering(NO_FILTER)).to.equal(false)
  })
  it('finds by all words, in any order, numbers among them', () => {
    expect(shown({ text: 'velocity measure' })).to.deep.equal(['o1'])
    expect(shown({ text: '1b' })).to.deep.equal(['o2'])
    expect(shown({ text: 'measure flood' })).to.deep.equal([])
  })
  it('finds by level, the one set by hand before the one read, and what has none', () => {
    expect(shown({ level: 'apply' })).to.deep.equal(['o1'])
    expect(shown({ level: 'evaluate' })).to.deep.equal(['o2'])
    expect(shown({ level: 'none' })).to.deep.equal(['o3'])
  })
  it('finds by outcome, module and finding, and by several at once', () => {
    expect(shown({ outcome: 'co2' })).to.deep.equal(['o2'])
    expect(shown({ outcome: 'none' })).to.deep.equal(['o3'])
    expect(shown({ module: 'm1' })).to.deep.equal(['o1', 'o2'])
    expect(shown({ finding: 'any' })).to.deep.equal(['o3'])
    expect(shown({ finding: 'too-long' })).to.deep.equal([])
    expect(shown({ module: 'm1', outcome: 'co1', text: 'flood' })).to.deep.equal(['o2'])
  })
})

describe('chosen objectives', () => {
  const order = ['a', 'b', 'c', 'd']
  const chosen = () => [...usePicked.getState().chosen].sort()
  beforeEach(clearChosen)
  it('are taken in and out one by one', () => {
    toggleChosen('b')
    toggleChosen('d')
    expect(chosen()).to.deep.equal(['b', 'd'])
    toggleChosen('b')
    expect(chosen()).to.deep.equal(['d'])
  })
  it('are chosen as a range from where it began, both ways, longer and shorter', () => {
    toggleChosen('b')
    chooseTo('d', order)
    expect(chosen()).to.deep.equal(['b', 'c', 'd'])
    chooseTo('c', order)
    expect(chosen()).to.deep.equal(['b', 'c'])
    chooseTo('a', order)
    expect(chosen()).to.deep.equal(['a', 'b'])
  })
  it('begin anew where the beginning is gone', () => {
    toggleChosen('gone')
    chooseTo('c', order)
    expect(chosen()).to.deep.equal(['c'])
  })
  it('stay as they are while another is pointed at', () => {
    toggleChosen('a')
    lightObjective('d')
    expect([usePicked.getState().lit, ...chosen()]).to.deep.equal(['d', 'a'])
    lightObjective(null)
  })
})
