import { asc, eq } from 'drizzle-orm'
import type { Database } from './db/client'
import { user } from './db/schema'

/** The account with an address, or the first one made where no address is given; undefined where there is none. */
export async function personByEmail(db: Database, email: string | undefined) {
  const [row] = await db
    .select({ id: user.id, email: user.email, name: user.name })
    .from(user)
    .where(email === undefined ? undefined : eq(user.email, email.toLowerCase()))
    .orderBy(asc(user.createdAt))
    .limit(1)
  return row
}
