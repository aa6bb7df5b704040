/** Snapshots: made from one consistent state of the plan, kept once by content, read back in today's form. */
import { createHash } from 'node:crypto'
import { promisify } from 'node:util'
import { gunzip, gzip } from 'node:zlib'
import { and, eq, sql } from 'drizzle-orm'
import type { Viewer } from '../core/beside/beside'
import { type Snapshot, snapshot } from '../core/beside/snapshot'
import { type Blueprint, blueprintOf, type Records, recordsOf } from '../core/blueprint/blueprint'
import { liftRecords } from '../core/blueprint/change-upgrades'
import { ID_PATTERN } from '../core/blueprint/id-pattern'
import { type AnyRecord, KIND_NAMES, type KindName } from '../core/blueprint/kinds'
import { cleanText } from '../core/blueprint/text'
import { FORMAT_VERSION } from '../core/blueprint/upgrades'
import { canonicalJson } from '../core/blueprint/values'
import { getBeside } from './beside'
import { nextRevision } from './beside-revision'
import type { Database } from './db/client'
import { snapshotContent } from './db/schema'
import { besideTable } from './db/tables'
import { serverId } from './ids'
import { noSuchCourse, Refusal } from './problem'
import { type LoadedCourse, loadCourse } from './repository'

const [pack, unpack] = [promisify(gzip), promisify(gunzip)]
/** A course keeps so many (Cairn default). */
const MOST_SNAPSHOTS = 500

export type NewSnapshot = { readonly name: string; readonly note?: string | undefined }

/** The plan as text in which equal plans are equal, whatever order the database gave its records in. */
function textOf(records: Readonly<Record<KindName, readonly AnyRecord[]>>): string {
  const sorted = KIND_NAMES.map((kind) => [kind, [...(records[kind] ?? [])].sort((a, b) => (a.id < b.id ? -1 : 1))] as const)
  return canonicalJson(Object.fromEntries(sorted.filter(([, list]) => list.length > 0)))
}

/** Freezes the plan as it is. Returns the snapshot's record. */
export async function makeSnapshot(db: Database, courseId: string, viewer: Viewer, wanted: NewSnapshot) {
  const loaded = await loadCourse(db, courseId)
  if (!loaded) throw noSuchCourse()
  return keepSnapshot(db, courseId, viewer, wanted, { ...loaded, at: new Date() })
}

/** Keeps a state of the plan under a name. */
export async function keepSnapshot(
  db: Database,
  courseId: string,
  viewer: Viewer,
  wanted: NewSnapshot,
  { records, revision: planRevision, at }: LoadedCourse & { readonly at: Date },
) {
  const name = cleanText(wanted.name, false)
  if (name === null || name.length > 100) throw new Refusal(422, 'invalid-value', 'A snapshot has a name of at most 100 characters.')
  const text = textOf(records)
  const hash = createHash('sha256').update(text).digest('hex')
  const [known] = await db.select({ hash: snapshotContent.hash }).from(snapshotContent).where(eq(snapshotContent.hash, hash))
  const body = known ? null : await pack(text)
  const table = besideTable(snapshot as never)
  return db.transaction(async (tx) => {
    const revision = await nextRevision(tx, courseId, snapshot.spec.name)
    const [{ n = 0 } = {}] = (
      await tx.execute<{ n: number }>(sql`select count(*)::int as n from ${table} where ${table.courseId} = ${courseId}`)
    ).rows
    if (n >= MOST_SNAPSHOTS) throw new Refusal(409, 'too-many', `A course keeps at most ${MOST_SNAPSHOTS} snapshots. Remove one first.`)
    if (body)
      await tx
        .insert(snapshotContent)
        .values({ hash, body, size: Buffer.byteLength(text) })
        .onConflictDoNothing()
    const record = {
      id: serverId(),
      name,
      note: cleanText(wanted.note ?? '', true),
      content: hash,
      formatVersion: FORMAT_VERSION,
      planRevision,
      authorId: viewer.id,
      revision,
    }
    await tx.insert(table as never).values({ ...record, courseId, at } as never)
    return { ...record, at: at.toISOString() }
  })
}

/** A snapshot's record, and the plan that it holds, lifted to today's form. Throws the 404 refusal where there is no such snapshot. */
export async function snapshotPlan(
  db: Database,
  courseId: string,
  viewer: Viewer,
  id: string,
): Promise<{ readonly record: Snapshot; readonly plan: Blueprint }> {
  const record = (await getBeside(db, snapshot.spec.name, courseId, viewer, id)) as unknown as Snapshot
  return { record, plan: await planOf(db, record.content, record.formatVersion) }
}

/** What a window is given of a snapshot: its record, its plan in record form (or what `given` leaves of that), and who looks at it. */
export async function snapshotBody(
  db: Database,
  courseId: string,
  viewer: Viewer,
  id: string,
  who: object,
  given: (plan: Blueprint) => Blueprint = (plan) => plan,
) {
  const { plan, record } = await snapshotPlan(db, courseId, viewer, id)
  const seen = given(plan)
  const records = Object.fromEntries(KIND_NAMES.map((kind) => [kind, recordsOf(seen, kind) as unknown as AnyRecord[]]))
  return { formatVersion: FORMAT_VERSION, viewer: who, snapshot: record, records }
}

async function planOf(db: Database, hash: string, formatVersion: number): Promise<Blueprint> {
  const [row] = await db.select({ body: snapshotContent.body }).from(snapshotContent).where(eq(snapshotContent.hash, hash))
  if (!row) throw new Refusal(404, 'no-such-snapshot', 'What this snapshot holds is not here any more.')
  const records = JSON.parse((await unpack(row.body)).toString('utf8')) as Record<KindName, AnyRecord[]>
  return blueprintOf(formatVersion < FORMAT_VERSION ? liftRecords(records) : (records as unknown as Records))
}

/** Whether a snapshot's plan speaks of an id anywhere, such as that of a picture. */
export async function snapshotNames(db: Database, courseId: string, id: string, named: string): Promise<boolean> {
  const { plan } = await snapshotPlan(db, courseId, { id: '', role: 'reviewer' }, id)
  return ID_PATTERN.test(named) && KIND_NAMES.some((kind) => JSON.stringify(recordsOf(plan, kind)).includes(`"${named}"`))
}

/** Every snapshot of a course, oldest first, for the command line. */
export async function snapshotsOf(db: Database, courseId: string) {
  const table = besideTable(snapshot as never)
  const rows = await db
    .select()
    .from(table as never)
    .where(and(eq(table.courseId, courseId)))
  return (
    rows as { id: string; name: string; note: string | null; at: Date; content: string; planRevision: number; authorId: string }[]
  ).sort((a, b) => a.at.getTime() - b.at.getTime() || (a.id < b.id ? -1 : 1))
}
