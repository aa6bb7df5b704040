/**
 * What a change does, judged a second time: slowly, over plain data, by the words of the contract and by none of the code that it is
 * held against. It knows the kinds by their declarations alone.
 */
import { type Blueprint, recordMap } from '../../src/core/blueprint/blueprint'
import type { Change, Operation } from '../../src/core/blueprint/change'
import { KIND_NAMES, KINDS } from '../../src/core/blueprint/kinds'

type Row = Record<string, unknown>
/** By `kind id`. */
export type Rows = Map<string, Row>
type Spec = {
  readonly fields: Record<string, { readonly type: string; readonly to?: string }>
  readonly place?: readonly string[]
  readonly ends?: readonly string[]
  readonly notItself?: true
}

const specOf = (kind: string) => (KINDS as unknown as Record<string, Spec>)[kind] as Spec
const same = (a: unknown, b: unknown): boolean => JSON.stringify(sorted(a ?? null)) === JSON.stringify(sorted(b ?? null))
const sorted = (v: unknown): unknown =>
  Array.isArray(v)
    ? v.map(sorted)
    : typeof v === 'object' && v !== null
      ? Object.fromEntries(
          Object.keys(v)
            .sort()
            .map((k) => [k, sorted((v as Row)[k])]),
        )
      : v
const keyOf = (o: Operation) => `${o.kind} ${o.op === 'update' ? o.id : o.record.id}`
const kindIn = (key: string) => key.slice(0, key.indexOf(' '))
const refsIn = (key: string, row: Row): [string, string][] =>
  Object.entries(specOf(kindIn(key)).fields).flatMap(([name, f]) =>
    f.type === 'ref' && typeof row[name] === 'string' ? [[name, `${f.to} ${row[name]}`] as [string, string]] : [],
  )

export const rowsOf = (plan: Blueprint): Rows =>
  new Map(KIND_NAMES.flatMap((kind) => [...recordMap(plan, kind)].map(([id, r]) => [`${kind} ${id}`, { ...r }] as const)))

export type Verdict = {
  readonly accepted: boolean
  readonly rows: Rows /** Records in conflict, by key. */
  readonly against: ReadonlySet<string>
}

/** Judges a change against rows, which stay as they are. */
export function judge(rows: Rows, change: Change): Verdict {
  const skip = change.onConflict === 'skip'
  const against = new Set<string>()
  let good: Operation[] = []
  for (const o of change.operations) {
    const stored = rows.get(keyOf(o))
    const loose = skip ? [] : (specOf(o.kind).place ?? [])
    if (o.op === 'create') {
      if (!stored) good.push(o)
      else if (!same(stored, o.record)) against.add(keyOf(o))
    } else if (o.op === 'remove') {
      if (!stored) continue
      if (Object.keys(stored).every((f) => loose.includes(f) || same(stored[f], o.record[f]))) good.push(o)
      else against.add(keyOf(o))
    } else if (!stored) against.add(keyOf(o))
    else {
      const wanted = Object.keys(o.to).filter((f) => !same(stored[f], o.to[f]))
      if (wanted.some((f) => !loose.includes(f) && !same(stored[f], o.from[f]))) against.add(keyOf(o))
      else if (wanted.length > 0) good.push(o)
    }
  }
  for (;;) {
    const after = applied(rows, good)
    const bad = new Set(good.filter((o) => !holds(o, rows, after)).map(keyOf))
    if (bad.size === 0) break
    for (const key of bad) against.add(key)
    good = good.filter((o) => !bad.has(keyOf(o)))
  }
  const accepted = skip || against.size === 0
  return { accepted, rows: accepted ? applied(rows, good) : rows, against }
}

function applied(rows: Rows, operations: readonly Operation[]): Rows {
  const after = new Map([...rows].map(([k, r]) => [k, { ...r }]))
  for (const o of operations) {
    if (o.op === 'remove') after.delete(keyOf(o))
    else after.set(keyOf(o), o.op === 'create' ? { ...o.record } : { ...after.get(keyOf(o)), ...withPlace(o, rows.get(keyOf(o)) ?? {}) })
  }
  return after
}

/** Fields of a move are written together, as soon as one of them differs; of the others only those that differ. */
function withPlace(o: Extract<Operation, { op: 'update' }>, stored: Row): Row {
  return Object.fromEntries(Object.entries(o.to).filter(([f, v]) => !same(stored[f], v) || specOf(o.kind).place?.includes(f)))
}

function holds(o: Operation, before: Rows, after: Rows): boolean {
  const key = keyOf(o)
  if (o.op === 'remove')
    return ![...after].some(
      ([k, row]) =>
        before.has(k) && refsIn(k, before.get(k) as Row).some(([, to]) => to === key) && refsIn(k, row).some(([, to]) => to === key),
    )
  const row = after.get(key) as Row
  const named = (field: string) => o.op === 'create' || Object.hasOwn(o.to, field)
  if (!refsIn(key, row).every(([field, to]) => !named(field) || after.has(to))) return false
  const { notItself, ends } = specOf(o.kind)
  if (notItself && ends && row[ends[0] as string] === row[ends[1] as string]) return false
  // A record stands in no other that stands in it.
  const parent = Object.entries(specOf(o.kind).fields).find(
    ([name, f]) => f.type === 'ref' && f.to === o.kind && specOf(o.kind).place?.includes(name),
  )?.[0]
  if (parent === undefined) return true
  let up = row[parent]
  for (let steps = 0; typeof up === 'string' && steps < 1000; steps++) {
    if (`${o.kind} ${up}` === key) return false
    up = after.get(`${o.kind} ${up}`)?.[parent]
  }
  return true
}
