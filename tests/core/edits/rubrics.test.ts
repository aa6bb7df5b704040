import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { writeFieldText } from '../../../src/core/edits/cells'
import {
  addCriterion,
  addLevel,
  addRubric,
  copyRubric,
  levelText,
  scaleCriteria,
  writeCriterionLinks,
  writeDescriptor,
  writeLevel,
} from '../../../src/core/edits/rubrics'
import { rubricSum } from '../../../src/core/grading/rubric'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { aBlueprint, aModule, anObjective, counter } from '../../support/course'

const base = aBlueprint({ module: [aModule('m1')], objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1')] })
const edited = (plan: Blueprint, work: (e: PlanEdit) => void): Blueprint => applyEffective(plan, editPlan(plan, work))

/** A rubric `n1` with levels `n2` to `n5` and a criterion `n6`. */
const plan = edited(base, (e) => {
  const newId = counter()
  addCriterion(e, addRubric(e, 'Lab', 'analytic', newId), 'Method', newId)
})
const levels = (b: Blueprint, id = 'n1') => indexCourse(b).levelsOf(id).map(levelText)

describe('a rubric', () => {
  it('begins with the levels of its form', () => {
    expect(levels(plan)).to.deep.equal(['Not yet 0', 'Partly 50', 'Mostly 80', 'Fully 100'])
    const others = edited(base, (e) => {
      addRubric(e, 'Check', 'checklist', counter('c'))
      addRubric(e, 'Whole', 'holistic', counter('h'))
    })
    expect(levels(others, 'c1')).to.deep.equal(['Not there 0', 'There 100'])
    expect(indexCourse(others).criteriaOf('h1')).to.have.length(1)
  })

  it('takes cells as they are typed, and empty ones away', () => {
    const filled = edited(plan, (e) => {
      expect(writeDescriptor(e, 'n6', 'n2', ' One run ')).to.equal(null)
      expect(writeFieldText(e, { kind: 'criterion', id: 'n6' }, 'weight', '12,5 pts')).to.equal(null)
      expect(writeCriterionLinks(e, 'n6', '1b, 1a')).to.equal(null)
      expect(writeFieldText(e, { kind: 'criterion', id: 'n6' }, 'critical', 'must')).to.equal(null)
    })
    const index = indexCourse(filled)
    expect(index.criteriaOf('n1')[0]).to.include({ weight: 1250, critical: true, general: false })
    expect(index.objectivesOfCriterion('n6').map((o) => o.id)).to.deep.equal(['o1', 'o2'])
    expect([...filled.descriptor.values()].map((d) => d.text)).to.deep.equal(['One run'])
    const emptied = edited(filled, (e) => {
      writeDescriptor(e, 'n6', 'n2', '  ')
      writeCriterionLinks(e, 'n6', 'general')
    })
    expect([emptied.descriptor.size, emptied.criterionObjective.size]).to.deep.equal([0, 0])
    expect(emptied.criterion.get('n6')?.general).to.equal(true)
  })

  for (const [column, text] of [
    ['weight', 'many'],
    ['objectives', '9z'],
    ['objectives', '1a general'],
    ['critical', 'perhaps'],
    ['title', '  '],
  ] as const)
    it(`refuses “${text}” as ${column} with a sentence, and changes nothing`, () => {
      let refused: string | null = null
      const after = edited(plan, (e) => {
        refused =
          column === 'objectives' ? writeCriterionLinks(e, 'n6', text) : writeFieldText(e, { kind: 'criterion', id: 'n6' }, column, text)
      })
      expect(refused).to.match(/\.$/)
      expect(after).to.equal(plan)
    })

  for (const [text, result] of [
    ['Nearly 60', 'Nearly 60'],
    ['Nearly · 60 %', 'Nearly 60'],
    ['Nearly (62,5 %)', 'Nearly 62.5'],
    ['Nearly', 'Nearly 50'],
    ['65', 'Partly 65'],
  ] as const)
    it(`reads the level “${text}”`, () => expect(levels(edited(plan, (e) => void writeLevel(e, 'n3', text)))[1]).to.equal(result))
  it('loses a level with its cells where its text is emptied, and refuses 120 %', () => {
    const filled = edited(plan, (e) => void writeDescriptor(e, 'n6', 'n3', 'Two runs'))
    const less = edited(filled, (e) => void writeLevel(e, 'n3', ''))
    expect([levels(less).length, less.descriptor.size]).to.deep.equal([3, 0])
    edited(plan, (e) => void expect(writeLevel(e, 'n3', 'Partly 120')).to.contain('0 to 100'))
  })
  it('gets a new level below the top one, half-way between its neighbours', () =>
    expect(levels(edited(plan, (e) => void addLevel(e, 'n1', counter('x'))))).to.deep.equal([
      'Not yet 0',
      'Partly 50',
      'Mostly 80',
      'Level 5 90',
      'Fully 100',
    ]))

  it('scales its criteria to a total: 2 and 1 of 40 points are 27 and 13', () => {
    const scaled = edited(plan, (e) => {
      addCriterion(e, 'n1', 'Result', counter('r'))
      e.set('criterion', 'n6', { weight: 200 })
      e.set('criterion', 'r1', { weight: 100 })
      scaleCriteria(e, 'n1', 4000)
    })
    expect(
      indexCourse(scaled)
        .criteriaOf('n1')
        .map((c) => c.weight),
    ).to.deep.equal([2700, 1300])
    const rubric = scaled.rubric.get('n1')
    expect(rubric && rubricSum(indexCourse(scaled), rubric)).to.deep.equal({ total: 4000, wanted: null, unweighted: 0 })
  })

  it('is copied whole, links and cells too, the copy standing behind it', () => {
    const filled = edited(plan, (e) => {
      writeDescriptor(e, 'n6', 'n2', 'One run')
      writeCriterionLinks(e, 'n6', '1b')
    })
    const rubric = filled.rubric.get('n1')
    const copied = edited(filled, (e) => void (rubric && copyRubric(e, rubric, counter('k'))))
    const index = indexCourse(copied)
    expect(index.rubrics.map((r) => r.title)).to.deep.equal(['Lab', 'Copy of Lab'])
    expect(levels(copied, 'k1')).to.deep.equal(levels(copied))
    expect([copied.descriptor.size, copied.criterionObjective.size]).to.deep.equal([2, 2])
    const gone = edited(copied, (e) => e.remove({ kind: 'rubric', id: 'n1' }))
    expect([gone.descriptor.size, gone.criterion.size, gone.rubricLevel.size]).to.deep.equal([1, 1, 4])
  })
})
