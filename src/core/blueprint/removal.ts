/** What goes, and what is unlinked, when records are removed. */

import { indexReferrers } from './apply'
import { anyRecord, type Blueprint, refKey } from './blueprint'
import { type Operation, type UpdateOperation, updateOperation } from './change'
import { type AnyRecord, type RecordRef, refsOf } from './kinds'

type Closure = {
  readonly removed: ReadonlyMap<string, RecordRef>
  readonly unlinked: ReadonlyMap<string, { readonly ref: RecordRef; readonly fields: ReadonlySet<string> }>
}

/** All that goes when records are removed, they themselves first, and what is unlinked. `referrers`: of the plan, where many are asked for. */
export function closureOf(blueprint: Blueprint, targets: readonly RecordRef[], referrers = indexReferrers(blueprint)): Closure {
  const removed = new Map<string, RecordRef>()
  const unlinked = new Map<string, { ref: RecordRef; fields: Set<string> }>()
  const queue = targets.filter((t) => anyRecord(blueprint, t))
  for (let ref = queue.shift(); ref; ref = queue.shift()) {
    if (removed.has(refKey(ref))) continue
    removed.set(refKey(ref), ref)
    for (const user of referrers.get(refKey(ref)) ?? []) {
      const record = anyRecord(blueprint, user) as AnyRecord
      for (const r of refsOf(user.kind)) {
        if (r.to !== ref.kind || record[r.field] !== ref.id) continue
        if (r.spec.onRemove === 'remove') queue.push(user)
        else {
          const entry = unlinked.get(refKey(user)) ?? { ref: user, fields: new Set() }
          entry.fields.add(r.field)
          unlinked.set(refKey(user), entry)
        }
      }
    }
  }
  return { removed, unlinked }
}

/** The whole closure of a removal, as operations of one change: what refers is removed or unlinked as its field declares. */
export function removalOf(blueprint: Blueprint, targets: readonly RecordRef[]): readonly Operation[] {
  const { removed, unlinked } = closureOf(blueprint, targets)
  const updates = [...unlinked.values()]
    .filter(({ ref }) => !removed.has(refKey(ref)))
    .map(({ ref, fields }) => unlink(anyRecord(blueprint, ref) as AnyRecord, ref, fields))
  const removes = [...removed.values()].map(
    (ref): Operation => ({ op: 'remove', kind: ref.kind, record: anyRecord(blueprint, ref) as AnyRecord }),
  )
  // Users first, so that each step in turn leaves no reference behind.
  return [...updates, ...removes.toReversed()]
}

function unlink(record: AnyRecord, ref: RecordRef, fields: ReadonlySet<string>): UpdateOperation {
  const to = Object.fromEntries([...fields].map((f) => [f, null]))
  return updateOperation(ref.kind, record, to) as UpdateOperation
}
