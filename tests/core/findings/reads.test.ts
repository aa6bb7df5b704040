/** What rules and derived values say they read is what they rest on: tried with edits of every field of every kind. */
import { readdirSync, readFileSync } from 'node:fs'
import { expect } from 'chai'
import { coverageOf } from '../../../src/core/alignment/coverage'
import { type Blueprint, patchBlueprint, recordsOf } from '../../../src/core/blueprint/blueprint'
import { type AnyRecord, fieldsOf, KIND_NAMES, type KindName } from '../../../src/core/blueprint/kinds'
import { scheduleOf, termOf } from '../../../src/core/calendar/schedule'
import { Analyser, analyse } from '../../../src/core/findings/analyse'
import { type BesideFacts, NOTHING_BESIDE } from '../../../src/core/findings/beside-facts'
import { contextOf } from '../../../src/core/findings/context'
import { placesOf } from '../../../src/core/findings/places'
import { RULES } from '../../../src/core/findings/registry'
import { readNative } from '../../../src/core/formats/native'
import { frameworkCoverage } from '../../../src/core/frameworks/item-coverage'
import { gradeByOutcome } from '../../../src/core/grading/by-outcome'
import { gradeTable } from '../../../src/core/grading/grade-table'
import { hoursByWeek } from '../../../src/core/hours/by-week'
import { TEXT_CODES } from '../../../src/core/learner-pages/text-codes'
import type { Derived, Read } from '../../../src/core/plan/derive'
import { indexFrameworks } from '../../../src/core/plan/framework-index'
import { ordersOf } from '../../../src/core/plan/orders'
import { indexCourse, PARTS, wholeActivities } from '../../../src/core/plan/plan-index'
import { comparing } from '../../support/comparing'
import { valueFor } from '../../support/random-values'
import { rng } from '../../support/rng'
import { CASES, edited, sound } from '../../support/rule-cases'
import { everyTextProblem } from '../../support/text-cases'

const TODAY = '2027-08-30'
const courses = readdirSync('demo')
  .filter((f) => f.endsWith('.json'))
  .map((file) => {
    const read = readNative(readFileSync(`demo/${file}`, 'utf8'))
    if (!read.ok) throw new Error(file)
    return read.value
  })
const DERIVED: Readonly<Record<string, Derived<unknown>>> = {
  ordersOf,
  wholeActivities,
  indexFrameworks,
  termOf,
  scheduleOf,
  gradeTable,
  gradeByOutcome,
  coverageOf,
  hoursByWeek,
  frameworkCoverage,
  placesOf,
  ...PARTS,
}
const readsOf = (reads: readonly (Read | Derived<unknown>)[]) => new Set(reads.flatMap((r) => (typeof r === 'string' ? [r] : r.reads)))
/** A copy that shares no map and no record, so that everything is worked out anew. */
const fresh = (b: Blueprint): Blueprint =>
  Object.fromEntries(
    Object.entries(b).map(([kind, map]) => [kind, new Map([...(map as Map<string, object>)].map(([id, r]) => [id, structuredClone(r)]))]),
  ) as unknown as Blueprint
/** A value as plain data: functions are asked about every record. */
const plain = (value: unknown, plan: Blueprint): unknown => {
  const ids = KIND_NAMES.flatMap((k) => recordsOf(plan, k).map((r) => r.id))
  const walk = (v: unknown): unknown => {
    if (typeof v === 'function')
      return ids.map((id) => {
        try {
          return walk((v as (id: string) => unknown)(id))
        } catch {
          return null
        }
      })
    if (v instanceof Map) return [...v].map(([k, x]) => [walk(k), walk(x)])
    if (v instanceof Set) return [...v].map(walk)
    if (Array.isArray(v)) return v.map(walk)
    if (typeof v === 'object' && v !== null) return Object.fromEntries(Object.entries(v).map(([k, x]) => [k, walk(x)]))
    return v
  }
  return walk(value)
}

/** The course after many edits by chance: much is found in it that a sound one never shows. */
function scrambled(course: Blueprint, seed: number): Blueprint {
  const random = rng(seed)
  let plan = course
  // One record a time: a course that is wrong throughout finds less than one that is wrong here and there.
  let n = 0
  for (let round = 0; round < 3; round++) for (const edit of edits(plan, random)) if (n++ % 2 === 1 && random() < 0.5) plan = edit.plan
  return plan
}

/** For each field of each kind that the course has, a plan in which it differs in one record, and one in which it does in many. */
function* edits(plan: Blueprint, random: () => number): Generator<{ read: string; kind: KindName; plan: Blueprint }> {
  for (const kind of KIND_NAMES) {
    const records = recordsOf(plan, kind) as unknown as AnyRecord[]
    for (const [field, spec] of fieldsOf(kind))
      for (const chosen of [records.filter(() => random() < 0.7), records.slice(Math.floor(random() * records.length)).slice(0, 1)]) {
        const set = chosen.flatMap((record) => {
          const value = valueFor(spec, random, (to) => recordsOf(plan, to as KindName).map((r) => r.id))
          return value === undefined ? [] : [{ kind, record: { ...record, [field]: value } }]
        })
        if (set.length > 0) yield { read: `${kind}.${field}`, kind, plan: patchBlueprint(plan, { set, removed: [] }) }
      }
  }
}

/** What the cases know from beside their plans, all of it. */
const BESIDE = CASES.reduce<BesideFacts>(
  (all, { beside = NOTHING_BESIDE }) => ({
    unrated: [...all.unrated, ...beside.unrated],
    stale: [...all.stale, ...beside.stale],
    actions: [...all.actions, ...beside.actions],
  }),
  NOTHING_BESIDE,
)

/** Plans in which every rule finds something, one or the other. */
const PLANS = [
  // The problems of texts are tried in one text that has them all.
  ...CASES.filter((c) => !TEXT_CODES.some((code) => code === c.code)).map((c) => edited(sound, c.work)),
  edited(sound, (e) => e.set('module', 'm1', { overview: everyTextProblem() })),
  ...courses,
  ...[1, 2, 3].map((seed) => scrambled(courses[1] as Blueprint, seed)),
  scrambled(courses[0] as Blueprint, 5),
]

describe('what is read', () => {
  comparing()
  it('is tried where something is found, of every rule', () => {
    const fired = new Set(
      PLANS.flatMap((plan) => RULES.filter((r) => r.find(contextOf(plan, TODAY, BESIDE)).length > 0).map((r) => r.code)),
    )
    expect(RULES.map((r) => r.code).filter((code) => !fired.has(code))).to.deep.equal([])
  })
  for (const part of [0, 1, 2, 3])
    it(`by rules is all that their findings rest on, part ${part + 1} of 4`, function () {
      this.timeout(120_000)
      for (const [i, course] of PLANS.entries()) {
        if (i % 4 !== part) continue
        const before = contextOf(fresh(course), TODAY, BESIDE)
        const was = new Map(RULES.map((r) => [r, JSON.stringify(r.find(before))]))
        // A small plan is there for the rule that it breaks; whole courses try all of them.
        const tried = course.activity.size > 10 ? RULES : RULES.filter((r) => was.get(r) !== '[]')
        for (const edit of edits(course, rng(7 + i))) {
          const context = contextOf(fresh(edit.plan), TODAY, BESIDE)
          for (const rule of tried) {
            const reads = readsOf(rule.reads)
            if (reads.has(edit.kind) || reads.has(edit.read as Read)) continue
            expect(JSON.stringify(rule.find(context)), `${rule.code} after ${edit.read}`).to.equal(was.get(rule))
          }
        }
      }
    })
  it('by derived values is all that they rest on', function () {
    this.timeout(120_000)
    const course = courses[0] as Blueprint
    const of = (plan: Blueprint) =>
      Object.fromEntries(Object.entries(DERIVED).map(([name, d]) => [name, JSON.stringify(plain(d(plan), plan))]))
    const was = of(fresh(course))
    for (const edit of edits(course, rng(3))) {
      const kept = Object.entries(DERIVED).filter(
        ([, d]) => !(d.reads as readonly string[]).some((r) => r === edit.kind || r === edit.read),
      )
      const now = of(fresh(edit.plan))
      for (const [name] of kept) expect(now[name], `${name} after ${edit.read}`).to.equal(was[name])
    }
  })
  it('gives the same as working all out anew, whatever was edited before', function () {
    this.timeout(120_000)
    const analyser = new Analyser()
    const random = rng(11)
    let plan = courses.at(-1) as Blueprint
    let n = 0
    for (const edit of edits(plan, random)) {
      // Every other edit builds on the one before; the others are taken back.
      const now = n++ % 2 === 0 ? edit.plan : plan
      const kept = analyser.analyse(now, TODAY, BESIDE)
      const anew = analyse(fresh(now), TODAY, BESIDE)
      expect(kept, `after ${edit.read}`).to.deep.equal(anew)
      if (random() < 0.3) plan = now
    }
  })
})

describe('an edit', () => {
  const course = courses[0] as Blueprint
  const change = (kind: KindName, id: string, to: object): Blueprint =>
    patchBlueprint(course, { set: [{ kind, record: { ...(course[kind].get(id) as unknown as AnyRecord), ...to } }], removed: [] })
  const [activityId] = [...course.activity.keys()] as [string]
  const built = () => [ordersOf, scheduleOf, termOf, gradeTable, hoursByWeek, indexFrameworks].map((d) => d.built())
  const look = (plan: Blueprint) => {
    indexCourse(plan)
    scheduleOf(plan)
    gradeTable(plan)
    hoursByWeek(plan)
    indexFrameworks(plan)
  }
  it('of a decision rebuilds nothing and runs no rule', () => {
    const analyser = new Analyser()
    analyser.analyse(course, TODAY)
    look(course)
    const before = built()
    const decided = patchBlueprint(course, {
      set: [
        {
          kind: 'decision',
          record: { id: 'd', kind: 'design choice', reason: 'x', author: 'y', date: '2027-01-01', findingKey: null, facts: null },
        },
      ],
      removed: [],
    })
    look(decided)
    analyser.analyse(decided, TODAY)
    expect(built()).to.deep.equal(before)
    expect(analyser.ran).to.deep.equal([])
  })
  it('of a title rebuilds no schedule and no order, and runs no rule that did not read it', () => {
    const analyser = new Analyser()
    analyser.analyse(course, TODAY)
    // Rules that the course has switched off do not run.
    const running = new Set(analyser.ran)
    look(course)
    const before = [ordersOf, scheduleOf, termOf].map((d) => d.built())
    const renamed = change('activity', activityId, { title: 'Another name' })
    look(renamed)
    analyser.analyse(renamed, TODAY)
    expect([ordersOf, scheduleOf, termOf].map((d) => d.built())).to.deep.equal(before)
    const read = RULES.filter((r) => ['activity', 'activity.title'].some((read) => readsOf(r.reads).has(read as Read)))
      .map((r) => r.code)
      .filter((code) => running.has(code))
    expect(analyser.ran.toSorted()).to.deep.equal(read.toSorted())
    expect(read.length).to.be.lessThan(RULES.length / 2)
  })
  it('that is taken back finds what was kept', () => {
    const analyser = new Analyser()
    analyser.analyse(course, TODAY)
    analyser.analyse(change('activity', activityId, { title: 'Another name' }), TODAY)
    analyser.analyse(course, TODAY)
    expect(analyser.ran).to.deep.equal([])
  })
})
