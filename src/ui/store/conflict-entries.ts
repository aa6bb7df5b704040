/**
 * What could not be written, as people choose between: one entry for each value, and one for a record with all that came or went
 * with it. Pure.
 */
import { applyChange } from '../../core/blueprint/apply'
import { anyRecord, type Blueprint, refKey } from '../../core/blueprint/blueprint'
import { invertOperations, type Operation, operationId, updateOperation } from '../../core/blueprint/change'
import type { Conflict } from '../../core/blueprint/decide'
import { operationsBetween } from '../../core/blueprint/edit'
import { type AnyRecord, type KindName, type RecordRef, refsOf, specOf } from '../../core/blueprint/kinds'
import { removalOf } from '../../core/blueprint/removal'
import { sameValue } from '../../core/blueprint/values'

/** One thing that could not be written, with both values; nothing of it is lost. */
export type ConflictEntry = RecordRef & {
  readonly key: string
  readonly field: string | null
  /** What this window wanted: a field's value, or a whole record. */
  readonly wanted: unknown
  /** The operation it came from, so that it can be tried again. */
  readonly operation: Operation
  /** What was made with the record, and is made again with it. */
  readonly along: readonly Operation[]
  /** A record that it belongs to and that somebody else removed. */
  readonly missing: RecordRef | null
  /** Of a removal: what somebody else changed or added in what was to go. */
  readonly clashes: readonly RecordRef[]
  readonly author: string | null
  /** What went when somebody else removed the record, or the one it belongs to, so that it can be brought back. */
  readonly removal: readonly Operation[] | null
}

/** Records that went lately otherwise than in this window, by key; the author is null where it was another window of the same person. */
export type Removals = ReadonlyMap<string, { readonly author: string | null; readonly operations: readonly Operation[] }>

/** An entry as an earlier version kept it. */
export const liftEntry = (entry: ConflictEntry): ConflictEntry => ({
  ...entry,
  along: entry.along ?? [],
  missing: entry.missing ?? null,
  clashes: entry.clashes ?? [],
})

/** The entries of refused operations, in the order in which they were made. */
export function entriesOf(
  operations: readonly Operation[],
  conflicts: readonly Conflict[],
  removals: Removals,
  authorOf: (ref: RecordRef) => string | null,
): ConflictEntry[] {
  const wanted = folded(operations)
  const removes = keysOf(wanted, 'remove')
  const creates = keysOf(wanted, 'create')
  const clashes = [...new Map(conflicts.flatMap(clashOf).map((r) => [refKey(r), r])).values()]
  const about = (ref: RecordRef) => {
    const missing = conflicts.flatMap((c) => (refKey(c) === refKey(ref) && c.reason === 'missing-target' ? [c.target] : []))[0] ?? null
    const removal = removals.get(refKey(ref)) ?? (missing ? removals.get(refKey(missing)) : undefined)
    return { ...ref, missing, author: removal?.author ?? authorOf(missing ?? ref), removal: removal?.operations ?? null }
  }
  return wanted.flatMap((operation): ConflictEntry[] => {
    const ref = { kind: operation.kind, id: operationId(operation) }
    if (operation.op === 'update')
      return Object.keys(operation.to)
        .filter((field) => !unlinksRemoved(operation, field, removes))
        .map((field) => ({
          ...about(ref),
          key: `${refKey(ref)} ${field}`,
          field,
          wanted: operation.to[field],
          operation,
          along: [],
          clashes: [],
        }))
    const own = { ...about(ref), key: refKey(ref), field: null, operation }
    if (operation.op === 'remove') {
      if (ownersOf(ref, operation.record).some((key) => removes.has(key))) return []
      const author = own.author ?? clashes.map(authorOf).find((a) => a !== null) ?? null
      return [{ ...own, author, wanted: null, along: [], clashes }]
    }
    if (ownersOf(ref, operation.record).some((key) => creates.has(key))) return []
    return [{ ...own, wanted: operation.record, along: madeWith(refKey(ref), wanted), clashes: [] }]
  })
}

/** Updates of what was made in the same changes are part of its making; what was made and removed was nothing. */
function folded(operations: readonly Operation[]): Operation[] {
  const kept = new Map<string, Operation>()
  const rest: Operation[] = []
  for (const o of operations) {
    const key = `${o.kind} ${operationId(o)}`
    const made = kept.get(key)
    if (o.op === 'create') kept.set(key, o)
    else if (made?.op !== 'create') rest.push(o)
    else if (o.op === 'update') kept.set(key, { ...made, record: { ...made.record, ...o.to } })
    else kept.delete(key)
  }
  return [...kept.values(), ...rest]
}

const keysOf = (operations: readonly Operation[], op: Operation['op']): ReadonlySet<string> =>
  new Set(operations.flatMap((o) => (o.op === op ? [`${o.kind} ${operationId(o)}`] : [])))

/** The records without which a record is not. */
const ownersOf = ({ kind }: Pick<RecordRef, 'kind'>, record: AnyRecord): string[] =>
  refsOf(kind).flatMap((r) => (r.spec.onRemove === 'remove' && record[r.field] ? [`${r.to} ${String(record[r.field])}`] : []))

/** All that was made within a record that was made, owners first. */
function madeWith(key: string, operations: readonly Operation[]): Operation[] {
  const within = new Set([key])
  const found: Operation[] = []
  for (let before = 0; before !== within.size; ) {
    before = within.size
    for (const o of operations) {
      const own = `${o.kind} ${operationId(o)}`
      if (o.op !== 'create' || within.has(own) || !ownersOf(o, o.record).some((k) => within.has(k))) continue
      within.add(own)
      found.push(o)
    }
  }
  return found
}

/** Whether a field was only emptied since what it named was removed in the same change. */
const unlinksRemoved = (o: Extract<Operation, { op: 'update' }>, field: string, removes: ReadonlySet<string>): boolean =>
  o.to[field] === null && refsOf(o.kind).some((r) => r.field === field && removes.has(`${r.to} ${String(o.from[field])}`))

const clashOf = (c: Conflict): RecordRef[] =>
  c.reason === 'still-used' ? [...c.by] : c.reason === 'edited' ? [{ kind: c.kind, id: c.id }] : []

/** Whether the record, or one that it belongs to, would have to come back for an entry to be written. */
export const needsBack = (view: Blueprint, entry: ConflictEntry): boolean =>
  (entry.operation.op === 'update' && anyRecord(view, entry) === undefined) ||
  (entry.missing !== null && anyRecord(view, entry.missing) === undefined)

/** Whether the plan already says what an entry wants. */
export function isMet(view: Blueprint, { operation, field, wanted, ...ref }: ConflictEntry): boolean {
  const stored = anyRecord(view, ref)
  if (operation.op === 'remove') return stored === undefined
  if (stored === undefined) return false
  return field === null
    ? differingFields(ref.kind, stored, wanted as AnyRecord).length === 0
    : sameValue(stored[field] ?? null, wanted ?? null)
}

/** Fields in which a record that somebody else made differs from the one that was wanted; where it stands does not count. */
export const differingFields = (kind: KindName, stored: AnyRecord, wanted: AnyRecord): string[] =>
  Object.keys(wanted).filter((f) => !specOf(kind).place?.includes(f) && !sameValue(stored[f] ?? null, wanted[f] ?? null))

/**
 * What must be written to have one's own values after all, against the plan as it is: with what others removed brought back where
 * that is needed, and with all that stands by now in what is to go. And the entries for which that is not possible.
 */
export function withMine(
  view: Blueprint,
  entries: readonly ConflictEntry[],
): { readonly operations: Operation[]; readonly unmet: readonly ConflictEntry[] } {
  let now = view
  const apply = (operations: readonly Operation[]) => {
    const applied = applyChange(now, { id: '', code: '', params: {}, onConflict: 'skip', operations })
    if (applied.ok) now = applied.blueprint
  }
  for (const entry of entries) if (entry.removal && needsBack(now, entry)) apply(invertOperations(entry.removal))
  apply(entries.flatMap((e) => (e.operation.op === 'create' ? [e.operation, ...e.along] : [])))
  for (const entry of entries) {
    const stored = anyRecord(now, entry)
    const made = stored && entry.operation.op === 'create' ? (entry.wanted as AnyRecord) : null
    const to =
      entry.field !== null
        ? { [entry.field]: entry.wanted }
        : stored && made
          ? Object.fromEntries(differingFields(entry.kind, stored, made).map((f) => [f, made[f]]))
          : {}
    const update = stored && updateOperation(entry.kind, stored, to)
    if (update) apply([update])
  }
  for (const entry of entries) {
    const removal = entry.operation.op === 'remove' ? removalOf(now, [entry]) : null
    if (removal?.ok) apply(removal.operations)
  }
  // Of two values wanted of one field the later one is written; the other is settled with it.
  const last = new Map(entries.map((e) => [`${refKey(e)} ${e.field}`, e]))
  return { operations: operationsBetween(view, now), unmet: [...last.values()].filter((e) => !isMet(now, e)) }
}
