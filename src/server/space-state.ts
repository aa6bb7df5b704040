/** What state a course is in, and what is served of it then. */
import { and, eq } from 'drizzle-orm'
import type { Role } from '../core/roles'
import { REMOVED_DAYS, type SpaceState } from '../core/spaces'
import type { Database } from './db/client'
import { courseHead, membership } from './db/schema'
import { noSuchCourse, Refusal } from './problem'

/** Members are told that it was removed; to others it looks as if it had never been. */
const removed = () =>
  new Refusal(410, 'course-removed', `This course was removed. A designer of it can bring it back for ${REMOVED_DAYS} days.`)
const archived = () =>
  new Refusal(403, 'course-archived', 'This course is put away. It can be read, and changed again when a designer takes it back.')

/** Throws where a space in this state does not serve what is asked. */
export function needsState(state: SpaceState, served: readonly SpaceState[]): void {
  if (served.includes(state)) return
  throw state === 'removed' ? removed() : archived()
}

/** The role of a person in a course that is in one of these states. Throws the refusals: 404 without a role, 410 removed, 403 put away. */
export async function roleIn(
  db: Database,
  courseId: string,
  userId: string,
  served: readonly SpaceState[] = ['live', 'archived'],
): Promise<{ readonly role: Role; readonly state: SpaceState }> {
  const [row] = await db
    .select({ role: membership.role, state: courseHead.state })
    .from(membership)
    .innerJoin(courseHead, eq(courseHead.id, membership.courseId))
    .where(and(eq(membership.courseId, courseId), eq(membership.userId, userId)))
  if (!row) throw noSuchCourse()
  needsState(row.state, served)
  return { role: row.role as Role, state: row.state }
}
