/** Values and changes made storable before they are queued, so that nothing waits that could never be stored. */
import { type Change, MOST_PARAM } from './change'
import { fitted, storable } from './text'

/** A JSON value in which every string can be stored; the same value where all of them can. */
export function storableValue<T>(value: T): T {
  if (typeof value === 'string') return storable(value) as T
  if (typeof value !== 'object' || value === null) return value
  if (Array.isArray(value)) {
    const made = value.map(storableValue)
    return made.every((v, i) => v === value[i]) ? value : (made as T)
  }
  const entries = Object.entries(value).map(([name, v]) => [storable(name), storableValue(v)] as const)
  const same = entries.every(([name, v]) => Object.hasOwn(value, name) && (value as Readonly<Record<string, unknown>>)[name] === v)
  return same ? value : (Object.fromEntries(entries) as T)
}

/** A change that can be stored: its words whole, its facts no longer than they may be. */
export function storableChange(change: Change): Change {
  const { params, ...rest } = storableValue(change)
  return {
    ...rest,
    params: Object.fromEntries(Object.entries(params).map(([name, v]) => [name, typeof v === 'string' ? fitted(v, MOST_PARAM) : v])),
  }
}
