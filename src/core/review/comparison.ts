/** The order in which ratings are compared. */
import { PRIORITIES } from '../blueprint/kinds/review-set'
import type { Priority } from './review-set'

type Compared = { readonly priority: Priority; readonly agreeing: number; readonly pairs: number }

/** Least agreement first (share of pairs alike), then must, should, could, then as they stand; points without pairs last. */
export const comparisonOrder = <P extends Compared>(points: readonly P[]): readonly P[] =>
  points.toSorted(
    (a, b) =>
      Number(a.pairs === 0) - Number(b.pairs === 0) ||
      // a/b < c/d as whole numbers.
      a.agreeing * b.pairs - b.agreeing * a.pairs ||
      PRIORITIES.indexOf(a.priority) - PRIORITIES.indexOf(b.priority),
  )
