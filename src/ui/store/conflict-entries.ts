/**
 * What could not be written, as people choose between: one entry for each value, and one for a record with all that came or went
 * with it. Pure.
 */
import { applyChange } from '../../core/blueprint/apply'
import { anyRecord, type Blueprint, refKey } from '../../core/blueprint/blueprint'
import { type FieldValues, invertOperations, type Operation, operationId, updateOperation } from '../../core/blueprint/change'
import type { Conflict } from '../../core/blueprint/decide'
import { operationsBetween } from '../../core/blueprint/edit'
import { type AnyRecord, type KindName, type RecordRef, refsOf, specOf } from '../../core/blueprint/kinds'
import { removalOf } from '../../core/blueprint/removal'
import { sameValue } from '../../core/blueprint/values'
import { withoutLostLinks } from '../../core/history/past'

/** One thing that could not be written, with both values; nothing of it is lost. */
export type ConflictEntry = RecordRef & {
  readonly key: string
  readonly field: string | null
  /** What this window wanted: a field's value, or a whole record. */
  readonly wanted: unknown
  /** The operation it came from, so that it can be tried again. */
  readonly operation: Operation
  /** What was made with the record and is made again with it; of a removal, what was to go with it. */
  readonly along: readonly Operation[]
  /** Records that it belongs to or names and that somebody else removed. */
  readonly missing: readonly RecordRef[]
  /** Of a removal: what somebody else changed or added in what was to go. */
  readonly clashes: readonly RecordRef[]
  readonly author: string | null
  /** The removals that must be taken back for it, as far as they are known, oldest first. */
  readonly removals: readonly (readonly Operation[])[]
}

export type Removed = {
  /** Null where it was another window of the same person. */
  readonly author: string | null
  readonly operations: readonly Operation[]
  /** Later removals have higher numbers. */
  readonly turn: number
}
/** Records that went lately otherwise than in this window, by key. */
export type Removals = ReadonlyMap<string, Removed>

/** An entry as an earlier version kept it. */
export function liftEntry(entry: ConflictEntry & { readonly removal?: readonly Operation[] | null }): ConflictEntry {
  const { removal, ...kept } = entry
  return {
    ...kept,
    along: kept.along ?? [],
    missing: kept.missing ?? [],
    clashes: kept.clashes ?? [],
    removals: kept.removals ?? (removal ? [removal] : []),
  }
}

/** The entries of refused operations, in the order in which they were made. */
export function entriesOf(
  operations: readonly Operation[],
  conflicts: readonly Conflict[],
  { confirmed, removedByOthers: removed }: { readonly confirmed: Blueprint; readonly removedByOthers: Removals },
  authorOf: (ref: RecordRef) => string | null,
): ConflictEntry[] {
  const wanted = folded(operations)
  const removes = keysOf(wanted, 'remove')
  const creates = keysOf(wanted, 'create')
  const clashes = [...new Map(conflicts.flatMap(clashOf).map((r) => [refKey(r), r])).values()]
  // What names only what was made in the same changes is made with it.
  const missingOf = (kind: KindName, values: Readonly<Record<string, unknown>>): RecordRef[] =>
    refsOf(kind).flatMap(({ field, to }) => {
      const target = { kind: to, id: String(values[field] ?? '') }
      return target.id === '' || creates.has(refKey(target)) || anyRecord(confirmed, target) ? [] : [target]
    })
  const about = (ref: RecordRef, missing: readonly RecordRef[]) => {
    const known = [ref, ...missing].flatMap((r) => removed.get(refKey(r)) ?? [])
    const author = known[0]?.author ?? [...missing, ref].map(authorOf).find((a) => a !== null) ?? null
    return { ...ref, missing, author, removals: chainOf(known, removed).map((r) => r.operations) }
  }
  const belongsTo = (o: Operation, keys: ReadonlySet<string>): boolean =>
    o.op !== 'update' &&
    (o.op === 'remove' || missingOf(o.kind, o.record).length === 0) &&
    ownersOf(o, o.record).some((key) => keys.has(key))
  const madeIn = byOwner(wanted.filter((o) => o.op === 'create' && belongsTo(o, creates)))
  const removedIn = byOwner(wanted.filter((o) => o.op === 'remove' && belongsTo(o, removes)))
  return wanted.flatMap((operation): ConflictEntry[] => {
    const ref = { kind: operation.kind, id: operationId(operation) }
    if (operation.op === 'update')
      return Object.keys(operation.to)
        .filter((field) => !unlinksRemoved(operation, field, removes))
        .map((field) => ({
          ...about(ref, missingOf(ref.kind, { [field]: operation.to[field] })),
          key: `${refKey(ref)} ${field}`,
          field,
          wanted: operation.to[field],
          operation,
          along: [],
          clashes: [],
        }))
    if (belongsTo(operation, operation.op === 'remove' ? removes : creates)) return []
    const along = within(refKey(ref), operation.op === 'remove' ? removedIn : madeIn)
    const missing = operation.op === 'create' ? missingOf(ref.kind, operation.record) : []
    const own = { ...about(ref, missing), key: refKey(ref), field: null, operation, along }
    if (operation.op === 'create') return [{ ...own, wanted: operation.record, clashes: [] }]
    const author = own.author ?? clashes.map(authorOf).find((a) => a !== null) ?? null
    return [{ ...own, author, wanted: null, clashes }]
  })
}

/** Removals with those of what the removed records belong to, oldest first. */
function chainOf(known: readonly Removed[], removed: Removals): Removed[] {
  const chain = new Set(known)
  for (const { operations } of chain)
    for (const o of operations)
      if (o.op === 'remove')
        for (const key of ownersOf(o, o.record)) {
          const owner = removed.get(key)
          if (owner) chain.add(owner)
        }
  return [...chain].sort((a, b) => a.turn - b.turn)
}

/** What is left to want of changes that follow each other: one operation a record, and nothing of what came back to what it was. */
function folded(operations: readonly Operation[]): Operation[] {
  const wanted = new Map<string, Operation>()
  for (const o of operations) {
    const key = `${o.kind} ${operationId(o)}`
    const before = wanted.get(key)
    if (o.op !== 'update' || !before) {
      wanted.delete(key)
      wanted.set(key, o)
    } else if (before.op === 'create') wanted.set(key, { ...before, record: { ...before.record, ...o.to } })
    else if (before.op === 'update') wanted.set(key, { ...o, from: { ...o.from, ...before.from }, to: { ...before.to, ...o.to } })
  }
  return [...wanted.values()].map((o) => (o.op === 'update' ? { ...o, to: differing(o) } : o))
}

const differing = ({ from, to }: Extract<Operation, { op: 'update' }>): FieldValues =>
  Object.fromEntries(Object.entries(to).filter(([field, value]) => !sameValue(from[field] ?? null, value ?? null)))

const keysOf = (operations: readonly Operation[], op: Operation['op']): ReadonlySet<string> =>
  new Set(operations.flatMap((o) => (o.op === op ? [`${o.kind} ${operationId(o)}`] : [])))

/** The records without which a record is not. */
const ownersOf = ({ kind }: Pick<RecordRef, 'kind'>, record: AnyRecord): string[] =>
  refsOf(kind).flatMap((r) => (r.spec.onRemove === 'remove' && record[r.field] ? [`${r.to} ${String(record[r.field])}`] : []))

function byOwner(operations: readonly Operation[]): ReadonlyMap<string, readonly Operation[]> {
  const found = new Map<string, Operation[]>()
  for (const o of operations)
    if (o.op !== 'update')
      for (const key of ownersOf(o, o.record)) {
        const list = found.get(key)
        if (list) list.push(o)
        else found.set(key, [o])
      }
  return found
}

/** All that was made, or removed, within a record, owners first. */
function within(key: string, inOwner: ReadonlyMap<string, readonly Operation[]>): Operation[] {
  const found = new Map<string, Operation>()
  const keys = [key]
  for (const owner of keys)
    for (const o of inOwner.get(owner) ?? []) {
      const own = `${o.kind} ${operationId(o)}`
      if (found.has(own)) continue
      found.set(own, o)
      keys.push(own)
    }
  return [...found.values()]
}

/** Whether a field was only emptied since what it named was removed in the same change. */
const unlinksRemoved = (o: Extract<Operation, { op: 'update' }>, field: string, removes: ReadonlySet<string>): boolean =>
  o.to[field] === null && refsOf(o.kind).some((r) => r.field === field && removes.has(`${r.to} ${String(o.from[field])}`))

const clashOf = (c: Conflict): RecordRef[] =>
  c.reason === 'still-used' ? [...c.by] : c.reason === 'edited' ? [{ kind: c.kind, id: c.id }] : []

/** Whether the record, or one that it belongs to, would have to come back for an entry to be written. */
export const needsBack = (view: Blueprint, entry: ConflictEntry): boolean =>
  (entry.operation.op === 'update' && anyRecord(view, entry) === undefined) ||
  entry.missing.some((ref) => anyRecord(view, ref) === undefined)

/** The records that a removal was to take away. */
export const goingWith = ({ kind, id, along }: Pick<ConflictEntry, 'kind' | 'id' | 'along'>): RecordRef[] => [
  { kind, id },
  ...along.map((o) => ({ kind: o.kind, id: operationId(o) })),
]

/** Without those about a record that was to go later: its removal waits for a choice, and is what was wanted in the end. */
export function withoutGoing(entries: readonly ConflictEntry[]): readonly ConflictEntry[] {
  const going = new Set(entries.filter((e) => e.operation.op === 'remove').flatMap((e) => goingWith(e).map(refKey)))
  return entries.filter((e) => e.operation.op === 'remove' || !going.has(refKey(e)))
}

/** Whether the plan already says what an entry wants. */
export function isMet(view: Blueprint, { operation, field, wanted, along, ...ref }: ConflictEntry): boolean {
  const stored = anyRecord(view, ref)
  if (operation.op === 'remove') return goingWith({ ...ref, along }).every((r) => !anyRecord(view, r))
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
  // What comes back does so with the values wanted of it: where it stood may be gone.
  const values = new Map<string, FieldValues>()
  for (const { field, wanted, ...ref } of entries)
    if (field !== null) values.set(refKey(ref), { ...values.get(refKey(ref)), [field]: wanted })
  const withValues = (o: Operation): Operation =>
    o.op === 'create' ? { ...o, record: { ...o.record, ...values.get(refKey({ kind: o.kind, id: o.record.id })) } } : o
  const back = [...new Set(entries.filter((e) => needsBack(view, e)).flatMap((e) => e.removals.toReversed()))]
  // Twice: with its new values a record may stand in one that comes back after it. Then as it was, where it cannot have them.
  for (const removal of [...back, ...back]) apply(withoutLostLinks(now, invertOperations(removal).map(withValues)))
  for (const removal of back) apply(withoutLostLinks(now, invertOperations(removal)))
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
    if (entry.operation.op === 'remove') apply(removalOf(now, goingWith(entry)))
  }
  // Of two values wanted of one field the later one is written; the other is settled with it.
  const last = new Map(entries.map((e) => [`${refKey(e)} ${e.field}`, e]))
  return { operations: operationsBetween(view, now), unmet: [...last.values()].filter((e) => !isMet(now, e)) }
}
