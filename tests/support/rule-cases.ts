import { applyEffective } from '../../src/core/blueprint/apply'
import { blankOf } from '../../src/core/blueprint/blank'
import type { Blueprint } from '../../src/core/blueprint/blueprint'
import { editPlan, type PlanEdit } from '../../src/core/blueprint/edit'
import { linkId } from '../../src/core/blueprint/ids'
import { richFromPlain } from '../../src/core/blueprint/rich-text'
import { movePartIn } from '../../src/core/design/edit-pattern'
import { type BesideFacts, NOTHING_BESIDE } from '../../src/core/findings/beside-facts'
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
  aRubric,
  assessmentOf,
  criterionLink,
  outcomeLink,
} from './course'
import { textCases } from './text-cases'

const TEXT = richFromPlain('What is to be done.')

/** A small course in which nothing is found: each test breaks one thing in it. */
export const sound = aBlueprint({
  module: [
    aModule('m1', { overview: TEXT, closing: TEXT }),
    // A group beside the sequence, which needs no objectives and recalls nothing.
    aModule('m2', { firstWeek: 2, lastWeek: 2, role: 'end', overview: TEXT, closing: TEXT }),
  ],
  outcome: [anOutcome('co1', { statement: 'Measure flow' })],
  objective: [anObjective('o1', 'm1', { statement: 'Measure velocity' })],
  objectiveOutcome: [outcomeLink('o1', 'co1')],
  activity: [
    anActivity('a1', 'm1', { title: 'Practice run', kind: 'practice', dueRule: { rule: 'module-day', week: 1, day: 3 } }),
    anActivity('a2', 'm1', {
      title: 'Lab',
      kind: 'lab',
      purpose: 'demonstrate',
      instructions: TEXT,
      dueRule: { rule: 'module-day', week: 1, day: 5 },
    }),
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
export const edited = (base: Blueprint, work: (e: PlanEdit) => void): Blueprint => applyEffective(base, editPlan(base, work))
/** A framework of one item, with what is linked with it: by hand, o1 practises and assesses in a1 and a2, nothing introduces it. */
export const withItem = (e: PlanEdit, over: Parameters<typeof anItem>[2] = {}) => {
  e.create('framework', aFramework('f1'))
  e.create('frameworkItem', anItem('i1', 'f1', { code: '1.1', ...over }))
}

export type Case = {
  code: string
  weight: string
  at: string
  work: (e: PlanEdit) => void
  fix?: number[]
  /** The day of the analysis, and what is known from beside the plan. */
  day?: string
  beside?: BesideFacts
}
const besides = (over: Partial<BesideFacts>): BesideFacts => ({ ...NOTHING_BESIDE, ...over })
const aPointToRate = (e: PlanEdit) => {
  e.create('reviewSet', { ...blankOf('reviewSet'), id: 's1', title: 'Set', order: 'a0' })
  e.create('reviewArea', { ...blankOf('reviewArea'), id: 'ar1', setId: 's1', title: 'Area', order: 'a0' })
  e.create('reviewPoint', {
    ...blankOf('reviewPoint'),
    id: 'pt1',
    areaId: 'ar1',
    code: 'A-1',
    statement: 'A point',
    priority: 'must',
    order: 'a0',
  })
}
export const CASES: Case[] = [
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
  {
    code: 'recall-later',
    weight: 'fix',
    at: 'm1',
    work: (e) => e.create('recallModule', { id: linkId(['m1', 'm2']), moduleId: 'm1', recalledId: 'm2' }),
    fix: [0],
  },
  {
    code: 'builds-on-loop',
    weight: 'fix',
    at: 'a1',
    work: (e) => {
      e.create('buildsOn', { id: linkId(['a1', 'a2']), activityId: 'a1', earlierId: 'a2', carries: null })
      e.create('buildsOn', { id: linkId(['a2', 'a1']), activityId: 'a2', earlierId: 'a1', carries: null })
    },
  },
  {
    code: 'media-too-long',
    weight: 'check',
    at: 'a1',
    work: (e) => e.create('storyRow', { ...blankOf('storyRow'), id: 's1', activityId: 'a1', seconds: 760, order: 'a0' }),
  },
  {
    code: 'part-empty',
    weight: 'check',
    at: 'm1',
    work: (e) => e.create('part', { ...blankOf('part'), id: 'p1', title: 'Look back', required: true, order: 'a0' }),
  },
  {
    code: 'series-missing',
    weight: 'check',
    at: 'm1',
    work: (e) => e.create('series', { ...blankOf('series'), id: 's1', title: 'Check {n}', everyModule: true, order: 'a0' }),
  },
  { code: 'no-instructions', weight: 'check', at: 'a2', work: (e) => e.set('activity', 'a2', { instructions: null }) },
  { code: 'module-no-objectives', weight: 'check', at: 'm2', work: (e) => e.set('module', 'm2', { role: null }) },
  { code: 'recall-none', weight: 'open', at: 'm2', work: (e) => e.set('module', 'm2', { role: null }) },
  { code: 'no-overview', weight: 'open', at: 'm1', work: (e) => e.set('module', 'm1', { overview: null }) },
  { code: 'no-closing', weight: 'open', at: 'm1', work: (e) => e.set('module', 'm1', { closing: null }) },
  {
    code: 'own-order',
    weight: 'check',
    at: 'm1',
    work: (e) => {
      for (const [id, order] of [
        ['p1', 'a0'],
        ['p2', 'a1'],
      ] as const)
        e.create('part', { ...blankOf('part'), id, title: id, order })
      movePartIn(e, 'm1', 'p2', -1)
    },
  },
  { code: 'no-other-delivery', weight: 'idea', at: 'a1', work: (e) => e.set('course', 'course', { alsoDelivery: 'blended' }) },
  {
    code: 'no-part',
    weight: 'idea',
    at: 'a1',
    work: (e) => e.create('part', { ...blankOf('part'), id: 'p1', title: 'Do', order: 'a0' }),
  },
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
  { code: 'review-open', weight: 'open', at: 'pt1', work: aPointToRate, beside: besides({ unrated: ['pt1'] }) },
  { code: 'review-stale', weight: 'open', at: 'pt1', work: aPointToRate, beside: besides({ stale: ['pt1'] }) },
  {
    code: 'action-overdue',
    weight: 'check',
    at: 'a1',
    work: () => undefined,
    day: '2027-02-02',
    beside: besides({ actions: [{ what: 'Mend it', by: '2027-02-01', records: [{ kind: 'activity', id: 'a1' }] }] }),
  },
  ...textCases(),
]
