import { expect } from 'chai'
import type { Records } from '../../../src/core/blueprint/blueprint'
import { analyse } from '../../../src/core/findings/analyse'
import { groupFindings, isGroup } from '../../../src/core/findings/group'
import { ruleTitle } from '../../../src/core/findings/profiles'
import { aBlueprint, aCourse, aModule, anObjective } from '../../support/course'

const planOf = (records: Records = {}) =>
  aBlueprint({
    module: [aModule('m1'), aModule('m2', { firstWeek: 2, lastWeek: 2 })],
    objective: [
      ...['o1', 'o2', 'o3', 'o4'].map((id) => anObjective(id, 'm1', { statement: `Understand ${id}` })),
      anObjective('o5', 'm2', { statement: 'Understand o5' }),
      anObjective('o6', 'm2', { statement: `Measure ${'water '.repeat(31).trim()}` }),
    ],
    ...records,
  })
const weights = (records: Records, code: string) =>
  analyse(planOf(records), null)
    .findings.filter((f) => f.code === code)
    .map((f) => f.weight)
const setting = (code: string, weight: 'off' | 'idea' | 'fix') => ({ ruleSetting: [{ id: `${code}--ruleSetting`, code, weight }] })

describe('rules in a course', () => {
  it('are as loud as they say themselves', () => expect(weights({}, 'too-long')).to.deep.equal(['idea']))
  it('follow the profile of the course', () =>
    expect(weights({ course: [aCourse({ profile: 'competency' })] }, 'too-long')).to.deep.equal([]))
  it('follow what the course sets, before its profile', () => {
    expect(weights({ course: [aCourse({ profile: 'competency' })], ...setting('too-long', 'fix') }, 'too-long')).to.deep.equal(['fix'])
    expect(weights(setting('unobservable-verb', 'off'), 'unobservable-verb')).to.deep.equal([])
    expect(weights(setting('unobservable-verb', 'idea'), 'unobservable-verb')[0]).to.equal('idea')
  })
  it('leave quiet what is not planned yet, and counts follow', () => {
    const sketch = { module: [aModule('m1', { planning: 'sketch' as const }), aModule('m2', { planning: 'sketch' as const })] }
    const { counts } = analyse(planOf({ ...sketch, ...setting('objective-not-assessed', 'fix') }), null)
    expect(counts.fix).to.equal(0)
    expect(counts.open).to.be.greaterThan(5)
  })
  it('have titles in words', () => expect(ruleTitle('too-long')).to.equal('Too long'))
})

describe('findings of one rule', () => {
  const plan = planOf()
  const all = analyse(plan, null).findings.filter((f) => f.code === 'unobservable-verb')
  const grouped = groupFindings(all, plan)
  it('stand as one from four in a module on, with one fix for all; fewer stand alone', () => {
    expect(grouped.map((g) => (isGroup(g) ? [g.moduleId, g.findings.length, g.fixes.length] : g.records[0]?.id))).to.deep.equal([
      ['m1', 4, 4],
      'o5',
    ])
  })
})
