/** Modules, activities and rubrics of another course copied into this one, with what they need. */
import { anyRecord, type Blueprint, courseOf, recordsOf, refKey } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import type { NewId } from '../blueprint/ids'
import type { AnyRecord, RecordRef } from '../blueprint/kinds'
import { byOrder } from '../blueprint/order'
import { behindAll } from './add-plan'
import { type Copied, copyRecords, withBelongings } from './copy'
import { likesIn } from './likes'

/** The kinds that are offered to be copied from another course, in this order. */
export const COPIED_IN = ['module', 'activity', 'rubric'] as const

/**
 * Copies records from another plan, each with all that belongs to it, behind what is there. Rubrics and series that they use come
 * along where the plan has no like of them. Activities whose module does not come too go into `moduleId`, else into the like of
 * theirs, else into the last. A module takes the weeks after the last, where the course has so many.
 */
export function copyIn(
  edit: PlanEdit,
  from: Blueprint,
  wanted: readonly RecordRef[],
  newId: NewId,
  moduleId: string | null = null,
): Copied {
  const own = withBelongings(from, wanted)
  const likeOf = likesIn(from, edit.now)
  const used = usedBy(from, own).filter((ref) => likeOf(ref) === null)
  const refs = [...new Map([...own, ...withBelongings(from, used)].map((r) => [refKey(r), r])).values()]
  const given = new Map<string, string>()
  const last = recordsOf(edit.now, 'module').sort(byOrder).at(-1)?.id
  for (const id of from.module.keys()) {
    const target = moduleId ?? likeOf({ kind: 'module', id }) ?? last
    if (target !== undefined) given.set(`module ${id}`, target)
  }
  const placed = behindAll(edit.now, from, refs)
  const weeks = weeksBehind(edit.now, from, refs)
  const adjust = (record: AnyRecord, ref: RecordRef): AnyRecord => {
    return { ...placed(record, ref), ...weeks.get(refKey(ref)) }
  }
  return copyRecords(edit, from, refs, newId, { adjust, given })
}

/** Rubrics and series that these records use, as what belongs to no module. */
function usedBy(from: Blueprint, refs: readonly RecordRef[]): RecordRef[] {
  return refs.flatMap((ref): RecordRef[] => {
    const record = anyRecord(from, ref)
    const rubric = ref.kind === 'assessment' && record?.['rubricId']
    const series = ref.kind === 'activity' && record?.['seriesId']
    return [
      ...(rubric ? [{ kind: 'rubric', id: String(rubric) } as const] : []),
      ...(series ? [{ kind: 'series', id: String(series) } as const] : []),
    ]
  })
}

type Weeks = { readonly firstWeek: number | null; readonly lastWeek: number | null }

/** One module after the other in the weeks behind the last that is taken; none where they do not fit. By `kind id`. */
function weeksBehind(into: Blueprint, from: Blueprint, refs: readonly RecordRef[]): ReadonlyMap<string, Weeks> {
  let taken = Math.max(0, ...recordsOf(into, 'module').map((m) => m.lastWeek ?? m.firstWeek ?? 0))
  const most = into.course.size > 0 ? courseOf(into).weeks : 0
  const modules = refs.flatMap((ref) => (ref.kind === 'module' ? (from.module.get(ref.id) ?? []) : [])).sort(byOrder)
  return new Map(
    modules.map(({ id, firstWeek, lastWeek }): [string, Weeks] => {
      const long = firstWeek === null ? 0 : (lastWeek ?? firstWeek) - firstWeek + 1
      const fits = long > 0 && taken + long <= most
      if (fits) taken += long
      return [refKey({ kind: 'module', id }), fits ? { firstWeek: taken - long + 1, lastWeek: taken } : { firstWeek: null, lastWeek: null }]
    }),
  )
}
