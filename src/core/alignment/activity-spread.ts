/** How activities spread over purposes and kinds, module by module: what a module lacks, and what every one repeats. */
import { PURPOSES } from '../blueprint/kinds/activity'
import type { CourseIndex } from '../plan/plan-index'
import { purposeOf } from './proposals'

export type SpreadRow = {
  readonly group: 'purpose' | 'kind'
  /** The purpose or the kind; null: none said yet. */
  readonly of: string | null
  /** The activities of each module, in its order. */
  readonly cells: readonly (readonly string[])[]
}

/** Purposes first, each of them always there; then the kinds that occur, most frequent first. Rows without a value come last. */
export function activitySpread(index: CourseIndex): readonly SpreadRow[] {
  const row = (group: SpreadRow['group'], of: string | null, fits: (activityId: string) => boolean): SpreadRow => ({
    group,
    of,
    cells: index.modules.map((m) => index.activitiesOf(m.id).flatMap((a) => (fits(a.id) ? [a.id] : []))),
  })
  const purpose = new Map(index.activities.map((a) => [a.id, purposeOf(a)]))
  const kind = new Map(index.activities.map((a) => [a.id, a.kind]))
  const times = new Map<string | null, number>()
  for (const k of kind.values()) times.set(k, (times.get(k) ?? 0) + 1)
  const kinds = [...times.keys()].filter((k) => k !== null).sort((a, b) => (times.get(b) ?? 0) - (times.get(a) ?? 0) || (a < b ? -1 : 1))
  const rows = [
    ...PURPOSES.map((p) => row('purpose', p, (id) => purpose.get(id) === p)),
    row('purpose', null, (id) => purpose.get(id) === null),
    ...kinds.map((k) => row('kind', k, (id) => kind.get(id) === k)),
    row('kind', null, (id) => kind.get(id) === null),
  ]
  return rows.filter((r) => r.of !== null || r.cells.some((c) => c.length > 0))
}
