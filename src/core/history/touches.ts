/** What a change has to do with one record of the plan. */
import { anyRecord, type Blueprint } from '../blueprint/blueprint'
import { type Operation, operationId } from '../blueprint/change'
import { type AnyRecord, type KindName, type RecordRef, refsOf } from '../blueprint/kinds'

/**
 * Whether an operation touches a record or what would go with it: its links, what is planned of it, what stands in it. Of a record
 * that moved, both places count.
 */
export function touches(operation: Operation, ref: RecordRef, before: Blueprint, after: Blueprint): boolean {
  const at = { kind: operation.kind, id: operationId(operation) }
  return [before, after].some((plan) => {
    const record = anyRecord(plan, at)
    return record !== undefined && belongs(at.kind, record, ref, plan)
  })
}

/** Whether a record is another, or would go with it. Trees of the plan have no cycles, so that this ends. */
export function belongs(kind: KindName, record: AnyRecord, ref: RecordRef, plan: Blueprint): boolean {
  if (kind === ref.kind && record.id === ref.id) return true
  return refsOf(kind).some(({ field, to, spec }) => {
    const id = record[field]
    if (spec.onRemove !== 'remove' || typeof id !== 'string') return false
    if (to === ref.kind && id === ref.id) return true
    const owner = anyRecord(plan, { kind: to, id })
    return owner !== undefined && belongs(to, owner, ref, plan)
  })
}
