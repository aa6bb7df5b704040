/** A plan brought into another: what that has its like of is the same thing and stays as it is, the rest is added. */
import { anyRecord, type Blueprint, recordMap, refKey } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import type { NewId } from '../blueprint/ids'
import { type AnyRecord, type KindName, type RecordRef, specOf } from '../blueprint/kinds'
import { keyAtEnd, keysBetween, type Ordered } from '../blueprint/order'
import { type Copied, copyRecords, everythingIn } from './copy'
import { type CopyPart, partOf } from './copy-course'
import { likesIn } from './likes'

/**
 * Adds what a plan has and the edited one does not. Facts of the course and its offerings stay those of the course. `parts`: only
 * these; open: all.
 */
export function addPlan(edit: PlanEdit, from: Blueprint, newId: NewId, parts?: readonly CopyPart[]): Copied {
  const likeOf = likesIn(from, edit.now)
  const given = new Map<string, string>()
  const refs: RecordRef[] = []
  for (const ref of everythingIn(from)) {
    if (specOf(ref.kind).single || ref.kind === 'offering') continue
    const part = partOf(ref.kind)
    if (parts && (part === 'always' || !parts.includes(part))) continue
    const like = likeOf(ref)
    like === null ? refs.push(ref) : given.set(refKey(ref), like)
  }
  return copyRecords(edit, from, refs, newId, { given, adjust: behindAll(edit.now, from, refs) })
}

/** Gives what is copied places behind what is there already, in the order that it had. */
export function behindAll(into: Blueprint, from: Blueprint, refs: readonly RecordRef[]): (record: AnyRecord, ref: RecordRef) => AnyRecord {
  const keys = new Map<string, string>()
  const byKind = new Map<KindName, RecordRef[]>()
  for (const ref of refs) byKind.set(ref.kind, [...(byKind.get(ref.kind) ?? []), ref])
  for (const [kind, list] of byKind) {
    if (!Object.hasOwn(specOf(kind).fields, 'order')) continue
    const there = [...recordMap(into, kind).values()] as unknown as Ordered[]
    const orderOf = (ref: RecordRef) => String(anyRecord(from, ref)?.['order'])
    const sorted = list.toSorted((a, b) => (orderOf(a) < orderOf(b) ? -1 : orderOf(a) > orderOf(b) ? 1 : a.id < b.id ? -1 : 1))
    const fresh = keysBetween(there.length === 0 ? null : keyAtEnd(there), null, sorted.length)
    sorted.forEach((ref, i) => keys.set(refKey(ref), fresh[i] as string))
  }
  return (record, ref) => (keys.has(refKey(ref)) ? { ...record, order: keys.get(refKey(ref)) } : record)
}
