/** What happens to late work, said once for the course, with what it comes to; an assessment may have a rule of its own. */
import { lateRuleIn, lateText } from '../../core/design/late'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { useCourse } from '../store/course-store'

export function LateWork() {
  const course = useCourse((s) => s.view.course.get('course'))
  if (!course) return null
  const rule = lateRuleIn(course)
  return (
    <section className="late-work" aria-labelledby="late-work">
      <h2 id="late-work">Late work</h2>
      <p className="muted small">{rule ? lateText(rule) : 'Nothing is said: late work costs nothing.'}</p>
      <div className="fields">
        <PlanField kind="course" record={course} field="latePercent" label="Percent a started day takes" />
        <PlanField kind="course" record={course} field="lateMost" label="At most, in percent" placeholder="all" />
        <PlanField kind="course" record={course} field="lateGraceHours" label="Hours of grace" placeholder="0" />
        <PlanField kind="course" record={course} field="lateCutoffDays" label="Nothing after, in days" placeholder="no such day" />
        <PlanChoice kind="course" record={course} field="lateOrder" label="Marked" none="nothing said" />
      </div>
    </section>
  )
}
