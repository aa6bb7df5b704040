/** What each assessment counts: by categories with shares, or by points where there are no categories. */
import type { Blueprint } from '../blueprint/blueprint'
import type { Activity, Assessment, GradeCategory } from '../blueprint/kinds'
import { derive } from '../plan/derive'
import { ordersOf } from '../plan/orders'
import { indexCourse, PARTS, wholeActivities } from '../plan/plan-index'
import { largestRemainder } from './rounding'

export type GradedItem = {
  readonly activity: Activity
  readonly assessment: Assessment
  readonly number: string
  /** Hundredths of a point. */
  readonly points: number
  /** Hundredths of a percent of the final grade, as planned: over all items, so that the course sums to 100. */
  readonly effective: number
  /** The same before it is rounded; 0 where it has no weight beside the others and so can neither count nor be dropped. */
  readonly exact: number
  /** The same when it is among the results that are kept, not rounded: as planned, times all by kept. */
  readonly whenKept: number
  /** Hundredths of a percent that it can add on top; null where it is no extra credit. */
  readonly extra: number | null
}

export type GradeRow = {
  /** Null: the assessments in no category. */
  readonly category: GradeCategory | null
  readonly items: readonly GradedItem[]
  readonly points: number
  /** Hundredths of a percent as stated; null where none is. */
  readonly share: number | null
  /** How many of its results a learner keeps; all of them where none is dropped. Only what has weight is counted. */
  readonly kept: number
}

export type GradeTable = {
  readonly mode: 'by-shares' | 'by-points'
  readonly rows: readonly GradeRow[]
  readonly totalPoints: number
  /** Sum of the stated shares in hundredths of a percent. */
  readonly totalShare: number
  /** What is missing to 100 %; negative when the shares say more. Null by points. */
  readonly missingShare: number | null
  readonly totalEffective: number
  /** What all extra credit together can add, hundredths of a percent. */
  readonly totalExtra: number
  readonly effectiveOf: (activityId: string) => number
}

const WHOLE = 100_00

/**
 * The grade table. With categories each share is divided over the category's graded items by their points (equally where
 * none has points), exactly, by largest remainder; without categories 100 % is divided by points. Work that is marked by
 * letter or as satisfactory / not yet and has no points gets an equal part. Extra credit takes no part in the 100 %: it adds
 * what its points are of the points beside it.
 */
export const gradeTable = derive([wholeActivities, PARTS.assessments, PARTS.categories, ordersOf], buildTable)

/** Whether an assessment counts: it has points or a category, and is not set to be ungraded. */
export const isGraded = (a: Assessment): boolean => a.graded !== 'no' && (a.points !== null || a.categoryId !== null)

type Item = { readonly activity: Activity; readonly assessment: Assessment; readonly number: string; readonly points: number }

function buildTable(blueprint: Blueprint): GradeTable {
  const index = indexCourse(blueprint)
  const graded = index.activities.flatMap((activity): Item[] => {
    const assessment = index.assessmentOf(activity.id)
    return assessment && isGraded(assessment)
      ? [{ activity, assessment, number: index.numberOf(activity.id), points: assessment.points ?? 0 }]
      : []
  })
  const byShares = index.categories.length > 0
  const groups: { category: GradeCategory | null; items: Item[] }[] = [
    ...index.categories.map((category) => ({ category, items: graded.filter((i) => i.assessment.categoryId === category.id) })),
    { category: null, items: graded.filter((i) => i.assessment.categoryId === null) },
  ]
  // By points, 100 % is one pool over all categories there may be.
  const wholePool = byShares ? null : divide(WHOLE, graded)
  const rows = groups
    .filter((g) => g.category !== null || g.items.length > 0)
    .map(({ category, items }): GradeRow => {
      const pool = wholePool ?? divide(category?.share ?? 0, items)
      const counted = items.filter((i) => pool.weighs(i.activity.id)).length
      const kept = Math.max(Math.min(counted, 1), counted - (category?.dropLowest ?? 0))
      return {
        category,
        items: items.map((i) => {
          const effective = pool.effective.get(i.activity.id) ?? 0
          const exact = pool.exact.get(i.activity.id) ?? 0
          return {
            ...i,
            effective,
            exact,
            whenKept: kept > 0 ? (exact * counted) / kept : 0,
            extra: i.assessment.extraCredit ? Math.round(i.points * pool.perPoint) : null,
          }
        }),
        points: items.reduce((sum, i) => sum + (i.assessment.extraCredit ? 0 : i.points), 0),
        share: category?.share ?? null,
        kept,
      }
    })
  const items = rows.flatMap((r) => r.items)
  const effective = new Map(items.map((i) => [i.activity.id, i.effective]))
  const totalShare = index.categories.reduce((sum, c) => sum + (c.share ?? 0), 0)
  return {
    mode: byShares ? 'by-shares' : 'by-points',
    rows,
    totalPoints: rows.reduce((sum, r) => sum + r.points, 0),
    totalShare,
    missingShare: byShares ? WHOLE - totalShare : null,
    totalEffective: items.reduce((sum, i) => sum + i.effective, 0),
    totalExtra: items.reduce((sum, i) => sum + (i.extra ?? 0), 0),
    effectiveOf: (id) => effective.get(id) ?? 0,
  }
}

type Pool = {
  readonly effective: ReadonlyMap<string, number>
  /** The same before it is rounded. */
  readonly exact: ReadonlyMap<string, number>
  /** Whether an item has any weight, whatever the share. */
  readonly weighs: (activityId: string) => boolean
  readonly perPoint: number
}

/** Divides a share over items, extra credit left out; and what a point of extra credit then adds. */
function divide(share: number, items: readonly Item[]): Pool {
  const counted = items.filter((i) => !i.assessment.extraCredit)
  const points = counted.reduce((sum, i) => sum + i.points, 0)
  const equal = counted.filter((i) => i.points === 0 && (i.assessment.graded === 'satisfactory' || i.assessment.graded === 'letter'))
  const rest = 1 - equal.length / counted.length
  const weights = counted.map((i) => {
    if (points === 0) return 1
    return equal.includes(i) ? 1 / counted.length : (rest * i.points) / points
  })
  const effective = new Map(largestRemainder(share, weights).map((part, i) => [counted[i]?.activity.id ?? '', part]))
  const sum = weights.reduce((a, b) => a + b, 0)
  const exact = new Map(counted.map((i, at) => [i.activity.id, sum === 0 ? 0 : (share * (weights[at] ?? 0)) / sum]))
  const weighing = new Set(counted.flatMap((i, at) => ((weights[at] ?? 0) > 0 ? [i.activity.id] : [])))
  return { effective, exact, weighs: (id) => weighing.has(id), perPoint: points === 0 ? 0 : (share * rest) / points }
}
