/** What is the same thing in two plans that have no ids in common: by what it is called, within what it belongs to. */
import { anyRecord, type Blueprint, recordMap, refKey } from '../blueprint/blueprint'
import { type AnyRecord, fieldsOf, KIND_NAMES, type KindName, parentFieldOf, type RecordRef, refsOf, specOf } from '../blueprint/kinds'
import { byOrder, type Ordered } from '../blueprint/order'
import { canonicalJson } from '../blueprint/values'

/** Case and spaces say nothing. */
const folded = (text: string): string => text.normalize('NFC').toLowerCase().replace(/\s+/g, ' ').trim()

/**
 * The names of a plan's records as unique signs: kind, what it belongs to, and its name; of several of one name the first by
 * order, the second, and so on. What has no name is told by what it says.
 */
function signsOf(plan: Blueprint): ReadonlyMap<string, string> {
  const signs = new Map<string, string>()
  for (const kind of KIND_NAMES) {
    const spec = specOf(kind)
    const owners = refsOf(kind).filter((r) => r.spec.onRemove === 'remove')
    const seen = new Map<string, number>()
    for (const record of parentsFirst(inOrder(plan, kind), parentFieldOf(kind))) {
      const ends = owners.map(({ field, to }) => signs.get(refKey({ kind: to, id: String(record[field]) })) ?? '')
      const named = spec.single ? '' : spec.nameField ? record[spec.nameField] : spec.ends ? ends.join() : null
      const name = typeof named === 'string' ? named : contentOf(kind, record, signs)
      const sign = `${kind}(${ends.join('|')}): ${folded(name)}`
      const before = seen.get(sign) ?? 0
      seen.set(sign, before + 1)
      signs.set(refKey({ kind, id: record.id }), `${sign} ${before}`)
    }
  }
  return signs
}

/** All that a record says but for its place; what it refers to by that one's sign. */
function contentOf(kind: KindName, record: AnyRecord, signs: ReadonlyMap<string, string>): string {
  const refs = new Map(refsOf(kind).map((r) => [r.field, r.to]))
  const said = fieldsOf(kind).flatMap(([field, f]) => {
    if (f.type === 'order') return []
    const to = refs.get(field)
    const value = record[field]
    return [[field, to && typeof value === 'string' ? (signs.get(refKey({ kind: to, id: value })) ?? '') : value]]
  })
  return canonicalJson(Object.fromEntries(said))
}

function inOrder(plan: Blueprint, kind: KindName): readonly AnyRecord[] {
  const records = [...(recordMap(plan, kind) as ReadonlyMap<string, AnyRecord>).values()]
  return Object.hasOwn(specOf(kind).fields, 'order')
    ? (records as unknown as Ordered[]).sort(byOrder).map((r) => r as unknown as AnyRecord)
    : records
}

/** What stands in one another: each after the one that it stands in. */
function parentsFirst(records: readonly AnyRecord[], parent: string | null): readonly AnyRecord[] {
  if (parent === null) return records
  const out = new Set<string>()
  const sorted: AnyRecord[] = []
  for (let waiting = records, before = -1; waiting.length > 0 && waiting.length !== before; ) {
    before = waiting.length
    const ready = waiting.filter((r) => r[parent] === null || out.has(String(r[parent])))
    for (const r of ready) out.add(r.id)
    sorted.push(...ready)
    waiting = waiting.filter((r) => !out.has(r.id))
  }
  return sorted
}

/** Leads from a record of one plan to the one of another that is the same thing there; null where there is none. */
export function likesIn(from: Blueprint, into: Blueprint): (ref: RecordRef) => string | null {
  let known: { readonly signs: ReadonlyMap<string, string>; readonly ids: ReadonlyMap<string, string> } | undefined
  const make = () => {
    const ids = new Map<string, string>()
    for (const [key, sign] of signsOf(into)) ids.set(sign, key.slice(key.indexOf(' ') + 1))
    return { signs: signsOf(from), ids }
  }
  return (ref) => {
    if (!anyRecord(from, ref)) return null
    known ??= make()
    return known.ids.get(known.signs.get(refKey(ref)) ?? '') ?? null
  }
}
