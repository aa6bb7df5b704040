/** A blueprint is an immutable map of records by kind and id. An empty one is valid: incomplete is normal. */
import { type AnyRecord, type Course, KIND_NAMES, type KindName, type RecordOfKind, type RecordRef } from './kinds'
import { sameValue } from './values'

export type Blueprint = { readonly [K in KindName]: ReadonlyMap<string, RecordOfKind<K>> }

export const EMPTY_BLUEPRINT: Blueprint = Object.freeze(Object.fromEntries(KIND_NAMES.map((k) => [k, new Map()]))) as unknown as Blueprint

export type Records = { readonly [K in KindName]?: readonly RecordOfKind<K>[] }

const NO_RECORDS: ReadonlyMap<string, AnyRecord> = new Map()

/** The records of a kind by id; none of a kind that the blueprint does not hold. */
export const recordMap = (blueprint: Blueprint, kind: KindName): ReadonlyMap<string, AnyRecord> =>
  (blueprint[kind] as ReadonlyMap<string, AnyRecord> | undefined) ?? NO_RECORDS

/** The kinds of a blueprint: those of this version, and those that only a newer one knows. */
export const kindsIn = (...blueprints: readonly object[]): KindName[] =>
  [...new Set([...KIND_NAMES, ...blueprints.flatMap((b) => Object.keys(b))])] as KindName[]

/**
 * Builds a blueprint from lists of records. Those of kinds that this version does not know are kept. Throws on an id that comes
 * twice in one kind (a bug: parsers check first).
 */
export function blueprintOf(records: Records): Blueprint {
  const built = Object.fromEntries(
    kindsIn(records).map((kind) => {
      const list = (records[kind] ?? []) as readonly AnyRecord[]
      const map = new Map(list.map((r) => [r.id, r]))
      if (map.size !== list.length) throw new Error(`ids come twice in ${kind}`)
      return [kind, map]
    }),
  )
  return built as unknown as Blueprint
}

export const recordsOf = <K extends KindName>(blueprint: Blueprint, kind: K): RecordOfKind<K>[] =>
  [...recordMap(blueprint, kind).values()] as unknown as RecordOfKind<K>[]

/** The record seen through its fields by name. */
export const anyRecord = (blueprint: Blueprint, ref: RecordRef): AnyRecord | undefined => recordMap(blueprint, ref.kind).get(ref.id)

/** The course record. Throws where there is none: only a blueprint being made lacks it. */
export function courseOf(blueprint: Blueprint): Course {
  const course = blueprint.course.get('course')
  if (!course) throw new Error('the blueprint has no course record')
  return course
}

export const refKey = (ref: RecordRef): string => `${ref.kind} ${ref.id}`

export type BlueprintDiff = {
  readonly set: readonly { readonly kind: KindName; readonly record: AnyRecord }[]
  readonly removed: readonly RecordRef[]
}

/** What must be set and removed to come from `before` to `after`; records are compared by identity, so it is cheap. */
export function diffBlueprints(before: Blueprint, after: Blueprint): BlueprintDiff {
  const set: { kind: KindName; record: AnyRecord }[] = []
  const removed: RecordRef[] = []
  for (const kind of kindsIn(before, after)) {
    const [a, b] = [recordMap(before, kind), recordMap(after, kind)]
    if (a === b) continue
    for (const [id, record] of b) if (a.get(id) !== record) set.push({ kind, record })
    for (const id of a.keys()) if (!b.has(id)) removed.push({ kind, id })
  }
  return { set, removed }
}

/** Applies a diff; kinds that are untouched keep their map. */
export function patchBlueprint(blueprint: Blueprint, diff: BlueprintDiff): Blueprint {
  if (diff.set.length + diff.removed.length === 0) return blueprint
  const next: Record<string, ReadonlyMap<string, AnyRecord>> = { ...blueprint }
  const own = new Set<KindName>()
  const mapOf = (kind: KindName): Map<string, AnyRecord> => {
    if (!own.has(kind)) {
      next[kind] = new Map(next[kind])
      own.add(kind)
    }
    return next[kind] as Map<string, AnyRecord>
  }
  for (const { kind, record } of diff.set) mapOf(kind).set(record.id, record)
  for (const { kind, id } of diff.removed) mapOf(kind).delete(id)
  return next as unknown as Blueprint
}

/** `after`, in which every record that is as it was `before` keeps its identity, and every kind, and the whole. */
export function keepIdentity(before: Blueprint, after: Blueprint): Blueprint {
  const { set, removed } = diffBlueprints(before, after)
  return patchBlueprint(before, {
    set: set.filter(({ kind, record }) => !sameValue(anyRecord(before, { kind, id: record.id }), record)),
    removed,
  })
}
