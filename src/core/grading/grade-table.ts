/** What each assessment counts: by categories with shares, or by points where there are no categories. */
import type { Blueprint } from '../blueprint/blueprint'
import type { Activity, Assessment, GradeCategory } from '../blueprint/kinds'
import { perBlueprint } from '../blueprint/per-blueprint'
import { indexCourse } from '../blueprint/plan-index'
import { largestRemainder } from './rounding'

export type GradedItem = {
  readonly activity: Activity
  readonly assessment: Assessment
  readonly number: string
  /** Hundredths of a point. */
  readonly points: number
  /** Hundredths of a percent of the final grade. */
  readonly effective: number
}

export type GradeRow = {
  /** Null: the assessments in no category. */
  readonly category: GradeCategory | null
  readonly items: readonly GradedItem[]
  readonly points: number
  /** Hundredths of a percent as stated; null where none is. */
  readonly share: number | null
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
  readonly effectiveOf: (activityId: string) => number
}

const WHOLE = 100_00

/**
 * The grade table. With categories each share is divided over the category's graded items by their points (equally where
 * none has points), exactly, by largest remainder; without categories 100 % is divided by points.
 */
export const gradeTable = perBlueprint(buildTable)

function buildTable(blueprint: Blueprint): GradeTable {
  const index = indexCourse(blueprint)
  const graded = index.activities.flatMap((activity) => {
    const assessment = index.assessmentOf(activity.id)
    return assessment && (assessment.points !== null || assessment.categoryId !== null)
      ? [{ activity, assessment, number: index.numberOf(activity.id), points: assessment.points ?? 0 }]
      : []
  })
  const byShares = index.categories.length > 0
  const effective = new Map<string, number>()
  const divide = (share: number, items: typeof graded) => {
    const weights = items.some((i) => i.points > 0) ? items.map((i) => i.points) : items.map(() => 1)
    largestRemainder(share, weights).forEach((part, i) => effective.set(items[i]?.activity.id ?? '', part))
  }
  const groups: { category: GradeCategory | null; items: typeof graded }[] = [
    ...index.categories.map((category) => ({ category, items: graded.filter((i) => i.assessment.categoryId === category.id) })),
    { category: null, items: graded.filter((i) => i.assessment.categoryId === null) },
  ]
  if (byShares) for (const { category, items } of groups) divide(category?.share ?? 0, items)
  else divide(WHOLE, graded)

  const rows = groups
    .filter((g) => g.category !== null || g.items.length > 0)
    .map(({ category, items }) => ({
      category,
      items: items.map((i) => ({ ...i, effective: effective.get(i.activity.id) ?? 0 })),
      points: items.reduce((sum, i) => sum + i.points, 0),
      share: category?.share ?? null,
    }))
  const totalShare = index.categories.reduce((sum, c) => sum + (c.share ?? 0), 0)
  return {
    mode: byShares ? 'by-shares' : 'by-points',
    rows,
    totalPoints: graded.reduce((sum, i) => sum + i.points, 0),
    totalShare,
    missingShare: byShares ? WHOLE - totalShare : null,
    totalEffective: [...effective.values()].reduce((a, b) => a + b, 0),
    effectiveOf: (id) => effective.get(id) ?? 0,
  }
}
