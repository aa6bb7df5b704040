/** Some records set back to an earlier state of the plan, with what they cannot do without. */
import { anyRecord, type Blueprint, recordsOf, refKey } from '../blueprint/blueprint'
import type { Operation } from '../blueprint/change'
import { editPlan, type PlanEdit } from '../blueprint/edit'
import { type AnyRecord, KIND_NAMES, type RecordRef, refsOf, specOf } from '../blueprint/kinds'
import { differencesOf } from './differences'

/**
 * What sets these records back to how they were: those that are gone come back, with what they belong to where that is gone too;
 * those that came since go, with what belongs to them; links to what is not there stay open. As operations of one change.
 */
export function restoreSome(now: Blueprint, then: Blueprint, wanted: readonly RecordRef[]): Operation[] {
  const rank = new Map(KIND_NAMES.map((kind, i) => [kind, i]))
  const inOrder = wanted.toSorted((a, b) => (rank.get(a.kind) ?? 0) - (rank.get(b.kind) ?? 0))
  const chosen = new Set(wanted.map(refKey))
  return editPlan(now, (edit) => {
    for (const ref of inOrder) setBack(edit, then, ref, chosen)
    keysBack(edit, now, then, inOrder)
    edit.remove(...inOrder.filter((ref) => !anyRecord(then, ref)))
  })
}

/**
 * Where one record goes back to its place, its neighbours have the order keys that they had too: those that did not move may have
 * been given others. What moved and was not chosen stays where it is.
 */
function keysBack(edit: PlanEdit, now: Blueprint, then: Blueprint, wanted: readonly RecordRef[]): void {
  const moved = new Set(differencesOf(then, now).moved.map(refKey))
  const ordered = new Set(
    wanted.filter((ref) => moved.has(refKey(ref)) && Object.hasOwn(specOf(ref.kind).fields, 'order')).map((r) => r.kind),
  )
  const chosen = new Set(wanted.map(refKey))
  for (const kind of ordered)
    for (const was of recordsOf(then, kind) as unknown as AnyRecord[]) {
      const ref = { kind, id: was.id }
      const is = anyRecord(edit.now, ref)
      if (is && is['order'] !== was['order'] && (chosen.has(refKey(ref)) || !moved.has(refKey(ref))))
        edit.set(kind, was.id, { order: was['order'] } as never)
    }
}

/** `chosen`: a link to one of them is kept where it comes back only later. */
function setBack(edit: PlanEdit, then: Blueprint, ref: RecordRef, chosen: ReadonlySet<string>): void {
  const was = anyRecord(then, ref)
  if (!was) return
  const open: Record<string, null> = {}
  for (const { field, to, spec } of refsOf(ref.kind)) {
    const target = { kind: to, id: String(was[field] ?? '') }
    if (target.id === '' || anyRecord(edit.now, target)) continue
    // Trees have no cycles, and kinds refer one way: this ends.
    if (!spec.optional || chosen.has(refKey(target))) setBack(edit, then, target, chosen)
    else open[field] = null
  }
  const record = { ...was, ...open } as AnyRecord
  if (anyRecord(edit.now, ref)) edit.set(ref.kind, ref.id, record as never)
  else edit.create(ref.kind, record as never)
}
