import { blankOf } from '../../src/core/blueprint/blank'
import { type Blueprint, blueprintOf, type Records } from '../../src/core/blueprint/blueprint'
import { linkId } from '../../src/core/blueprint/ids'
import type {
  Activity,
  Assessment,
  Course,
  Criterion,
  EvidencePoint,
  Framework,
  FrameworkItem,
  GradeCategory,
  Module,
  Objective,
  Offering,
  Outcome,
  Rubric,
  RubricLevel,
  Series,
} from '../../src/core/blueprint/kinds'
import type { Stage } from '../../src/core/blueprint/kinds/activity'

/** Small records for tests; what a test is about it says itself. */
export const aCourse = (over: Partial<Course> = {}): Course => ({
  ...blankOf('course'),
  id: 'course',
  title: 'Test course',
  delivery: 'online-async',
  creditSystem: 'semester',
  credits: 300,
  weeks: 4,
  ...over,
})
export const anOffering = (over: Partial<Offering> = {}): Offering => ({
  ...blankOf('offering'),
  id: 'run',
  term: 'Autumn',
  firstDay: '2027-09-06',
  timeZone: 'Europe/London',
  weekStart: 'monday',
  countBreaks: false,
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
  ...blankOf('module'),
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
  ...blankOf('activity'),
  id,
  moduleId,
  title: `Activity ${id}`,
  order: `a${id.slice(-1)}`,
  ...over,
})
export const alignmentOf = (activityId: string, objectiveId: string, ...stages: Stage[]) => ({
  ...blankOf('alignment'),
  id: linkId([activityId, objectiveId]),
  activityId,
  objectiveId,
  stages,
})
export const aCategory = (id: string, share: number | null, over: Partial<GradeCategory> = {}): GradeCategory => ({
  ...blankOf('gradeCategory'),
  id,
  title: id,
  share,
  order: `a${id.slice(-1)}`,
  ...over,
})
export const assessmentOf = (
  activityId: string,
  points: number | null,
  categoryId: string | null = null,
  fn: 'formative' | 'summative' = 'summative',
  over: Partial<Assessment> = {},
): Assessment => ({
  ...blankOf('assessment'),
  id: linkId([activityId], 'assessment'),
  activityId,
  categoryId,
  points,
  function: fn,
  ...over,
})
export const aRubric = (id: string, over: Partial<Rubric> = {}): Rubric => ({
  id,
  title: id,
  form: 'analytic',
  scale: 'points',
  order: `a${id.slice(-1)}`,
  ...over,
})
export const aLevel = (id: string, rubricId: string, value: number, over: Partial<RubricLevel> = {}): RubricLevel => ({
  id,
  rubricId,
  title: id,
  value,
  order: `a${id.slice(-1)}`,
  ...over,
})
export const aCriterion = (id: string, rubricId: string, weight: number | null, over: Partial<Criterion> = {}): Criterion => ({
  ...blankOf('criterion'),
  id,
  rubricId,
  title: `Criterion ${id}`,
  weight,
  order: `a${id.slice(-1)}`,
  ...over,
})
export const criterionLink = (criterionId: string, objectiveId: string) => ({
  id: linkId([criterionId, objectiveId]),
  criterionId,
  objectiveId,
})
export const aDescriptor = (criterionId: string, levelId: string, text: string) => ({
  id: linkId([criterionId, levelId]),
  criterionId,
  levelId,
  text,
})
export const aSeries = (id: string, over: Partial<Series> = {}): Series => ({
  ...blankOf('series'),
  id,
  title: `Set {n}`,
  order: `a${id.slice(-1)}`,
  ...over,
})
export const aFramework = (id: string, over: Partial<Framework> = {}): Framework => ({
  ...blankOf('framework'),
  id,
  title: `Framework ${id}`,
  order: `a${id.slice(-1)}`,
  ...over,
})
export const anItem = (id: string, frameworkId: string, over: Partial<FrameworkItem> = {}): FrameworkItem => ({
  ...blankOf('frameworkItem'),
  id,
  frameworkId,
  statement: `Do ${id}`,
  kind: 'performance criterion',
  required: true,
  order: `a${id.slice(-1)}`,
  ...over,
})
export const itemOf = {
  outcome: (outcomeId: string, itemId: string) => ({ id: linkId([outcomeId, itemId]), outcomeId, itemId }),
  objective: (objectiveId: string, itemId: string) => ({ id: linkId([objectiveId, itemId]), objectiveId, itemId }),
  criterion: (criterionId: string, itemId: string) => ({ id: linkId([criterionId, itemId]), criterionId, itemId }),
  point: (pointId: string, itemId: string) => ({ id: linkId([pointId, itemId]), pointId, itemId }),
  activity: (activityId: string, itemId: string, ...stages: Stage[]) => ({ id: linkId([activityId, itemId]), activityId, itemId, stages }),
}
export const aPoint = (id: string, activityId: string, over: Partial<EvidencePoint> = {}): EvidencePoint => ({
  ...blankOf('evidencePoint'),
  id,
  activityId,
  title: `Point ${id}`,
  method: 'observation',
  order: `a${id.slice(-1)}`,
  ...over,
})
export const outcomeLink = (objectiveId: string, outcomeId: string) => ({ id: linkId([objectiveId, outcomeId]), objectiveId, outcomeId })

/** A blueprint with a course and an offering, and what the test adds. */
export const aBlueprint = (records: Records = {}): Blueprint => blueprintOf({ course: [aCourse()], offering: [anOffering()], ...records })

/** Ids in sequence: n1, n2, ... */
export const counter = (prefix = 'n') => {
  let n = 0
  return () => `${prefix}${++n}`
}
