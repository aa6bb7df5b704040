/** Accounts, as whoever runs Cairn sees and ends them. */
import { and, eq, ne, notExists, sql } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import { err, ok, type Result } from '../core/result'
import type { Database, Transaction } from './db/client'
import { courseHead, invitation, membership, session, user } from './db/schema'
import { tableOf } from './db/tables'
import { announcePeople } from './live'
import { log } from './log'
import { personByEmail } from './people'

export type AccountLine = {
  readonly id: string
  readonly name: string
  readonly email: string
  readonly createdAt: string
  readonly locked: boolean
  /** Courses in which there is a role, and those of them as a designer. */
  readonly courses: number
  readonly designs: number
  /** Sessions that hold. */
  readonly sessions: number
}

/** Every account, the oldest first. */
export async function accountLines(db: Database): Promise<AccountLine[]> {
  const { rows } = await db.execute<Omit<AccountLine, 'createdAt'> & { createdAt: string }>(sql`
    select u.id, u.name, u.email, to_char(u.created_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "createdAt",
      u.locked_at is not null as locked,
      (select count(*)::int from ${membership} m where m.user_id = u.id) as courses,
      (select count(*)::int from ${membership} m where m.user_id = u.id and m.role = 'designer') as designs,
      (select count(*)::int from ${session} s where s.user_id = u.id and s.expires_at > now()) as sessions
    from ${user} u order by u.created_at, u.id`)
  return rows
}

const noSuch = (email: string) => err(`there is no account of ${email}`)

/** Locks an account, which ends its sessions, or unlocks it. */
export async function setLocked(db: Database, email: string, locked: boolean): Promise<Result<string, string>> {
  const person = await personByEmail(db, email)
  if (!person) return noSuch(email)
  await db.transaction(async (tx) => {
    await tx
      .update(user)
      .set({ lockedAt: locked ? new Date() : null })
      .where(eq(user.id, person.id))
    if (locked) await tx.delete(session).where(eq(session.userId, person.id))
  })
  log('info', { code: locked ? 'account-locked' : 'account-unlocked', person: person.id })
  return ok(person.name)
}

/** Ends the sessions of an account. Returns how many there were. */
export async function signOutEverywhere(db: Database, email: string): Promise<Result<number, string>> {
  const person = await personByEmail(db, email)
  if (!person) return noSuch(email)
  const gone = await db.delete(session).where(eq(session.userId, person.id)).returning({ id: session.id })
  log('info', { code: 'account-signed-out', person: person.id, n: gone.length })
  return ok(gone.length)
}

/**
 * Deletes an account with its sessions and roles; what it wrote stays, by a former member. Courses of which nobody else is a designer are
 * handed over first: to `toEmail`, or it is refused with their titles.
 */
export async function deleteAccount(
  db: Database,
  email: string,
  toEmail: string | null,
): Promise<Result<{ readonly handedOver: number }, string>> {
  const person = await personByEmail(db, email)
  if (!person) return noSuch(email)
  const heir = toEmail === null ? null : await personByEmail(db, toEmail)
  if (toEmail !== null && !heir) return noSuch(toEmail)
  if (heir?.id === person.id) return err('courses are handed over to somebody else')
  return db.transaction(async (tx) => {
    const alone = await designedAlone(tx, person.id)
    if (alone.length > 0 && !heir)
      return err(
        `nobody else is a designer of ${alone.map((c) => c.title).join(', ')}: name who is to have ${alone.length === 1 ? 'it' : 'them'} (--to ADDRESS), or remove ${alone.length === 1 ? 'it' : 'them'} first`,
      )
    for (const { id } of alone) {
      await tx
        .insert(membership)
        .values({ courseId: id, userId: (heir as { id: string }).id, role: 'designer' })
        .onConflictDoUpdate({ target: [membership.courseId, membership.userId], set: { role: 'designer' } })
      await announcePeople(tx, id)
    }
    await tx.delete(invitation).where(eq(invitation.invitedBy, person.id))
    await tx.delete(user).where(eq(user.id, person.id))
    log('info', { code: 'account-deleted', person: person.id, handedOver: alone.length })
    return ok({ handedOver: alone.length })
  })
}

/** Courses of which a person is the only designer; locked, as by every change of roles. */
async function designedAlone(tx: Transaction, personId: string): Promise<{ readonly id: string; readonly title: string }[]> {
  const other = alias(membership, 'other')
  const facts = tableOf('course')
  const rows = await tx
    .select({ id: courseHead.id, title: facts['title'] as never })
    .from(courseHead)
    .innerJoin(membership, and(eq(membership.courseId, courseHead.id), eq(membership.userId, personId), eq(membership.role, 'designer')))
    .innerJoin(facts, eq(facts.courseId as never, courseHead.id))
    .where(
      notExists(
        tx
          .select({ one: sql`1` })
          .from(other)
          .where(and(eq(other.courseId, courseHead.id), eq(other.role, 'designer'), ne(other.userId, personId))),
      ),
    )
    .for('update', { of: courseHead })
  return rows as unknown as { id: string; title: string }[]
}
