/** The plan as it was: worked out backwards from what it is, by what the log says was written. */
import { applyEffective } from '../blueprint/apply'
import { anyRecord, type Blueprint } from '../blueprint/blueprint'
import { invertOperations, type Operation, updateOperation } from '../blueprint/change'
import { operationsBetween } from '../blueprint/edit'
import type { RecordRef } from '../blueprint/kinds'

/** The plan before a change, from the plan after it. */
export const planBefore = (after: Blueprint, operations: readonly Operation[]): Blueprint =>
  applyEffective(after, invertOperations(operations))

/** What sets the plan back to an earlier state of it. */
export const restorePlan = (now: Blueprint, then: Blueprint): Operation[] => operationsBetween(now, then)

/** What sets one record back to an earlier state of the plan: its fields, or the record itself where it is gone since. */
export function restoreRecord(now: Blueprint, then: Blueprint, ref: RecordRef): Operation[] {
  const [is, was] = [anyRecord(now, ref), anyRecord(then, ref)]
  if (!was) return []
  if (!is) return [{ op: 'create', kind: ref.kind, record: was }]
  const update = updateOperation(ref.kind, is, was)
  return update ? [update] : []
}
