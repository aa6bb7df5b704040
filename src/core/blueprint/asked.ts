/**
 * Kinds whose records a window of the application gets only when it asks for them, because they are large and seldom looked at.
 * They are of the plan like all others: changes, undo, files and history hold them.
 */
import { type Change, type Operation, operationId, updateOperation } from './change'
import type { Reader } from './decide'
import { type AnyRecord, fromKinds, KIND_NAMES, type KindName, refsOf, specOf } from './kinds'

export const loadsWhenAsked = (kind: KindName): boolean => specOf(kind).loads === 'when asked'

/** The kinds that load when asked. Throws where another kind refers to one: what is always there would lead to what is not. */
export const askedKinds = fromKinds((): readonly KindName[] => {
  for (const kind of KIND_NAMES) {
    const { to } = refsOf(kind).find((r) => loadsWhenAsked(r.to)) ?? {}
    if (to) throw new Error(`${kind} refers to ${to}, which is loaded only when asked`)
  }
  return KIND_NAMES.filter(loadsWhenAsked)
})

/**
 * The change with what its removals take along of kinds that whoever made it may not have seen: what refers to a removed record
 * goes with it, or loses the link, as its field declares. The same change where there is nothing of that sort.
 */
export function withUnseen(change: Change, reader: Reader): Change {
  if (askedKinds().length === 0) return change
  const named = new Set(change.operations.map((o) => `${o.kind} ${operationId(o)}`))
  const gone = new Set(change.operations.flatMap((o) => (o.op === 'remove' ? [`${o.kind} ${o.record.id}`] : [])))
  const more = new Map<string, Operation>()
  for (const removal of change.operations) {
    if (removal.op !== 'remove') continue
    for (const user of reader.referrers({ kind: removal.kind, id: removal.record.id })) {
      const key = `${user.kind} ${user.id}`
      const record = reader.get(user)
      if (!record || !loadsWhenAsked(user.kind) || named.has(key) || more.has(key)) continue
      const operation = without(user.kind, record, gone)
      if (operation) more.set(key, operation)
    }
  }
  return more.size === 0 ? change : { ...change, operations: [...more.values(), ...change.operations] }
}

/** What becomes of a record when those that are gone go. */
function without(kind: KindName, record: AnyRecord, gone: ReadonlySet<string>): Operation | null {
  const lost = refsOf(kind).filter((r) => gone.has(`${r.to} ${record[r.field]}`))
  if (lost.some((r) => r.spec.onRemove === 'remove')) return { op: 'remove', kind, record }
  return updateOperation(kind, record, Object.fromEntries(lost.map((r) => [r.field, null])))
}
