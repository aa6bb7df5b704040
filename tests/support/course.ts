import { type Blueprint, blueprintOf, type Records } from '../../src/core/blueprint/blueprint'
import { linkId } from '../../src/core/blueprint/ids'
import type { Activity, Course, Module, Objective, Offering, Outcome } from '../../src/core/blueprint/kinds'
import type { Stage } from '../../src/core/blueprint/kinds/activity'

/** Small records for tests; what a test is about it says itself. */
export const aCourse = (over: Partial<Course> = {}): Course => ({
  id: 'course',
  title: 'Test course',
  code: null,
  institution: null,
  subtitle: null,
  description: null,
  audience: null,
  prerequisites: null,
  delivery: 'online-async',
  creditSystem: 'semester',
  credits: 300,
  weeks: 4,
  weeklyHoursMin: null,
  weeklyHoursMax: null,
  moduleWord: null,
  outcomePrefix: null,
  language: null,
  ...over,
})
export const anOffering = (over: Partial<Offering> = {}): Offering => ({
  id: 'run',
  term: 'Autumn',
  firstDay: '2027-09-06',
  lastDay: null,
  timeZone: 'Europe/London',
  weekStart: 'monday',
  countBreaks: false,
  dueTime: null,
  order: 'a0',
  ...over,
})
export const anOutcome = (id: string, over: Partial<Outcome> = {}): Outcome => ({
  id,
  statement: `Explain ${id}`,
  level: null,
  intendedShare: null,
  origin: 'own',
  order: `a${id.slice(-1)}`,
  ...over,
})
export const aModule = (id: string, over: Partial<Module> = {}): Module => ({
  id,
  title: `Module ${id}`,
  subtitle: null,
  planning: 'planned',
  firstWeek: 1,
  lastWeek: 1,
  order: `a${id.slice(-1)}`,
  ...over,
})
export const anObjective = (id: string, moduleId: string, over: Partial<Objective> = {}): Objective => ({
  id,
  moduleId,
  statement: `Measure ${id}`,
  level: null,
  origin: 'own',
  order: `a${id.slice(-1)}`,
  ...over,
})
export const anActivity = (id: string, moduleId: string, over: Partial<Activity> = {}): Activity => ({
  id,
  moduleId,
  partId: null,
  title: `Activity ${id}`,
  kind: null,
  purpose: null,
  minutes: null,
  dueRule: null,
  dueTime: null,
  notes: null,
  order: `a${id.slice(-1)}`,
  ...over,
})
export const alignmentOf = (activityId: string, objectiveId: string, ...stages: Stage[]) => ({
  id: linkId([activityId, objectiveId]),
  activityId,
  objectiveId,
  stages,
})
export const assessmentOf = (
  activityId: string,
  points: number | null,
  categoryId: string | null = null,
  fn: 'formative' | 'summative' = 'summative',
) => ({
  id: linkId([activityId], 'assessment'),
  activityId,
  categoryId,
  points,
  function: fn,
})
export const outcomeLink = (objectiveId: string, outcomeId: string) => ({ id: linkId([objectiveId, outcomeId]), objectiveId, outcomeId })

/** A blueprint with a course and an offering, and what the test adds. */
export const aBlueprint = (records: Records = {}): Blueprint => blueprintOf({ course: [aCourse()], offering: [anOffering()], ...records })

/** Ids in sequence: n1, n2, ... */
export const counter = (prefix = 'n') => {
  let n = 0
  return () => `${prefix}${++n}`
}
