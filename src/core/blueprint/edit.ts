/**
 * Making a change: a working copy that is edited step by step and then compared with where it began. However many steps touch
 * a record, one operation comes out.
 */

import { applyEffective } from './apply'
import { anyRecord, type Blueprint, diffBlueprints, patchBlueprint } from './blueprint'
import { type FieldValues, type Operation, type UpdateOperation, updateOperation } from './change'
import { withFixedId } from './ids'
import { type AnyRecord, type KindName, type RecordOfKind, type RecordRef, specOf } from './kinds'
import { removalOf } from './removal'

export type PlanEdit = {
  /** The working copy as it is now. */
  readonly now: Blueprint
  /** Sets fields of a record; one that is gone is left alone. */
  readonly set: (kind: KindName, id: string, to: FieldValues) => void
  /** Makes a record; link records get the id of their ends. Returns the id. */
  readonly create: <K extends KindName>(kind: K, record: RecordOfKind<K>) => string
  /** Makes many records of a kind at once. */
  readonly createAll: <K extends KindName>(kind: K, records: readonly RecordOfKind<K>[]) => void
  /** Removes records with all that goes or is unlinked with them. */
  readonly remove: (...targets: readonly RecordRef[]) => void
}

/**
 * Runs the work on a copy and returns the operations that lead from `base` to its end.
 *
 * `seen` is the plan as it was when the person began to type. A value that somebody else changed since is then written
 * against the value that was seen, so that it is judged a conflict and not overwritten unseen; so is a record that is gone.
 */
export function editPlan(base: Blueprint, work: (edit: PlanEdit) => void, seen: Blueprint = base): Operation[] {
  const operations = operationsOf(base, work)
  if (seen === base) return operations
  if (operations.length === 0) return operationsOf(seen, work)
  return operations.map((o) => (o.op === 'update' ? againstSeen(o, anyRecord(seen, o)) : o))
}

function againstSeen(update: UpdateOperation, seen: AnyRecord | undefined): UpdateOperation {
  if (!seen) return update
  const place: readonly string[] = specOf(update.kind).place ?? []
  return {
    ...update,
    // A place is no text: of two moves the later one stands.
    from: Object.fromEntries(Object.entries(update.from).map(([f, value]) => [f, place.includes(f) ? value : (seen[f] ?? null)])),
  }
}

function operationsOf(base: Blueprint, work: (edit: PlanEdit) => void): Operation[] {
  let now = base
  work({
    get now() {
      return now
    },
    set: (kind, id, to) => {
      const record = anyRecord(now, { kind, id })
      if (record && Object.keys(to).some((f) => to[f] !== record[f]))
        now = patchBlueprint(now, { set: [{ kind, record: { ...record, ...to } }], removed: [] })
    },
    create: (kind, record) => {
      const named = withFixedId(kind, record as unknown as AnyRecord)
      now = patchBlueprint(now, { set: [{ kind, record: named }], removed: [] })
      return named.id
    },
    createAll: (kind, records) => {
      now = patchBlueprint(now, { set: records.map((r) => ({ kind, record: withFixedId(kind, r as unknown as AnyRecord) })), removed: [] })
    },
    remove: (...targets) => {
      now = applyEffective(now, removalOf(now, targets))
    },
  })
  return operationsBetween(base, now)
}

/** The operations that lead from one state of a plan to another. */
export function operationsBetween(base: Blueprint, now: Blueprint): Operation[] {
  const { set, removed } = diffBlueprints(base, now)
  return [
    ...set.flatMap(({ kind, record }): Operation[] => {
      const before = anyRecord(base, { kind, id: record.id })
      if (!before) return [{ op: 'create', kind, record }]
      const update = updateOperation(kind, before, record)
      return update ? [update] : []
    }),
    ...removed.map((ref): Operation => ({ op: 'remove', kind: ref.kind, record: anyRecord(base, ref) as AnyRecord })),
  ]
}
