/** What rules know of data beside the plan: a review that goes on, and what is to be done. */
import type { RecordRef } from '../blueprint/kinds'

export type BesideFacts = {
  /** The ids of points that an open round asks and that are not rated yet. */
  readonly unrated: readonly string[]
  /** The ids of points with a rating that no longer rests on what it rested on. */
  readonly stale: readonly string[]
  /** What is to be done by a day (ISO date) and is not done, with those of its records that are there. */
  readonly actions: readonly { readonly what: string; readonly by: string; readonly records: readonly RecordRef[] }[]
}

export const NOTHING_BESIDE: BesideFacts = { unrated: [], stale: [], actions: [] }
