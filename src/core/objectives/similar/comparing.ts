/** The port to comparing statements, which needs the table of senses: until that is here, none asks for the same as another. */
import { readOtherwise } from '../tagging'
import type { Comparison } from './compare'

export type Comparer = {
  /** Whether two statements ask for the same. Two empty ones do not. */
  readonly isSame: (first: string, second: string) => boolean
  /** Pairs of positions whose statements ask for the same, the earlier one first. */
  readonly similarPairs: (statements: readonly string[]) => readonly (readonly [number, number])[]
  readonly compare: (first: string, second: string) => Comparison
}

/** What is asked now. */
export let comparer: Comparer | null = null
/** From now on asks this one; null asks none. */
export function useComparer(next: Comparer | null): void {
  if (next === comparer) return
  comparer = next
  readOtherwise()
}
