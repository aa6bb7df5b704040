import { readFileSync } from 'node:fs'
import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { analyse } from '../../../src/core/findings/analyse'
import { applyFix } from '../../../src/core/findings/apply-fix'
import { RULES } from '../../../src/core/findings/registry'
import { readNative } from '../../../src/core/formats/native'
import {
  aBlueprint,
  aCategory,
  aCriterion,
  aDescriptor,
  aFramework,
  aLevel,
  alignmentOf,
  aModule,
  anActivity,
  anItem,
  anObjective,
  anOffering,
  anOutcome,
  aPoint,
  aRubric,
  assessmentOf,
  counter,
  criterionLink,
  itemOf,
  outcomeLink,
} from '../../support/course'

/** A small course in which nothing is found: each test breaks one thing in it. */
const sound = aBlueprint({
  module: [aModule('m1'), aModule('m2', { firstWeek: 2, lastWeek: 2 })],
  outcome: [anOutcome('co1', { statement: 'Measure flow' })],
  objective: [anObjective('o1', 'm1', { statement: 'Measure velocity' })],
  objectiveOutcome: [outcomeLink('o1', 'co1')],
  activity: [
    anActivity('a1', 'm1', { title: 'Practice run', kind: 'practice', dueRule: { rule: 'module-day', week: 1, day: 3 } }),
    anActivity('a2', 'm1', { title: 'Lab', kind: 'lab', purpose: 'demonstrate', dueRule: { rule: 'module-day', week: 1, day: 5 } }),
  ],
  alignment: [alignmentOf('a1', 'o1', 'practises'), alignmentOf('a2', 'o1', 'assesses')],
  gradeCategory: [aCategory('g1', 10_000, { title: 'Labs' })],
  rubric: [aRubric('r1', { title: 'Lab rubric' })],
  rubricLevel: [aLevel('l1', 'r1', 0), aLevel('l2', 'r1', 10_000)],
  criterion: [aCriterion('c1', 'r1', 3000, { title: 'Method' }), aCriterion('c2', 'r1', 1000, { title: 'Language', general: true })],
  criterionObjective: [criterionLink('c1', 'o1')],
  descriptor: [
    aDescriptor('c1', 'l1', 'One run, or no rule'),
    aDescriptor('c1', 'l2', 'Five runs by a stated rule'),
    aDescriptor('c2', 'l1', 'A reader has to guess'),
    aDescriptor('c2', 'l2', 'Every sentence is read once'),
  ],
  assessment: [assessmentOf('a2', 4000, 'g1', 'summative', { rubricId: 'r1' })],
})
const edited = (base: Blueprint, work: (e: PlanEdit) => void): Blueprint => applyEffective(base, editPlan(base, work))
const found = (b: Blueprint, code: string) => analyse(b, null).findings.filter((f) => f.code === code)
const fixed = (b: Blueprint, code: string, n = 0): Blueprint => {
  const fix = found(b, code)[0]?.fixes[n]
  if (!fix) throw new Error(`no fix ${n} for ${code}`)
  return edited(b, (e) => applyFix(e, fix.steps, counter('fix')))
}

/** A framework of one item, with what is linked with it: by hand, o1 practises and assesses in a1 and a2, nothing introduces it. */
const withItem = (e: PlanEdit, over: Parameters<typeof anItem>[2] = {}) => {
  e.create('framework', aFramework('f1'))
  e.create('frameworkItem', anItem('i1', 'f1', { code: '1.1', ...over }))
}

type Case = { code: string; weight: string; at: string; work: (e: PlanEdit) => void; fix?: number[] }
const CASES: Case[] = [
  { code: 'shares-not-100', weight: 'fix', at: 'g1', work: (e) => e.set('gradeCategory', 'g1', { share: 9500 }), fix: [0, 1] },
  { code: 'module-weeks-outside', weight: 'fix', at: 'm2', work: (e) => e.set('module', 'm2', { firstWeek: 4, lastWeek: 6 }), fix: [0] },
  {
    code: 'due-outside-term',
    weight: 'fix',
    at: 'a1',
    work: (e) => e.set('activity', 'a1', { dueRule: { rule: 'module-day', week: 9, day: 1 } }),
    fix: [0],
  },
  {
    code: 'unobservable-verb',
    weight: 'check',
    at: 'o1',
    work: (e) => e.set('objective', 'o1', { statement: 'Understand flow' }),
    fix: [0, 1, 2],
  },
  { code: 'no-verb', weight: 'check', at: 'o1', work: (e) => e.set('objective', 'o1', { statement: 'Water' }) },
  {
    code: 'double-performance',
    weight: 'check',
    at: 'o1',
    work: (e) => e.set('objective', 'o1', { statement: 'Collect and interpret a sample' }),
    fix: [0],
  },
  {
    code: 'too-long',
    weight: 'idea',
    at: 'o1',
    work: (e) => e.set('objective', 'o1', { statement: `Measure ${'water '.repeat(31).trim()}` }),
  },
  {
    code: 'due-while-closed',
    weight: 'check',
    at: 'a2',
    work: (e) =>
      void e.create('calendarRule', {
        id: 'r',
        offeringId: 'run',
        kind: 'closed',
        title: 'Staff day',
        firstDate: '2027-09-10',
        lastDate: '2027-09-10',
      }),
    fix: [0, 1],
  },
  {
    code: 'due-outside-module',
    weight: 'check',
    at: 'a2',
    work: (e) => e.set('activity', 'a2', { dueRule: { rule: 'module-day', week: 2, day: 1 } }),
    fix: [0],
  },
  {
    code: 'too-many-due',
    weight: 'check',
    at: 'a2',
    work: (e) => {
      for (const id of ['b1', 'b2']) {
        e.create('activity', anActivity(id, 'm1', { title: id, dueRule: { rule: 'module-day', week: 1, day: 5 } }))
        e.create('alignment', alignmentOf(id, 'o1', 'assesses'))
        e.create('assessment', assessmentOf(id, 1000, 'g1', 'formative'))
      }
    },
  },
  {
    code: 'summative-before-practice',
    weight: 'check',
    at: 'a2',
    work: (e) => e.set('activity', 'a1', { dueRule: { rule: 'module-day', week: 1, day: 6 } }),
  },
  {
    code: 'assesses-without-assessment',
    weight: 'check',
    at: 'a2',
    work: (e) => e.remove({ kind: 'assessment', id: assessmentOf('a2', 1).id }),
    fix: [0, 1],
  },
  {
    code: 'assessment-without-objective',
    weight: 'check',
    at: 'a2',
    work: (e) => e.set('alignment', alignmentOf('a2', 'o1').id, { stages: ['practises'] }),
    fix: [0],
  },
  {
    code: 'assessment-without-category',
    weight: 'check',
    at: 'a2',
    work: (e) => e.set('assessment', assessmentOf('a2', 1).id, { categoryId: null }),
    fix: [0],
  },
  { code: 'category-empty', weight: 'check', at: 'g1', work: (e) => e.set('assessment', assessmentOf('a2', 1).id, { categoryId: null }) },
  { code: 'same-title', weight: 'check', at: 'a1', work: (e) => e.set('activity', 'a1', { title: 'LAB!' }) },
  { code: 'outcome-level-not-reached', weight: 'idea', at: 'co1', work: (e) => e.set('outcome', 'co1', { statement: 'Evaluate flow' }) },
  {
    code: 'hours-over-target',
    weight: 'check',
    at: 'm1',
    // 300 minutes in a week of at most 4 hours: an hour and 25 per cent over.
    work: (e) => {
      e.set('course', 'course', { weeklyHoursMin: 200, weeklyHoursMax: 400 })
      e.set('activity', 'a1', { minutes: 300 })
    },
  },
  { code: 'share-differs', weight: 'idea', at: 'co1', work: (e) => e.set('outcome', 'co1', { intendedShare: 9300 }) },
  { code: 'objective-not-assessed', weight: 'check', at: 'o1', work: (e) => e.remove({ kind: 'activity', id: 'a2' }) },
  { code: 'objective-without-outcome', weight: 'check', at: 'o1', work: (e) => e.remove({ kind: 'outcome', id: 'co1' }) },
  { code: 'outcome-without-objective', weight: 'check', at: 'co1', work: (e) => e.remove({ kind: 'objective', id: 'o1' }) },
  {
    code: 'activity-serves-nothing',
    weight: 'check',
    at: 'a1',
    work: (e) => e.remove({ kind: 'alignment', id: alignmentOf('a1', 'o1').id }),
  },
  {
    // Due Wed 8 Sep in week 1; back within five working days, on Wed 15 Sep, after the lab is due on Fri 10 Sep.
    code: 'feedback-too-late',
    weight: 'check',
    at: 'a1',
    work: (e) => {
      e.create('assessment', assessmentOf('a1', null, null, 'formative'))
      e.set('offering', anOffering().id, { returnDays: 5 })
    },
  },
  {
    // 30 submissions of 15 minutes in one week are 7.5 hours.
    code: 'marking-over-available',
    weight: 'check',
    at: 'a2',
    work: (e) => e.set('offering', anOffering().id, { enrolment: 30, returnDays: 5, markingHours: 500 }),
  },
  {
    // 3 semester credits ask for 135 hours.
    code: 'total-off-credits',
    weight: 'check',
    at: 'course',
    work: (e) => e.set('activity', 'a1', { minutes: 120 * 60 }),
  },
  { code: 'rubric-sum-differs', weight: 'fix', at: 'r1', work: (e) => e.set('criterion', 'c1', { weight: 2000 }), fix: [0, 1] },
  { code: 'rubric-levels-order', weight: 'fix', at: 'l2', work: (e) => e.set('rubricLevel', 'l2', { value: 9000 }), fix: [0] },
  {
    code: 'criterion-cites-other',
    weight: 'fix',
    at: 'c1',
    work: (e) => {
      e.create('objective', anObjective('o2', 'm1', { statement: 'Survey a section' }))
      e.create('criterionObjective', criterionLink('c1', 'o2'))
    },
    fix: [0, 1],
  },
  {
    code: 'assesses-without-criterion',
    weight: 'check',
    at: 'a2',
    work: (e) => {
      e.create('objective', anObjective('o2', 'm1', { statement: 'Survey a section' }))
      e.create('alignment', alignmentOf('a2', 'o2', 'assesses'))
    },
  },
  { code: 'criterion-unlinked', weight: 'check', at: 'c2', work: (e) => e.set('criterion', 'c2', { general: false }), fix: [0, 1] },
  { code: 'criteria-same', weight: 'check', at: 'c2', work: (e) => e.set('criterion', 'c2', { title: 'method!' }) },
  {
    code: 'descriptor-vague',
    weight: 'check',
    at: 'c1',
    work: (e) => e.set('descriptor', aDescriptor('c1', 'l2', '').id, { text: 'A very good method' }),
  },
  {
    code: 'descriptor-empty',
    weight: 'check',
    at: 'c1',
    work: (e) => e.remove({ kind: 'descriptor', id: aDescriptor('c1', 'l2', '').id }),
  },
  {
    code: 'teacher-centred',
    weight: 'check',
    at: 'o1',
    work: (e) => e.set('objective', 'o1', { statement: 'Provide students with an overview of velocity' }),
    fix: [0, 1],
  },
  {
    code: 'task-not-result',
    weight: 'check',
    at: 'o1',
    work: (e) => e.set('objective', 'o1', { statement: 'Complete the quiz on velocity' }),
    fix: [0, 1],
  },
  { code: 'passive', weight: 'check', at: 'o1', work: (e) => e.set('objective', 'o1', { statement: 'Velocity is measured' }), fix: [0] },
  {
    code: 'similar-objectives',
    weight: 'check',
    at: 'o2',
    work: (e) => e.create('objective', anObjective('o2', 'm2', { statement: 'Gauge the velocity' })),
    fix: [0, 1],
  },
  {
    code: 'objective-above-outcome',
    weight: 'idea',
    at: 'o1',
    work: (e) => e.set('objective', 'o1', { statement: 'Design velocity meters' }),
  },
  {
    code: 'rubric-too-large',
    weight: 'idea',
    at: 'r1',
    work: (e) => {
      for (let i = 3; i < 9; i++) e.create('criterion', aCriterion(`c${i}`, 'r1', null, { general: true }))
    },
  },
  { code: 'criterion-double', weight: 'idea', at: 'c1', work: (e) => e.set('criterion', 'c1', { title: 'Method and tone' }) },
]

CASES.push(
  { code: 'item-not-taught', weight: 'check', at: 'i1', work: (e) => withItem(e), fix: [0] },
  { code: 'item-not-practised', weight: 'check', at: 'i1', work: (e) => withItem(e, { statement: 'Measure the velocity' }), fix: [0, 1] },
  { code: 'item-not-assessed', weight: 'check', at: 'i1', work: (e) => withItem(e, { kind: 'performance evidence' }), fix: [0] },
  {
    code: 'evidence-short',
    weight: 'check',
    at: 'i1',
    work: (e) => {
      withItem(e, { kind: 'performance evidence', times: 3 })
      e.create('evidencePoint', aPoint('p1', 'a2', { occasions: 2 }))
      e.create('evidenceItem', itemOf.point('p1', 'i1'))
    },
    fix: [0],
  },
  { code: 'no-condition', weight: 'idea', at: 'o1', work: (e) => e.set('course', 'course', { profile: 'competency' }) },
  { code: 'no-how-well', weight: 'idea', at: 'o1', work: (e) => e.set('course', 'course', { profile: 'competency' }) },
)

describe('findings', () => {
  it('has none in a sound course', () => expect(analyse(sound, null).findings.map((f) => f.message)).to.deep.equal([]))
  it('has none in an empty course', () => expect(analyse(aBlueprint(), '2027-01-01').findings).to.deep.equal([]))
  it('has a case here for every rule', () => expect(CASES.map((c) => c.code).sort()).to.deep.equal(RULES.map((r) => r.code).sort()))

  for (const { code, weight, at, work, fix = [] } of CASES) {
    it(`${code}: is found where it is, as ${weight}, with its reason`, () => {
      const [finding] = found(edited(sound, work), code)
      expect(finding).to.include({ weight })
      expect(finding?.records.map((r) => r.id)).to.include(at)
      expect(finding?.message).to.match(/\w/)
      expect(finding?.why).to.match(/\.$/)
    })
    for (const n of fix)
      it(`${code}: fix ${n + 1} ends it`, () => expect(found(fixed(edited(sound, work), code, n), code)).to.deep.equal([]))
  }

  it('tells a line once, however many are like it, and names the others by number up to five', () => {
    const alike = (n: number) =>
      edited(sound, (e) => {
        for (let i = 2; i <= n; i++) e.create('objective', anObjective(`o${i}`, 'm2', { statement: 'Gauge the velocity' }))
      })
    expect(found(alike(4), 'similar-objectives').map((f) => [f.records[0]?.id, f.message])).to.deep.equal([
      ['o2', '2a asks for much the same as 1a: “Measure velocity”.'],
      ['o3', '2b asks for much the same as 1a: “Measure velocity”. Also 2a.'],
      ['o4', '2c asks for much the same as 1a: “Measure velocity”. Also 2a, 2b.'],
    ])
    const last = found(alike(9), 'similar-objectives').at(-1)
    expect(last?.message).to.equal('2h asks for much the same as 1a: “Measure velocity”. Also 2a, 2b, 2c, 2d, 2e and 2 more.')
  })

  it('keeps the links on both halves of a split objective', () => {
    const split = fixed(
      edited(sound, (e) => e.set('objective', 'o1', { statement: 'Collect and interpret a sample' })),
      'double-performance',
    )
    expect([...split.objective.values()].map((o) => o.statement)).to.have.members(['Collect a sample', 'Interpret a sample'])
    expect([split.objectiveOutcome.size, split.alignment.size]).to.deep.equal([2, 4])
  })

  it('says what is not planned yet quietly while the module is a sketch, louder when it is planned or the start is near', () => {
    const sketch = edited(sound, (e) => {
      e.set('module', 'm1', { planning: 'sketch' })
      e.remove({ kind: 'activity', id: 'a2' })
    })
    const weight = (today: string | null) => analyse(sketch, today).findings.find((f) => f.code === 'objective-not-assessed')?.weight
    expect(weight('2027-01-01')).to.equal('open')
    expect(analyse(sketch, '2027-01-01').open.map((o) => o.message)).to.deep.equal(['1 of 1 objective has no assessment yet.'])
    expect(weight('2027-08-20')).to.equal('check')
  })

  it('notes prescribed wording without a fix', () => {
    const prescribed = edited(sound, (e) => e.set('objective', 'o1', { statement: 'Understand flow', origin: 'prescribed' }))
    expect(found(prescribed, 'unobservable-verb')[0]?.fixes).to.deep.equal([])
  })

  it('leaves an accepted finding out of the counts until what it stands on changes', () => {
    const short = edited(sound, (e) => e.set('gradeCategory', 'g1', { share: 9500 }))
    const [finding] = found(short, 'shares-not-100')
    if (!finding) throw new Error('nothing to accept')
    const kept = edited(
      short,
      (e) =>
        void e.create('decision', {
          id: 'd',
          kind: 'finding accepted',
          reason: 'A bonus comes later',
          author: 'Ines',
          date: '2027-01-01',
          findingKey: finding.key,
          facts: finding.facts,
        }),
    )
    expect(analyse(kept, null).counts.fix).to.equal(0)
    expect(found(kept, 'shares-not-100')[0]?.accepted?.reason).to.equal('A bonus comes later')
    const moved = edited(kept, (e) => e.set('gradeCategory', 'g1', { share: 9000 }))
    expect(analyse(moved, null).counts.fix).to.equal(1)
    expect(found(moved, 'shares-not-100')[0]?.accepted).to.equal(null)
  })

  it('finds the flaws that were put into the demo course', () => {
    const demo = readNative(readFileSync('demo/measuring-small-streams.json', 'utf8'))
    if (!demo.ok) throw new Error('the demo does not read')
    const { findings, counts, fixes } = analyse(demo.value, '2027-06-01')
    expect(new Set(findings.map((f) => f.code)).size).to.be.at.least(12)
    expect(counts.fix).to.equal(3)
    expect(fixes).to.include({ assessment: 2, calendar: 1, map: 0 })
  })

  it('does not take levels that differ by one judging word for descriptors, whichever way the levels run', () => {
    const swapped = edited(sound, (e) => e.set('descriptor', aDescriptor('c1', 'l1', '').id, { text: 'Adequate use of five runs' }))
    const both = edited(swapped, (e) => e.set('descriptor', aDescriptor('c1', 'l2', '').id, { text: 'Excellent use of five runs' }))
    expect(found(both, 'descriptor-vague')[0]?.message).to.contain('differ by one judging word')
    const falling = edited(sound, (e) => {
      e.set('rubricLevel', 'l1', { value: 10_000 })
      e.set('rubricLevel', 'l2', { value: 0 })
    })
    expect(found(falling, 'rubric-levels-order')).to.deep.equal([])
  })

  it('says of a framework with many gaps that there are many, once for each sort', () => {
    const big = edited(sound, (e) => {
      e.create('framework', aFramework('f1'))
      e.createAll(
        'frameworkItem',
        Array.from({ length: 61 }, (_, i) => anItem(`i${i}`, 'f1')),
      )
    })
    for (const code of ['item-not-taught', 'item-not-practised', 'item-not-assessed'])
      expect(found(big, code).map((f) => [f.records[0]?.id, f.message.startsWith('61 items')])).to.deep.equal([['f1', true]])
  })

  it('resolves without an offering', () => {
    const noTerm = edited(sound, (e) => e.remove({ kind: 'offering', id: anOffering().id }))
    expect(analyse(noTerm, '2027-01-01').findings).to.deep.equal([])
  })
})
