/** How records of one kind stand in each other: within no cycle, and in so many levels at most. */
import type { AnyRecord, RecordRef } from './kinds'

/** The most levels of a tree (Cairn default): more than any framework has, few enough to go up one by one. */
export const MOST_LEVELS = 50

/**
 * How many records a record stands in, one after the other; null where it stands within itself. Counted no further than a tree may
 * go. A cycle further up is found at the records that make it.
 */
export function levelsAbove(ref: RecordRef, parent: string, state: (ref: RecordRef) => AnyRecord | undefined): number | null {
  const above = new Set<unknown>()
  let id = state(ref)?.[parent]
  while (typeof id === 'string' && !above.has(id) && above.size < MOST_LEVELS) {
    if (id === ref.id) return null
    above.add(id)
    id = state({ kind: ref.kind, id })?.[parent]
  }
  return above.size
}

/** How many levels stand below each of the records that others name as their parent; of the others nothing is said. */
export function levelsBelow(parents: Iterable<readonly [id: string, parentId: unknown]>): ReadonlyMap<string, number> {
  const parentOf = new Map<string, string>()
  const open = new Map<string, number>()
  for (const [id, parent] of parents) {
    if (typeof parent !== 'string') continue
    parentOf.set(id, parent)
    open.set(parent, (open.get(parent) ?? 0) + 1)
  }
  const below = new Map<string, number>()
  // From the leaves up: whoever has heard of all its parts tells its parent. What stands in a cycle is never told of.
  const ready = [...parentOf.keys()].filter((id) => !open.has(id))
  for (let id = ready.pop(); id !== undefined; id = ready.pop()) {
    const parent = parentOf.get(id)
    if (parent === undefined) continue
    below.set(parent, Math.max(below.get(parent) ?? 0, (below.get(id) ?? 0) + 1))
    const left = (open.get(parent) as number) - 1
    open.set(parent, left)
    if (left === 0) ready.push(parent)
  }
  return below
}
