import { expect } from 'chai'
import { activitySpread } from '../../../src/core/alignment/activity-spread'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { aBlueprint, aModule, anActivity } from '../../support/course'

describe('the spread of activities', () => {
  it('has every purpose, the kinds that occur by how often, and what says neither', () => {
    const rows = activitySpread(
      indexCourse(
        aBlueprint({
          module: [aModule('m1'), aModule('m2')],
          activity: [
            anActivity('a1', 'm1', { kind: 'reading', purpose: 'study' }),
            anActivity('a2', 'm1', { kind: 'quiz', purpose: 'practise' }),
            anActivity('a3', 'm2', { kind: 'quiz', purpose: 'practise' }),
            anActivity('a4', 'm2'),
          ],
        }),
      ),
    )
    expect(rows.map((r) => [r.group, r.of, r.cells.map((c) => c.join(' '))])).to.deep.equal([
      ['purpose', 'orient', ['', '']],
      ['purpose', 'study', ['a1', '']],
      ['purpose', 'practise', ['a2', 'a3']],
      ['purpose', 'demonstrate', ['', '']],
      ['purpose', 'reflect', ['', '']],
      ['purpose', null, ['', 'a4']],
      ['kind', 'quiz', ['a2', 'a3']],
      ['kind', 'reading', ['a1', '']],
      ['kind', null, ['', 'a4']],
    ])
  })

  it('of no activities has the purposes alone', () =>
    expect(activitySpread(indexCourse(aBlueprint())).map((r) => r.of)).to.deep.equal([
      'orient',
      'study',
      'practise',
      'demonstrate',
      'reflect',
    ]))
})
