/** What stands where in the course, by ids: everything that follows from order alone, kept while nothing is moved, added or removed. */
import { recordsOf } from '../blueprint/blueprint'
import type { Activity } from '../blueprint/kinds'
import { byOrder } from '../blueprint/order'
import { derive } from './derive'
import { groupBy } from './group-by'
import { letters } from './numbering'

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
  /** `CO3`, `2a`, `2.4`. */
  readonly numbers: ReadonlyMap<string, string>
  /** The place among the outcomes, modules, objectives or activities of the course; 0 for what has none. */
  readonly positionOf: (id: string) => number
}

export const ordersOf = derive<Orders>(
  [
    'course.outcomePrefix',
    'outcome.order',
    'module.order',
    'part.order',
    'objective.moduleId',
    'objective.order',
    'activity.moduleId',
    'activity.partId',
    'activity.order',
  ],
  (blueprint) => {
    const idsOf = (list: readonly { readonly id: string }[]) => list.map((r) => r.id)
    const outcomes = idsOf(recordsOf(blueprint, 'outcome').sort(byOrder))
    const modules = idsOf(recordsOf(blueprint, 'module').sort(byOrder))
    const parts = idsOf(recordsOf(blueprint, 'part').sort(byOrder))
    const partRank = new Map(parts.map((id, i) => [id, i]))
    const rankOf = (a: Activity) => (a.partId === null ? parts.length : (partRank.get(a.partId) ?? parts.length))
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
    modules.forEach((id, i) => {
      numbers.set(id, String(i + 1))
      objectivesIn.get(id)?.forEach((o, k) => numbers.set(o, `${i + 1}${letters(k)}`))
      activitiesIn.get(id)?.forEach((a, k) => numbers.set(a, `${i + 1}.${k + 1}`))
    })
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
