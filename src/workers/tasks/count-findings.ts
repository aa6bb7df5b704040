/** Counts the findings of a course, as everybody counts them. */
import { blueprintOf, type Records } from '../../core/blueprint/blueprint'
import { dayOfCourse } from '../../core/calendar/today'
import { analyseCourse } from '../../core/findings/analyse'
import { standingOf } from '../../core/standing/standing'
import type { TaskWork } from '../task'
import type { countFindings } from '../tasks'

export const work: TaskWork<typeof countFindings> = async ({ body, now, beside }) => {
  const blueprint = blueprintOf((JSON.parse(body) as { records: Records }).records)
  const { counts } = await analyseCourse(blueprint, dayOfCourse(blueprint, now), beside)
  return { counts, standing: standingOf(blueprint) }
}
