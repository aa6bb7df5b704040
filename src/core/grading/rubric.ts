/** Sums of a rubric, and marks read from it. */
import type { Criterion, Rubric } from '../blueprint/kinds'
import { formatHundredths } from '../numbers'
import type { CourseIndex } from '../plan/plan-index'
import { largestRemainder } from './rounding'

/** The part of the whole that each criterion is, summing to 1; equal parts where no weight is set. */
export function criterionWeights(criteria: readonly Criterion[]): number[] {
  const sum = criteria.reduce((total, c) => total + (c.weight ?? 0), 0)
  return criteria.map((c) => (sum === 0 ? 1 / criteria.length : (c.weight ?? 0) / sum))
}

export type RubricSum = {
  /** Hundredths of a point or of a percent, by the rubric's scale. */
  readonly total: number
  /** What the total should be: 100 % by percent; by points the assessments' points, null where they differ or there are none. */
  readonly wanted: number | null
  /** Criteria without a weight while others have one. */
  readonly unweighted: number
}

export function rubricSum(index: CourseIndex, rubric: Rubric): RubricSum {
  const criteria = index.criteriaOf(rubric.id)
  const points = new Set(index.assessmentsWith(rubric.id).flatMap((a) => (a.points === null ? [] : [a.points])))
  const [only] = points
  const weighted = criteria.filter((c) => c.weight !== null).length
  return {
    total: criteria.reduce((sum, c) => sum + (c.weight ?? 0), 0),
    wanted: rubric.scale === 'percent' ? 100_00 : points.size === 1 && only !== undefined ? only : null,
    unweighted: weighted > 0 ? criteria.length - weighted : 0,
  }
}

/**
 * New weights in the same proportion that sum to `total` hundredths: in whole points where all of them and the total are whole. A
 * criterion without a weight beside others that have one gets none; of those that may be rounded either way, one that can stay as it
 * is stays.
 */
export function scaledWeights(criteria: readonly Criterion[], total: number): (number | null)[] {
  const isOpen = criteria.every((c) => c.weight === null)
  const weighted = isOpen ? criteria : criteria.filter((c) => c.weight !== null)
  const isWhole = [total, ...weighted.map((c) => c.weight ?? 0)].every((w) => w % 100 === 0) && total / 100 >= weighted.length
  const unit = isWhole ? 100 : 1
  const scaled = largestRemainder(
    total / unit,
    criterionWeights(weighted),
    weighted.map((c) => (c.weight === null ? null : c.weight / unit)),
  )
  return criteria.map((c) => (weighted.includes(c) ? (scaled[weighted.indexOf(c)] ?? 0) * unit : null))
}

/** What a level of a criterion gives, in hundredths of its scale; not rounded. */
export const levelMark = (weight: number, value: number): number => (weight * value) / 100_00

/** `8.5`: what a cell gives, to two places at most. */
export const markText = (weight: number, value: number): string => formatHundredths(Math.round(levelMark(weight, value)))
