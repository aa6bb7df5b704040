/** The one way in: every edit of the plan, from any view, import, fix or undo, is a change. */
import { type AnyRecord, type KindName, specOf } from './kinds'
import { sameValue } from './values'

export type FieldValues = { readonly [field: string]: unknown }
export type CreateOperation = { readonly op: 'create'; readonly kind: KindName; readonly record: AnyRecord }
/** Carries the whole record that was, so that undo and colleagues can bring it back. */
export type RemoveOperation = { readonly op: 'remove'; readonly kind: KindName; readonly record: AnyRecord }
/** Per field the value that was and the value to be. */
export type UpdateOperation = {
  readonly op: 'update'
  readonly kind: KindName
  readonly id: string
  readonly from: FieldValues
  readonly to: FieldValues
}
export type Operation = CreateOperation | RemoveOperation | UpdateOperation

/** `refuse`: one conflict and nothing is written. `skip`: conflicting records are left as they are and listed. */
export type OnConflict = 'refuse' | 'skip'

export type Change = {
  readonly id: string
  /** What was done, for the label; worded when read, never sent as text. */
  readonly code: string
  readonly params: { readonly [name: string]: string | number | null }
  readonly onConflict: OnConflict
  /** At most one operation a record. */
  readonly operations: readonly Operation[]
}

/** The most operations one change may hold: a framework of 20,000 items with its relations (Cairn default). */
export const MAX_OPERATIONS = 60_000

/** The most characters of one fact of a change: the length of a title and what is said around it (Cairn default). */
export const MOST_PARAM = 400
/** Facts of one change at most (Cairn default). */
export const MOST_PARAMS = 40

export const operationId = (operation: Operation): string => (operation.op === 'update' ? operation.id : operation.record.id)

/** An update from a record to new field values, fields that stay the same left out; null when nothing differs. */
export function updateOperation(kind: KindName, record: AnyRecord, to: FieldValues): UpdateOperation | null {
  const changed = Object.keys(to).filter((f) => !sameValue(to[f] ?? null, record[f] ?? null))
  if (changed.length === 0) return null
  const fields = withWholePlace(kind, changed)
  return {
    op: 'update',
    kind,
    id: record.id,
    from: Object.fromEntries(fields.map((f) => [f, record[f] ?? null])),
    to: Object.fromEntries(fields.map((f) => [f, (Object.hasOwn(to, f) ? to[f] : record[f]) ?? null])),
  }
}

/** A move is written whole: where one field of the place is named, all of them are. */
export function withWholePlace(kind: KindName, fields: readonly string[]): string[] {
  const place = specOf(kind).place ?? []
  return place.some((f) => fields.includes(f)) ? [...new Set([...fields, ...place])] : [...fields]
}

/** The operations that undo `operations`, last first. */
export function invertOperations(operations: readonly Operation[]): Operation[] {
  return operations.toReversed().map((o): Operation => {
    switch (o.op) {
      case 'create':
        return { op: 'remove', kind: o.kind, record: o.record }
      case 'remove':
        return { op: 'create', kind: o.kind, record: o.record }
      case 'update':
        return { op: 'update', kind: o.kind, id: o.id, from: o.to, to: o.from }
    }
  })
}
