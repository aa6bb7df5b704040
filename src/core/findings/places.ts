/** Where records stand in the plan, for lists in its order: the course, outcomes, then each module with all that is in it, then the rest. */
import { recordsOf } from '../blueprint/blueprint'
import type { RecordRef } from '../blueprint/kinds'
import { byOrder } from '../blueprint/order'
import { derive } from '../plan/derive'
import { indexFrameworks } from '../plan/framework-index'
import { ordersOf } from '../plan/orders'

/** The place of a record, from 0; those without one, and what is undefined, come last. */
export const placesOf = derive(
  [
    ordersOf,
    indexFrameworks,
    'gradeCategory.order',
    'rubric.order',
    'rubricLevel.rubricId',
    'rubricLevel.order',
    'criterion.rubricId',
    'criterion.order',
  ],
  (blueprint): ((ref: RecordRef | undefined) => number) => {
    const orders = ordersOf(blueprint)
    const frameworks = indexFrameworks(blueprint)
    const levels = recordsOf(blueprint, 'rubricLevel').sort(byOrder)
    const criteria = recordsOf(blueprint, 'criterion').sort(byOrder)
    const places = new Map<string, number>()
    const put = (...ids: readonly string[]) => {
      for (const id of ids) places.set(id, places.size)
    }
    put('course', ...orders.outcomes)
    for (const f of frameworks.frameworks) put(f.id, ...frameworks.itemsOf(f.id).map((p) => p.item.id))
    for (const id of orders.modules) put(id, ...orders.objectivesIn(id), ...orders.activitiesIn(id))
    put(
      ...recordsOf(blueprint, 'gradeCategory')
        .sort(byOrder)
        .map((c) => c.id),
    )
    for (const rubric of recordsOf(blueprint, 'rubric').sort(byOrder))
      put(rubric.id, ...[...levels, ...criteria].filter((r) => r.rubricId === rubric.id).map((r) => r.id))
    return (ref) => (ref && places.get(ref.id)) ?? Number.MAX_SAFE_INTEGER
  },
)
