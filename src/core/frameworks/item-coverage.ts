/**
 * Where each framework item is taught, practised and assessed, down to the evidence point.
 *
 * The model. An item gets what activities do for it: linked with it, with an objective that serves it, with an outcome that
 * serves it through its objectives, or with an item it is a part of. Evidence counts only where it is linked with the item
 * itself or with an objective of it: a rubric criterion, an evidence point, or an activity that assesses and says no more.
 * An item with parts is covered when all of them are, or as many as are enough.
 */
import type { Blueprint } from '../blueprint/blueprint'
import type { Activity, FrameworkItem } from '../blueprint/kinds'
import { STAGES, type Stage } from '../blueprint/kinds/activity'
import type { EvidenceMethod, ItemKind } from '../blueprint/kinds/framework'
import { derive } from '../plan/derive'
import { type FrameworkIndex, indexFrameworks } from '../plan/framework-index'
import { type CourseIndex, indexCourse, PARTS, wholeActivities } from '../plan/plan-index'

export type Evidence = {
  readonly from: 'criterion' | 'point' | 'activity'
  readonly id: string
  readonly title: string
  readonly activityId: string
  readonly method: EvidenceMethod
  readonly occasions: number
}

/** What an item of a kind asks for. Conditions and areas ask for nothing by themselves. */
const NEEDS: Readonly<Record<ItemKind, readonly Stage[]>> = {
  area: [],
  'assessment condition': [],
  element: STAGES,
  'performance criterion': STAGES,
  outcome: STAGES,
  'performance evidence': ['assesses'],
  'knowledge evidence': ['introduces', 'assesses'],
  'foundation skill': ['practises', 'assesses'],
}

export type ItemCoverage = {
  readonly item: FrameworkItem
  /** Activities by what they do for it or for its parts, in course order. */
  readonly activities: Readonly<Record<Stage, readonly string[]>>
  /** Its own evidence, and that of its parts. */
  readonly evidence: readonly Evidence[]
  readonly planned: number
  readonly wanted: number
  readonly needs: readonly Stage[]
  /** Which of its needs are not met; empty for what is not required. */
  readonly missing: readonly Stage[]
  /** Assessed, but on fewer occasions than required. */
  readonly short: boolean
}

export type FrameworkCoverage = {
  readonly of: (itemId: string) => ItemCoverage | undefined
  /** Items without parts that ask for something, and how many have all of it. */
  readonly totals: (frameworkId: string) => {
    readonly wanted: number
    readonly covered: number
    readonly missing: Readonly<Record<Stage, number>>
  }
}

const COVERED_BY = [
  indexFrameworks,
  wholeActivities,
  PARTS.support,
  PARTS.alignments,
  PARTS.assessments,
  PARTS.rubrics,
  PARTS.criterionObjectives,
] as const

/** The coverage of all frameworks of a blueprint. */
export const frameworkCoverage = derive(COVERED_BY, (blueprint): FrameworkCoverage => {
  const index = indexCourse(blueprint)
  const frameworks = indexFrameworks(blueprint)
  const found = new Map<string, ItemCoverage>()
  // Parts come after what they are part of: from the end, all of them are known.
  for (const { id } of frameworks.frameworks)
    for (const { item } of frameworks.itemsOf(id).toReversed()) found.set(item.id, coverItem(item, index, frameworks, found, blueprint))
  return {
    of: (itemId) => found.get(itemId),
    totals: (frameworkId) => {
      const leaves = frameworks
        .itemsOf(frameworkId)
        .flatMap(({ item }) => (frameworks.partsOf(item.id).length > 0 ? [] : (found.get(item.id) ?? [])))
        .filter((c) => c.item.required && c.needs.length > 0)
      return {
        wanted: leaves.length,
        covered: leaves.filter((c) => c.missing.length === 0 && !c.short).length,
        missing: Object.fromEntries(STAGES.map((s) => [s, leaves.filter((c) => c.missing.includes(s)).length])) as Record<Stage, number>,
      }
    },
  }
})

function coverItem(
  item: FrameworkItem,
  index: CourseIndex,
  frameworks: FrameworkIndex,
  known: ReadonlyMap<string, ItemCoverage>,
  blueprint: Blueprint,
): ItemCoverage {
  const own = ownStages(item.id, index, frameworks)
  // A link with what it is a part of teaches and practises it too.
  for (let above = item.parentId, steps = 0; above !== null && steps < 60; above = frameworks.item(above)?.parentId ?? null, steps++)
    for (const [activityId, stages] of ownStages(above, index, frameworks))
      for (const stage of stages) if (stage !== 'assesses') stagesOf(own, activityId).add(stage)
  const evidence = evidenceOf(item, index, frameworks, blueprint)
  for (const e of evidence) stagesOf(own, e.activityId).add('assesses')
  const parts = frameworks.partsOf(item.id).flatMap((p) => known.get(p.id) ?? [])
  const needs = NEEDS[item.kind]
  const activities = Object.fromEntries(
    STAGES.map((stage) => {
      const ids = new Set([...own].flatMap(([id, stages]) => (stages.has(stage) ? [id] : [])))
      for (const part of parts) for (const id of part.activities[stage]) ids.add(id)
      return [stage, [...ids].sort((a, b) => index.positionOf(a) - index.positionOf(b))]
    }),
  ) as unknown as Record<Stage, readonly string[]>
  const asking = parts.filter((p) => p.needs.length > 0 && p.item.required)
  const enough = item.anyOf ?? asking.length
  const met = (stage: Stage): boolean => {
    if ([...own.values()].some((stages) => stages.has(stage))) return true
    const need = asking.filter((p) => p.needs.includes(stage))
    return need.length > 0 && need.filter((p) => !p.missing.includes(stage)).length >= Math.min(enough, need.length)
  }
  const all = [...evidence, ...parts.flatMap((p) => p.evidence)]
  const planned = evidence.reduce((sum, e) => sum + e.occasions, 0)
  const wanted = item.times ?? 1
  const missing = item.required ? needs.filter((s) => !met(s)) : []
  return {
    item,
    activities,
    evidence: all,
    planned: parts.length > 0 && evidence.length === 0 ? all.reduce((sum, e) => sum + e.occasions, 0) : planned,
    wanted,
    needs,
    missing,
    short:
      item.required &&
      item.times !== null &&
      needs.includes('assesses') &&
      !missing.includes('assesses') &&
      planned < wanted &&
      evidence.length > 0,
  }
}

const stagesOf = (map: Map<string, Set<Stage>>, activityId: string): Set<Stage> => {
  const stages = map.get(activityId) ?? new Set()
  map.set(activityId, stages)
  return stages
}

/** What activities do for an item through its own links. */
function ownStages(itemId: string, index: CourseIndex, frameworks: FrameworkIndex): Map<string, Set<Stage>> {
  const found = new Map<string, Set<Stage>>()
  for (const { activityId, stages } of frameworks.activitiesOf(itemId))
    if (index.activity(activityId)) for (const stage of stages) stagesOf(found, activityId).add(stage)
  const objectives = new Set(frameworks.objectivesOf(itemId))
  for (const outcomeId of frameworks.outcomesOf(itemId)) for (const o of index.objectivesFor(outcomeId)) objectives.add(o.id)
  for (const objectiveId of objectives)
    for (const { activityId, stages } of index.alignmentsFor(objectiveId))
      for (const stage of stages) stagesOf(found, activityId).add(stage)
  return found
}

const WRITTEN: ReadonlySet<Activity['kind']> = new Set(['quiz', 'exam'])
const SEEN: ReadonlySet<Activity['kind']> = new Set(['lab', 'live session', 'group work', 'case'])
/** How an activity shows what it shows, by its kind, where nothing says it (Cairn default). */
const methodOf = (activity: Activity): EvidenceMethod =>
  WRITTEN.has(activity.kind) ? 'questioning' : SEEN.has(activity.kind) ? 'observation' : 'product'

function evidenceOf(item: FrameworkItem, index: CourseIndex, frameworks: FrameworkIndex, blueprint: Blueprint): Evidence[] {
  const evidence: Evidence[] = []
  const criteria = new Set(frameworks.criteriaOf(item.id))
  const objectives = frameworks.objectivesOf(item.id)
  for (const objectiveId of objectives)
    for (const { activityId, stages } of index.alignmentsFor(objectiveId)) {
      const rubricId = stages.includes('assesses') ? index.assessmentOf(activityId)?.rubricId : null
      for (const c of rubricId ? index.criteriaOf(rubricId) : [])
        if (index.objectivesOfCriterion(c.id).some((o) => o.id === objectiveId)) criteria.add(c.id)
    }
  for (const criterionId of criteria) {
    const criterion = blueprint.criterion.get(criterionId)
    for (const { activityId } of criterion ? index.assessmentsWith(criterion.rubricId) : []) {
      const activity = index.activity(activityId)
      if (criterion && activity)
        evidence.push({ from: 'criterion', id: criterionId, title: criterion.title, activityId, method: methodOf(activity), occasions: 1 })
    }
  }
  for (const p of frameworks.pointsOf(item.id))
    if (index.activity(p.activityId))
      evidence.push({ from: 'point', id: p.id, title: p.title, activityId: p.activityId, method: p.method, occasions: p.occasions ?? 1 })
  const said = new Set(evidence.map((e) => e.activityId))
  const assessing = [
    ...frameworks.activitiesOf(item.id).flatMap((l) => (l.stages.includes('assesses') ? [l.activityId] : [])),
    ...objectives.flatMap((id) => index.alignmentsFor(id).flatMap((l) => (l.stages.includes('assesses') ? [l.activityId] : []))),
  ]
  for (const activityId of new Set(assessing)) {
    const activity = index.activity(activityId)
    if (activity && !said.has(activityId))
      evidence.push({ from: 'activity', id: activityId, title: activity.title, activityId, method: methodOf(activity), occasions: 1 })
  }
  return evidence.sort((a, b) => index.positionOf(a.activityId) - index.positionOf(b.activityId))
}
