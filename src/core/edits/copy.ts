/** Copies of records with all that belongs to them: a rubric, a module, a whole course are one way of copying. */
import { anyRecord, type Blueprint, kindsIn, recordMap, refKey } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { fixedId, type NewId } from '../blueprint/ids'
import { type AnyRecord, isKindName, type KindName, type RecordOfKind, type RecordRef, refsOf } from '../blueprint/kinds'
import { removalOf } from '../blueprint/removal'

/** What a record's copy is, beside its new id and its references; the same record where nothing else is to change. */
type Adjust = (record: AnyRecord, ref: RecordRef) => AnyRecord

/**
 * Copies records, and what would go with them were they removed, from a plan into the one that is edited. References among the
 * copied lead to the copies. Where `from` is the plan that is edited, other references stay; into another plan, what may be
 * open is left open, and what needs the record that is not there is not copied. Returns the new ids by `kind id`.
 */
export function copyRecords(
  edit: PlanEdit,
  from: Blueprint,
  targets: readonly RecordRef[],
  newId: NewId,
  adjust: Adjust = (record) => record,
): ReadonlyMap<string, string> {
  const inSamePlan = from === edit.now
  // Removed are users first: copied are those first that others refer to.
  const copied = removalOf(from, targets)
    .flatMap((o): RecordRef[] => (o.op === 'remove' && isKindName(o.kind) ? [{ kind: o.kind, id: o.record.id }] : []))
    .toReversed()
  const wanted = new Set(copied.map(refKey))
  const ids = new Map<string, string>()
  for (const ref of copied) if (!isFixed(from, ref)) ids.set(refKey(ref), newId())
  const idOf = (to: RecordRef): string | null | 'later' =>
    ids.get(refKey(to)) ?? (wanted.has(refKey(to)) ? 'later' : inSamePlan ? to.id : null)
  const made = new Map<KindName, AnyRecord[]>()
  // What refers to one whose own id is made of its ends comes when that one has it.
  let waiting: readonly RecordRef[] = copied
  for (let before = -1; waiting.length !== before; ) {
    before = waiting.length
    waiting = waiting.filter((ref) => {
      const copy = copyOf(anyRecord(from, ref) as AnyRecord, ref.kind, idOf)
      if (copy === 'later') return true
      const record = adjust({ ...copy, id: fixedId(ref.kind, copy) ?? (ids.get(refKey(ref)) as string) }, ref)
      ids.set(refKey(ref), record.id)
      const list = made.get(ref.kind)
      list ? list.push(record) : made.set(ref.kind, [record])
      return false
    })
  }
  for (const ref of waiting) ids.delete(refKey(ref))
  for (const [kind, records] of made) edit.createAll(kind, records as unknown as readonly RecordOfKind<KindName>[])
  return ids
}

/** Everything that a plan holds, for a copy of the whole. */
export const everythingIn = (plan: Blueprint): RecordRef[] =>
  kindsIn(plan).flatMap((kind) => [...recordMap(plan, kind).keys()].map((id) => ({ kind, id })))

const isFixed = (plan: Blueprint, ref: RecordRef): boolean => fixedId(ref.kind, anyRecord(plan, ref) as AnyRecord) !== null

/** A record with its references led to the copies; `later` where one that it needs has no copy yet, or never will. */
function copyOf(record: AnyRecord, kind: KindName, idOf: (to: RecordRef) => string | null | 'later'): AnyRecord | 'later' {
  const led: Record<string, string | null> = {}
  for (const { field, to, spec } of refsOf(kind)) {
    const value = record[field]
    if (typeof value !== 'string') continue
    const id = idOf({ kind: to, id: value })
    if (id === 'later' || (id === null && !spec.optional)) return 'later'
    led[field] = id
  }
  return { ...record, ...led }
}
