/** Keeps the findings informed of the newest round of review while nobody looks at one. */
import { useOpenRound, useReview } from './use-review'

export function WatchReview() {
  useOpenRound(useReview('newest'), false)
  return null
}
