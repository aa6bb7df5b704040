import type { BlueprintDiff } from '../core/blueprint/blueprint'
import type { Analysis } from '../core/findings/analyse'
import type { Compared } from '../core/findings/compare'
import type { Finding } from '../core/findings/finding'
import type { AskedReview, Reviewed } from './review-of-plan'

export type ToAnalysis =
  /** `offering`: the one that the plan is seen in, where it was chosen. */
  | { readonly sequence: number; readonly diff: BlueprintDiff; readonly offering: string | null }
  /** What would be found if this were changed; nothing is kept of it. */
  | { readonly trial: number; readonly diff: BlueprintDiff }
  /** From now on the figures of a review are told as well; null: not any more. */
  | { readonly review: true; readonly asked: AskedReview | null }

export type FromAnalysis =
  /** Findings that are new or differ, and the keys of all in order. */
  | (Omit<Analysis, 'findings'> & {
      readonly sequence: number
      readonly set: readonly Finding[]
      readonly order: readonly string[]
    })
  | ({ readonly trial: number } & Trial)
  | { readonly reviewed: Reviewed }

/** Findings that would come, go, or say something else. */
export type Trial = Compared
