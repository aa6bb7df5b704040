/**
 * Orders, numbers and look-ups of one blueprint, shared by everything that reads it. It is put together of parts, each kept while
 * what it reads is the same: an edit builds anew only what it touches.
 */
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import type {
  Activity,
  Alignment,
  Assessment,
  Criterion,
  GradeCategory,
  Module,
  Objective,
  Outcome,
  Part,
  Rubric,
  RubricLevel,
  Series,
} from '../blueprint/kinds'
import { byOrder } from '../blueprint/order'
import { assumptionsOf } from './assumptions'
import { derive, perPlan } from './derive'
import { indexFrameworks } from './framework-index'
import { groupBy } from './group-by'
import { type Lane, lanesOf } from './lanes'
import { type Orders, ordersOf } from './orders'
import { assessmentOfMember, wholeActivity } from './whole-activity'

export type CourseIndex = {
  readonly outcomes: readonly Outcome[]
  readonly modules: readonly Module[]
  readonly parts: readonly Part[]
  readonly categories: readonly GradeCategory[]
  readonly series: readonly Series[]
  readonly rubrics: readonly Rubric[]
  /** Objectives in module order, then their own. */
  readonly objectives: readonly Objective[]
  /** Activities in module order, part order, then their own; those in no part come last. */
  readonly activities: readonly Activity[]
  readonly objectivesOf: (moduleId: string) => readonly Objective[]
  /** An activity as a whole: with what its series gives, and its minutes estimated where none are set. */
  readonly activity: (id: string) => Activity | undefined
  /** Members of a series in course order. */
  readonly membersOf: (seriesId: string) => readonly Activity[]
  readonly activitiesOf: (moduleId: string) => readonly Activity[]
  /** What the plan hangs on: outcomes, or the elements of a framework. */
  readonly lanes: readonly Lane[]
  /** Lanes that an objective leads to. */
  readonly lanesOf: (objectiveId: string) => readonly Lane[]
  /** Objectives that lead to a lane, in the order of their numbers. */
  readonly objectivesIn: (laneId: string) => readonly Objective[]
  readonly outcomesOf: (objectiveId: string) => readonly Outcome[]
  readonly objectivesFor: (outcomeId: string) => readonly Objective[]
  /** In the order of the objectives' numbers. */
  readonly alignmentsOf: (activityId: string) => readonly Alignment[]
  readonly alignmentsFor: (objectiveId: string) => readonly Alignment[]
  readonly assessmentOf: (activityId: string) => Assessment | undefined
  readonly assessments: readonly Assessment[]
  readonly levelsOf: (rubricId: string) => readonly RubricLevel[]
  readonly criteriaOf: (rubricId: string) => readonly Criterion[]
  readonly criterion: (id: string) => Criterion | undefined
  /** In the order of their numbers. */
  readonly objectivesOfCriterion: (criterionId: string) => readonly Objective[]
  /** Assessments that are judged with a rubric, in course order. */
  readonly assessmentsWith: (rubricId: string) => readonly Assessment[]
  /** `CO3`, `2a`, `2.4`: derived from order, never stored. */
  readonly numberOf: (id: string) => string
  readonly positionOf: (id: string) => number
  readonly idOfNumber: (number: string) => string | undefined
}

const inOrder = <T>(ids: readonly string[], records: ReadonlyMap<string, T>): T[] => ids.flatMap((id) => records.get(id) ?? [])

const outcomesOf = derive([ordersOf, 'outcome'], (b) => inOrder(ordersOf(b).outcomes, b.outcome))
const modulesOf = derive([ordersOf, 'module'], (b) => inOrder(ordersOf(b).modules, b.module))
const partsOf = derive([ordersOf, 'part'], (b) => inOrder(ordersOf(b).parts, b.part))
const categoriesOf = derive(['gradeCategory'], (b) => recordsOf(b, 'gradeCategory').sort(byOrder))
const seriesOf = derive(['series'], (b) => recordsOf(b, 'series').sort(byOrder))
const rubricsOf = derive(['rubric'], (b) => recordsOf(b, 'rubric').sort(byOrder))

const objectivesOf = derive([ordersOf, 'objective'], (b) => {
  const orders = ordersOf(b)
  const byModule = new Map(orders.modules.map((id) => [id, inOrder(orders.objectivesIn(id), b.objective)]))
  return { all: [...byModule.values()].flat(), byModule }
})

/** Activities as wholes: with what their series gives, and their minutes estimated. */
export const wholeActivities = derive([ordersOf, 'activity', 'series', assumptionsOf], (b) => {
  const orders = ordersOf(b)
  const assume = assumptionsOf(b)
  const ordinals = new Map<string, number>()
  const whole = (own: Activity): Activity => {
    const series = own.seriesId === null ? undefined : b.series.get(own.seriesId)
    if (!series) return wholeActivity(own, null, assume)
    const ordinal = (ordinals.get(series.id) ?? 0) + 1
    ordinals.set(series.id, ordinal)
    return wholeActivity(own, { series, ordinal }, assume)
  }
  const byModule = new Map(orders.modules.map((id) => [id, inOrder(orders.activitiesIn(id), b.activity).map(whole)]))
  const all = [...byModule.values()].flat()
  return { all, byModule, byId: new Map(all.map((a) => [a.id, a])) }
})

const membersOf = derive([wholeActivities], (b) =>
  groupBy(
    wholeActivities(b).all.filter((a) => a.seriesId !== null),
    (a) => a.seriesId as string,
  ),
)

/** Ids of outcomes by objective and of objectives by outcome, each in the order of their numbers. */
const supportOf = derive([ordersOf, 'objectiveOutcome'], (b) => {
  const byPlace = placed(ordersOf(b))
  return {
    outcomes: idsBy(b.objectiveOutcome.values(), (l) => [l.objectiveId, l.outcomeId], byPlace),
    objectives: idsBy(b.objectiveOutcome.values(), (l) => [l.outcomeId, l.objectiveId], byPlace),
  }
})

const alignmentsBy = derive([ordersOf, 'alignment'], (b) => {
  const { positionOf } = ordersOf(b)
  return {
    activity: groupBy(
      b.alignment.values(),
      (a) => a.activityId,
      (x, y) => positionOf(x.objectiveId) - positionOf(y.objectiveId),
    ),
    objective: groupBy(
      b.alignment.values(),
      (a) => a.objectiveId,
      (x, y) => positionOf(x.activityId) - positionOf(y.activityId),
    ),
  }
})

const assessmentsOf = derive([ordersOf, 'assessment', 'series', 'activity.seriesId'], (b) => {
  const own = new Map(recordsOf(b, 'assessment').map((a) => [a.activityId, a]))
  const byActivity = new Map(
    inOrder(ordersOf(b).activities, b.activity).flatMap(({ id, seriesId }) => {
      const series = seriesId === null ? undefined : b.series.get(seriesId)
      const found = series ? assessmentOfMember(id, own.get(id), series) : own.get(id)
      return found ? [[id, found] as const] : []
    }),
  )
  const all = [...byActivity.values()]
  return { byActivity, all, byRubric: groupBy(all, (a) => a.rubricId ?? '') }
})

const rubricParts = derive(['rubricLevel', 'criterion'], (b) => ({
  levels: groupBy(b.rubricLevel.values(), (l) => l.rubricId, byOrder),
  criteria: groupBy(b.criterion.values(), (c) => c.rubricId, byOrder),
}))

const criterionObjectives = derive([ordersOf, 'criterionObjective'], (b) =>
  idsBy(b.criterionObjective.values(), (l) => [l.criterionId, l.objectiveId], placed(ordersOf(b))),
)

/** Lanes, and what leads to them. */
const laneParts = derive([outcomesOf, objectivesOf, supportOf, indexFrameworks, 'course.spineFrameworkId'], (b) => {
  const lanes = lanesOf(b, outcomesOf(b))
  const support = supportOf(b)
  const objectives = objectivesOf(b).all
  const byObjective = new Map(objectives.map((o) => [o.id, lanes.of(o.id, inOrder(support.outcomes.get(o.id) ?? [], b.outcome))]))
  const byLane = new Map<string, Objective[]>(lanes.all.map((l) => [l.id, []]))
  for (const o of objectives) for (const lane of byObjective.get(o.id) ?? []) byLane.get(lane.id)?.push(o)
  return { all: lanes.all, byObjective, byLane, numberOf: lanes.numberOf }
})

/** Numbers of all that has one, and what has a number. */
const numbersOf = derive([ordersOf, laneParts], (b) => {
  const numbers = new Map(ordersOf(b).numbers)
  const lanes = laneParts(b)
  for (const lane of lanes.all) {
    const number = lanes.numberOf(lane.id)
    if (number !== undefined) numbers.set(lane.id, number)
  }
  return { numbers, ids: new Map([...numbers].map(([id, number]) => [number.toLowerCase(), id])) }
})

/** The parts of which the index is put together: what reads one of them names it. */
export const PARTS = {
  support: supportOf,
  alignments: alignmentsBy,
  assessments: assessmentsOf,
  rubrics: rubricParts,
  criterionObjectives,
  lanes: laneParts,
  numbers: numbersOf,
  categories: categoriesOf,
} as const

const placed =
  ({ positionOf }: Orders) =>
  (a: string, b: string) =>
    positionOf(a) - positionOf(b)

function idsBy<L>(links: Iterable<L>, ends: (link: L) => readonly [string, string], order: (a: string, b: string) => number) {
  const found = new Map<string, string[]>()
  for (const link of links) {
    const [from, to] = ends(link)
    const list = found.get(from)
    if (list) list.push(to)
    else found.set(from, [to])
  }
  for (const list of found.values()) if (list.length > 1) list.sort(order)
  return found
}

/** The index of a blueprint; kept as long as the blueprint is. */
export const indexCourse = perPlan(putTogether)

function putTogether(b: Blueprint): CourseIndex {
  const orders = ordersOf(b)
  const objectives = objectivesOf(b)
  const activities = wholeActivities(b)
  const members = membersOf(b)
  const support = supportOf(b)
  const alignments = alignmentsBy(b)
  const assessments = assessmentsOf(b)
  const rubrics = rubricParts(b)
  const cited = criterionObjectives(b)
  const lanes = laneParts(b)
  const { numbers, ids } = numbersOf(b)
  return {
    outcomes: outcomesOf(b),
    modules: modulesOf(b),
    parts: partsOf(b),
    categories: categoriesOf(b),
    objectives: objectives.all,
    activities: activities.all,
    series: seriesOf(b),
    rubrics: rubricsOf(b),
    activity: (id) => activities.byId.get(id),
    membersOf: (id) => members.get(id) ?? [],
    objectivesOf: (id) => objectives.byModule.get(id) ?? [],
    activitiesOf: (id) => activities.byModule.get(id) ?? [],
    lanes: lanes.all,
    lanesOf: (id) => lanes.byObjective.get(id) ?? [],
    objectivesIn: (id) => lanes.byLane.get(id) ?? [],
    outcomesOf: (id) => inOrder(support.outcomes.get(id) ?? [], b.outcome),
    objectivesFor: (id) => inOrder(support.objectives.get(id) ?? [], b.objective),
    alignmentsOf: (id) => alignments.activity.get(id) ?? [],
    alignmentsFor: (id) => alignments.objective.get(id) ?? [],
    assessmentOf: (id) => assessments.byActivity.get(id),
    assessments: assessments.all,
    levelsOf: (id) => rubrics.levels.get(id) ?? [],
    criteriaOf: (id) => rubrics.criteria.get(id) ?? [],
    criterion: (id) => b.criterion.get(id),
    objectivesOfCriterion: (id) => inOrder(cited.get(id) ?? [], b.objective),
    assessmentsWith: (id) => assessments.byRubric.get(id) ?? [],
    numberOf: (id) => numbers.get(id) ?? '',
    positionOf: orders.positionOf,
    idOfNumber: (number) => ids.get(number.trim().toLowerCase()),
  }
}
