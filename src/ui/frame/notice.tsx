import { laterFrom } from '../parts/later'
import { useCourse, useCourseStore } from '../store/course-store'

/** Fetched with the first thing that is said. */
const Snack = laterFrom(
  () => import('./snack'),
  (m) => m.Snack,
)

/** The live region, and the notice that others see. */
export function Notice() {
  const notice = useCourse((s) => s.notice)
  const store = useCourseStore()
  return (
    <div aria-live={notice?.alert ? 'assertive' : 'polite'} role="log" aria-label="Notices">
      {notice && <Snack key={notice.n} notice={notice} onClose={() => store.clearNotice()} />}
    </div>
  )
}
