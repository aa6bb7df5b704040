/** Where modules keep to the pattern of the course's parts, and where they depart from it. */
import type { Blueprint } from '../blueprint/blueprint'
import { linkId } from '../blueprint/ids'
import { groupBy } from '../plan/group-by'
import { partsIn } from '../plan/numbering'
import { indexCourse } from '../plan/plan-index'

export type PatternCell = {
  readonly partId: string
  readonly state: 'items' | 'empty' | 'left out'
  /** Activities of the module in the part. */
  readonly count: number
  readonly reason: string | null
}
export type PatternRow = {
  readonly moduleId: string
  /** In the order of the course's parts. */
  readonly cells: readonly PatternCell[]
  /** The order of the parts in this module, where it is its own; null where it is the course's. */
  readonly ownOrder: readonly string[] | null
}

/** The modules in the sequence by the parts of the course; groups outside it take no part. */
export function patternOf(plan: Blueprint): { readonly partIds: readonly string[]; readonly rows: readonly PatternRow[] } {
  const index = indexCourse(plan)
  const partIds = index.parts.map((p) => p.id)
  const rows = index.modules
    .filter((m) => m.role === null)
    .map(({ id: moduleId }): PatternRow => {
      const byPart = groupBy(index.activitiesOf(moduleId), (a) => a.partId ?? '')
      const order = partsIn(plan, moduleId)
      return {
        moduleId,
        ownOrder: order.every((id, i) => id === partIds[i]) ? null : order,
        cells: partIds.map((partId): PatternCell => {
          const own = plan.modulePart.get(linkId([moduleId, partId]))
          const count = byPart.get(partId)?.length ?? 0
          // What stands there is there, whatever somebody said of leaving it out.
          const state = count > 0 ? 'items' : own?.leftOut ? 'left out' : 'empty'
          return { partId, state, count, reason: own?.reason ?? null }
        }),
      }
    })
  return { partIds, rows }
}
