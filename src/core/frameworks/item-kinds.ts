/** What others call the kinds of framework items. */
import type { ItemKind } from '../blueprint/kinds/framework'

const KIND_WORDS: readonly (readonly [ItemKind, RegExp])[] = [
  ['performance criterion', /criteri|indicator|sub-?standard|benchmark/],
  ['performance evidence', /performance evidence|product|practical evidence/],
  ['knowledge evidence', /knowledge/],
  ['foundation skill', /skill/],
  ['assessment condition', /condition|assessment requirement|context/],
  ['outcome', /outcome|goal|objective/],
  ['area', /area|domain|strand|cluster|category|course|grade|unit|subject|topic|level/],
  ['element', /element|competenc|standard|task|duty|component|statement/],
]

/** The kind that a word names; without one, by its place: what has parts is an element, what stands below is a criterion. */
export function itemKind(word: string | null, hasParts: boolean, depth: number): ItemKind {
  const found = word ? KIND_WORDS.find(([, shape]) => shape.test(word.toLowerCase())) : undefined
  if (found) return found[0]
  return hasParts || depth === 0 ? 'element' : 'performance criterion'
}
