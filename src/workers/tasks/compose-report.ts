/** The report of the last round of a review, with all its figures. */
import { loadMeanings } from '../../core/findings/load-tagger'
import { reportOf } from '../../core/review/report'
import { reviewFigures } from '../../core/review/review-figures'
import type { TaskWork } from '../task'
import type { composeReport } from '../tasks-of-node'

export const work: TaskWork<typeof composeReport> = async ({ review, plan, on, choices }) => {
  await loadMeanings()
  const figures = reviewFigures(review, { plan, on }).figures.rounds.at(-1)
  return figures ? reportOf(review, figures, plan, choices) : null
}
