import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { idSource } from '../../../src/core/blueprint/ids'
import { writeActivityCell } from '../../../src/core/edits/activities'
import { addCategory, addObjectiveFor, addPart, missingCategory, missingObjectives, missingPart } from '../../../src/core/edits/missing'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { aBlueprint, aCategory, aModule, anActivity, anObjective } from '../../support/course'

const newId = idSource(Math.random)
const plan = aBlueprint({
  module: [aModule('m1'), aModule('m2')],
  objective: [anObjective('o1', 'm1', { statement: 'Explain base flow' })],
  activity: [anActivity('a1', 'm1'), anActivity('a2', 'm2')],
  gradeCategory: [aCategory('g1', 5000, { title: 'Labs' })],
})
const after = (work: (edit: PlanEdit) => void): Blueprint => applyEffective(plan, editPlan(plan, work))

describe('what a cell names that is not there', () => {
  it('is a category or a part of another title; case and spaces make no other', () => {
    expect(missingCategory(plan, 'Discussions')).to.deep.equal(['Discussions'])
    expect(missingCategory(plan, ' labs ')).to.deep.equal([])
    expect(missingCategory(plan, '')).to.deep.equal([])
    expect(missingPart(plan, 'Warm up')).to.deep.equal(['Warm up'])
    expect(missingPart(plan, 'x'.repeat(5000)), 'what cannot be a title').to.deep.equal([])
  })
  it('is a statement that no objective has; numbers are none', () => {
    expect(missingObjectives(plan, 'explain  BASE flow; Measure a flow')).to.deep.equal(['Measure a flow'])
    for (const text of ['9z', '1a IPA', 'tbd', '', '-']) expect(missingObjectives(plan, text), text).to.deep.equal([])
  })
  it('is made: a category last and without a share, a part last', () => {
    const made = indexCourse(after((edit) => [addCategory(edit, 'Discussions', newId), addPart(edit, 'Warm up', newId)]))
    expect(made.categories.map((c) => [c.title, c.share])).to.deep.equal([
      ['Labs', 5000],
      ['Discussions', null],
    ])
    expect(made.parts.at(-1)?.title).to.equal('Warm up')
  })
  it('is made an objective of the activity’s own module, and then linked by its words', () => {
    const made = after((edit) => {
      addObjectiveFor(edit, 'a2', 'Measure a flow', newId)
      expect(writeActivityCell(edit, 'a2', 'objectives', 'Explain base flow; measure a FLOW', null)).to.equal(null)
    })
    const index = indexCourse(made)
    expect(index.objectivesOf('m2').map((o) => o.statement)).to.deep.equal(['Measure a flow'])
    expect(index.alignmentsOf('a2').map((a) => index.numberOf(a.objectiveId))).to.have.members(['1a', '2a'])
  })
  it('is refused as long as nobody makes it, and nothing of the cell is written', () => {
    const left = after((edit) =>
      expect(writeActivityCell(edit, 'a1', 'objectives', '1a; Measure a flow', null)).to.match(/^Not understood/),
    )
    expect(indexCourse(left).alignmentsOf('a1')).to.deep.equal([])
  })
})
