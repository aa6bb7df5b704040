/**
 * Whether statements ask for the same, also when reworded. Performances must be near: the same verb, one that stands for it, or a
 * kind of it; the words of the object must stand for one another. All thresholds are Cairn defaults.
 */

import { onTagger } from '../tagging'
import { compare } from './compare'
import type { Comparer } from './comparing'
import { frameOf } from './frame'
import { NOUN_CLUSTERS } from './lists'
import { meanings } from './meanings'

const plain = (text: string): string => text.trim().toLowerCase()

/** Whether two statements ask for the same. Two empty ones do not. */
export function isSame(first: string, second: string): boolean {
  const [a, b] = [plain(first), plain(second)]
  if (a === '' || b === '') return false
  return a === b || compare(first, second).same
}

/** Comparisons of two texts; they are asked for again with every change of the plan. */
const compared = new Map<string, Map<string, boolean>>()
/** Statements whose comparisons are kept; then the memory starts anew (Cairn default). */
const MOST_COMPARED = 5000
const keysKnown = new Map<string, readonly (string | number)[]>()
onTagger(() => {
  compared.clear()
  keysKnown.clear()
})

function isAlike(first: string, second: string): boolean {
  let own = compared.get(first)
  if (!own) {
    if (compared.size >= MOST_COMPARED) compared.clear()
    own = new Map()
    compared.set(first, own)
  }
  let same = own.get(second)
  if (same === undefined) {
    same = isSame(first, second)
    own.set(second, same)
  }
  return same
}

/** Pairs of positions whose statements ask for the same, the earlier one first. Grows with the pairs that share a word or one that stands for it. */
export function similarPairs(statements: readonly string[]): readonly (readonly [number, number])[] {
  const byKey = new Map<string | number, number[]>()
  const out: [number, number][] = []
  const seenBy = new Int32Array(statements.length).fill(-1)
  for (const [i, statement] of statements.entries()) {
    if (plain(statement) === '') continue
    for (const key of keysOf(statement)) {
      const list = byKey.get(key)
      if (!list) {
        byKey.set(key, [i])
        continue
      }
      for (const j of list) {
        if (seenBy[j] === i) continue
        seenBy[j] = i
        if (isAlike(statements[j] as string, statement)) out.push([j, i])
      }
      list.push(i)
    }
  }
  return out.sort((a, b) => a[1] - b[1] || a[0] - b[0])
}

/** What a statement is found by; one about nothing by its text. */
function keysOf(statement: string): readonly (string | number)[] {
  const known = keysKnown.get(statement)
  if (known) return known
  if (keysKnown.size >= MOST_COMPARED) keysKnown.clear()
  const { words } = frameOf(statement)
  const listed = words.flatMap((w) => NOUN_CLUSTERS.flatMap((set, i) => (set.has(w.lemma) ? [`listed ${i}`] : [])))
  const keys = words.length === 0 ? [plain(statement)] : [...new Set([...words.flatMap((w) => meanings.keys(w.lemma)), ...listed])]
  keysKnown.set(statement, keys)
  return keys
}

export const COMPARER: Comparer = { isSame, similarPairs, compare }
