/** The pattern of parts, and modules that depart from it. */
import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { blankOf } from '../../../src/core/blueprint/blank'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { idSource } from '../../../src/core/blueprint/ids'
import { applyPattern, fillPattern, movePartIn, setLeftOut, setReason } from '../../../src/core/design/edit-pattern'
import { patternOf } from '../../../src/core/design/pattern'
import { numberIn, partsIn } from '../../../src/core/plan/numbering'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { aBlueprint, aModule, anActivity } from '../../support/course'

const newId = idSource(Math.random)
const aPart = (id: string, order: string) => ({ ...blankOf('part'), id, title: id, order })
const base = aBlueprint({
  part: [aPart('start', 'a0'), aPart('do', 'a1'), aPart('show', 'a2')],
  module: [aModule('m1'), aModule('m2'), aModule('m3', { role: 'throughout' })],
  activity: [
    anActivity('a1', 'm1', { partId: 'start' }),
    anActivity('a2', 'm1', { partId: 'show' }),
    anActivity('a3', 'm1', { partId: 'do' }),
    anActivity('a4', 'm2', { partId: 'do' }),
  ],
})
const done = (plan: Blueprint, work: (edit: PlanEdit) => void) => applyEffective(plan, editPlan(plan, work))
const states = (plan: Blueprint) => patternOf(plan).rows.map((r) => r.cells.map((c) => c.state).join())

describe('the pattern', () => {
  it('says of each module in the sequence what stands in each part', () => {
    expect(states(base)).to.deep.equal(['items,items,items', 'empty,items,empty'])
    const out = done(base, (edit) => {
      setLeftOut(edit, 'm2', 'show', true)
      setReason(edit, 'm2', 'show', 'Shown at the end of module 3')
      // What has items is not left out, whatever was said.
      setLeftOut(edit, 'm1', 'do', true)
    })
    expect(states(out)).to.deep.equal(['items,items,items', 'empty,items,left out'])
    expect(patternOf(out).rows[1]?.cells[2]?.reason).to.equal('Shown at the end of module 3')
    const back = done(out, (edit) => setLeftOut(edit, 'm2', 'show', false))
    expect([...back.modulePart.keys()]).to.have.lengthOf(1)
  })

  it('an own order changes the numbers of its module alone, in every index', () => {
    const own = done(base, (edit) => movePartIn(edit, 'm1', 'show', -1))
    expect(partsIn(own, 'm1')).to.deep.equal(['start', 'show', 'do'])
    expect(partsIn(own, 'm2')).to.deep.equal(['start', 'do', 'show'])
    expect(
      indexCourse(own)
        .activitiesOf('m1')
        .map((a) => a.id),
    ).to.deep.equal(['a1', 'a2', 'a3'])
    expect(['a1', 'a2', 'a3'].map((id) => numberIn(own, 'activity', id))).to.deep.equal(['1.1', '1.2', '1.3'])
    expect(indexCourse(own).numberOf('a2')).to.equal('1.2')
    expect(patternOf(own).rows.map((r) => r.ownOrder?.join() ?? null)).to.deep.equal(['start,show,do', null])
    // There and back leaves the order of the course.
    const back = done(own, (edit) => movePartIn(edit, 'm1', 'show', 1))
    expect(patternOf(back).rows[0]?.ownOrder).to.equal(null)
    expect(patternOf(done(own, (edit) => applyPattern(edit, ['m1', 'm2']))).rows[0]?.ownOrder).to.equal(null)
  })

  it('moves parts that share one place in the course', () => {
    const same = aBlueprint({ part: [aPart('x', 'a0'), aPart('y', 'a0'), aPart('z', 'a0')], module: [aModule('m1')] })
    const moved = done(same, (edit) => movePartIn(edit, 'm1', 'z', -1))
    expect(partsIn(moved, 'm1')).to.deep.equal(['x', 'z', 'y'])
    expect(
      partsIn(
        done(moved, (edit) => movePartIn(edit, 'm1', 'z', -1)),
        'm1',
      ),
    ).to.deep.equal(['z', 'x', 'y'])
    expect(
      partsIn(
        done(moved, (edit) => movePartIn(edit, 'm1', 'x', -1)),
        'm1',
      ),
    ).to.deep.equal(['x', 'z', 'y'])
  })

  it('fills what is empty and not left out', () => {
    const out = done(base, (edit) => setLeftOut(edit, 'm2', 'start', true))
    let added = 0
    const filled = done(out, (edit) => {
      added = fillPattern(edit, ['m1', 'm2'], newId)
    })
    expect([added, states(filled)[1]]).to.deep.equal([1, 'left out,items,items'])
  })
})
