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
  const removed = takenAlong(blueprint, targets, referrers)
  const unlinked = new Map<string, { ref: RecordRef; fields: Set<string> }>()
  for (const [key, ref] of removed)
    for (const { user, field, onRemove } of usersOf(blueprint, ref, referrers.get(key))) {
      if (onRemove === 'remove') continue
      const entry = unlinked.get(refKey(user)) ?? { ref: user, fields: new Set() }
      entry.fields.add(field)
      unlinked.set(refKey(user), entry)
    }
  return { removed, unlinked }
}

/** The targets that are there, with all that their removal takes along; by key. */
export function takenAlong(
  blueprint: Blueprint,
  targets: readonly RecordRef[],
  referrers: ReadonlyMap<string, readonly RecordRef[]>,
): ReadonlyMap<string, RecordRef> {
  const removed = new Map<string, RecordRef>()
  const waiting = targets.filter((t) => anyRecord(blueprint, t))
  for (const ref of waiting) {
    const key = refKey(ref)
    if (removed.has(key)) continue
    removed.set(key, ref)
    // What comes along stands behind, and comes to its turn.
    for (const { user, onRemove } of usersOf(blueprint, ref, referrers.get(key))) if (onRemove === 'remove') waiting.push(user)
  }
  return removed
}

/** The fields in which others refer to a record. */
function* usersOf(blueprint: Blueprint, { kind, id }: RecordRef, users: readonly RecordRef[] = []) {
  for (const user of users) {
    const record = anyRecord(blueprint, user) as AnyRecord
    for (const { to, field, spec } of refsOf(user.kind))
      if (to === kind && record[field] === id) yield { user, field, onRemove: spec.onRemove }
  }
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
