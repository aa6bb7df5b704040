/** The revision that each kind of data beside the plan has in each course. */
import { sql } from 'drizzle-orm'
import type { Transaction } from './db/client'
import { besideHead } from './db/schema'
import { BESIDE_CHANNEL } from './live'

/** Takes the kind's next revision in this course, which puts writes in one order, and announces it. */
export async function nextRevision(tx: Transaction, courseId: string, kind: string): Promise<number> {
  const [row] = await tx
    .insert(besideHead)
    .values({ courseId, kind, revision: 1 })
    .onConflictDoUpdate({ target: [besideHead.courseId, besideHead.kind], set: { revision: sql`${besideHead.revision} + 1` } })
    .returning({ revision: besideHead.revision })
  const revision = row?.revision ?? 1
  await tx.execute(sql`select pg_notify(${BESIDE_CHANNEL}, ${`${courseId} ${kind} ${revision}`})`)
  return revision
}
