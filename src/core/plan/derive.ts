/**
 * Derived values by what they read. A value is kept as long as nothing that it read has changed, whatever else has: an edit of a
 * decision rebuilds no schedule. What is read is declared, by kind or by field, and a test holds the declarations to the truth.
 */
import { type Blueprint, recordMap } from '../blueprint/blueprint'
import { type AnyRecord, fieldsOf, type KINDS, type KindName } from '../blueprint/kinds'

/** A whole kind, `objective`, or one field of its records, `objective.statement`: which records there are is told by every field. */
export type Read = { [K in KindName]: K | `${K}.${keyof (typeof KINDS)[K]['fields'] & string}` }[KindName]

export type Derived<T> = ((blueprint: Blueprint) => T) & {
  readonly reads: readonly Read[]
  /** How often it was worked out, for tests of what rebuilds what. */
  readonly built: () => number
}

/** Kept of each value: the plan that is seen, the one that is confirmed, one that is tried. */
const KEPT = 3

/**
 * Makes a function of a blueprint that is worked out anew only when something that it reads differs. `reads` may name other
 * derived values: what they read, it reads.
 */
export function derive<T>(reads: readonly (Read | Derived<unknown>)[], build: (blueprint: Blueprint) => T): Derived<T> {
  const all = [...new Set(reads.flatMap((r) => (typeof r === 'string' ? [r] : r.reads)))]
  type KeptValue = { readonly stamps: readonly object[]; readonly value: T }
  const byBlueprint = new WeakMap<Blueprint, KeptValue>()
  /** By the first stamp, so that what is kept goes with the plan it is of, and plans do not drive each other out. */
  const byFirst = new WeakMap<object, readonly KeptValue[]>()
  const firstOf = (stamps: readonly object[]): object => stamps[0] ?? byFirst
  const use = (entry: KeptValue): T => {
    const kept = byFirst.get(firstOf(entry.stamps)) ?? []
    if (kept[0] !== entry) byFirst.set(firstOf(entry.stamps), [entry, ...kept.filter((k) => k !== entry)].slice(0, KEPT))
    return entry.value
  }
  let built = 0
  const get = (blueprint: Blueprint): T => {
    const known = byBlueprint.get(blueprint)
    if (known) return use(known)
    const stamps = stampsOf(blueprint, all)
    let found = byFirst.get(firstOf(stamps))?.find((k) => sameStamps(k.stamps, stamps))
    if (!found) {
      built++
      found = { stamps, value: build(blueprint) }
    }
    byBlueprint.set(blueprint, found)
    return use(found)
  }
  return Object.assign(get, { reads: all, built: () => built })
}

/** Makes a function of a blueprint that is worked out once for each and kept as long as it: for what is cheap to put together. */
export function perPlan<T>(build: (blueprint: Blueprint) => T): (blueprint: Blueprint) => T {
  const kept = new WeakMap<Blueprint, { readonly value: T }>()
  return (blueprint) => {
    const known = kept.get(blueprint) ?? { value: build(blueprint) }
    kept.set(blueprint, known)
    return known.value
  }
}

/** Tokens of what is read: the same ones as long as it is the same. */
export const stampsOf = (blueprint: Blueprint, reads: readonly Read[]): readonly object[] => reads.map((read) => stampOf(blueprint, read))

export const sameStamps = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((stamp, i) => stamp === b[i])

type RecordMap = ReadonlyMap<string, AnyRecord>
type Tokens = { readonly [field: string]: object }

const tokensOf = new WeakMap<RecordMap, Tokens>()
/** The map of a kind that was last looked at: the next one is most often it with one record changed. */
const lastSeen = new Map<KindName, RecordMap>()

function stampOf(blueprint: Blueprint, read: Read): object {
  const dot = read.indexOf('.')
  if (dot < 0) return recordMap(blueprint, read as KindName)
  const kind = read.slice(0, dot) as KindName
  return fieldTokens(kind, recordMap(blueprint, kind))[read.slice(dot + 1)] as object
}

/** A token for each field of a kind: that of the map looked at before where no record differs in the field. */
function fieldTokens(kind: KindName, map: RecordMap): Tokens {
  const known = tokensOf.get(map)
  const before = lastSeen.get(kind)
  if (before !== map) lastSeen.set(kind, map)
  if (known) return known
  const changed = before ? changedFields(before, map) : 'all'
  const old = before && tokensOf.get(before)
  const tokens = Object.fromEntries(
    fieldsOf(kind).map(([field]) => [field, (changed !== 'all' && !changed.has(field) && old?.[field]) || {}]),
  )
  tokensOf.set(map, tokens)
  return tokens
}

/** The fields in which records differ; `all` where records came or went, or stand in another order. */
function changedFields(before: RecordMap, after: RecordMap): ReadonlySet<string> | 'all' {
  if (before.size !== after.size) return 'all'
  const changed = new Set<string>()
  const others = before.values()
  for (const record of after.values()) {
    const was = others.next().value as AnyRecord
    if (was === record) continue
    if (was.id !== record.id) return 'all'
    for (const field of Object.keys(record)) if (was[field] !== record[field]) changed.add(field)
  }
  return changed
}
