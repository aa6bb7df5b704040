/** What is said above a course that cannot be changed. */
import { Link, useLocation } from 'wouter'
import { may } from '../../core/access/abilities'
import type { Snapshot } from '../../core/beside/snapshot'
import { Button } from '../parts/button'
import { ask, courseAddress, coursePage } from '../store/api'
import { useCourse, useCourseStore } from '../store/course-store'

/** A course that is put away says so, and whoever may takes it back here; a snapshot says that it is one. */
export function CourseNote() {
  const { courseId, say } = useCourseStore()
  const viewer = useCourse((s) => s.viewer)
  const frozen = useCourse((s) => s.frozen)
  if (frozen) return <Frozen snapshot={frozen} />
  if (viewer?.state !== 'archived') return null
  const takeBack = async () => {
    const answer = await ask(courseAddress(courseId, '/state'), { method: 'PUT', body: { state: 'live' }, account: viewer.id })
    if (!answer.ok) say(answer.problem.title, true)
  }
  return (
    <p className="others-waiting" role="note">
      This course is put away: it can be read, copied and saved as a file, and not changed.
      {may(viewer.role, 'space.manage') && <Button onClick={() => void takeBack()}>Take it back</Button>}
    </p>
  )
}

/** The course as it was says so, and leads to it as it is. */
function Frozen({ snapshot: { id, name, note } }: { snapshot: Snapshot }) {
  const { courseId } = useCourseStore()
  const [location] = useLocation()
  const isByLink = useCourse((s) => s.viewer?.seatId !== undefined)
  const course = coursePage(courseId)
  if (isByLink)
    return location === '/review' ? null : (
      <p className="others-waiting" role="note">
        This is the plan that you rate, as it was frozen for the review.
        <Link href="/review" className="btn">
          Back to the rating
        </Link>
      </p>
    )
  return (
    <p className="others-waiting" role="note">
      This is the snapshot “{name}”: the course as it was, to be read.{note && ` ${note}`}
      <Button href={`${course}/snapshots?of=${encodeURIComponent(id)}`}>What differs since</Button>
      <Button href={course + location}>The course as it is</Button>
      <Button href={`${course}/review`}>The review</Button>
    </p>
  )
}
