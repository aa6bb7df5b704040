/** What was understood of what people brought: a tree that can be corrected before anything of it is stored. */
import type { Activity } from '../blueprint/kinds'
import type { ActivityKind, Purpose, Stage } from '../blueprint/kinds/activity'
import type { UnderstoodPiece } from './pieces'
import type { WeekSpan } from './quantities'

export type UnderstoodObjective = { readonly code: string | null; readonly statement: string; readonly outcomes: readonly string[] }

export type UnderstoodActivity = {
  readonly number: string | null
  readonly title: string
  readonly kind: ActivityKind | null
  /** Where a column says so. */
  readonly purpose: Purpose | null
  /** Codes of objectives as they were written. */
  readonly objectives: readonly string[]
  /** What the activity does for an objective, by its code, where that is said: `1a PA`. */
  readonly stages: Readonly<Record<string, readonly Stage[]>>
  readonly minutes: number | null
  /** How much there is to read, write or answer, where its title or notes say so. */
  readonly size: Activity['size']
  /** Hundredths. */
  readonly points: number | null
  /** Hundredths of a percent of the grade. */
  readonly percent: number | null
  readonly part: string | null
  readonly category: string | null
  /** As it was written: `Sun`, `12 Sep`, `week 3`. */
  readonly due: string | null
  /** The day that it means. */
  readonly dueAt: UnderstoodDay | null
  /** The week of the course that a schedule names for it. */
  readonly week: number | null
  /** What stands in columns of notes, each after its header. */
  readonly notes: string | null
  readonly at: string
  /** Chosen in the preview: what becomes of it where the course has one of its name. Open: what is open there is filled. */
  readonly merge?: Merge
}

/** Fill what is open; overwrite what differs; add beside it; leave the course as it is. */
export const MERGES = ['fill', 'overwrite', 'add', 'leave'] as const
export type Merge = (typeof MERGES)[number]

/** A day of the course: its date, or its weekday in a week of the course, or both. */
export type UnderstoodDay = {
  /** `2027-10-04`, or `--10-04` where no year is known. */
  readonly date: string | null
  readonly week: number | null
  /** 1 is Monday. */
  readonly day: number | null
  /** `18:00` */
  readonly time: string | null
}

export type UnderstoodModule = {
  readonly number: string | null
  readonly title: string
  readonly weeks: WeekSpan | null
  /** A group outside the sequence; not there: in it. */
  readonly role?: 'start' | 'throughout'
  readonly objectives: readonly UnderstoodObjective[]
  readonly activities: readonly UnderstoodActivity[]
}

export type UnderstoodCategory = {
  readonly title: string
  /** Hundredths of a percent. */
  readonly share: number | null
  readonly points: number | null
  readonly count: number | null
  /** How many of the lowest results do not count, where that is said. */
  readonly drop?: number
  readonly at: string
}

/** The day that a schedule names for a week, or for a row of it. */
export type UnderstoodWeek = {
  readonly week: number | null
  /** `2027-10-04`, or `--10-04` where no year is known. */
  readonly date: string
  readonly read: string
  readonly at: string
}

/** Where the pieces disagree, or what could not be read. */
export type IntakeProblem = { readonly code: string; readonly message: string; readonly at: string }

/** A value that the source does not state: where it stands in the tree, and what it was concluded from. */
export type IntakeGuess = { readonly path: string; readonly value: string | number | readonly string[] | null; readonly why: string }

/** A table of the source, how it was read, and how else it may be: for "Read this table as". */
export type UnderstoodTable = {
  readonly at: string
  readonly as: string
  readonly others: readonly string[]
  readonly columns: readonly { readonly at: string; readonly header: string; readonly role: string }[]
}

export type Understanding = {
  readonly title: string | null
  readonly outcomes: readonly { readonly code: string | null; readonly statement: string }[]
  readonly modules: readonly UnderstoodModule[]
  readonly categories: readonly UnderstoodCategory[]
  readonly calendar: readonly UnderstoodWeek[]
  /** Rubrics, the letters of the grade, texts of the syllabus. */
  readonly pieces: readonly UnderstoodPiece[]
  readonly problems: readonly IntakeProblem[]
  readonly guesses: readonly IntakeGuess[]
  readonly tables: readonly UnderstoodTable[]
  readonly notUnderstood: readonly { readonly text: string; readonly at: string }[]
}

/** Whether nothing was in what was brought: no cell, or a header alone. */
export const holdsNothing = ({ title, outcomes, modules, categories, pieces, notUnderstood }: Understanding): boolean =>
  title === null && [outcomes, modules, categories, pieces, notUnderstood].every((list) => list.length === 0)
