/** Modules once more, and second passes of chains. */
import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { type Blueprint, recordsOf } from '../../../src/core/blueprint/blueprint'
import { editPlan } from '../../../src/core/blueprint/edit'
import { idSource } from '../../../src/core/blueprint/ids'
import { chainOf, copyModule, type ModuleCopy, secondPass } from '../../../src/core/design/copy-module'
import { entriesText, entryListsOf } from '../../../src/core/design/entry-lists'
import { loopsOf } from '../../../src/core/design/loops'
import { mixOf } from '../../../src/core/design/mix'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { demoCourse } from '../../support/demo'

const newId = idSource(Math.random)
const demo = demoCourse('measuring-small-streams')
function copied(plan: Blueprint, moduleId: string, how: ModuleCopy) {
  let id: string | null = null
  const after = applyEffective(
    plan,
    editPlan(plan, (edit) => {
      id = copyModule(edit, moduleId, how, newId)
    }),
  )
  return { after, id: String(id) }
}
const loops = (plan: Blueprint) => loopsOf(recordsOf(plan, 'buildsOn').map((l) => ({ from: l.activityId, to: l.earlierId })))

describe('a copy of a module', () => {
  it('has the figures of the original, for every module of the course', () => {
    for (const { id: from } of indexCourse(demo).modules) {
      const { after, id } = copied(demo, from, { what: 'whole', objectives: 'copied' })
      const mix = new Map(mixOf(after).map((m) => [m.moduleId, m]))
      expect({ ...mix.get(id), moduleId: from }, from).to.deep.equal(mix.get(from))
      const [a, b] = [from, id].map((m) => indexCourse(after).activitiesOf(m))
      // What it holds, list by list; numbers of links among the copied are those of the copies.
      for (const list of entryListsOf('activity'))
        for (const [i, original] of (a ?? []).entries())
          expect(entriesText(after, list, b?.[i]?.id ?? '').length, `${original.id} ${list.kind}`).to.equal(
            entriesText(after, list, original.id).length,
          )
      expect(indexCourse(after).objectivesOf(id).length).to.equal(indexCourse(after).objectivesOf(from).length)
      expect(after.module.get(id)?.firstWeek).to.equal(null)
      // Nothing else of the course has changed.
      expect(indexCourse(after).activities.length).to.equal(indexCourse(demo).activities.length + (a?.length ?? 0))
      expect(loops(after)).to.deep.equal([])
    }
  })

  it('may serve the objectives that are there', () => {
    const { after, id } = copied(demo, 'm3', { what: 'whole', objectives: 'served' })
    expect(indexCourse(after).objectivesOf(id)).to.deep.equal([])
    expect(after.objective.size).to.equal(demo.objective.size)
    const serves = (moduleId: string) =>
      indexCourse(after)
        .activitiesOf(moduleId)
        .map((a) =>
          indexCourse(after)
            .alignmentsOf(a.id)
            .map((l) => `${l.objectiveId} ${l.stages}`)
            .join(),
        )
    expect(serves(id)).to.deep.equal(serves('m3'))
    // It recalls what the original recalls, and nothing outside builds on it.
    expect(
      recordsOf(after, 'recallObjective')
        .filter((r) => r.moduleId === id)
        .map((r) => r.objectiveId),
    ).to.deep.equal(['o2a'])
    const own = new Set(
      indexCourse(after)
        .activitiesOf(id)
        .map((a) => a.id),
    )
    expect(recordsOf(after, 'buildsOn').filter((l) => own.has(l.earlierId) && !own.has(l.activityId))).to.deep.equal([])
  })

  it('of the structure alone has parts, titles, kinds and series, and no texts', () => {
    const { after, id } = copied(demo, 'm3', { what: 'structure', objectives: 'copied' })
    const [a, b] = ['m3', id].map((m) => indexCourse(after).activitiesOf(m))
    expect(b?.map((x) => [x.partId, x.kind, x.seriesId])).to.deep.equal(a?.map((x) => [x.partId, x.kind, x.seriesId]))
    expect(b?.every((x) => x.instructions === null && after.activity.get(x.id)?.minutes === null)).to.equal(true)
    expect([after.material.size, after.alignment.size, after.objective.size]).to.deep.equal([
      demo.material.size,
      demo.alignment.size,
      demo.objective.size,
    ])
    expect([after.module.get(id)?.overview, after.module.get(id)?.planning]).to.deep.equal([null, 'sketch'])
  })
})

describe('a second pass', () => {
  it('copies a chain into a later module, each on its first form', () => {
    const chain = chainOf(demo, 'a3-10')
    expect(chain).to.include.members(['a2-8', 'a3-10', 'a4-8', 'a5-8', 'a7-7'])
    let made: readonly string[] = []
    const after = applyEffective(
      demo,
      editPlan(demo, (edit) => {
        made = secondPass(edit, ['a3-10', 'a4-8', 'a1-7'], 'm8', newId)
      }),
    )
    const links = recordsOf(after, 'buildsOn')
    const earlierOf = (id: string) => links.filter((l) => l.activityId === id).map((l) => l.earlierId)
    const [lab1 = '', lab2 = '', set = ''] = made
    // The copy of Lab 2 builds on its first form, and on the copy of Lab 1 as the first form did; that of Lab 1 on the visit plan too.
    expect(earlierOf(lab2)).to.have.members(['a4-8', lab1])
    expect(earlierOf(lab1)).to.have.members(['a3-10', 'a2-8'])
    expect(after.activity.get(lab1)).to.deep.include({ moduleId: 'm8', partId: 'show', title: 'Lab 1: Float and section (second pass)' })
    // What a series gave is its own: its number, its kind, its minutes.
    expect(after.activity.get(set)).to.deep.include({ title: 'Practice set 1: Rain and flow (second pass)', seriesId: null, minutes: 50 })
    expect(after.activity.get(set)?.kind).to.equal(indexCourse(demo).activity('a1-7')?.kind)
    expect(loops(after)).to.deep.equal([])
    expect(
      indexCourse(after)
        .alignmentsOf(lab1)
        .map((l) => l.objectiveId),
    ).to.deep.equal(
      indexCourse(demo)
        .alignmentsOf('a3-10')
        .map((l) => l.objectiveId),
    )
  })
})
