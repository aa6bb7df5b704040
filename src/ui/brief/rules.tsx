/** How loud each rule is in this course: its profile, and what the course sets itself. */

import type { Course } from '../../core/blueprint/kinds'
import { PROFILE_WORDS } from '../../core/findings/profiles'
import { Fold } from '../parts/fold'
import { laterFrom } from '../parts/later'
import { PlanChoice } from '../parts/plan-field'
import { Waiting } from '../parts/waiting'
import { useCourse } from '../store/course-store'

/** The rules come with all that they look at: only when somebody reads on. */
const RuleTable = laterFrom(
  () => import('./rule-table'),
  (m) => m.RuleTable,
  <Waiting lines={6} />,
)

export function Rules({ course }: { course: Course }) {
  const own = useCourse((s) => s.view.ruleSetting.size)
  return (
    <section className="card" aria-label="Rules">
      <h2>What Cairn looks for</h2>
      <PlanChoice kind="course" record={course} field="profile" label="Judge it as" none={PROFILE_WORDS.semester} labels={PROFILE_WORDS} />
      <Fold summary={<>Every rule{own > 0 && `, ${own} set for this course`}</>}>
        <RuleTable course={course} />
      </Fold>
    </section>
  )
}
