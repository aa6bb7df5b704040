/** Counts the findings of a course, as everybody counts them, and where it stands. */
import { blueprintOf, type Records } from '../core/blueprint/blueprint'
import { dayOfCourse } from '../core/calendar/today'
import { analyseCourse, type Counts } from '../core/findings/analyse'
import type { BesideFacts } from '../core/findings/beside-facts'
import { type Standing, standingOf } from '../core/standing/standing'

/** `body`: a course as the database wrote it (JSON text); `now`: the moment, in milliseconds. */
export async function counted(
  body: string,
  now: number,
  beside?: BesideFacts,
): Promise<{ readonly counts: Counts; readonly standing: Standing }> {
  const blueprint = blueprintOf((JSON.parse(body) as { records: Records }).records)
  const { counts } = await analyseCourse(blueprint, dayOfCourse(blueprint, now), beside)
  return { counts, standing: standingOf(blueprint) }
}
