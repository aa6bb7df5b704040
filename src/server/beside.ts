/**
 * The service of data beside the plan: list, get, put, remove, by the policy that a kind declares. Each kind of a course has a
 * revision of its own, which every write moves and announces. What a policy does not allow, and what one fails at, is refused.
 */
import { and, asc, eq, gt, inArray } from 'drizzle-orm'
import type { Around, BesideKind, Viewer } from '../core/beside/beside'
import { besideKind, besideKinds } from '../core/beside/registry'
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

/** A kind; whoever came by a link is served some of them. */
function kindOf(name: string, viewer?: Viewer): BesideKind {
  const kind = besideKind(name)
  if (!kind || (viewer?.seatId !== undefined && !kind.forSeats)) throw new Refusal(404, 'no-such-kind', 'There is no such kind of data.')
  return kind
}

/** Asks a policy. One that throws allows nothing, and says so in the log. */
function allows(kind: BesideKind, ask: () => boolean | string): boolean | string {
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
function hiddenFrom(kind: BesideKind, viewer: Viewer, record: BesideRecord, around: Around): readonly string[] | null {
  let hidden: readonly string[] = []
  const sees = allows(kind, () => {
    hidden = kind.policy.hides?.(viewer, record as never, around) ?? []
    return kind.policy.mayRead(viewer, record as never, around)
  })
  return sees === true ? hidden : null
}

/** A record as a viewer sees it; null where they do not. */
function seenBy(kind: BesideKind, viewer: Viewer, record: BesideRecord, around: Around): BesideRecord | null {
  const hidden = hiddenFrom(kind, viewer, record, around)
  return hidden && ({ ...record, ...Object.fromEntries(hidden.map((f) => [f, null])) } as BesideRecord)
}

/** What the policy of a kind looks at besides, read once. */
async function aroundOf(db: Database | Transaction, kind: BesideKind, courseId: string): Promise<Around> {
  const read = new Map<string, readonly unknown[]>()
  for (const name of kind.reads ?? []) {
    const table = besideTable(kindOf(name))
    const rows = await db
      .select()
      .from(table as never)
      .where(eq(table.courseId, courseId))
    read.set(name, (rows as Record<string, unknown>[]).map(keptOf))
  }
  return (other) => {
    const records = read.get(other.name)
    if (!records) throw new Error(`${kind.spec.name} does not say that its policy reads ${other.name}`)
    return records as never
  }
}

const headOf = async (db: Database | Transaction, courseId: string, kind: string) => {
  const [row] = await db
    .select({ revision: besideHead.revision, anew: besideHead.anew })
    .from(besideHead)
    .where(and(eq(besideHead.courseId, courseId), eq(besideHead.kind, kind)))
  return row ?? { revision: 0, anew: 0 }
}

/**
 * What a viewer may see of a kind; `since` a revision, only what came after it, with what was removed. Where more or less of the others
 * may be seen since then, all of them, as if none were known.
 */
export async function listBeside(db: Database, name: string, courseId: string, viewer: Viewer, since?: number): Promise<BesideList> {
  const kind = kindOf(name, viewer)
  const table = besideTable(kind)
  // The revision first: what is written between the two is then asked for again.
  const { revision, anew } = await headOf(db, courseId, name)
  const from = since === undefined || since < anew ? undefined : since
  const around = await aroundOf(db, kind, courseId)
  const rows = await db
    .select()
    .from(table as never)
    .where(and(eq(table.courseId, courseId), from === undefined ? undefined : gt(table['revision'] as never, from)))
    .orderBy(asc(table['at'] as never), asc(table.id))
  const records = (rows as Record<string, unknown>[]).flatMap((row) => seenBy(kind, viewer, keptOf(row), around) ?? [])
  return from === undefined ? { revision, records } : { revision, records, removed: await removedSince(db, name, courseId, from) }
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
  const kind = kindOf(name, viewer)
  const found = await stored(db, kind, courseId, id)
  const seen = found && seenBy(kind, viewer, found, await aroundOf(db, kind, courseId))
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
  const kind = kindOf(name, viewer)
  if (!ID_PATTERN.test(id)) throw new Refusal(422, 'invalid-value', 'An id is 1 to 40 letters, digits, _ or -.')
  return db.transaction(async (tx) => {
    const revision = await nextRevision(tx, courseId, name)
    const before = await stored(tx, kind, courseId, id)
    const facts = { authorId: before?.authorId ?? viewer.id, at: before?.at ?? new Date().toISOString(), revision }
    const around = await aroundOf(tx, kind, courseId)
    const hidden = before && hiddenFrom(kind, viewer, before, around)
    const isUnseen = before !== null && hidden === null
    // What the writer does not see is kept as it is, also where it must be there.
    const unseen = Object.fromEntries((hidden ?? []).map((f) => [f, before?.[f]]))
    const record = parsed(kind, id, typeof values === 'object' && values !== null ? { ...values, ...unseen } : values)
    const wanted = { ...record, ...facts } as BesideRecord
    // Of what the writer does not see, the answer is as if it were not there.
    const known = isUnseen ? null : before
    const allowed = allows(kind, () => kind.policy.mayWrite(viewer, known as never, wanted as never, around))
    if (allowed !== true) throw mayNot(allowed, `You may not ${known ? 'change' : 'make'} this ${kind.spec.noun}.`)
    if (isUnseen) throw noSuchRecord()
    if ((before?.revision ?? null) !== base)
      throw new Refusal(409, 'changed', 'Somebody changed this meanwhile.', { stored: before && seenBy(kind, viewer, before, around) })
    const table = besideTable(kind)
    const row = { courseId, ...wanted, at: new Date(facts.at) }
    await tx
      .insert(table as never)
      .values(row as never)
      .onConflictDoUpdate({ target: [table.courseId, table.id] as never, set: row as never })
    await tx.delete(besideRemoved).where(goneAt(courseId, name, id))
    await uncover(tx, kind, courseId)
    await AFTER_WRITE[name]?.(tx, { courseId, viewer, record: wanted, origin } satisfies BesideWrite)
    const seen = seenBy(kind, viewer, wanted, around)
    if (!seen) throw noSuchRecord()
    return seen
  })
}

/** Makes a record that the service itself answers for, whatever the kind's policy says; the viewer is its author. */
export async function makeBeside(
  tx: Transaction,
  name: string,
  courseId: string,
  viewer: Viewer,
  id: string,
  values: Readonly<Record<string, unknown>>,
): Promise<void> {
  const kind = kindOf(name)
  const record = parsed(kind, id, values)
  const revision = await nextRevision(tx, courseId, name)
  await tx.insert(besideTable(kind) as never).values({ ...record, courseId, authorId: viewer.id, at: new Date(), revision } as never)
  await uncover(tx, kind, courseId)
}

/** Writes fields that the service itself keeps, whoever asked. */
export async function markBeside(
  tx: Transaction,
  name: string,
  courseId: string,
  id: string,
  values: Readonly<Record<string, unknown>>,
): Promise<void> {
  const table = besideTable(kindOf(name))
  const revision = await nextRevision(tx, courseId, name)
  await tx
    .update(table as never)
    .set({ ...values, revision } as never)
    .where(and(eq(table.courseId, courseId), eq(table.id, id)))
}

/** Removes a record; one that is gone already, or that the viewer does not see, is left as it is without a word. */
export async function removeBeside(db: Database, name: string, courseId: string, viewer: Viewer, id: string): Promise<void> {
  const kind = kindOf(name, viewer)
  await db.transaction(async (tx) => {
    const before = await stored(tx, kind, courseId, id)
    if (!before) return
    const around = await aroundOf(tx, kind, courseId)
    // As one that is gone already: whether it is there is not told.
    if (!seenBy(kind, viewer, before, around)) return
    const allowed = allows(kind, () => kind.policy.mayWrite(viewer, before as never, null, around))
    if (allowed !== true) throw mayNot(allowed, `You may not remove this ${kind.spec.noun}.`)
    await takeOut(tx, kind, courseId, [id])
    await uncover(tx, kind, courseId)
  })
}

const mayNot = (answer: false | string, otherwise: string) => new Refusal(403, 'may-not', answer === false ? otherwise : answer)

/** Takes records out, with those that are part of them. */
async function takeOut(tx: Transaction, kind: BesideKind, courseId: string, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return
  const { name } = kind.spec
  const table = besideTable(kind)
  await tx.delete(table as never).where(and(eq(table.courseId, courseId), inArray(table.id, [...ids])))
  const revision = await nextRevision(tx, courseId, name)
  await tx
    .insert(besideRemoved)
    .values(ids.map((id) => ({ courseId, kind: name, id, revision })))
    .onConflictDoNothing()
  for (const part of besideKinds().filter((k) => k.partOf?.kind === name)) {
    const of = besideTable(part)
    const rows = await tx
      .select({ id: of.id as never })
      .from(of as never)
      .where(and(eq(of.courseId, courseId), inArray(of[part.partOf?.field ?? ''] as never, [...ids])))
    await takeOut(
      tx,
      part,
      courseId,
      (rows as { id: string }[]).map((r) => r.id),
    )
  }
}

/** Has the kinds asked for anew of which one may see more or less now. */
async function uncover(tx: Transaction, kind: BesideKind, courseId: string): Promise<void> {
  for (const name of kind.uncovers ?? []) {
    const revision = await nextRevision(tx, courseId, name)
    await tx
      .update(besideHead)
      .set({ anew: revision })
      .where(and(eq(besideHead.courseId, courseId), eq(besideHead.kind, name)))
  }
}

const goneAt = (courseId: string, kind: string, id: string) =>
  and(eq(besideRemoved.courseId, courseId), eq(besideRemoved.kind, kind), eq(besideRemoved.id, id))
