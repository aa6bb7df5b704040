/** Copies of records with all that belongs to them: a rubric, a module, a whole course are one way of copying. */
import { anyRecord, type Blueprint, kindsIn, recordMap, refKey } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { fixedId, type NewId } from '../blueprint/ids'
import { type AnyRecord, isKindName, KIND_NAMES, type KindName, type RecordOfKind, type RecordRef, refsOf } from '../blueprint/kinds'
import { removalOf } from '../blueprint/removal'
import { likesIn } from './likes'

/** A link that could not be kept: what it led to has no like in the target. Where the record could not do without, it is left out. */
export type LostLink = { readonly by: RecordRef; readonly to: RecordRef; readonly leftOut: boolean }
export type Copied = {
  /** The new ids by `kind id`. */
  readonly ids: ReadonlyMap<string, string>
  readonly lost: readonly LostLink[]
}
type CopyOptions = {
  /** What a record's copy is, beside its new id and its references; the same record where nothing else is to change. */
  readonly adjust?: (record: AnyRecord, ref: RecordRef) => AnyRecord
  /** Where something that is referred to stands in the target, by `kind id`, whatever is like it there. */
  readonly given?: ReadonlyMap<string, string>
}

/**
 * Copies exactly these records from a plan into the one that is edited. References among the copied lead to the copies. Others
 * stay where `from` is the plan that is edited; in another plan they lead to their like ({@link likesIn}), and where it has none
 * what may be open is left open, and what needs it is not copied.
 */
export function copyRecords(
  edit: PlanEdit,
  from: Blueprint,
  refs: readonly RecordRef[],
  newId: NewId,
  { adjust = (record) => record, given }: CopyOptions = {},
): Copied {
  const into = edit.now
  const likeOf = from === into ? (to: RecordRef) => to.id : likesIn(from, into)
  const copied = inKindOrder(refs.filter((ref) => anyRecord(from, ref)))
  const wanted = new Set(copied.map(refKey))
  const ids = new Map<string, string>()
  // Records of two kinds that share an id share it in the copy too: what names an id in its text can be led after it.
  const fresh = new Map<string, string>()
  for (const ref of copied) {
    if (isFixed(from, ref)) continue
    const id = fresh.get(ref.id) ?? newId()
    fresh.set(ref.id, id)
    ids.set(refKey(ref), id)
  }
  const idOf = (to: RecordRef): string | null | 'later' =>
    ids.get(refKey(to)) ?? given?.get(refKey(to)) ?? (wanted.has(refKey(to)) ? 'later' : likeOf(to))
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
      // What is made of its ends, and is there already, is the same.
      if (isFixed(from, ref) && anyRecord(into, { kind: ref.kind, id: record.id })) return false
      const list = made.get(ref.kind)
      list ? list.push(record) : made.set(ref.kind, [record])
      return false
    })
  }
  const leftOut = new Set(waiting.map(refKey))
  for (const key of leftOut) ids.delete(key)
  for (const [kind, records] of made) edit.createAll(kind, records as unknown as readonly RecordOfKind<KindName>[])
  const lost = copied.flatMap((by) =>
    refsOf(by.kind).flatMap(({ field, to: kind }): LostLink[] => {
      const id = anyRecord(from, by)?.[field]
      if (typeof id !== 'string') return []
      const to = { kind, id }
      // What was to come too, and could not, is told by what that lacks.
      return idOf(to) === null ? [{ by, to, leftOut: leftOut.has(refKey(by)) }] : []
    }),
  )
  return { ids, lost }
}

/** Records with what would go with them were they removed: all that belongs to them. */
export const withBelongings = (from: Blueprint, targets: readonly RecordRef[]): RecordRef[] =>
  removalOf(from, targets).flatMap((o) => (o.op === 'remove' && isKindName(o.kind) ? [{ kind: o.kind, id: o.record.id }] : []))

/** Everything that a plan holds, for a copy of the whole. */
export const everythingIn = (plan: Blueprint): RecordRef[] =>
  kindsIn(plan).flatMap((kind) => [...recordMap(plan, kind).keys()].map((id) => ({ kind, id })))

/** Those that others refer to first. */
function inKindOrder(refs: readonly RecordRef[]): RecordRef[] {
  const rank = new Map(KIND_NAMES.map((kind, i) => [kind, i]))
  return refs.toSorted((a, b) => (rank.get(a.kind) ?? 0) - (rank.get(b.kind) ?? 0))
}

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
