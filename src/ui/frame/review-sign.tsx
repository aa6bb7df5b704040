/** What a review says where nobody looks at one: findings, and what is to be done here. */
import { fetched } from '../parts/fetched'
import { useCourse } from '../store/course-store'
import { InTheBackground } from './in-the-background'

const fetchWatch = fetched(
  () => import('../review/watch'),
  (m) => m.WatchReview,
)

export function ReviewInTheBackground() {
  const any = useCourse((s) => s.view.reviewSet.size > 0 && s.frozen === null)
  return any ? <InTheBackground load={fetchWatch} /> : null
}
