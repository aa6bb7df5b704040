/** The plan as it was: worked out backwards from what it is, by what the log says was written. */
import { applyEffective } from '../blueprint/apply'
import { anyRecord, type Blueprint, refKey } from '../blueprint/blueprint'
import { invertOperations, type Operation, updateOperation } from '../blueprint/change'
import { operationsBetween } from '../blueprint/edit'
import { type RecordRef, refsOf } from '../blueprint/kinds'

/** The plan before a change, from the plan after it. */
export const planBefore = (after: Blueprint, operations: readonly Operation[]): Blueprint =>
  applyEffective(after, invertOperations(operations))

/** What sets the plan back to an earlier state of it. */
export const restorePlan = (now: Blueprint, then: Blueprint): Operation[] => operationsBetween(now, then)

/** Operations that make records anew, without the links in them to what is gone since and that they can do without. */
export function withoutLostLinks(now: Blueprint, operations: readonly Operation[]): Operation[] {
  const made = new Set(operations.flatMap((o) => (o.op === 'create' ? [refKey({ kind: o.kind, id: o.record.id })] : [])))
  return operations.map((o) => {
    if (o.op !== 'create') return o
    const lost = refsOf(o.kind).filter(({ field, to, spec }) => {
      const target = { kind: to, id: String(o.record[field] ?? '') }
      return spec.onRemove === 'unlink' && target.id !== '' && !made.has(refKey(target)) && !anyRecord(now, target)
    })
    return lost.length === 0 ? o : { ...o, record: { ...o.record, ...Object.fromEntries(lost.map(({ field }) => [field, null])) } }
  })
}

/** What sets one record back to an earlier state of the plan: its fields, or the record itself where it is gone since. */
export function restoreRecord(now: Blueprint, then: Blueprint, ref: RecordRef): Operation[] {
  const [is, was] = [anyRecord(now, ref), anyRecord(then, ref)]
  if (!was) return []
  if (!is) return [{ op: 'create', kind: ref.kind, record: was }]
  const update = updateOperation(ref.kind, is, was)
  return update ? [update] : []
}
