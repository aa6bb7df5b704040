import { readFileSync } from 'node:fs'
import { expect } from 'chai'
import Papa from 'papaparse'
import { coverageOf } from '../../../src/core/alignment/coverage'
import { applyEffective } from '../../../src/core/blueprint/apply'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { readNative } from '../../../src/core/formats/native'
import { writeMappingWorkbook } from '../../../src/core/formats/workbook'
import { bringFramework, coverItem, readItemCodes, setLinkedItems, treeOfFramework } from '../../../src/core/frameworks/edits'
import {
  frameworkSkeletonCounts,
  makeFrameworkSkeleton,
  measurable,
  planSkeleton,
  USUAL_CHOICES,
} from '../../../src/core/frameworks/framework-skeleton'
import { addItem, type ItemColumn, itemCellText, moveItem, placeItem, writeItemCell } from '../../../src/core/frameworks/item-cells'
import { frameworkCoverage } from '../../../src/core/frameworks/item-coverage'
import { mappingRows, writeMappingCsv } from '../../../src/core/frameworks/mapping'
import { readSpecification } from '../../../src/core/frameworks/read-specification'
import { type TreeItem, walkTree } from '../../../src/core/frameworks/tree'
import { gradeByOutcome } from '../../../src/core/grading/by-outcome'
import { readFile } from '../../../src/core/intake/read-file'
import { layOutPicture } from '../../../src/core/picture/layout'
import { indexFrameworks } from '../../../src/core/plan/framework-index'
import { indexCourse } from '../../../src/core/plan/plan-index'
import {
  aBlueprint,
  aCriterion,
  aFramework,
  alignmentOf,
  aModule,
  anActivity,
  anItem,
  anObjective,
  anOutcome,
  aPoint,
  aRubric,
  assessmentOf,
  counter,
  criterionLink,
  itemOf,
  outcomeLink,
} from '../../support/course'

/**
 * Two frameworks. f1: element e1 with criteria c1 (served by o1), c2 (served by co1), c3 (nothing); skill s1, evidence p1 shown
 * three times, condition n1. f2: one item x1 that activity a2 assesses too.
 */
const plan = aBlueprint({
  module: [aModule('m1'), aModule('m2', { firstWeek: 2, lastWeek: 2 })],
  outcome: [anOutcome('co1')],
  objective: [anObjective('o1', 'm1'), anObjective('o2', 'm2')],
  objectiveOutcome: [outcomeLink('o2', 'co1')],
  activity: [
    anActivity('a1', 'm1', { title: 'Reading' }),
    anActivity('a2', 'm1', { title: 'Lab', kind: 'lab' }),
    anActivity('a3', 'm2', { title: 'Exam', kind: 'exam' }),
  ],
  alignment: [alignmentOf('a1', 'o1', 'introduces'), alignmentOf('a2', 'o1', 'practises', 'assesses'), alignmentOf('a3', 'o2', 'assesses')],
  rubric: [aRubric('r1')],
  criterion: [aCriterion('k1', 'r1', 10, { title: 'Method' }), aCriterion('k2', 'r1', 10, { title: 'Record' })],
  criterionObjective: [criterionLink('k1', 'o1')],
  assessment: [assessmentOf('a2', 2000, null, 'summative', { rubricId: 'r1' }), assessmentOf('a3', 1000)],
  framework: [aFramework('f1', { code: 'AB1', title: 'Unit one' }), aFramework('f2', { title: 'Own list' })],
  frameworkItem: [
    anItem('e1', 'f1', { code: '1', kind: 'element' }),
    anItem('c1', 'f1', { code: '1.1', parentId: 'e1' }),
    anItem('c2', 'f1', { code: '1.2', parentId: 'e1' }),
    anItem('c3', 'f1', { code: '1.3', parentId: 'e1' }),
    anItem('s1', 'f1', { kind: 'foundation skill', order: 'a5' }),
    anItem('p1', 'f1', { kind: 'performance evidence', times: 3, order: 'a6' }),
    anItem('n1', 'f1', { kind: 'assessment condition', order: 'a7' }),
    anItem('x1', 'f2', { code: '1.1' }),
  ],
  objectiveItem: [itemOf.objective('o1', 'c1')],
  outcomeItem: [itemOf.outcome('co1', 'c2')],
  activityItem: [itemOf.activity('a2', 'x1', 'assesses')],
  criterionItem: [itemOf.criterion('k2', 'p1')],
  evidencePoint: [aPoint('v1', 'a3', { title: 'Talks through it', method: 'questioning', occasions: 1 })],
  evidenceItem: [itemOf.point('v1', 'p1')],
})
const after = (work: (e: PlanEdit) => void, base: Blueprint = plan) => applyEffective(base, editPlan(base, work))
const of = (id: string, b: Blueprint = plan) => {
  const found = frameworkCoverage(b).of(id)
  if (!found) throw new Error(`no item ${id}`)
  return found
}

describe('the coverage of framework items', () => {
  it('follows objectives and outcomes to activities, and criteria that cite the objective are evidence', () => {
    expect(of('c1').activities).to.deep.equal({ introduces: ['a1'], practises: ['a2'], assesses: ['a2'] })
    expect(of('c1').evidence.map((e) => [e.from, e.title, e.activityId])).to.deep.equal([['criterion', 'Method', 'a2']])
    expect(of('c1').missing).to.deep.equal([])
    expect(of('c2').activities.assesses).to.deep.equal(['a3'])
    expect(of('c2').missing).to.deep.equal(['introduces', 'practises'])
    expect(of('c3').missing).to.deep.equal(['introduces', 'practises', 'assesses'])
  })
  it('asks of each kind what it needs, and nothing of conditions or of what is not required', () => {
    expect(of('s1').missing).to.deep.equal(['practises', 'assesses'])
    expect(of('n1').missing).to.deep.equal([])
    expect(
      of(
        'c3',
        after((e) => e.set('frameworkItem', 'c3', { required: false })),
      ).missing,
    ).to.deep.equal([])
  })
  it('counts occasions by evidence point and criterion against what is required', () => {
    expect([of('p1').planned, of('p1').wanted, of('p1').short]).to.deep.equal([2, 3, true])
    const more = after((e) => e.set('evidencePoint', 'v1', { occasions: 2 }))
    expect([of('p1', more).planned, of('p1', more).short]).to.deep.equal([3, false])
  })
  it('covers an item with parts when all are, or as many as are enough', () => {
    expect(of('e1').missing).to.deep.equal(['introduces', 'practises', 'assesses'])
    const one = after((e) => e.set('frameworkItem', 'e1', { anyOf: 1 }))
    expect(of('e1', one).missing).to.deep.equal([])
    const two = after((e) => e.set('frameworkItem', 'e1', { anyOf: 2 }))
    expect(of('e1', two).missing).to.deep.equal(['introduces', 'practises'])
  })
  it('takes a link with an element as teaching and practice of its parts, not as evidence of them', () => {
    const linked = after((e) => void e.create('activityItem', itemOf.activity('a1', 'e1', 'introduces', 'practises', 'assesses')))
    expect(of('c3', linked).missing).to.deep.equal(['assesses'])
    expect(of('e1', linked).missing).to.deep.equal([])
  })
  it('lets one activity count for two frameworks', () => {
    expect(of('x1').activities.assesses).to.deep.equal(['a2'])
    expect(of('c1').activities.assesses).to.deep.equal(['a2'])
  })
  it('sums up by framework: what asks for something and has no parts', () => {
    expect(frameworkCoverage(plan).totals('f1')).to.deep.equal({
      wanted: 5,
      covered: 1,
      missing: { introduces: 2, practises: 3, assesses: 2 },
    })
  })
})

describe('framework items', () => {
  it('have their own codes, or ones that follow from kind and place', () => {
    const index = indexFrameworks(plan)
    expect(index.itemsOf('f1').map(({ item }) => index.codeOf(item.id))).to.deep.equal(['1', '1.1', '1.2', '1.3', 'FS1', 'PE1', 'AC1'])
  })
  it('are found by code, told apart by framework', () => {
    expect(readItemCodes(plan, '1.1, fs1 9')).to.deep.equal({ ids: ['c1', 's1'], unknown: ['9'] })
    expect(readItemCodes(plan, 'AB1:1.1')).to.deep.equal({ ids: ['c1'], unknown: [] })
  })
  const write = (column: ItemColumn, text: string) => {
    let refused: string | null = null
    const b = after((e) => {
      refused = writeItemCell(e, 'c3', column, text)
    })
    return { refused, text: itemCellText(b, b.frameworkItem.get('c3') ?? anItem('', ''), column), b }
  }
  it('take cells as typed or pasted, and give them back', () => {
    expect(write('outcomes', '1').text).to.equal('CO1')
    expect(write('objectives', '2a, 1a').text).to.equal('1a 2a')
    expect(write('assessed', '2.1 1.2').text).to.equal('1.2 2.1')
  })
  it('refuse what a cell cannot hold with a sentence', () => {
    expect(write('outcomes', '7').refused).to.equal('There is no outcome 7.')
    expect(write('objectives', '9z').refused).to.equal('There is no objective 9z.')
    expect(write('taught', '1a').refused).to.equal('There is no activity 1a.')
  })
  it('keep what an activity does besides when one stage is taken from it', () => {
    const b = after((e) => {
      writeItemCell(e, 'c3', 'taught', '1.1')
      writeItemCell(e, 'c3', 'practised', '1.1 1.2')
      writeItemCell(e, 'c3', 'taught', '')
    })
    expect(
      indexFrameworks(b)
        .activitiesOf('c3')
        .map((l) => [l.activityId, ...l.stages]),
    ).to.deep.equal([
      ['a1', 'practises'],
      ['a2', 'practises'],
    ])
  })
  it('are added, moved among their like, and never stand within themselves', () => {
    const codes = (b: Blueprint) =>
      indexFrameworks(b)
        .itemsOf('f1')
        .map(({ item, depth }) => `${'-'.repeat(depth)}${item.id}`)
    expect(codes(after((e) => void moveItem(e, 'c3', -1))).slice(0, 4)).to.deep.equal(['e1', '-c1', '-c3', '-c2'])
    expect(codes(after((e) => void addItem(e, 'f1', 'More', counter('z')))).at(-1)).to.equal('z1')
    expect(codes(after((e) => void placeItem(e, 's1', 'e1', 0))).slice(0, 3)).to.deep.equal(['e1', '-s1', '-c1'])
    expect(editPlan(plan, (e) => void placeItem(e, 'e1', 'c1', 0))).to.deep.equal([])
    expect(editPlan(plan, (e) => void placeItem(e, 'c1', 'x1', 0))).to.deep.equal([])
  })
  it('go with their parts and links', () => {
    const b = after((e) => e.remove({ kind: 'framework', id: 'f1' }))
    expect([
      b.frameworkItem.size,
      b.objectiveItem.size,
      b.outcomeItem.size,
      b.criterionItem.size,
      b.evidenceItem.size,
      b.evidencePoint.size,
    ]).to.deep.equal([1, 0, 0, 0, 0, 1])
  })
  it('get a placeholder that shows them on so many occasions as they ask for', () => {
    const b = after((e) => void coverItem(e, 'p1', 'm2', 'assesses', counter()))
    const added = indexCourse(b).activitiesOf('m2').at(-1)
    expect(added?.title).to.equal('Show: PE1 Do p1')
    expect(of('p1', b)).to.include({ planned: 5, short: false })
  })
  it('are linked from the other side too', () => {
    const b = after((e) => setLinkedItems(e, 'objective', 'o1', ['c3', 'x1']))
    expect(
      indexFrameworks(b)
        .itemsLinkedWith('o1')
        .map((i) => i.id),
    ).to.deep.equal(['c3', 'x1'])
  })
})

describe('the mapping that is handed in', () => {
  it('has a row for each item and evidence point, by number and title', () => {
    const rows = mappingRows(plan, 'f1')
    expect(rows.map((r) => [r[0], r[4], r[5], r[6], r[12]])).to.deep.equal([
      ['1', null, null, null, 'not taught, not practised, not assessed'],
      ['1.1', 'Method', 'observation', '1.2 Lab', null],
      ['1.2', null, null, null, 'not taught, not practised'],
      ['1.3', null, null, null, 'not taught, not practised, not assessed'],
      ['FS1', null, null, null, 'not practised, not assessed'],
      ['PE1', 'Record', 'observation', '1.2 Lab', 'too few occasions'],
      ['PE1', 'Talks through it', 'questioning', '2.1 Exam', 'too few occasions'],
      ['AC1', null, null, null, null],
    ])
  })
  it('is read back from CSV and from a workbook by other readers', async () => {
    const csv = Papa.parse<string[]>(writeMappingCsv(plan).replace(/^\uFEFF/, ''), { skipEmptyLines: true }).data
    expect(csv.length).to.equal(1 + 8 + 1)
    expect(csv[2]?.slice(0, 3)).to.deep.equal(['Unit one', '1.1', 'Do c1'])
    const book = readFile('mapping.xlsx', await writeMappingWorkbook(plan, '2027-01-01T00:00:00Z'))
    if (!book.ok) throw new Error(book.error.message)
    const tables = book.value.blocks.flatMap((b) => (b.type === 'table' ? [b] : []))
    expect(tables.map((t) => [t.name, t.rows.length])).to.deep.equal([
      ['AB1', 9],
      ['Own list', 2],
    ])
  })
})

describe('a skeleton from a framework', () => {
  const text =
    'Unit AB1 Bake bread\n1. Mix\n1.1 Weighing ingredients\n1.2 Understand gluten\n2. Bake\n2.1 Bake to colour\nPerformance evidence\n- baked on three occasions'
  const begin = aBlueprint()
  let id = ''
  const brought = after((e) => void (id = bringFramework(e, readSpecification(text), counter()).frameworkId), begin)
  it('words each criterion so that it can be measured', () => {
    expect(
      ['Weighing ingredients', 'Understand gluten', 'bake to colour;', 'The learner will be able to bake', 'hazards of heights'].map(
        measurable,
      ),
    ).to.deep.equal(['Weigh ingredients', 'Explain gluten', 'Bake to colour', 'Bake', 'Explain hazards of heights'])
  })
  it('counts beforehand: modules, objectives, activities, questions, hours', () => {
    // By hand: 2 modules of study 40, practice 45, quiz 5 x 2, assessment 60; one evidence of 120: 2 x 155 + 120.
    expect(frameworkSkeletonCounts(planSkeleton(brought, id, USUAL_CHOICES))).to.deep.equal({
      outcomes: 2,
      modules: 2,
      objectives: 3,
      activities: 9,
      questions: 10,
      assessments: 3,
      minutes: 430,
    })
    const one = planSkeleton(brought, id, {
      ...USUAL_CHOICES,
      modulesFrom: 'one',
      objectivesFrom: 'elements',
      questions: 0,
      evidence: false,
    })
    expect(one.modules.map((m) => [m.title, m.objectives.map((o) => o.statement)])).to.deep.equal([['Bake bread', ['Mix', 'Bake']]])
  })
  it('makes what it counted in one change, linked so that the framework is covered', () => {
    const made = after((e) => makeFrameworkSkeleton(e, planSkeleton(e.now, id, USUAL_CHOICES), counter('s')), brought)
    const index = indexCourse(made)
    expect(index.modules.map((m) => m.title)).to.deep.equal(['Mix', 'Bake'])
    expect(index.objectives.map((o) => o.statement)).to.deep.equal(['Weigh ingredients', 'Explain gluten', 'Bake to colour'])
    expect(index.activities.length).to.equal(9)
    const { wanted, covered } = frameworkCoverage(made).totals(id)
    expect([wanted, covered]).to.deep.equal([4, 4])
  })
})

describe('the spine of a plan', () => {
  const spined = after((e) => e.set('course', 'course', { spineFrameworkId: 'f1' }))
  it('is the outcomes, or the elements of a framework with what leads to their parts', () => {
    expect(indexCourse(plan).lanes.map((l) => l.id)).to.deep.equal(['co1'])
    const index = indexCourse(spined)
    expect(index.lanes.map((l) => [l.id, l.kind, index.numberOf(l.id)])).to.deep.equal([['e1', 'frameworkItem', '1']])
    // o1 serves 1.1 itself, o2 serves 1.2 through CO1.
    expect(index.objectivesIn('e1').map((o) => o.id)).to.deep.equal(['o1', 'o2'])
    expect(coverageOf(spined).cellOf('e1', 'm1')?.activityIds).to.deep.equal(['a1', 'a2'])
    expect(gradeByOutcome(spined).shares.map((s) => [s.laneId, s.graded])).to.deep.equal([['e1', 10000]])
    expect(layOutPicture(spined, 'minutes', 900).lanes.map((l) => l.number)).to.deep.equal(['1'])
  })
  it('falls back to the outcomes when its framework goes', () => {
    const gone = after((e) => e.remove({ kind: 'framework', id: 'f1' }), spined)
    expect([gone.course.get('course')?.spineFrameworkId, ...indexCourse(gone).lanes.map((l) => l.id)]).to.deep.equal([null, 'co1'])
  })
  it('of the solar demo is what its pasted specification says, word for word', () => {
    const demo = readNative(readFileSync('demo/inspecting-rooftop-solar-arrays.json', 'utf8'))
    if (!demo.ok) throw new Error(demo.error[0]?.message)
    const spine = demo.value.course.get('course')?.spineFrameworkId ?? ''
    const facts = (items: readonly TreeItem[]) => walkTree(items).map(({ item: i, depth }) => [depth, i.code, i.statement, i.kind, i.times])
    const pasted = readSpecification(readFileSync('examples/rooftop-solar-specification.txt', 'utf8'))
    expect(facts(treeOfFramework(demo.value, spine)?.items ?? [])).to.deep.equal(facts(pasted.items))
  })
})
