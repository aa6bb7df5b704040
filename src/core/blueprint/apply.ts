/** Applies a change to a blueprint in memory. Pure: the same change on PostgreSQL is proved equal by a property test. */
import { anyRecord, type Blueprint, patchBlueprint, recordMap, refKey } from './blueprint'
import { type Change, invertOperations, type Operation } from './change'
import { type Conflict, decide, type Reader } from './decide'
import { KIND_NAMES, type KindName, parentFieldOf, type RecordRef, refsOf } from './kinds'
import { levelsBelow } from './tree-shape'

export type Applied =
  | {
      readonly ok: true
      readonly blueprint: Blueprint
      /** What was really written. */
      readonly effective: readonly Operation[]
      readonly skipped: readonly Conflict[]
      /** The operations that take it back. */
      readonly inverse: readonly Operation[]
    }
  | { readonly ok: false; readonly conflicts: readonly Conflict[] }

/** Applies a change, or names why not. */
export function applyChange(blueprint: Blueprint, change: Change): Applied {
  const decision = decide(change, readerOf(blueprint))
  if (!decision.ok) return decision
  return {
    ok: true,
    blueprint: applyEffective(blueprint, decision.effective),
    effective: decision.effective,
    skipped: decision.skipped,
    inverse: invertOperations(decision.effective),
  }
}

/** Writes operations that were judged already (the log's), without looking for conflicts. */
export function applyEffective(blueprint: Blueprint, operations: readonly Operation[]): Blueprint {
  return patchBlueprint(blueprint, {
    set: operations.flatMap((o) => {
      if (o.op === 'remove') return []
      if (o.op === 'create') return [{ kind: o.kind, record: o.record }]
      const stored = anyRecord(blueprint, o)
      return stored ? [{ kind: o.kind, record: { ...stored, ...(o.to as object) } }] : []
    }),
    removed: operations.flatMap((o) => (o.op === 'remove' ? [{ kind: o.kind, id: o.record.id }] : [])),
  })
}

/** Reads a blueprint; its indexes are built at the first question. */
export function readerOf(blueprint: Blueprint): Reader {
  let index: Map<string, RecordRef[]> | undefined
  const levels = new Map<KindName, ReadonlyMap<string, number>>()
  return {
    get: (ref) => anyRecord(blueprint, ref),
    referrers: (ref) => (index ??= indexReferrers(blueprint)).get(refKey(ref)) ?? [],
    levelsBelow: ({ kind, id }) => {
      const known = levels.get(kind) ?? levelsIn(blueprint, kind)
      levels.set(kind, known)
      return known.get(id) ?? 0
    },
  }
}

function levelsIn(blueprint: Blueprint, kind: KindName): ReadonlyMap<string, number> {
  const parent = parentFieldOf(kind)
  if (parent === null) return new Map()
  return levelsBelow([...recordMap(blueprint, kind).values()].map((r) => [r.id, r[parent]] as const))
}

/** Who refers to whom, by key of the record referred to. */
export function indexReferrers(blueprint: Blueprint): Map<string, RecordRef[]> {
  const index = new Map<string, RecordRef[]>()
  for (const kind of KIND_NAMES)
    for (const { field, to } of refsOf(kind))
      for (const record of recordMap(blueprint, kind).values()) {
        const target = record[field]
        if (typeof target !== 'string') continue
        const key = refKey({ kind: to, id: target })
        const list = index.get(key)
        if (list) list.push({ kind, id: record.id })
        else index.set(key, [{ kind, id: record.id }])
      }
  return index
}
