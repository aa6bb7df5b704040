/**
 * What marks a learner has come to, and what is still needed. Each category counts the results it keeps, weighted as planned
 * and scaled up to its share; extra credit comes on top. Where a result is dropped, the lowest percent goes first, and of
 * equal ones the one that comes last.
 */
import type { Blueprint } from '../blueprint/blueprint'
import { courseOf } from '../blueprint/blueprint'
import type { GradeStep } from '../blueprint/kinds'
import { formatHundredths } from '../numbers'
import { type GradedItem, type GradeRow, gradeTable } from './grade-table'
import { letterFor, reachesMinimum, scaleOf } from './scale'

/** Percent of each piece of work, in hundredths, by activity. What is absent is not marked yet. */
export type Marks = ReadonlyMap<string, number>

export type Needed = {
  readonly step: GradeStep
  /** The percent needed on everything that is not marked yet, in hundredths; null where even 100 % is not enough. */
  readonly percent: number | null
}

export type TriedMarks = {
  /** Of what is marked so far, in hundredths of a percent; null while nothing is. */
  readonly soFar: number | null
  /** The final grade if nothing more were handed in, and if all the rest were perfect. */
  readonly least: number
  readonly most: number
  /** The letter of the final grade once everything is marked; else of what is marked so far. */
  readonly letter: GradeStep | null
  readonly complete: boolean
  /** Results that do not count once everything is in. */
  readonly dropped: readonly string[]
  readonly needed: readonly Needed[]
  /** Hurdles that are not reached so far. */
  readonly hurdles: readonly { readonly title: string; readonly minimum: number; readonly reached: number }[]
}

const FULL = 100_00

export function tryMarks(blueprint: Blueprint, marks: Marks): TriedMarks {
  const table = gradeTable(blueprint)
  const { gradePlaces } = courseOf(blueprint)
  const steps = scaleOf(blueprint)
  const items = table.rows.flatMap((r) => r.items)
  const known = items.filter((i) => marks.has(i.activity.id))
  const counted = items.filter((i) => i.extra === null && i.exact > 0)
  const complete = counted.length > 0 && counted.every((i) => marks.has(i.activity.id))
  const withRest = (percent: number) => finalPercent(table.rows, (id) => marks.get(id) ?? (isExtra(items, id) ? 0 : percent))
  const least = withRest(0)
  const most = withRest(FULL)
  const soFar = known.some((i) => i.extra === null && i.exact > 0) ? percentSoFar(table.rows, marks) : null
  return {
    soFar,
    least,
    most,
    complete,
    letter: complete ? letterFor(steps, least, gradePlaces) : soFar === null ? null : letterFor(steps, soFar, gradePlaces),
    dropped: complete ? table.rows.flatMap((r) => droppedOf(r, (id) => marks.get(id) ?? 0)) : [],
    needed: complete
      ? []
      : steps.filter((step) => step.minimum > 0).map((step) => ({ step, percent: leastFor(withRest, step.minimum, gradePlaces) })),
    hurdles: missedHurdles(table.rows, marks),
  }
}

const isExtra = (items: readonly GradedItem[], id: string): boolean => items.some((i) => i.activity.id === id && i.extra !== null)

/** The final percent when every piece of work has a mark, extra credit on top; hundredths of a percent, not rounded. */
export const finalPercent = (rows: readonly GradeRow[], markOf: (activityId: string) => number): number =>
  rows.reduce((sum, row) => {
    const extra = row.items.reduce((n, i) => n + ((i.extra ?? 0) * markOf(i.activity.id)) / FULL, 0)
    return sum + scoreOf(row, markOf) + extra
  }, 0)

/** What a row gives of the final grade. */
function scoreOf(row: GradeRow, markOf: (activityId: string) => number): number {
  const whole = row.items.reduce((n, i) => n + i.effective, 0)
  const dropped = new Set(droppedOf(row, markOf))
  const kept = row.items.filter((i) => i.exact > 0 && !dropped.has(i.activity.id))
  const weight = kept.reduce((n, i) => n + i.exact, 0)
  return weight === 0 ? 0 : (whole * kept.reduce((n, i) => n + i.exact * markOf(i.activity.id), 0)) / weight / FULL
}

function droppedOf(row: GradeRow, markOf: (activityId: string) => number): string[] {
  const counted = row.items.filter((i) => i.exact > 0)
  return counted
    .map((i, at) => ({ id: i.activity.id, mark: markOf(i.activity.id), at }))
    .sort((a, b) => a.mark - b.mark || b.at - a.at)
    .slice(0, Math.max(0, counted.length - row.kept))
    .map((i) => i.id)
}

/** The average of what is marked, weighted as planned, nothing dropped yet. */
function percentSoFar(rows: readonly GradeRow[], marks: Marks): number {
  const known = rows.flatMap((r) => r.items).filter((i) => marks.has(i.activity.id) && i.exact > 0)
  const weight = known.reduce((n, i) => n + i.exact, 0)
  return known.reduce((n, i) => n + i.exact * (marks.get(i.activity.id) ?? 0), 0) / weight
}

/** The smallest whole hundredth on all the rest that reaches a minimum; the final percent only grows with it. */
function leastFor(withRest: (percent: number) => number, minimum: number, places: number | null): number | null {
  const reaches = (percent: number) => reachesMinimum(withRest(percent), minimum, places)
  if (!reaches(FULL)) return null
  let [low, high] = [0, FULL]
  while (low < high) {
    const middle = (low + high) >> 1
    if (reaches(middle)) high = middle
    else low = middle + 1
  }
  return low
}

/**
 * What the marks come to in a line: `65.14 % D`, and where a hurdle is missed `not passed: Labs 48 of 50 %; without it 65.14 %, D`.
 * Null while nothing is marked.
 */
export function gradeLine({ soFar, least, complete, letter, hurdles }: TriedMarks): string | null {
  if (soFar === null) return null
  const percent = `${formatHundredths(Math.round(complete ? least : soFar), 2)} %`
  if (hurdles.length === 0) return [percent, letter?.letter].filter(Boolean).join(' ')
  const missed = hurdles.map((h) => `${h.title} ${formatHundredths(h.reached)} of ${formatHundredths(h.minimum)} %`)
  return `not passed: ${missed.join(', ')}; without ${hurdles.length === 1 ? 'it' : 'them'} ${[percent, letter?.letter].filter(Boolean).join(', ')}`
}

function missedHurdles(rows: readonly GradeRow[], marks: Marks): TriedMarks['hurdles'] {
  return rows.flatMap((row) => {
    const known = row.items.filter((i) => marks.has(i.activity.id) && i.exact > 0)
    const weight = known.reduce((n, i) => n + i.exact, 0)
    const reached = weight === 0 ? null : known.reduce((n, i) => n + i.exact * (marks.get(i.activity.id) ?? 0), 0) / weight
    const minimum = row.category?.hurdle ?? null
    return [
      ...(minimum !== null && reached !== null && reached < minimum
        ? [{ title: row.category?.title ?? '', minimum, reached: Math.round(reached) }]
        : []),
      ...row.items.flatMap((i) => {
        const mark = marks.get(i.activity.id)
        const hurdle = i.assessment.hurdle
        return hurdle !== null && mark !== undefined && mark < hurdle
          ? [{ title: `${i.number} ${i.activity.title}`, minimum: hurdle, reached: mark }]
          : []
      }),
    ]
  })
}
