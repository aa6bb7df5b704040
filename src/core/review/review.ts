/** A review: the set as it is now, and rounds of ratings, each on a frozen plan and a frozen set. */
import type { ACTION_SOURCES, ACTION_STATES, ANSWERS, MARKS, ROUND_KINDS, ROUND_STATES } from '../beside/review-records'
import type { Blueprint } from '../blueprint/blueprint'
import type { RecordRef } from '../blueprint/kinds'
import type { ReviewSet } from './review-set'
import type { Merge, RatingValue } from './values'

/** What a rating points at. `digest`: of the record as it was when it was cited; null: as it is in the plan that was rated. */
export type Citation = { readonly quote: string | null; readonly digest: string | null } & (
  | { readonly type: 'record'; readonly ref: RecordRef }
  | { readonly type: 'address'; readonly address: string }
  | { readonly type: 'file'; readonly file: string }
)
export type Rating = {
  readonly point: string
  readonly value: RatingValue
  /** The value when it was handed in, where it was changed in comparison: agreement is about that one. */
  readonly first: RatingValue | null
  readonly reason: string | null
  readonly seen: string | null
  readonly where: string | null
  readonly change: string | null
  readonly mark: (typeof MARKS)[number] | null
  readonly evidence: readonly Citation[]
  /** The keys of the findings bound to its point when it was made or said to hold; null: those of the plan of its round. */
  readonly findings: readonly string[] | null
}
export type Seat = {
  readonly id: string
  readonly name: string
  /** The day; null: not yet. */
  readonly handedIn: string | null
  /** The codes it rates; null: all of the round. */
  readonly points: readonly string[] | null
  readonly remark: string | null
  readonly ratings: readonly Rating[]
}
export type Decision = {
  readonly point: string
  readonly value: RatingValue | null
  readonly reason: string | null
  readonly by: string
  readonly answer: (typeof ANSWERS)[number] | null
  readonly answerText: string | null
}
export type Action = {
  readonly id: string
  readonly source: (typeof ACTION_SOURCES)[number]
  readonly point: string | null
  readonly what: string
  readonly who: string | null
  /** The day by which. */
  readonly by: string | null
  readonly state: (typeof ACTION_STATES)[number]
  readonly records: readonly RecordRef[]
  readonly outcome: 'keep' | 'change' | null
  readonly why: string | null
}
export type Round = {
  readonly id: string
  readonly title: string
  readonly kind: (typeof ROUND_KINDS)[number]
  readonly merge: Merge
  /** The round before it that it follows. */
  readonly follows: string | null
  readonly state: (typeof ROUND_STATES)[number]
  /** The codes on its list; null: all of its set. */
  readonly points: readonly string[] | null
  readonly set: ReviewSet
  readonly snapshot: Blueprint | null
  readonly seats: readonly Seat[]
  readonly decisions: readonly Decision[]
  readonly actions: readonly Action[]
}
export type Review = { readonly set: ReviewSet; readonly rounds: readonly Round[] }
