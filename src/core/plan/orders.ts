/** What stands where in the course, by ids: everything that follows from order alone, kept while nothing is moved, added or removed. */
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import type { Activity } from '../blueprint/kinds'
import { byOrder } from '../blueprint/order'
import { derive } from './derive'
import { groupBy } from './group-by'
import { byPlace, capitals, letters, partsIn } from './numbering'

export type Orders = {
  readonly outcomes: readonly string[]
  readonly modules: readonly string[]
  readonly parts: readonly string[]
  /** In module order, then their own. */
  readonly objectives: readonly string[]
  /** In module order, part order, then their own; those in no part come last. */
  readonly activities: readonly string[]
  readonly objectivesIn: (moduleId: string) => readonly string[]
  readonly activitiesIn: (moduleId: string) => readonly string[]
  /** `CO3`, `2a`, `2.4`; of a group outside the sequence `A`, `Aa`, `A.1`. */
  readonly numbers: ReadonlyMap<string, string>
  /** The place among the outcomes, modules, objectives or activities of the course; 0 for what has none. */
  readonly positionOf: (id: string) => number
}

export const ordersOf = derive<Orders>(
  [
    'course.outcomePrefix',
    'outcome.order',
    'module.order',
    'module.role',
    'part.order',
    'modulePart.order',
    'modulePart.moduleId',
    'modulePart.partId',
    'objective.moduleId',
    'objective.order',
    'activity.moduleId',
    'activity.partId',
    'activity.order',
  ],
  (blueprint) => {
    const idsOf = (list: readonly { readonly id: string }[]) => list.map((r) => r.id)
    const outcomes = idsOf(recordsOf(blueprint, 'outcome').sort(byOrder))
    const placed = recordsOf(blueprint, 'module').sort(byPlace)
    const modules = idsOf(placed)
    const outsideNames = new Map(placed.filter((m) => m.role !== null).map((m, i) => [m.id, capitals(i)]))
    const parts = idsOf(recordsOf(blueprint, 'part').sort(byOrder))
    const rankOf = partRanks(blueprint, parts)
    const objectivesBy = groupBy(blueprint.objective.values(), (o) => o.moduleId, byOrder)
    const activitiesBy = groupBy(
      blueprint.activity.values(),
      (a) => a.moduleId,
      (a, b) => rankOf(a) - rankOf(b) || byOrder(a, b),
    )
    const objectivesIn = new Map(modules.map((id) => [id, idsOf(objectivesBy.get(id) ?? [])]))
    const activitiesIn = new Map(modules.map((id) => [id, idsOf(activitiesBy.get(id) ?? [])]))
    const objectives = [...objectivesIn.values()].flat()
    const activities = [...activitiesIn.values()].flat()
    const prefix = blueprint.course.get('course')?.outcomePrefix ?? 'CO'
    const numbers = new Map(outcomes.map((id, i) => [id, `${prefix}${i + 1}`]))
    let inSequence = 0
    for (const id of modules) {
      const number = outsideNames.get(id) ?? String(++inSequence)
      numbers.set(id, number)
      objectivesIn.get(id)?.forEach((o, k) => numbers.set(o, `${number}${letters(k)}`))
      activitiesIn.get(id)?.forEach((a, k) => numbers.set(a, `${number}.${k + 1}`))
    }
    const positions = new Map([outcomes, modules, objectives, activities].flatMap((list) => list.map((id, i) => [id, i] as const)))
    return {
      outcomes,
      modules,
      parts,
      objectives,
      activities,
      objectivesIn: (id) => objectivesIn.get(id) ?? [],
      activitiesIn: (id) => activitiesIn.get(id) ?? [],
      numbers,
      positionOf: (id) => positions.get(id) ?? 0,
    }
  },
)

/** The place of an activity's part in its module: the course's, unless the module has an order of its own. What is in no part is last. */
function partRanks(blueprint: Blueprint, parts: readonly string[]): (a: Activity) => number {
  const rankIn = (ids: readonly string[]) => {
    const ranks = new Map(ids.map((id, i) => [id, i]))
    return (a: Activity) => (a.partId === null ? parts.length : (ranks.get(a.partId) ?? parts.length))
  }
  const usual = rankIn(parts)
  const own = new Map(
    [...groupBy(blueprint.modulePart.values(), (p) => p.moduleId).keys()].map((id) => [id, rankIn(partsIn(blueprint, id))]),
  )
  return (a) => (own.get(a.moduleId) ?? usual)(a)
}
