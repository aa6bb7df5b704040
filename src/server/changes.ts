/** The change service: the one way to write a plan. */
import { createHash } from 'node:crypto'
import { and, asc, eq, gt, type SQL, sql } from 'drizzle-orm'
import { forbiddenKind } from '../core/access/abilities'
import { withUnseen } from '../core/blueprint/asked'
import type { Change, Operation } from '../core/blueprint/change'
import { liftOperations } from '../core/blueprint/change-upgrades'
import { type Conflict, decide } from '../core/blueprint/decide'
import { FORMAT_VERSION } from '../core/blueprint/upgrades'
import { canonicalJson } from '../core/blueprint/values'
import type { Role } from '../core/roles'
import type { Database, Transaction } from './db/client'
import { changeLog, courseHead, membership, user } from './db/schema'
import { noSuchCourse, Refusal } from './problem'
import { readerFor, writeOperations } from './repository'
import { needsState } from './space-state'

export type Accepted = {
  readonly revision: number
  readonly at: string
  /** What was really written. */
  readonly operations: readonly Operation[]
  readonly skipped: readonly Conflict[]
}

/** The channel on which a course's id and revision are announced. */
export const CHANNEL = 'cairn_change'

/** Ends the transaction without an answer being lost: refusals are not stored. */
class Refused extends Error {
  constructor(readonly conflicts: readonly Conflict[]) {
    super('conflict')
  }
}

export type ChangeResult = ({ readonly ok: true } & Accepted) | { readonly ok: false; readonly conflicts: readonly Conflict[] }

/** Operations from which a change is worth plans of its own (Cairn default). */
const MANY = 500

/**
 * Applies a parsed change to a course in one transaction. The same change sent again (same author, id and content) gets the
 * stored answer. Throws {@link Refusal}: no such course or no role (404), role may not (403), change id used before for
 * other content (409).
 */
export async function applyCourseChange(db: Database, courseId: string, authorId: string, change: Change): Promise<ChangeResult> {
  try {
    return { ok: true, ...(await db.transaction((tx) => changeInTransaction(tx, courseId, authorId, change))) }
  } catch (error) {
    if (error instanceof Refused) return { ok: false, conflicts: error.conflicts }
    throw error
  }
}

export async function changeInTransaction(tx: Transaction, courseId: string, authorId: string, change: Change): Promise<Accepted> {
  // The head row is taken first: it puts all changes of a course in one order.
  const [head] = await tx
    .update(courseHead)
    .set({ revision: sql`${courseHead.revision} + 1` })
    .from(membership)
    .where(and(eq(courseHead.id, courseId), eq(membership.courseId, courseHead.id), eq(membership.userId, authorId)))
    .returning({ revision: courseHead.revision, state: courseHead.state })
  if (!head) throw noSuchCourse()
  // Asked after the wait for the row: who waited sees what was there before, whoever was taken out meanwhile.
  const [own] = await tx
    .select({
      role: membership.role,
      sentBefore: sql<boolean>`exists (select 1 from ${changeLog} l where l.course_id = ${courseId} and l.author_id = ${authorId} and l.change_id = ${change.id})`,
    })
    .from(membership)
    .where(and(eq(membership.courseId, courseId), eq(membership.userId, authorId)))
  if (!own) throw noSuchCourse()
  needsState(head.state, ['live'])
  const forbidden = forbiddenKind(own.role as Role, change)
  if (forbidden) throw new Refusal(403, 'role-may-not', `Your role in this course may not change this (${forbidden}).`, { kind: forbidden })

  const contentHash = createHash('sha256').update(canonicalJson(change)).digest('base64url')
  if (own.sentBefore) {
    const [before] = await tx
      .select()
      .from(changeLog)
      .where(and(eq(changeLog.courseId, courseId), eq(changeLog.authorId, authorId), eq(changeLog.changeId, change.id)))
    if (!before) throw new Error('the log lost a change within a transaction')
    if (before.contentHash !== contentHash) throw new Refusal(409, 'change-id-used', 'This change id was used before for another change.')
    // Nothing was written, so the revision taken above is given back.
    await tx
      .update(courseHead)
      .set({ revision: sql`${courseHead.revision} - 1` })
      .where(eq(courseHead.id, courseId))
    return {
      revision: before.revision,
      at: before.at.toISOString(),
      operations: before.operations as Operation[],
      skipped: before.skipped as Conflict[],
    }
  }

  // A connection keeps its plans of the foreign keys' checks. One that was made while a table was nearly empty reads the whole
  // table for each row: minutes for twenty thousand of them.
  if (change.operations.length > MANY) await tx.execute(sql`discard plans`)
  const reader = await readerFor(tx, courseId, change.operations)
  const decision = decide(withUnseen(change, reader), reader)
  if (!decision.ok) throw new Refused(decision.conflicts)
  await writeOperations(tx, courseId, decision.effective)
  const [row] = await tx
    .insert(changeLog)
    .values({
      courseId,
      revision: head.revision,
      authorId,
      changeId: change.id,
      contentHash,
      formatVersion: FORMAT_VERSION,
      code: change.code,
      params: change.params,
      operations: decision.effective,
      skipped: decision.skipped,
    })
    .returning({ at: changeLog.at, told: sql`pg_notify(${CHANNEL}, ${`${courseId} ${head.revision}`})` })
  return { revision: head.revision, at: (row?.at ?? new Date()).toISOString(), operations: decision.effective, skipped: decision.skipped }
}

export type LoggedChange = {
  readonly revision: number
  readonly changeId: string
  readonly author: string
  readonly authorId: string
  readonly at: string
  readonly code: string
  readonly params: Change['params']
  readonly operations: readonly Operation[]
}

/** The most that one answer of the log holds: rows, and bytes as they are stored; the reader asks again from the last (Cairn defaults). */
const PAGE_ROWS = 500
const PAGE_BYTES = 1_000_000

/** How many of the next rows fit on a page: at least one. Sizes are asked for without reading what is stored. */
export async function fittingRows(db: Database, courseId: string, which: SQL, order: SQL, mostRows = PAGE_ROWS): Promise<number> {
  const sizes = await db
    .select({ bytes: sql<number>`pg_column_size(${changeLog.operations})` })
    .from(changeLog)
    .where(and(eq(changeLog.courseId, courseId), which))
    .orderBy(order)
    .limit(mostRows)
  let bytes = 0
  const fit = sizes.findIndex((s) => {
    bytes += s.bytes
    return bytes > PAGE_BYTES
  })
  return fit < 0 ? sizes.length : Math.max(1, fit)
}

/** Rows of a course's log with the names of who wrote them; in no order yet. */
export const logRows = (db: Database, courseId: string, which: SQL) =>
  db
    .select({ log: changeLog, author: user.name })
    .from(changeLog)
    .leftJoin(user, eq(user.id, changeLog.authorId))
    .where(and(eq(changeLog.courseId, courseId), which))

/** Everything accepted after `revision`, oldest first. */
export async function changesSince(db: Database, courseId: string, revision: number): Promise<LoggedChange[]> {
  const [which, order] = [gt(changeLog.revision, revision), asc(changeLog.revision)]
  const fit = await fittingRows(db, courseId, which, order)
  if (fit === 0) return []
  const rows = await logRows(db, courseId, which).orderBy(order).limit(fit)
  return rows.map(loggedChange)
}

/** The course's newest revision; 0 where there is no such course. */
export async function headRevision(db: Database, courseId: string): Promise<number> {
  const [row] = await db.select({ revision: courseHead.revision }).from(courseHead).where(eq(courseHead.id, courseId))
  return row?.revision ?? 0
}

type LogRow = { readonly log: typeof changeLog.$inferSelect; readonly author: string | null }
export const loggedChange = ({ log, author }: LogRow): LoggedChange => ({
  revision: log.revision,
  changeId: log.changeId,
  author: author ?? 'somebody',
  authorId: log.authorId,
  at: log.at.toISOString(),
  code: log.code,
  params: log.params as Change['params'],
  operations: liftOperations(log.operations as Operation[], log.formatVersion),
})
