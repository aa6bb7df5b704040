/** What differs between two states of a plan, record by record: for people who compare, and as data. */
import { anyRecord, type Blueprint, recordsOf } from '../blueprint/blueprint'
import { type AnyRecord, fieldsOf, KIND_NAMES, type KindName, nounsOf, specOf } from '../blueprint/kinds'
import { typeOf } from '../blueprint/types/define-type'
import { sameValue } from '../blueprint/values'
import { countOf } from '../numbers'
import { groupBy } from '../plan/group-by'
import { recordName } from '../plan/names'
import { fieldTitle, wholeValueText } from './describe'

export type NamedRecord = { readonly kind: KindName; readonly id: string; readonly name: string }
/** Values as files hold them; null where there is none. */
export type FieldDifference = { readonly field: string; readonly from: unknown; readonly to: unknown }
export type ChangedRecord = NamedRecord & { readonly fields: readonly FieldDifference[] }
export type Differences = {
  readonly added: readonly NamedRecord[]
  readonly removed: readonly NamedRecord[]
  /** Those that are in both, with the fields that differ, but for their place. */
  readonly changed: readonly ChangedRecord[]
  /** Those that stand elsewhere, or elsewhere among those that stayed. */
  readonly moved: readonly NamedRecord[]
}

/** The fields that say where a record of a kind stands: what it is in, and its order there. */
function placeFields(kind: KindName): { readonly within: readonly string[]; readonly order: string | undefined } {
  const order = fieldsOf(kind).find(([, f]) => f.type === 'order')?.[0]
  return { within: (specOf(kind).place ?? []).filter((f) => f !== order), order }
}

/** The places, in a list of numbers, of one of its longest rising runs (patience sorting, Aldous and Diaconis 1999). */
function longestRise(numbers: readonly number[]): ReadonlySet<number> {
  const ends: number[] = []
  const before: number[] = []
  numbers.forEach((number, at) => {
    let [low, high] = [0, ends.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if ((numbers[ends[middle] as number] as number) < number) low = middle + 1
      else high = middle
    }
    before[at] = low > 0 ? (ends[low - 1] as number) : -1
    ends[low] = at
  })
  const rise = new Set<number>()
  for (let at = ends.at(-1) ?? -1; at >= 0; at = before[at] as number) rise.add(at)
  return rise
}

/** The ids of those that moved among records that are in both plans: as few as lead from one order to the other. */
function movedOf(kind: KindName, pairs: readonly (readonly [AnyRecord, AnyRecord])[]): ReadonlySet<string> {
  const { within, order } = placeFields(kind)
  const moved = new Set(pairs.filter(([a, b]) => within.some((f) => a[f] !== b[f])).map(([a]) => a.id))
  if (!order) return moved
  const byKey = (x: AnyRecord, y: AnyRecord) => (String(x[order]) < String(y[order]) ? -1 : String(x[order]) > String(y[order]) ? 1 : 0)
  const stayed = pairs.filter(([a]) => !moved.has(a.id))
  for (const group of groupBy(stayed, ([a]) => within.map((f) => String(a[f])).join(' ')).values()) {
    const was = group.map(([a]) => a).sort(byKey)
    const placeBefore = new Map(was.map((a, place) => [a.id, place]))
    const is = group.map(([, b]) => b).sort(byKey)
    const rise = longestRise(is.map((b) => placeBefore.get(b.id) ?? 0))
    for (const [at, b] of is.entries()) if (!rise.has(at)) moved.add(b.id)
  }
  return moved
}

function fieldsBetween(kind: KindName, a: AnyRecord, b: AnyRecord): readonly FieldDifference[] {
  const { within, order } = placeFields(kind)
  return fieldsOf(kind).flatMap(([field, spec]) => {
    if (field === order || within.includes(field)) return []
    const filed = (value: unknown) => (value === null || value === undefined ? null : typeOf(spec).toFile(spec, value as never))
    const [from, to] = [filed(a[field]), filed(b[field])]
    return sameValue(from, to) ? [] : [{ field, from, to }]
  })
}

/** All that differs from one state of a plan to another, kinds in the order of files. Records are the same by kind and id. */
export function differencesOf(from: Blueprint, to: Blueprint): Differences {
  const added: NamedRecord[] = []
  const removed: NamedRecord[] = []
  const changed: ChangedRecord[] = []
  const moved: NamedRecord[] = []
  for (const kind of KIND_NAMES) {
    const named = (plan: Blueprint, record: AnyRecord): NamedRecord => {
      const ref = { kind, id: record.id }
      return { ...ref, name: recordName(plan, ref, record) }
    }
    const [before, after] = [recordsOf(from, kind), recordsOf(to, kind)] as unknown as [AnyRecord[], AnyRecord[]]
    for (const b of after) if (!anyRecord(from, { kind, id: b.id })) added.push(named(to, b))
    const pairs: (readonly [AnyRecord, AnyRecord])[] = []
    for (const a of before) {
      const b = anyRecord(to, { kind, id: a.id })
      if (b) pairs.push([a, b])
      else removed.push(named(from, a))
    }
    const elsewhere = movedOf(kind, pairs)
    for (const [a, b] of pairs) {
      const fields = a === b ? [] : fieldsBetween(kind, a, b)
      if (fields.length > 0) changed.push({ ...named(to, b), fields })
      if (elsewhere.has(b.id)) moved.push(named(to, b))
    }
  }
  return { added, removed, changed, moved }
}

/** The differences in lines of text, by what happened and by kind, with counts. */
export function differencesText(differences: Differences, from: Blueprint, to: Blueprint): string {
  const lines: string[] = []
  for (const what of ['added', 'changed', 'moved', 'removed'] as const) {
    for (const [kind, records] of groupBy<NamedRecord>(differences[what], (r) => r.kind)) {
      lines.push(`${what} ${countOf(records.length, specOf(kind as KindName).noun, nounsOf(kind as KindName))}`)
      for (const record of records) {
        lines.push(`  ${record.name}`)
        for (const { field } of 'fields' in record ? (record as ChangedRecord).fields : []) {
          const said = (plan: Blueprint) => wholeValueText(plan, record.kind, field, anyRecord(plan, record)?.[field])
          lines.push(`    ${fieldTitle(field)}: ${said(from)} → ${said(to)}`)
        }
      }
    }
  }
  return lines.length === 0 ? 'Nothing differs.\n' : `${lines.join('\n')}\n`
}
