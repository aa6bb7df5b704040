/** What was understood of what people brought: a tree that can be corrected before anything of it is stored. */
import type { ActivityKind } from '../blueprint/kinds/activity'
import type { WeekSpan } from './quantities'

export type UnderstoodObjective = { readonly code: string | null; readonly statement: string; readonly outcomes: readonly string[] }

export type UnderstoodActivity = {
  readonly number: string | null
  readonly title: string
  readonly kind: ActivityKind | null
  /** Codes of objectives as they were written. */
  readonly objectives: readonly string[]
  readonly minutes: number | null
  /** Hundredths. */
  readonly points: number | null
  /** Hundredths of a percent of the grade. */
  readonly percent: number | null
  readonly part: string | null
  readonly category: string | null
  /** As it was written: `Sun`, `12 Sep`, `week 3`. */
  readonly due: string | null
  /** The week of the course that a schedule names for it. */
  readonly week: number | null
  readonly at: string
}

export type UnderstoodModule = {
  readonly number: string | null
  readonly title: string
  readonly weeks: WeekSpan | null
  readonly objectives: readonly UnderstoodObjective[]
  readonly activities: readonly UnderstoodActivity[]
}

export type UnderstoodCategory = {
  readonly title: string
  /** Hundredths of a percent. */
  readonly share: number | null
  readonly points: number | null
  readonly count: number | null
  readonly at: string
}

/** Where the pieces disagree, or what took a guess. */
export type IntakeProblem = { readonly code: string; readonly message: string; readonly at: string }

export type Understanding = {
  readonly title: string | null
  readonly outcomes: readonly { readonly code: string | null; readonly statement: string }[]
  readonly modules: readonly UnderstoodModule[]
  readonly categories: readonly UnderstoodCategory[]
  readonly problems: readonly IntakeProblem[]
  readonly notUnderstood: readonly { readonly text: string; readonly at: string }[]
}

/** Whether nothing was in what was brought: no cell, or a header alone. */
export const holdsNothing = ({ title, outcomes, modules, categories, notUnderstood }: Understanding): boolean =>
  title === null && [outcomes, modules, categories, notUnderstood].every((list) => list.length === 0)
