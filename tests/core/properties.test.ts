/** What must hold for every course, tried on plans made by chance (seeds fixed) and on the demo courses. */
import { readdirSync, readFileSync } from 'node:fs'
import { expect } from 'chai'
import fc from 'fast-check'
import { coverageOf } from '../../src/core/alignment/coverage'
import { applyEffective } from '../../src/core/blueprint/apply'
import type { Blueprint } from '../../src/core/blueprint/blueprint'
import { editPlan } from '../../src/core/blueprint/edit'
import { bringIn } from '../../src/core/edits/bring-in'
import { scaleCriteria } from '../../src/core/edits/rubrics'
import { makeSeries, spreadField } from '../../src/core/edits/series'
import { analyse } from '../../src/core/findings/analyse'
import { formatOf, writeFile } from '../../src/core/formats/formats'
import { readNative, sameBlueprint, writeNative } from '../../src/core/formats/native'
import { gradeByOutcome } from '../../src/core/grading/by-outcome'
import { gradeTable } from '../../src/core/grading/grade-table'
import { gradedParts } from '../../src/core/grading/graded-parts'
import { reachesMinimum } from '../../src/core/grading/scale'
import { finalPercent, tryMarks } from '../../src/core/grading/try-marks'
import { hoursByWeek } from '../../src/core/hours/by-week'
import { markingByWeek } from '../../src/core/hours/marking'
import { readFile } from '../../src/core/intake/read-file'
import { understand } from '../../src/core/intake/understand'
import { indexCourse } from '../../src/core/plan/plan-index'
import {
  aBlueprint,
  aCategory,
  aCriterion,
  alignmentOf,
  aModule,
  anActivity,
  anObjective,
  anOffering,
  anOutcome,
  aRubric,
  assessmentOf,
  counter,
  criterionLink,
  outcomeLink,
} from '../support/course'

const RUNS = { seed: 20_271, numRuns: 60 }
const small = (max: number) => fc.integer({ min: 0, max })

/** A course of three modules with eight pieces of work, whose weights, links and rules come by chance. */
const plans: fc.Arbitrary<Blueprint> = fc
  .record({
    points: fc.array(fc.option(small(5000), { nil: null }), { minLength: 8, maxLength: 8 }),
    category: fc.array(small(3), { minLength: 8, maxLength: 8 }),
    extra: fc.array(fc.boolean(), { minLength: 8, maxLength: 8 }),
    graded: fc.array(fc.constantFrom(null, 'satisfactory' as const, 'letter' as const, 'no' as const), { minLength: 8, maxLength: 8 }),
    drop: fc.array(small(4), { minLength: 3, maxLength: 3 }),
    shares: fc.array(small(6000), { minLength: 3, maxLength: 3 }),
    links: fc.array(fc.tuple(small(7), small(3)), { maxLength: 16 }),
    outcomes: fc.array(fc.tuple(small(3), small(2)), { maxLength: 8 }),
    criteria: fc.array(fc.tuple(small(900), small(4)), { maxLength: 5 }),
    minutes: fc.array(small(600), { minLength: 8, maxLength: 8 }),
    days: fc.array(fc.tuple(fc.integer({ min: 1, max: 2 }), fc.integer({ min: 1, max: 7 })), { minLength: 8, maxLength: 8 }),
  })
  .map((r) =>
    aBlueprint({
      offering: [anOffering({ enrolment: 17, returnDays: 3 })],
      outcome: ['co0', 'co1', 'co2'].map((id) => anOutcome(id)),
      module: ['m0', 'm1', 'm2'].map((id, i) => aModule(id, { firstWeek: i + 1, lastWeek: Math.min(4, i + 2) })),
      objective: ['o0', 'o1', 'o2', 'o3'].map((id, i) => anObjective(id, `m${i % 3}`)),
      objectiveOutcome: unique(r.outcomes.map(([o, c]) => outcomeLink(`o${o}`, `co${c}`))),
      gradeCategory: r.shares.map((share, i) => aCategory(`g${i}`, share, { dropLowest: r.drop[i] ?? null })),
      rubric: [aRubric('r0')],
      criterion: r.criteria.map(([weight], i) => aCriterion(`c${i}`, 'r0', weight)),
      criterionObjective: unique(r.criteria.flatMap(([, o], i) => (o < 4 ? [criterionLink(`c${i}`, `o${o}`)] : []))),
      activity: r.minutes.map((minutes, i) =>
        anActivity(`a${i}`, `m${i % 3}`, {
          title: `Set ${i + 1}: part`,
          kind: 'lab',
          minutes,
          dueRule: { rule: 'module-day', week: r.days[i]?.[0] ?? 1, day: r.days[i]?.[1] ?? 1 },
        }),
      ),
      alignment: unique(r.links.map(([a, o]) => alignmentOf(`a${a}`, `o${o}`, 'assesses'))),
      assessment: r.points.map((points, i) => {
        const category = r.category[i] ?? 3
        return assessmentOf(`a${i}`, points, category < 3 ? `g${category}` : null, 'summative', {
          extraCredit: r.extra[i] ?? false,
          graded: r.graded[i] ?? null,
          rubricId: i === 0 ? 'r0' : null,
        })
      }),
      gradeStep: [{ id: 's1', letter: 'Pass', minimum: 5000 }],
    }),
  )

function unique<T extends { readonly id: string }>(list: readonly T[]): T[] {
  return [...new Map(list.map((r) => [r.id, r])).values()]
}
const holds = (check: (plan: Blueprint) => void) => fc.assert(fc.property(plans, check), RUNS)
const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)

describe('for every course', () => {
  it('each category’s counted work sums to its share exactly, or to nothing where it has none', () =>
    holds((plan) => {
      for (const row of gradeTable(plan).rows) {
        const counted = row.items.filter((i) => i.extra === null)
        const weight = counted.some((i) => i.points > 0) || counted.every((i) => i.points === 0)
        expect(sum(row.items.map((i) => i.effective))).to.equal(row.category && counted.length > 0 && weight ? (row.share ?? 0) : 0)
      }
    }))
  it('what a kept result counts is its part times all by kept', () =>
    holds((plan) => {
      for (const row of gradeTable(plan).rows) {
        // What has no weight beside the others can neither count nor be dropped.
        const counted = row.items.filter((i) => i.exact > 0)
        for (const i of counted) {
          expect(i.whenKept).to.be.closeTo((i.exact * counted.length) / row.kept, 1e-9)
          expect(Math.abs(i.exact - i.effective)).to.be.lessThan(1)
        }
      }
    }))
  it('the grade by outcome and what reaches none sum to the grade, and each assessment’s parts to one', () =>
    holds((plan) => {
      const { totalEffective } = gradeTable(plan)
      const { shares } = gradeByOutcome(plan)
      expect(sum(shares.map((s) => s.graded))).to.equal(totalEffective)
      const index = indexCourse(plan)
      for (const a of index.activities) expect(sum(gradedParts(index, a.id).map((p) => p.part))).to.be.closeTo(1, 1e-9)
      // Coverage divides in the same way: what it gives to outcomes is what is not unaligned.
      const none = shares.find((s) => s.laneId === null)?.graded ?? 0
      expect(sum(coverageOf(plan).cells.map((c) => c.share))).to.be.closeTo(totalEffective - none, shares.length)
    }))
  it('hours of the weeks and what has no days sum to the minutes planned, by purpose too', () =>
    holds((plan) => {
      const hours = hoursByWeek(plan)
      expect(sum(hours.weeks.map((w) => w.minutes)) + hours.undated).to.be.closeTo(hours.total, 1e-6)
      for (const w of hours.weeks) expect(sum([...w.byPurpose.values()])).to.be.closeTo(w.minutes, 1e-6)
    }))
  it('marking of the weeks and after them sums to submissions by minutes', () =>
    holds((plan) => {
      const marking = markingByWeek(plan)
      expect(sum((marking?.weeks ?? []).map((w) => w.minutes)) + (marking?.after ?? 0)).to.be.closeTo(marking?.total ?? 0, 1e-6)
    }))
  it('full marks give the whole grade, none nothing, and the mark that is said to be needed is the smallest that is enough', () =>
    holds((plan) => {
      const { rows, totalEffective, totalExtra } = gradeTable(plan)
      expect(finalPercent(rows, () => 10_000)).to.be.closeTo(totalEffective + totalExtra, 1e-6)
      expect(finalPercent(rows, () => 0)).to.equal(0)
      const needed = tryMarks(plan, new Map([['a1', 4000]])).needed[0]
      if (!needed || needed.percent === null) return
      const extra = new Set(rows.flatMap((r) => r.items.filter((i) => i.extra !== null).map((i) => i.activity.id)))
      const withRest = (percent: number) => finalPercent(rows, (id) => (id === 'a1' ? 4000 : extra.has(id) ? 0 : percent))
      expect(reachesMinimum(withRest(needed.percent), 5000, null)).to.equal(true)
      if (needed.percent > 0) expect(reachesMinimum(withRest(needed.percent - 1), 5000, null)).to.equal(false)
    }))
  it('making a series changes nothing that anybody sees, and spreading a field to all makes all the same', () =>
    holds((plan) => {
      const ids = ['a0', 'a1', 'a3', 'a6']
      const seen = (b: Blueprint) => {
        const index = indexCourse(b)
        return index.activities.map((a) => [
          a.title.replace(/\d+/, '#'),
          a.kind,
          a.minutes,
          a.dueRule,
          index.assessmentOf(a.id)?.points ?? null,
          index.assessmentOf(a.id)?.categoryId ?? null,
        ])
      }
      const made = applyEffective(
        plan,
        editPlan(plan, (e) => void makeSeries(e, ids, counter('s'))),
      )
      expect(seen(made)).to.deep.equal(seen(plan))
      const spread = applyEffective(
        made,
        editPlan(made, (e) => spreadField(e, 'a1', 'minutes', 'all')),
      )
      expect(
        new Set(
          indexCourse(spread)
            .membersOf('s1')
            .map((a) => a.minutes),
        ).size,
      ).to.equal(1)
    }))
  it('criteria scaled to any total sum to it exactly', () =>
    fc.assert(
      fc.property(plans, fc.integer({ min: 1, max: 60_000 }), (plan, total) => {
        if (plan.criterion.size === 0) return
        const scaled = applyEffective(
          plan,
          editPlan(plan, (e) => scaleCriteria(e, 'r0', total)),
        )
        expect(
          sum(
            indexCourse(scaled)
              .criteriaOf('r0')
              .map((c) => c.weight ?? 0),
          ),
        ).to.equal(total)
      }),
      RUNS,
    ))
  it('a file gives the same course again, and the analysis says the same of it', () =>
    holds((plan) => {
      const again = readNative(writeNative(plan))
      if (!again.ok) throw new Error(again.error[0]?.message)
      expect(sameBlueprint(plan, again.value)).to.equal(true)
      expect(analyse(again.value, null).counts).to.deep.equal(analyse(plan, null).counts)
    }))
})

for (const file of readdirSync('demo').filter((f) => f.endsWith('.json')))
  describe(`the demo course ${file}`, () => {
    const read = readNative(readFileSync(`demo/${file}`, 'utf8'))
    if (!read.ok) throw new Error(read.error[0]?.message)
    const course = read.value
    it('gives the same again after a round through its file', () => {
      const again = readNative(writeNative(course))
      expect(again.ok && sameBlueprint(course, again.value)).to.equal(true)
    })
    it('is understood again from its own workbook: every module, objective and activity, and nothing twice', async () => {
      const xlsx = formatOf('xlsx')
      const written = xlsx && (await writeFile(course, xlsx, { courseId: 'c', stamp: '2027-01-01T00:00:00Z' }))
      const body = written?.body
      const source = readFile('course.xlsx', body as Uint8Array)
      if (!source.ok) throw new Error(source.error.message)
      const understood = understand([source.value])
      const index = indexCourse(course)
      expect(understood.modules.map((m) => m.title)).to.deep.equal(index.modules.map((m) => m.title))
      expect(understood.modules.flatMap((m) => m.objectives.map((o) => o.statement))).to.deep.equal(
        index.objectives.map((o) => o.statement),
      )
      expect(understood.modules.flatMap((m) => m.activities.map((a) => [a.title, a.minutes]))).to.have.deep.members(
        index.activities.map((a) => [a.title, a.minutes === null ? null : Math.round(a.minutes)]),
      )
      // Brought into the course it came from, it finds everything there.
      const brought = applyEffective(
        course,
        editPlan(course, (e) => bringIn(e, understood, counter('new'))),
      )
      expect(indexCourse(brought).activities.length).to.equal(index.activities.length)
      expect(indexCourse(brought).objectives.length).to.equal(index.objectives.length)
    })
  })
