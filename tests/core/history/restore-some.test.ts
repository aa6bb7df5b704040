/** A snapshot that is compared and restored: all of it gives the snapshot back, some of it no more than was chosen. */
import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { anyRecord, type Blueprint, recordsOf } from '../../../src/core/blueprint/blueprint'
import { editPlan } from '../../../src/core/blueprint/edit'
import { KIND_NAMES, type RecordRef, refsOf } from '../../../src/core/blueprint/kinds'
import { writeNative } from '../../../src/core/formats/native'
import { differencesOf } from '../../../src/core/history/differences'
import { restoreSome } from '../../../src/core/history/restore-some'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { counter } from '../../support/course'
import { demoCourse } from '../../support/demo'
import { randomOperations, start } from '../../support/random-edits'
import { rng } from '../../support/rng'

const dangling = (plan: Blueprint) =>
  KIND_NAMES.flatMap((kind) =>
    recordsOf(plan, kind).flatMap((r) =>
      refsOf(kind).flatMap(({ field, to }) => {
        const id = (r as unknown as Record<string, unknown>)[field]
        return typeof id === 'string' && !anyRecord(plan, { kind: to, id }) ? [`${kind}.${field}`] : []
      }),
    ),
  )
const all = (then: Blueprint, now: Blueprint): RecordRef[] => {
  const { added, removed, changed, moved } = differencesOf(then, now)
  return [...added, ...removed, ...changed, ...moved]
}

describe('restoring from a snapshot', () => {
  it('of all that differs gives it back, whatever was done since', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const random = rng(seed)
      const then = start
      let now = then
      const newId = counter(`n${seed}-`)
      for (let n = 0; n < 25; n++) now = applyEffective(now, randomOperations(now, random, newId))
      const back = applyEffective(now, restoreSome(now, then, all(then, now)))
      expect(writeNative(back), `seed ${seed}`).to.equal(writeNative(then))
    }
  })

  it('of any part leaves nothing that leads nowhere, and sets back what was chosen', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const random = rng(100 + seed)
      const then = start
      let now = then
      const newId = counter(`n${seed}-`)
      for (let n = 0; n < 25; n++) now = applyEffective(now, randomOperations(now, random, newId))
      const some = all(then, now).filter(() => random() < 0.3)
      const back = applyEffective(now, restoreSome(now, then, some))
      expect(dangling(back), `seed ${seed}`).to.deep.equal([])
      for (const ref of some)
        expect(anyRecord(back, ref) !== undefined, `${seed} ${ref.kind} ${ref.id}`).to.equal(anyRecord(then, ref) !== undefined)
    }
  })

  it('of one activity of a module that is gone brings the module back, without its other activities', () => {
    const then = demoCourse('measuring-small-streams')
    const module = indexCourse(then).modules[2]
    const activity = indexCourse(then).activitiesOf(module?.id ?? '')[0]
    if (!module || !activity) throw new Error('no module')
    const now = applyEffective(
      then,
      editPlan(then, (e) => e.remove({ kind: 'module', id: module.id })),
    )
    const back = applyEffective(now, restoreSome(now, then, [{ kind: 'activity', id: activity.id }]))
    expect(
      indexCourse(back)
        .activitiesOf(module.id)
        .map((a) => a.id),
    ).to.deep.equal([activity.id])
    expect(back.module.get(module.id)).to.deep.equal(module)
  })
})
