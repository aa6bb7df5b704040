/** Order among siblings: fractional keys, compared by code unit (`<` here, `COLLATE "C"` in the database), ties by id. */
import { generateKeyBetween, generateNKeysBetween } from 'fractional-indexing-jittered'
import type { PlanEdit } from './edit'
import type { KindName } from './kinds'

export type Ordered = { readonly id: string; readonly order: string }

export const byOrder = (a: Ordered, b: Ordered): number =>
  a.order < b.order ? -1 : a.order > b.order ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0

export function isOrderKey(key: string): boolean {
  if (key.length > 200) return false
  try {
    generateKeyBetween(key, null)
    return true
  } catch {
    return false
  }
}

/** `count` keys, ascending, before everything, after everything or between two neighbours. */
export const keysBetween = (lower: string | null, upper: string | null, count: number): string[] =>
  count === 0 ? [] : generateNKeysBetween(lower, upper, count)

/** A key at the end of `siblings`. */
export function keyAtEnd(siblings: readonly Ordered[]): string {
  const last = siblings.reduce<string | null>((max, s) => (max === null || s.order > max ? s.order : max), null)
  return generateKeyBetween(last, null)
}

export type Insertion = {
  /** Keys for the records that come in, ascending. */
  readonly keys: readonly string[]
  /** Siblings that shared one key and had to be told apart, with the key they get. */
  readonly rekeyed: readonly { readonly id: string; readonly order: string }[]
}

/**
 * Keys for `count` records at position `index` among `siblings` (sorted, without those that move). Two people can have
 * given neighbours one key; then the siblings from there on are keyed anew in the same change.
 */
export function insertAt(siblings: readonly Ordered[], index: number, count: number): Insertion {
  const at = Math.max(0, Math.min(index, siblings.length))
  const lower = siblings[at - 1]?.order ?? null
  const upper = siblings[at]?.order ?? null
  if (lower === null || upper === null || lower < upper) return { keys: keysBetween(lower, upper, count), rekeyed: [] }
  let end = at
  while (end < siblings.length && siblings[end]?.order === lower) end++
  const same = siblings.slice(at, end)
  const all = keysBetween(lower, siblings[end]?.order ?? null, count + same.length)
  return { keys: all.slice(0, count), rekeyed: same.map((s, i) => ({ id: s.id, order: all[count + i] as string })) }
}

/** Keys for new or moved records at a position among their siblings; siblings that shared a key are keyed anew in the same edit. */
export function keysIn(edit: PlanEdit, kind: KindName, siblings: readonly Ordered[], index: number, count: number): readonly string[] {
  const { keys, rekeyed } = insertAt(siblings, index, count)
  for (const { id, order } of rekeyed) edit.set(kind, id, { order })
  return keys
}

/** The key for one record: {@link keysIn}. */
export const keyIn = (edit: PlanEdit, kind: KindName, siblings: readonly Ordered[], index = siblings.length): string =>
  keysIn(edit, kind, siblings, index, 1)[0] as string
