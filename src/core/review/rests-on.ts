/** What ratings rest on, and whether it is still what it was when they were made. */
import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import { indexReferrers } from '../blueprint/apply'
import { anyRecord, type Blueprint, refKey } from '../blueprint/blueprint'
import { fieldsOf, type RecordRef, specOf } from '../blueprint/kinds'
import { closureOf } from '../blueprint/removal'
import { canonicalJson } from '../blueprint/values'
import { analyse } from '../findings/analyse'
import type { Rating } from './review'

/** A plan as ratings rest on it; what is asked for is worked out once. */
export type PlanBase = {
  /** What a record says with all that belongs to it; null where there is none. The same digest: nothing differs. */
  readonly digestOf: (ref: RecordRef) => string | null
  /** The keys of the findings of a rule, without a day and without those that are kept as they are. */
  readonly keysOf: (code: string) => ReadonlySet<string>
}

/** Which of what a rating rests on differs. */
export type Staleness = {
  readonly changed: readonly RecordRef[]
  readonly removed: readonly RecordRef[]
  /** Keys of findings that came, and that went. */
  readonly appeared: readonly string[]
  readonly gone: readonly string[]
}

const NO_KEYS: ReadonlySet<string> = new Set()

/** A plan to rest on. Findings are those of {@link analyse}: who counts them loads the table of meanings before. */
export function baseOf(plan: Blueprint): PlanBase {
  const digests = new Map<string, string | null>()
  let referrers: ReturnType<typeof indexReferrers> | undefined
  let keys: ReadonlyMap<string, ReadonlySet<string>> | undefined
  const digest = (ref: RecordRef): string | null => {
    if (!anyRecord(plan, ref)) return null
    referrers ??= indexReferrers(plan)
    return bytesToHex(sha256(utf8ToBytes(canonicalJson(saidBy(plan, ref, referrers)))))
  }
  return {
    digestOf: (ref) => {
      const key = refKey(ref)
      const known = digests.get(key)
      if (known !== undefined) return known
      const made = digest(ref)
      digests.set(key, made)
      return made
    },
    keysOf: (code) => (keys ??= liveKeys(plan)).get(code) ?? NO_KEYS,
  }
}

function liveKeys(plan: Blueprint): ReadonlyMap<string, ReadonlySet<string>> {
  const keys = new Map<string, Set<string>>()
  for (const { code, key, accepted } of analyse(plan, null).findings) {
    if (accepted !== null) continue
    const own = keys.get(code)
    if (own) own.add(key)
    else keys.set(code, new Set([key]))
  }
  return keys
}

/** A record with all that its removal would take along, and an activity with its series: all their fields but their places. */
function saidBy(plan: Blueprint, ref: RecordRef, referrers: ReturnType<typeof indexReferrers>): readonly unknown[] {
  const all = new Map(closureOf(plan, [ref], referrers).removed)
  for (const { kind, id } of [...all.values()]) {
    const seriesId = kind === 'activity' ? plan.activity.get(id)?.seriesId : null
    if (seriesId) all.set(refKey({ kind: 'series', id: seriesId }), { kind: 'series', id: seriesId })
  }
  return [...all.values()]
    .filter(({ kind, id }) => id === ref.id || specOf(kind).tellsProgress !== true)
    .sort((a, b) => (refKey(a) < refKey(b) ? -1 : 1))
    .map((r) => [
      r.kind,
      r.id,
      ...fieldsOf(r.kind).flatMap(([name, f]) => (f.type === 'order' ? [] : [name, anyRecord(plan, r)?.[name] ?? null])),
    ])
}

/** Records that a rating cites and that are not in the plan that it was made on: they cannot be watched. */
export const unheld = (rating: Rating, base: PlanBase | null): readonly RecordRef[] =>
  rating.evidence.flatMap((c) => (c.type === 'record' && c.digest === null && (base?.digestOf(c.ref) ?? null) === null ? [c.ref] : []))

/**
 * What differs of what a rating rests on; null where nothing does. `base`: the plan it was made on, null where that is not known:
 * then what was cited with a digest is watched, and findings are not.
 */
export function stalenessOf(rating: Rating, codes: readonly string[], base: PlanBase | null, now: PlanBase): Staleness | null {
  const changed: RecordRef[] = []
  const removed: RecordRef[] = []
  const seen = new Set<string>()
  for (const cited of rating.evidence) {
    if (cited.type !== 'record' || seen.has(refKey(cited.ref))) continue
    const was = cited.digest ?? base?.digestOf(cited.ref) ?? null
    if (was === null) continue
    seen.add(refKey(cited.ref))
    const is = now.digestOf(cited.ref)
    if (is === null) removed.push(cited.ref)
    else if (is !== was) changed.push(cited.ref)
  }
  const bound = base === null ? [] : [...new Set(codes)]
  const without = (of: PlanBase, other: PlanBase) => bound.flatMap((c) => [...of.keysOf(c)].filter((k) => !other.keysOf(c).has(k)))
  const [appeared, gone] = base === null ? [[], []] : [without(now, base), without(base, now)]
  return changed.length + removed.length + appeared.length + gone.length === 0 ? null : { changed, removed, appeared, gone }
}
