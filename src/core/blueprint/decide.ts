/**
 * What a change does to what is stored: the one place where conflicts are judged. It reads through `Reader`, so that the
 * same judgement runs on a blueprint in memory (apply.ts) and on the rows of a transaction (server/changes.ts).
 *
 * The model. Each operation is first looked at alone: is what it says "was" still so? Then the operations that are left are
 * looked at together, in the state they would leave behind: does every reference still find its record, and is nothing
 * removed that something still uses? One that fails is set aside, which may make others fail, so this repeats until it is
 * stable; the set only shrinks, so it ends.
 */
import { refKey } from './blueprint'
import { type Change, type FieldValues, type Operation, operationId, withWholePlace } from './change'
import { type AnyRecord, leadsToItself, parentFieldOf, type RecordRef, refsOf, specOf } from './kinds'
import { levelsAbove, MOST_LEVELS } from './tree-shape'
import { sameValue } from './values'

export type Reader = {
  readonly get: (ref: RecordRef) => AnyRecord | undefined
  /** Records that refer to this one. */
  readonly referrers: (ref: RecordRef) => readonly RecordRef[]
  /** How many levels of its kind stand within a record that is stored. */
  readonly levelsBelow: (ref: RecordRef) => number
}

export type Conflict = RecordRef &
  (
    | {
        /** Created by somebody else, with other content. */ readonly reason: 'exists'
        readonly stored: AnyRecord
        readonly wanted: AnyRecord
      }
    | { /** Edited here, removed there. */ readonly reason: 'removed'; readonly wanted: FieldValues }
    | {
        /** One field, two values. */ readonly reason: 'changed'
        readonly field: string
        readonly was: unknown
        readonly stored: unknown
        readonly wanted: unknown
      }
    | { /** Removed here, edited there. */ readonly reason: 'edited'; readonly stored: AnyRecord; readonly was: AnyRecord }
    | { /** Links to what is gone. */ readonly reason: 'missing-target'; readonly field: string; readonly target: RecordRef }
    | { /** Would stand within itself. */ readonly reason: 'in-itself'; readonly field: string }
    | { /** Would stand, or have parts, deeper than a tree goes. */ readonly reason: 'too-deep'; readonly field: string }
    | { /** Removed here, used by what came since. */ readonly reason: 'still-used'; readonly by: readonly RecordRef[] }
  )

export type Decision =
  | { readonly ok: true; readonly effective: readonly Operation[]; readonly skipped: readonly Conflict[] }
  | { readonly ok: false; readonly conflicts: readonly Conflict[] }

type Judged = { readonly conflicts: readonly Conflict[]; readonly effective: Operation | null }

/** Judges a change against what is stored. Effective operations carry the values found, not the values believed. */
export function decide(change: Change, reader: Reader): Decision {
  const conflicts: Conflict[] = []
  let active: Operation[] = []
  for (const operation of change.operations) {
    const judged = judgeAlone(operation, reader, change.onConflict === 'skip')
    conflicts.push(...judged.conflicts)
    if (judged.effective) active.push(judged.effective)
  }
  for (;;) {
    const found = judgeTogether(active, reader)
    if (found.length === 0) break
    conflicts.push(...found)
    const bad = new Set(found.map(refKey))
    active = active.filter((o) => !bad.has(refKey({ kind: o.kind, id: operationId(o) })))
  }
  if (conflicts.length > 0 && change.onConflict === 'refuse') return { ok: false, conflicts }
  return { ok: true, effective: active, skipped: conflicts }
}

const agreed = (effective: Operation | null): Judged => ({ conflicts: [], effective })
const against = (...conflicts: Conflict[]): Judged => ({ conflicts, effective: null })

function judgeAlone(operation: Operation, reader: Reader, strictPlace: boolean): Judged {
  const { kind } = operation
  const id = operationId(operation)
  const stored = reader.get({ kind, id })
  switch (operation.op) {
    case 'create':
      if (!stored) return agreed(operation)
      return sameValue(stored, operation.record) ? agreed(null) : against({ kind, id, reason: 'exists', stored, wanted: operation.record })
    case 'remove': {
      if (!stored) return agreed(null)
      const was = operation.record
      const loose = strictPlace ? [] : (specOf(kind).place ?? [])
      const edited = Object.keys(stored).some((f) => !loose.includes(f) && !sameValue(stored[f], was[f]))
      return edited ? against({ kind, id, reason: 'edited', stored, was }) : agreed({ op: 'remove', kind, record: stored })
    }
    case 'update': {
      if (!stored) return against({ kind, id, reason: 'removed', wanted: operation.to })
      // A move is atomic and the last writer wins, but undo must not take back somebody else's later move.
      const loose = strictPlace ? [] : (specOf(kind).place ?? [])
      const fields = Object.keys(operation.to).filter((f) => !sameValue(stored[f], operation.to[f]))
      const conflicts = fields
        .filter((f) => !loose.includes(f) && !sameValue(stored[f], operation.from[f]))
        .map(
          (field): Conflict => ({
            kind,
            id,
            reason: 'changed',
            field,
            was: operation.from[field],
            stored: stored[field],
            wanted: operation.to[field],
          }),
        )
      if (conflicts.length > 0) return against(...conflicts)
      if (fields.length === 0) return agreed(null)
      const written = withWholePlace(kind, fields)
      const pick = (of: FieldValues) => Object.fromEntries(written.map((f) => [f, of[f]]))
      return agreed({ op: 'update', kind, id, from: pick(stored), to: pick(operation.to) })
    }
  }
}

function judgeTogether(active: readonly Operation[], reader: Reader): Conflict[] {
  const after = new Map<string, AnyRecord | null>()
  for (const o of active) {
    const ref = { kind: o.kind, id: operationId(o) }
    after.set(
      refKey(ref),
      o.op === 'create' ? o.record : o.op === 'remove' ? null : { ...(reader.get(ref) as AnyRecord), ...(o.to as object) },
    )
  }
  const state = (ref: RecordRef): AnyRecord | undefined => {
    const own = after.get(refKey(ref))
    return own === undefined ? reader.get(ref) : (own ?? undefined)
  }
  const found: Conflict[] = []
  for (const o of active) {
    const ref = { kind: o.kind, id: operationId(o) }
    if (o.op === 'remove') {
      const by = usersOf(ref, reader, state)
      if (by.length > 0) found.push({ ...ref, reason: 'still-used', by })
      continue
    }
    const record = state(ref) as AnyRecord
    for (const { field, to } of refsOf(o.kind)) {
      if (o.op === 'update' && !Object.hasOwn(o.to, field)) continue
      const target = record[field]
      if (typeof target === 'string' && !state({ kind: to, id: target }))
        found.push({ ...ref, reason: 'missing-target', field, target: { kind: to, id: target } })
    }
    if (leadsToItself(o.kind, record)) found.push({ ...ref, reason: 'in-itself', field: specOf(o.kind).ends?.at(-1) ?? '' })
    const parent = parentFieldOf(o.kind)
    if (parent === null || typeof record[parent] !== 'string' || (o.op === 'update' && !Object.hasOwn(o.to, parent))) continue
    const above = levelsAbove(ref, parent, state)
    if (above === null) found.push({ ...ref, reason: 'in-itself', field: parent })
    else if (above + 1 + reader.levelsBelow(ref) > MOST_LEVELS) found.push({ ...ref, reason: 'too-deep', field: parent })
  }
  return found
}

/** Who would still refer to a removed record: stored referrers that the change leaves. (New ones fail as missing-target.) */
function usersOf(ref: RecordRef, reader: Reader, state: (ref: RecordRef) => AnyRecord | undefined): RecordRef[] {
  return reader.referrers(ref).filter((user) => {
    const record = state(user)
    return record !== undefined && refsOf(user.kind).some((r) => r.to === ref.kind && record[r.field] === ref.id)
  })
}

/** The rules that a well-formed change keeps whatever is stored; each broken one as a sentence. */
export function shapeProblems(change: Change): { readonly at: string; readonly message: string }[] {
  const problems: { at: string; message: string }[] = []
  const seen = new Set<string>()
  change.operations.forEach((o, i) => {
    const at = `operations[${i}]`
    const key = refKey({ kind: o.kind, id: operationId(o) })
    if (seen.has(key)) problems.push({ at, message: `${key} has more than one operation` })
    seen.add(key)
    const spec = specOf(o.kind)
    if (o.op === 'remove' && spec.single) problems.push({ at, message: `the ${spec.noun} record cannot be removed` })
    if (o.op !== 'update') return
    const fields = Object.keys(o.to)
    if (fields.length === 0) problems.push({ at, message: 'an update names at least one field' })
    if (!sameValue(fields.toSorted(), Object.keys(o.from).toSorted()))
      problems.push({ at, message: '`from` and `to` name the same fields' })
    const end = fields.find((f) => spec.ends?.includes(f))
    if (end) problems.push({ at: `${at}.to.${end}`, message: 'the ends of a link never change' })
    const place = spec.place ?? []
    if (place.some((f) => fields.includes(f)) && !place.every((f) => fields.includes(f)))
      problems.push({ at, message: `a move writes ${place.join(', ')} together` })
  })
  return problems
}
