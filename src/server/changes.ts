/** The change service: the one way to write a plan. */
import { createHash } from 'node:crypto'
import { and, eq, sql } from 'drizzle-orm'
import { forbiddenKind } from '../core/access/abilities'
import { withUnseen } from '../core/blueprint/asked'
import type { Change, Operation } from '../core/blueprint/change'
import { type Conflict, decide } from '../core/blueprint/decide'
import { FORMAT_VERSION } from '../core/blueprint/upgrades'
import { canonicalJson } from '../core/blueprint/values'
import type { Role } from '../core/roles'
import type { Database, Transaction } from './db/client'
import { changeLog, courseHead, membership } from './db/schema'
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
