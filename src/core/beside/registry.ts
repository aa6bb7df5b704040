/** The kinds of data beside the plan that Cairn has. */
import type { Fields } from '../blueprint/field'
import type { BesideKind } from './beside'
import { comment, commentsSeen, mention } from './comment'
import { file } from './file'
import { reviewAction, reviewDecision, reviewRating, reviewRound, reviewSeat, reviewTour } from './review'
import { snapshot } from './snapshot'

const KINDS = new Map<string, BesideKind>()

/** Adding one: its declaration in a file of this folder, its line here, a generated migration. */
const BESIDE = [
  comment,
  mention,
  commentsSeen,
  snapshot,
  file,
  reviewRound,
  reviewSeat,
  reviewRating,
  reviewDecision,
  reviewAction,
  reviewTour,
]
for (const kind of BESIDE) KINDS.set(kind.spec.name, kind as unknown as BesideKind)

export const besideKind = (name: string): BesideKind | undefined => KINDS.get(name)
export const besideKinds = (): readonly BesideKind[] => [...KINDS.values()]

/** Declares one more kind until the function that comes back is called: for tests. */
export function declareBeside<N extends string, F extends Fields>(kind: BesideKind<N, F>): () => void {
  KINDS.set(kind.spec.name, kind as unknown as BesideKind)
  return () => void KINDS.delete(kind.spec.name)
}
