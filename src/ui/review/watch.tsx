/** What every workspace is told of a review while nobody looks at it: findings of the newest round, and what is to be done here. */
import { ActionsLine } from './actions-line'
import { useOpenRound, useReview } from './use-review'

export function WatchReview() {
  useOpenRound(useReview('newest', true), false)
  return <ActionsLine />
}
