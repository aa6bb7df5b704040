/** A copy of a course says of itself what the original does; what is copied by halves is the whole. */
import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { type Blueprint, blueprintOf, courseOf, recordsOf } from '../../../src/core/blueprint/blueprint'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { withFixedId } from '../../../src/core/blueprint/ids'
import { type AnyRecord, KIND_NAMES, refsOf } from '../../../src/core/blueprint/kinds'
import { type Copied, copyRecords, everythingIn, withBelongings } from '../../../src/core/edits/copy'
import { COPY_PARTS, type CopyPart, copyCourse, partOf } from '../../../src/core/edits/copy-course'
import { copyIn } from '../../../src/core/edits/copy-in'
import { Analyser } from '../../../src/core/findings/analyse'
import { writeNative } from '../../../src/core/formats/native'
import { indexCourse } from '../../../src/core/plan/plan-index'
import { counter } from '../../support/course'
import { demoCourse } from '../../support/demo'

const NAMES = ['measuring-small-streams', 'writing-museum-labels', 'inspecting-rooftop-solar-arrays']
const after = (base: Blueprint, work: (e: PlanEdit) => void) => applyEffective(base, editPlan(base, work))
const TODAY = '2027-06-01'
const findings = (plan: Blueprint) =>
  new Analyser().analyse(plan, TODAY).findings.map((f) => `${f.code}: ${f.message} ${f.accepted ? `kept: ${f.accepted.reason}` : ''}`)

/** The file of a copy as it is when each record has the id of what it was copied from. */
function ledBack(copy: Blueprint, ...ids: readonly ReadonlyMap<string, string>[]): string {
  const was = new Map(ids.flatMap((m) => [...m].map(([key, id]) => [id, key.slice(key.indexOf(' ') + 1)] as const)))
  const back = (value: string) => was.get(value) ?? value
  const lists = KIND_NAMES.map((kind) => [
    kind,
    (recordsOf(copy, kind) as unknown as AnyRecord[]).map((record) => {
      const led = Object.fromEntries(refsOf(kind).flatMap(({ field }) => (record[field] ? [[field, back(String(record[field]))]] : [])))
      const key = kind === 'decision' && record['findingKey'] ? String(record['findingKey']).split(' ') : null
      const kept = key && {
        findingKey: [key[0], ...key.slice(1).map(back).sort()].join(' '),
        facts: String(record['facts']).replace(/"([^"]+)"/g, (_, text) => `"${back(text)}"`),
      }
      return withFixedId(kind, { ...record, ...led, ...kept, id: back(record.id) })
    }),
  ])
  return writeNative(blueprintOf(Object.fromEntries(lists)))
}

/** Keeps the first finding of each code, as somebody would. */
const withKept = (plan: Blueprint): Blueprint =>
  after(plan, (e) => {
    const codes = new Set<string>()
    for (const f of new Analyser().analyse(plan, TODAY).findings) {
      if (codes.has(f.code)) continue
      codes.add(f.code)
      e.create('decision', {
        id: `kept-${codes.size}`,
        kind: 'finding accepted',
        reason: `as ${codes.size}`,
        author: 'Ines',
        date: TODAY,
        findingKey: f.key,
        facts: f.facts,
      })
    }
  })

describe('a copy of a course', () => {
  for (const name of NAMES)
    it(`has the figures, findings (kept ones too) and export of the original, but for ids: ${name}`, () => {
      const plan = withKept(demoCourse(name))
      const { plan: copy, lost, ids } = copyCourse(plan, { title: courseOf(plan).title }, counter('k'))
      expect(lost).to.deep.equal([])
      expect(ledBack(copy, ids)).to.equal(writeNative(plan))
      expect(findings(copy)).to.deep.equal(findings(plan))
      expect(findings(plan).some((f) => f.includes('kept:'))).to.equal(true)
      expect([...copy.activity.keys()].filter((id) => plan.activity.has(id))).to.deep.equal([])
    })

  for (const name of NAMES)
    it(`by halves, wherever it is cut, gives the whole: ${name}`, () => {
      const plan = demoCourse(name)
      for (let cut = 1; cut < COPY_PARTS.length; cut++) {
        const first = COPY_PARTS.slice(0, cut)
        const { plan: half, ids: ofFirst } = copyCourse(plan, { title: courseOf(plan).title, parts: first }, counter('k'))
        const rest = everythingIn(plan).filter(({ kind }) => partOf(kind) !== 'always' && !first.includes(partOf(kind) as CopyPart))
        let second: Copied | undefined
        const both = after(half, (e) => {
          second = copyRecords(e, plan, rest, counter('r'))
        })
        // What the first half left open, because its end had not come yet, stays open: categories of series.
        const opened = cut === 3 ? recordsOf(plan, 'series').filter((s) => s.categoryId).length : 0
        expect(recordsOf(both, 'series').filter((s) => s.categoryId).length, `${cut}`).to.equal(
          recordsOf(plan, 'series').filter((s) => s.categoryId).length - opened,
        )
        expect(second?.lost, `after ${first.join()}`).to.deep.equal([])
        if (opened === 0) expect(ledBack(both, ofFirst, second?.ids ?? new Map()), `cut after ${first.join()}`).to.equal(writeNative(plan))
      }
    })

  it('with a first day has the one offering, moved there with its breaks; a course of two keeps the one that is seen', () => {
    const plan = after(demoCourse(NAMES[0] as string), (e) => {
      const first = recordsOf(e.now, 'offering')[0]
      if (!first) throw new Error('no offering')
      e.create('offering', { ...first, id: 'spring', term: 'Spring 2028', firstDay: '2028-01-10', order: `${first.order}5` })
      e.create('calendarRule', {
        id: 'sp',
        offeringId: 'spring',
        kind: 'closed',
        title: 'Day off',
        firstDate: '2028-02-01',
        lastDate: '2028-02-01',
      })
    })
    // 2027-09-06 and 2028-09-04 are Mondays, 364 days apart.
    const { plan: copy } = copyCourse(plan, { title: 'Again', code: 'HYD 215', firstDay: '2028-09-04', term: 'Autumn 2028' }, counter('k'))
    expect(recordsOf(copy, 'offering').map((o) => [o.term, o.firstDay])).to.deep.equal([['Autumn 2028', '2028-09-04']])
    expect([courseOf(copy).title, courseOf(copy).code]).to.deep.equal(['Again', 'HYD 215'])
    const was = recordsOf(plan, 'calendarRule').filter((r) => r.offeringId !== 'spring')
    const days = (date: string) => Math.round(Date.parse(date) / 86_400_000)
    expect(recordsOf(copy, 'calendarRule').map((r) => [r.title, days(r.firstDate), days(r.lastDate)])).to.have.deep.members(
      was.map((r) => [r.title, days(r.firstDate) + 364, days(r.lastDate) + 364]),
    )
  })

  it('of some parts says what it leaves behind, and holds nothing that leads nowhere', () => {
    const plan = demoCourse(NAMES[0] as string)
    const { plan: copy, lost } = copyCourse(plan, { title: 'Only activities', parts: ['modules', 'activities'] }, counter('k'))
    expect([copy.activity.size, copy.outcome.size, copy.assessment.size, copy.rubric.size]).to.deep.equal([plan.activity.size, 0, 0, 0])
    expect(lost.filter((l) => l.by.kind === 'objectiveOutcome' && l.leftOut).length).to.equal(plan.objectiveOutcome.size)
  })
})

describe('what is copied into another course', () => {
  const [from, into] = [demoCourse(NAMES[0] as string), demoCourse(NAMES[0] as string)]
  it('finds its like there: a module of a course comes twice, with links to what is there already', () => {
    // Other ids: only names tell what is the same.
    const target = copyCourse(into, { title: 'Target' }, counter('t')).plan
    const module = indexCourse(from).modules[3]
    if (!module) throw new Error('no module')
    let ids: ReadonlyMap<string, string> = new Map()
    let lost: unknown
    const both = after(target, (e) => {
      const copied = copyRecords(e, from, withBelongings(from, [{ kind: 'module', id: module.id }]), counter('n'))
      ids = copied.ids
      lost = copied.lost
    })
    expect(lost).to.deep.equal([])
    const copy = ids.get(`module ${module.id}`) ?? ''
    const [was, is] = [indexCourse(from), indexCourse(both)]
    for (const activity of was.activitiesOf(module.id)) {
      const twin = both.activity.get(ids.get(`activity ${activity.id}`) ?? '')
      const [a, b] = [
        from.assessment.get(was.assessmentOf(activity.id)?.id ?? ''),
        both.assessment.get(is.assessmentOf(twin?.id ?? '')?.id ?? ''),
      ]
      expect(both.gradeCategory.get(b?.categoryId ?? '')?.title).to.equal(from.gradeCategory.get(a?.categoryId ?? '')?.title)
      expect(both.rubric.get(b?.rubricId ?? '')?.title).to.equal(from.rubric.get(a?.rubricId ?? '')?.title)
      expect(both.part.get(twin?.partId ?? '')?.title).to.equal(from.part.get(activity.partId ?? '')?.title)
    }
    expect(is.objectivesOf(copy).flatMap((o) => is.outcomesOf(o.id).map((x) => x.statement))).to.deep.equal(
      was.objectivesOf(module.id).flatMap((o) => was.outcomesOf(o.id).map((x) => x.statement)),
    )
  })
})

describe('single things of another course', () => {
  const from = demoCourse(NAMES[0] as string)
  const museum = demoCourse(NAMES[1] as string)
  const copied = (into: Blueprint, refs: Parameters<typeof copyIn>[2], moduleId: string | null = null) => {
    let answer: Copied | undefined
    const plan = after(into, (e) => {
      answer = copyIn(e, from, refs, counter('n'), moduleId)
    })
    return { plan, ids: answer?.ids ?? new Map<string, string>(), lost: answer?.lost ?? [] }
  }
  const withRubric = [...from.assessment.values()].find((a) => a.rubricId !== null)

  it('bring the rubric that they are judged by along, where the course has none like it', () => {
    const module = from.activity.get(withRubric?.activityId ?? '')?.moduleId ?? ''
    const { plan, ids } = copied(museum, [{ kind: 'module', id: module }])
    const twin = plan.assessment.get(ids.get(`assessment ${withRubric?.id}`) ?? '')
    expect(plan.rubric.get(twin?.rubricId ?? '')?.title).to.equal(from.rubric.get(withRubric?.rubricId ?? '')?.title)
    const rows = (p: Blueprint, id: string | null | undefined) => recordsOf(p, 'criterion').filter((c) => c.rubricId === id).length
    expect(rows(plan, twin?.rubricId)).to.equal(rows(from, withRubric?.rubricId)).and.to.be.above(0)
    // A second time it is there.
    const again = after(plan, (e) => void copyIn(e, from, [{ kind: 'module', id: module }], counter('z')))
    expect(again.rubric.size).to.equal(plan.rubric.size)
  })

  it('stand behind what is there: a module in the weeks after the last, without weeks where there are none left', () => {
    const long = after(museum, (e) => e.set('course', 'course', { weeks: 3 }))
    const taken = Math.max(0, ...recordsOf(long, 'module').map((m) => m.lastWeek ?? 0))
    const [one, two] = indexCourse(from).modules.filter((m) => m.firstWeek !== null && m.firstWeek === m.lastWeek)
    const { plan, ids } = copied(
      long,
      [one, two].map((m) => ({ kind: 'module' as const, id: m?.id ?? '' })),
    )
    const weeks = [one, two].map((m) => plan.module.get(ids.get(`module ${m?.id}`) ?? '')?.firstWeek)
    expect(weeks).to.deep.equal([taken + 1 <= 3 ? taken + 1 : null, taken + 2 <= 3 ? taken + 2 : null])
    const order = indexCourse(plan).modules.map((m) => m.id)
    expect(order.slice(-2)).to.deep.equal([one, two].map((m) => ids.get(`module ${m?.id}`)))
  })

  it('of a module go into the one that is named; links to what is not there are told', () => {
    const [activity] = indexCourse(from).activities.filter((a) => indexCourse(from).alignmentsOf(a.id).length > 0)
    const into = indexCourse(museum).modules[0]?.id ?? ''
    const { plan, ids, lost } = copied(museum, [{ kind: 'activity', id: activity?.id ?? '' }], into)
    expect(plan.activity.get(ids.get(`activity ${activity?.id}`) ?? '')?.moduleId).to.equal(into)
    const links = indexCourse(from).alignmentsOf(activity?.id ?? '').length
    expect(lost.filter((l) => l.to.kind === 'objective' && l.leftOut).length).to.equal(links)
    expect(indexCourse(plan).activitiesOf(into).at(-1)?.title).to.equal(activity?.title)
  })
})
