/** Orders, numbers and look-ups of one blueprint, built once and shared by everything that reads it. */

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
import { perBlueprint } from './derive'
import { type Lane, lanesOf } from './lanes'
import { letters } from './numbering'
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

/** The index of a blueprint; kept as long as the blueprint is. */
export const indexCourse = perBlueprint(buildIndex)

function buildIndex(blueprint: Blueprint): CourseIndex {
  const outcomes = recordsOf(blueprint, 'outcome').sort(byOrder)
  const modules = recordsOf(blueprint, 'module').sort(byOrder)
  const parts = recordsOf(blueprint, 'part').sort(byOrder)
  const categories = recordsOf(blueprint, 'gradeCategory').sort(byOrder)
  const partRank = new Map(parts.map((p, i) => [p.id, i]))
  const rankOf = (a: Activity) => (a.partId === null ? parts.length : (partRank.get(a.partId) ?? parts.length))
  const objectivesByModule = groupBy(blueprint.objective.values(), (o) => o.moduleId, byOrder)
  const ownByModule = groupBy(
    blueprint.activity.values(),
    (a) => a.moduleId,
    (a, b) => rankOf(a) - rankOf(b) || byOrder(a, b),
  )
  const objectives = modules.flatMap((m) => objectivesByModule.get(m.id) ?? [])
  const assume = assumptionsOf(blueprint)
  const ordinals = new Map<string, number>()
  const activities = modules
    .flatMap((m) => ownByModule.get(m.id) ?? [])
    .map((own) => {
      const series = own.seriesId === null ? undefined : blueprint.series.get(own.seriesId)
      if (!series) return wholeActivity(own, null, assume)
      const ordinal = (ordinals.get(series.id) ?? 0) + 1
      ordinals.set(series.id, ordinal)
      return wholeActivity(own, { series, ordinal }, assume)
    })
  const activityById = new Map(activities.map((a) => [a.id, a]))
  const activitiesByModule = groupBy(activities, (a) => a.moduleId)
  const members = groupBy(
    activities.filter((a) => a.seriesId !== null),
    (a) => a.seriesId as string,
  )

  const prefix = blueprint.course.get('course')?.outcomePrefix ?? 'CO'
  const numbers = new Map<string, string>()
  const positions = new Map<string, number>()
  outcomes.forEach((o, i) => numbers.set(o.id, `${prefix}${i + 1}`))
  modules.forEach((m, i) => {
    numbers.set(m.id, String(i + 1))
    objectivesByModule.get(m.id)?.forEach((o, k) => numbers.set(o.id, `${i + 1}${letters(k)}`))
    activitiesByModule.get(m.id)?.forEach((a, k) => numbers.set(a.id, `${i + 1}.${k + 1}`))
  })
  for (const list of [outcomes, modules, objectives, activities]) list.forEach((r, i) => positions.set(r.id, i))
  const ids = new Map([...numbers].map(([id, number]) => [number.toLowerCase(), id]))

  const at = (id: string) => positions.get(id) ?? 0
  const outcomesByObjective = groupBy(blueprint.objectiveOutcome.values(), (l) => l.objectiveId)
  const objectivesByOutcome = groupBy(blueprint.objectiveOutcome.values(), (l) => l.outcomeId)
  const outcomesOf = (id: string) =>
    (outcomesByObjective.get(id) ?? []).flatMap((l) => blueprint.outcome.get(l.outcomeId) ?? []).sort((a, b) => at(a.id) - at(b.id))
  const lanes = lanesOf(blueprint, outcomes)
  const lanesByObjective = new Map(objectives.map((o) => [o.id, lanes.of(o.id, outcomesOf(o.id))]))
  const objectivesByLane = new Map<string, Objective[]>(lanes.all.map((l) => [l.id, []]))
  for (const o of objectives) for (const lane of lanesByObjective.get(o.id) ?? []) objectivesByLane.get(lane.id)?.push(o)
  for (const lane of lanes.all) {
    const number = lanes.numberOf(lane.id)
    if (number !== undefined) numbers.set(lane.id, number)
  }
  const byActivity = groupBy(
    blueprint.alignment.values(),
    (a) => a.activityId,
    (a, b) => at(a.objectiveId) - at(b.objectiveId),
  )
  const byObjective = groupBy(
    blueprint.alignment.values(),
    (a) => a.objectiveId,
    (a, b) => at(a.activityId) - at(b.activityId),
  )
  const ownAssessments = new Map(recordsOf(blueprint, 'assessment').map((a) => [a.activityId, a]))
  const assessments = new Map(
    activities.flatMap((activity) => {
      const own = ownAssessments.get(activity.id)
      const series = activity.seriesId === null ? undefined : blueprint.series.get(activity.seriesId)
      const found = series ? assessmentOfMember(activity.id, own, series) : own
      return found ? [[activity.id, found] as const] : []
    }),
  )
  const levels = groupBy(blueprint.rubricLevel.values(), (l) => l.rubricId, byOrder)
  const criteria = groupBy(blueprint.criterion.values(), (c) => c.rubricId, byOrder)
  const criterionLinks = groupBy(blueprint.criterionObjective.values(), (l) => l.criterionId)
  const judged = groupBy(assessments.values(), (a) => a.rubricId ?? '')

  return {
    outcomes,
    modules,
    parts,
    categories,
    objectives,
    activities,
    series: recordsOf(blueprint, 'series').sort(byOrder),
    rubrics: recordsOf(blueprint, 'rubric').sort(byOrder),
    activity: (id) => activityById.get(id),
    membersOf: (id) => members.get(id) ?? [],
    objectivesOf: (id) => objectivesByModule.get(id) ?? [],
    activitiesOf: (id) => activitiesByModule.get(id) ?? [],
    lanes: lanes.all,
    lanesOf: (id) => lanesByObjective.get(id) ?? [],
    objectivesIn: (id) => objectivesByLane.get(id) ?? [],
    outcomesOf,
    objectivesFor: (id) =>
      (objectivesByOutcome.get(id) ?? []).flatMap((l) => blueprint.objective.get(l.objectiveId) ?? []).sort((a, b) => at(a.id) - at(b.id)),
    alignmentsOf: (id) => byActivity.get(id) ?? [],
    alignmentsFor: (id) => byObjective.get(id) ?? [],
    assessmentOf: (id) => assessments.get(id),
    assessments: [...assessments.values()],
    levelsOf: (id) => levels.get(id) ?? [],
    criteriaOf: (id) => criteria.get(id) ?? [],
    criterion: (id) => blueprint.criterion.get(id),
    objectivesOfCriterion: (id) =>
      (criterionLinks.get(id) ?? []).flatMap((l) => blueprint.objective.get(l.objectiveId) ?? []).sort((a, b) => at(a.id) - at(b.id)),
    assessmentsWith: (id) => judged.get(id) ?? [],
    numberOf: (id) => numbers.get(id) ?? '',
    positionOf: at,
    idOfNumber: (number) => ids.get(number.trim().toLowerCase()),
  }
}

/** Items by key, each group in its order: sorting many small groups is cheaper than sorting all first. */
function groupBy<T>(items: Iterable<T>, key: (item: T) => string, order?: (a: T, b: T) => number): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const item of items) {
    const of = key(item)
    const group = groups.get(of)
    if (group) group.push(item)
    else groups.set(of, [item])
  }
  if (order) for (const group of groups.values()) if (group.length > 1) group.sort(order)
  return groups
}
