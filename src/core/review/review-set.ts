/** A set of quality points: areas of points, each with its priority and what it looks at; and when a course counts as ready. */

import type { MUST_NEEDS, POINT_TAGS, PRIORITIES, SHOULD_NEEDS } from '../blueprint/kinds/review-set'

export type Priority = (typeof PRIORITIES)[number]
export type PointTag = (typeof POINT_TAGS)[number]

export type SetPoint = {
  readonly code: string
  readonly statement: string
  readonly priority: Priority
  readonly why: string | null
  readonly where: string | null
  readonly basis: string | null
  /** Open: {@link DEFAULT_WEIGHT}. */
  readonly weight: number | null
  readonly tags: readonly PointTag[]
  /** Codes of findings that say something about it; those that no rule here has are kept. */
  readonly findings: readonly string[]
  /** Kinds of records, `activity:lab` for activities of one kind. */
  readonly looksAt: readonly string[]
  /** Its wording for learners. */
  readonly asLearner: string | null
}
export type SetArea = { readonly title: string; readonly points: readonly SetPoint[] }
export type SetRule = {
  readonly mustNeeds: (typeof MUST_NEEDS)[number] | null
  readonly shouldNeeds: (typeof SHOULD_NEEDS)[number] | null
  /** The least score with which a course is ready, 0 to 100; open: no score is asked for. */
  readonly scoreFrom: number | null
}
export type ReviewSet = {
  readonly key: string | null
  readonly title: string
  readonly version: string | null
  readonly language: string | null
  readonly note: string | null
  readonly rule: SetRule
  readonly areas: readonly SetArea[]
}

export const NO_RULE: SetRule = { mustNeeds: null, shouldNeeds: null, scoreFrom: null }
/** A set of nothing yet. */
export const EMPTY_SET: ReviewSet = { key: null, title: '', version: null, language: null, note: null, rule: NO_RULE, areas: [] }
/** Where a set says nothing (Cairn defaults). */
export const DEFAULT_RULE = { mustNeeds: 'in place', shouldNeeds: 'dated action' } as const
export const DEFAULT_WEIGHT = 1
/** Where a point is named no area. */
export const NO_AREA = 'General'

/** The points of a set in its order, each with its area. */
export const pointsOf = (set: ReviewSet): readonly (SetPoint & { readonly area: string })[] =>
  set.areas.flatMap((area) => area.points.map((point) => ({ ...point, area: area.title })))
