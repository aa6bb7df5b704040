/** The life of a course: put away, removed for a while, brought back, gone for good. */
import { and, eq, lt, sql } from 'drizzle-orm'
import { may } from '../core/access/abilities'
import { KIND_NAMES } from '../core/blueprint/kinds'
import type { Role } from '../core/roles'
import { confirmsRemoval, REMOVED_DAYS, type SpaceState } from '../core/spaces'
import type { Database } from './db/client'
import { courseHead, membership, snapshotContent } from './db/schema'
import { tableOf } from './db/tables'
import { dropUnnamed } from './file-store'
import { announcePeople } from './live'
import { log } from './log'
import { noSuchCourse, Refusal } from './problem'

/** Puts a course away, removes it, or brings it back. What removes it says the course's title, as a confirmation. */
export async function setSpaceState(
  db: Database,
  options: { readonly courseId: string; readonly byId: string; readonly to: SpaceState; readonly confirm?: string | undefined },
): Promise<void> {
  const { courseId, byId, to, confirm = '' } = options
  const facts = tableOf('course')
  await db.transaction(async (tx) => {
    // Locked first, as by every change: what is on its way is stored before, or refused after.
    const [head] = await tx.select({ state: courseHead.state }).from(courseHead).where(eq(courseHead.id, courseId)).for('update')
    if (!head) throw noSuchCourse()
    const [member] = await tx
      .select({ role: membership.role })
      .from(membership)
      .where(and(eq(membership.courseId, courseId), eq(membership.userId, byId)))
    if (!member || !may(member.role as Role, 'space.manage'))
      throw new Refusal(403, 'role-may-not', 'Only a designer of the course puts it away or removes it.')
    if (head.state === to) return
    if (to === 'removed') {
      const [course] = (await tx
        .select({ title: facts['title'] as never })
        .from(facts)
        .where(eq(facts.courseId as never, courseId))) as unknown as { title: string }[]
      if (!confirmsRemoval(confirm, course?.title ?? ''))
        throw new Refusal(422, 'not-confirmed', 'Type the title of the course to remove it.')
    }
    await tx
      .update(courseHead)
      .set({ state: to, stateAt: to === 'live' ? null : new Date() })
      .where(eq(courseHead.id, courseId))
    // Who is in it hears of it, and asks anew.
    await announcePeople(tx, courseId)
    log('info', { code: 'space-state', course: courseId, by: byId, to })
  })
}

/** Removes for good what was removed longer ago than it can be brought back. Returns how many courses went. */
export async function purgeRemoved(db: Database, now = new Date()): Promise<number> {
  const before = new Date(now.getTime() - REMOVED_DAYS * 86_400_000)
  const due = await db
    .select({ id: courseHead.id })
    .from(courseHead)
    .where(and(eq(courseHead.state, 'removed'), lt(courseHead.stateAt, before)))
  for (const { id } of due)
    await db.transaction(async (tx) => {
      const [still] = await tx.select({ state: courseHead.state }).from(courseHead).where(eq(courseHead.id, id)).for('update')
      if (still?.state !== 'removed') return
      // What refers goes first; data beside the plan, roles and the log go with the head.
      for (const kind of KIND_NAMES.toReversed()) await tx.delete(tableOf(kind)).where(eq(tableOf(kind).courseId as never, id))
      await tx.delete(courseHead).where(eq(courseHead.id, id))
      log('info', { code: 'purged', course: id })
    })
  await db.delete(snapshotContent).where(sql`not exists (select 1 from snapshot s where s.content = ${snapshotContent.hash})`)
  await dropUnnamed(db)
  return due.length
}
