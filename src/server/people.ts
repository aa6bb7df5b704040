import { and, asc, eq } from 'drizzle-orm'
import type { Database } from './db/client'
import { membership, user } from './db/schema'

/** Whose account is no more: what they wrote stays. */
export const FORMER_MEMBER = 'a former member'

const FACTS = { id: user.id, email: user.email, name: user.name }

/** The account with an address; undefined where there is none. */
export async function personByEmail(db: Database, email: string) {
  const [row] = await db.select(FACTS).from(user).where(eq(user.email, email.toLowerCase()))
  return row
}

/** The first two accounts, the oldest first: enough to know whether there is one alone. */
export const accounts = (db: Database) => db.select(FACTS).from(user).orderBy(asc(user.createdAt)).limit(2)

/** A designer of a course; undefined where there is no such course. */
export async function designerOf(db: Database, courseId: string) {
  const [row] = await db
    .select(FACTS)
    .from(membership)
    .innerJoin(user, eq(user.id, membership.userId))
    .where(and(eq(membership.courseId, courseId), eq(membership.role, 'designer')))
    .orderBy(asc(user.createdAt))
    .limit(1)
  return row
}
