import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { type Blueprint, EMPTY_BLUEPRINT, recordMap } from '../../../src/core/blueprint/blueprint'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { KIND_NAMES, type KindName, refsOf } from '../../../src/core/blueprint/kinds'
import { copyRecords, everythingIn, withBelongings } from '../../../src/core/edits/copy'
import { Analyser } from '../../../src/core/findings/analyse'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { counter } from '../../support/course'
import { demoCourse } from '../../support/demo'

const after = (base: Blueprint, work: (e: PlanEdit) => void) => applyEffective(base, editPlan(base, work))
const counts = (plan: Blueprint) =>
  Object.fromEntries(KIND_NAMES.flatMap((k) => (recordMap(plan, k).size > 0 ? [[k, recordMap(plan, k).size]] : [])))
/** References that lead nowhere, by kind and field. */
const dangling = (plan: Blueprint) =>
  KIND_NAMES.flatMap((kind) =>
    [...recordMap(plan, kind).values()].flatMap((record) =>
      refsOf(kind).flatMap(({ field, to }) => {
        const id = record[field]
        return typeof id === 'string' && !recordMap(plan, to).has(id) ? [`${kind}.${field} ${id}`] : []
      }),
    ),
  )
const messages = (plan: Blueprint) => new Analyser().analyse(plan, '2027-06-01').findings.map((f) => `${f.code}: ${f.message}`)

describe('a copy', () => {
  for (const name of ['measuring-small-streams', 'writing-museum-labels', 'inspecting-rooftop-solar-arrays'])
    it(`of a whole course has other ids, as many records, and the same to say of itself: ${name}`, () => {
      const plan = demoCourse(name)
      const copy = after(EMPTY_BLUEPRINT, (e) => void copyRecords(e, plan, everythingIn(plan), counter('k')))
      expect(counts(copy)).to.deep.equal(counts(plan))
      expect(dangling(copy)).to.deep.equal([])
      expect([...copy.activity.keys()].filter((id) => plan.activity.has(id))).to.deep.equal([])
      expect(indexCourse(copy).activities.map((a) => `${indexCourse(copy).numberOf(a.id)} ${a.title}`)).to.deep.equal(
        indexCourse(plan).activities.map((a) => `${indexCourse(plan).numberOf(a.id)} ${a.title}`),
      )
      expect(messages(copy)).to.deep.equal(messages(plan))
    })

  it('of a module has its activities with their links and assessments; what others have with them stays theirs', () => {
    const plan = demoCourse('measuring-small-streams')
    const module = indexCourse(plan).modules[1]
    if (!module) throw new Error('no module')
    let id = ''
    const copied = after(plan, (e) => {
      const refs = withBelongings(e.now, [{ kind: 'module', id: module.id }])
      id = copyRecords(e, e.now, refs, counter('k')).ids.get(`module ${module.id}`) ?? ''
    })
    const [was, is] = [indexCourse(plan), indexCourse(copied)]
    expect(is.activitiesOf(id).map((a) => a.title)).to.deep.equal(was.activitiesOf(module.id).map((a) => a.title))
    expect(is.objectivesOf(id).map((o) => o.statement)).to.deep.equal(was.objectivesOf(module.id).map((o) => o.statement))
    const graded = was.activitiesOf(module.id).filter((a) => was.assessmentOf(a.id))
    const gradedCopies = is.activitiesOf(id).filter((a) => is.assessmentOf(a.id))
    expect(gradedCopies.length).to.equal(graded.length).and.to.be.above(0)
    // Categories and rubrics are of the course, not of the module: the copies belong to the same ones.
    expect(gradedCopies.map((a) => is.assessmentOf(a.id)?.categoryId)).to.deep.equal(graded.map((a) => was.assessmentOf(a.id)?.categoryId))
    expect(copied.gradeCategory).to.equal(plan.gradeCategory)
    expect(dangling(copied)).to.deep.equal([])
    // Links within the module lead to the copies of their ends.
    const [a] = is.activitiesOf(id).filter((x) => is.alignmentsOf(x.id).length > 0)
    const inModule = new Set(is.objectivesOf(id).map((o) => o.id))
    expect(is.alignmentsOf(a?.id ?? '').some((l) => inModule.has(l.objectiveId))).to.equal(true)
    // Gone again, all is as it was.
    const gone = after(copied, (e) => e.remove({ kind: 'module', id }))
    expect(counts(gone)).to.deep.equal(counts(plan))
  })

  it('into another plan leaves open what may be, and leaves out what needs what is not there', () => {
    const plan = demoCourse('measuring-small-streams')
    const module = indexCourse(plan).modules[1]
    const copy = after(
      EMPTY_BLUEPRINT,
      (e) => void copyRecords(e, plan, withBelongings(plan, [{ kind: 'module', id: module?.id ?? '' }]), counter('k')),
    )
    expect(dangling(copy)).to.deep.equal([])
    expect(copy.module.size).to.equal(1)
    expect([...copy.assessment.values()].every((a) => a.categoryId === null && a.rubricId === null)).to.equal(true)
    expect([...copy.activity.values()].every((a) => a.partId === null)).to.equal(true)
    // An alignment with an objective of another module needs that objective.
    const own = new Set(
      indexCourse(plan)
        .objectivesOf(module?.id ?? '')
        .map((o) => o.id),
    )
    const links = indexCourse(plan)
      .activitiesOf(module?.id ?? '')
      .flatMap((a) => indexCourse(plan).alignmentsOf(a.id))
    expect(copy.alignment.size).to.equal(links.filter((l) => own.has(l.objectiveId)).length)
  })

  it('of nothing, or of what is gone, makes nothing', () => {
    const plan = demoCourse('measuring-small-streams')
    expect(editPlan(plan, (e) => void copyRecords(e, e.now, [], counter()))).to.deep.equal([])
    const gone = { kind: 'module' as KindName, id: 'gone' }
    expect(editPlan(plan, (e) => void copyRecords(e, e.now, [gone], counter()))).to.deep.equal([])
  })
})
