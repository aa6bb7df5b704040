/**
 * The service of data beside the plan: list, get, put, remove, by the policy that a kind declares. Each kind of a course has a
 * revision of its own, which every write moves and announces. What a policy does not allow, and what one fails at, is refused.
 */
import { and, asc, eq, gt } from 'drizzle-orm'
import type { BesideKind, Viewer } from '../core/beside/beside'
import { besideKind } from '../core/beside/registry'
import { ID_PATTERN } from '../core/blueprint/id-pattern'
import type { AnyRecord } from '../core/blueprint/kinds'
import { problemsOf, recordSchema } from '../core/blueprint/schema'
import { AFTER_WRITE, type BesideWrite } from './beside-effects'
import { nextRevision } from './beside-revision'
import type { Database, Transaction } from './db/client'
import { besideHead, besideRemoved } from './db/schema'
import { besideTable } from './db/tables'
import { log } from './log'
import { Refusal } from './problem'

/** A record with what the service adds. */
export type BesideRecord = AnyRecord & { readonly authorId: string; readonly at: string; readonly revision: number }
export type BesideList = {
  readonly revision: number
  /** Oldest first. Where it was asked for what came since a revision: those written after it. */
  readonly records: readonly BesideRecord[]
  /** Where it was asked for what came since a revision: the ids of those removed after it. */
  readonly removed?: readonly string[]
}

const noSuchRecord = () => new Refusal(404, 'no-such-record', 'There is no such record, or you may not see it.')

function kindOf(name: string): BesideKind {
  const kind = besideKind(name)
  if (!kind) throw new Refusal(404, 'no-such-kind', 'There is no such kind of data.')
  return kind
}

/** Asks a policy. One that throws allows nothing, and says so in the log. */
function allows(kind: BesideKind, ask: () => boolean): boolean {
  try {
    return ask()
  } catch {
    log('error', { code: 'policy-failed', kind: kind.spec.name })
    return false
  }
}

const keptOf = ({ courseId: _, at, ...row }: Record<string, unknown>): BesideRecord =>
  ({ ...row, at: (at as Date).toISOString() }) as unknown as BesideRecord

/** The fields of a record that a viewer does not see; null where they do not see the record. */
function hiddenFrom(kind: BesideKind, viewer: Viewer, record: BesideRecord): readonly string[] | null {
  let hidden: readonly string[] = []
  const sees = allows(kind, () => {
    hidden = kind.policy.hides?.(viewer, record as never) ?? []
    return kind.policy.mayRead(viewer, record as never)
  })
  return sees ? hidden : null
}

/** A record as a viewer sees it; null where they do not. */
function seenBy(kind: BesideKind, viewer: Viewer, record: BesideRecord): BesideRecord | null {
  const hidden = hiddenFrom(kind, viewer, record)
  return hidden && ({ ...record, ...Object.fromEntries(hidden.map((f) => [f, null])) } as BesideRecord)
}

const revisionOf = async (db: Database | Transaction, courseId: string, kind: string): Promise<number> => {
  const [row] = await db
    .select({ revision: besideHead.revision })
    .from(besideHead)
    .where(and(eq(besideHead.courseId, courseId), eq(besideHead.kind, kind)))
  return row?.revision ?? 0
}

/** What a viewer may see of a kind; `since` a revision, only what came after it. */
export async function listBeside(db: Database, name: string, courseId: string, viewer: Viewer, since?: number): Promise<BesideList> {
  const kind = kindOf(name)
  const table = besideTable(kind)
  // The revision first: what is written between the two is then asked for again.
  const revision = await revisionOf(db, courseId, name)
  const rows = await db
    .select()
    .from(table as never)
    .where(and(eq(table.courseId, courseId), since === undefined ? undefined : gt(table['revision'] as never, since)))
    .orderBy(asc(table['at'] as never), asc(table.id))
  const records = (rows as Record<string, unknown>[]).flatMap((row) => seenBy(kind, viewer, keptOf(row)) ?? [])
  return since === undefined ? { revision, records } : { revision, records, removed: await removedSince(db, name, courseId, since) }
}

async function removedSince(db: Database, kind: string, courseId: string, since: number): Promise<string[]> {
  const rows = await db
    .select({ id: besideRemoved.id })
    .from(besideRemoved)
    .where(and(eq(besideRemoved.courseId, courseId), eq(besideRemoved.kind, kind), gt(besideRemoved.revision, since)))
  return rows.map((r) => r.id)
}

async function stored(db: Database | Transaction, kind: BesideKind, courseId: string, id: string): Promise<BesideRecord | null> {
  const table = besideTable(kind)
  const [row] = await db
    .select()
    .from(table as never)
    .where(and(eq(table.courseId, courseId), eq(table.id, id)))
  return row ? keptOf(row as Record<string, unknown>) : null
}

/** One record. Throws the 404 refusal where there is none that the viewer may see. */
export async function getBeside(db: Database, name: string, courseId: string, viewer: Viewer, id: string): Promise<BesideRecord> {
  const kind = kindOf(name)
  const found = await stored(db, kind, courseId, id)
  const seen = found && seenBy(kind, viewer, found)
  if (!seen) throw noSuchRecord()
  return seen
}

/** A record from outside, with its id. Throws the 422 refusal with the places of what cannot be stored. */
function parsed(kind: BesideKind, id: string, values: unknown): AnyRecord {
  const result = recordSchema(kind.spec).safeParse({ ...(values as object), id })
  if (result.success) return result.data as AnyRecord
  throw new Refusal(422, 'invalid-value', result.error.issues[0]?.message ?? 'This cannot be stored.', {
    problems: problemsOf(result.error, 'invalid-value'),
  })
}

/**
 * Writes a record, new or not. `base` is the revision of the record that the writer saw: where another one is stored, the 409
 * refusal carries it. Null: the writer thinks it is new. What the writer does not see stays as it is. `origin`: of links in mails.
 */
export async function putBeside(
  db: Database,
  name: string,
  courseId: string,
  viewer: Viewer,
  id: string,
  values: unknown,
  base: number | null,
  origin = '',
): Promise<BesideRecord> {
  const kind = kindOf(name)
  if (!ID_PATTERN.test(id)) throw new Refusal(422, 'invalid-value', 'An id is 1 to 40 letters, digits, _ or -.')
  return db.transaction(async (tx) => {
    const revision = await nextRevision(tx, courseId, name)
    const before = await stored(tx, kind, courseId, id)
    const facts = { authorId: before?.authorId ?? viewer.id, at: before?.at ?? new Date().toISOString(), revision }
    const hidden = before && hiddenFrom(kind, viewer, before)
    if (before && !hidden) throw noSuchRecord()
    // What the writer does not see is kept as it is, also where it must be there.
    const unseen = Object.fromEntries((hidden ?? []).map((f) => [f, before?.[f]]))
    const record = parsed(kind, id, typeof values === 'object' && values !== null ? { ...values, ...unseen } : values)
    const wanted = { ...record, ...facts } as BesideRecord
    if (!allows(kind, () => kind.policy.mayWrite(viewer, before as never, wanted as never)))
      throw new Refusal(403, 'may-not', `You may not ${before ? 'change' : 'make'} this ${kind.spec.noun}.`)
    if ((before?.revision ?? null) !== base)
      throw new Refusal(409, 'changed', 'Somebody changed this meanwhile.', { stored: before && seenBy(kind, viewer, before) })
    const table = besideTable(kind)
    const row = { courseId, ...wanted, at: new Date(facts.at) }
    await tx
      .insert(table as never)
      .values(row as never)
      .onConflictDoUpdate({ target: [table.courseId, table.id] as never, set: row as never })
    await tx.delete(besideRemoved).where(goneAt(courseId, name, id))
    await AFTER_WRITE[name]?.(tx, { courseId, viewer, record: wanted, origin } satisfies BesideWrite)
    const seen = seenBy(kind, viewer, wanted)
    if (!seen) throw noSuchRecord()
    return seen
  })
}

/** Removes a record; one that is gone already is fine. */
export async function removeBeside(db: Database, name: string, courseId: string, viewer: Viewer, id: string): Promise<void> {
  const kind = kindOf(name)
  await db.transaction(async (tx) => {
    const before = await stored(tx, kind, courseId, id)
    if (!before) return
    if (!seenBy(kind, viewer, before)) throw noSuchRecord()
    if (!allows(kind, () => kind.policy.mayWrite(viewer, before as never, null)))
      throw new Refusal(403, 'may-not', `You may not remove this ${kind.spec.noun}.`)
    const table = besideTable(kind)
    await tx.delete(table as never).where(and(eq(table.courseId, courseId), eq(table.id, id)))
    const revision = await nextRevision(tx, courseId, name)
    await tx.insert(besideRemoved).values({ courseId, kind: name, id, revision })
  })
}

const goneAt = (courseId: string, kind: string, id: string) =>
  and(eq(besideRemoved.courseId, courseId), eq(besideRemoved.kind, kind), eq(besideRemoved.id, id))
