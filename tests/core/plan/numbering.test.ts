import { readFileSync } from 'node:fs'
import { expect } from 'chai'
import { readNative } from '../../../src/core/formats/native'
import { letters, nextIn, numberIn } from '../../../src/core/plan/numbering'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { aBlueprint, aModule, anActivity, anObjective, anOutcome } from '../../support/course'

describe('numbers of single records', () => {
  const plan = aBlueprint({
    outcome: [anOutcome('co1', { order: 'a1' }), anOutcome('co2', { order: 'a0' })],
    module: [aModule('m1', { order: 'a1' }), aModule('m2', { order: 'a0' })],
    objective: [anObjective('o1', 'm1', { order: 'a0' }), anObjective('o2', 'm1', { order: 'a0' }), anObjective('o3', 'm2')],
    activity: [anActivity('a1', 'm2')],
  })
  it('follow the order in the module, ties by id', () => {
    expect(numberIn(plan, 'outcome', 'co2')).to.equal('CO1')
    expect(numberIn(plan, 'module', 'm1')).to.equal('2')
    expect(['o1', 'o2', 'o3'].map((id) => numberIn(plan, 'objective', id))).to.deep.equal(['2a', '2b', '1a'])
    expect(numberIn(plan, 'activity', 'a1')).to.equal('1.1')
    expect([numberIn(plan, 'activity', 'none'), numberIn(plan, 'part', 'p1')]).to.deep.equal(['', ''])
  })
  it('know what comes next, over the end of a module', () => {
    expect(['o3', 'o1', 'o2', 'none'].map((id) => nextIn(plan, 'objective', id)?.id ?? null)).to.deep.equal(['o1', 'o2', null, null])
  })
  it('go on behind z with aa', () => {
    expect([0, 25, 26, 27, 51, 52, 701, 702].map(letters)).to.deep.equal(['a', 'z', 'aa', 'ab', 'az', 'ba', 'zz', 'aaa'])
  })
  it('are those of the index, for every record of the demo course', () => {
    const read = readNative(readFileSync(new URL('../../../demo/measuring-small-streams.json', import.meta.url), 'utf8'))
    if (!read.ok) throw new Error('the demo course is not read')
    const index = indexCourse(read.value)
    for (const kind of ['outcome', 'module', 'objective', 'activity'] as const) {
      const list = { outcome: index.outcomes, module: index.modules, objective: index.objectives, activity: index.activities }[kind]
      expect(list).to.not.be.empty
      list.forEach((record, i) => {
        expect(numberIn(read.value, kind, record.id)).to.equal(index.numberOf(record.id))
        expect(nextIn(read.value, kind, record.id)?.id).to.equal(list[i + 1]?.id)
      })
    }
  })
})
