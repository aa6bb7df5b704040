/** Reading the log of a course, page by page: forward from a revision, or back from one. */
import { and, asc, desc, eq, getTableColumns, gt, lt, type SQL, sql } from 'drizzle-orm'
import type { Change, Operation } from '../core/blueprint/change'
import { liftOperations } from '../core/blueprint/change-upgrades'
import { FORMAT_VERSION } from '../core/blueprint/upgrades'
import type { Database } from './db/client'
import { changeLog, courseHead, user } from './db/schema'
import { FORMER_MEMBER } from './people'

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

/** From so many bytes of the log as stored on (packed: some six times as many) it is read by a helper, and not pushed (Cairn default): twice a page of what people type. */
export const LONG_LOG = 200_000

/** The most bytes that a page of the log holds, as they are stored; the reader asks again from the last (Cairn default). */
const PAGE_BYTES = 1_000_000

/** Which rows of the log, in which order, and how many at most. */
type Slice = { readonly which: SQL; readonly order: SQL; readonly most: number }
/** Everything accepted after a revision, oldest first. */
export const changesAfter = (revision: number): Slice => ({
  which: gt(changeLog.revision, revision),
  order: asc(changeLog.revision),
  most: 500,
})
/** What was accepted before one, newest first. */
export const changesBefore = (revision: number): Slice => ({
  which: lt(changeLog.revision, revision),
  order: desc(changeLog.revision),
  most: 200,
})

export type Fitting = { readonly rows: number; readonly bytes: number }

/** How many rows of a slice fit on a page, at least one, and their bytes as stored. Sizes are asked for without reading what is stored. */
export async function fittingRows(db: Database, courseId: string, { which, order, most }: Slice): Promise<Fitting> {
  const sizes = await db
    .select({ bytes: sql<number>`pg_column_size(${changeLog.operations})` })
    .from(changeLog)
    .where(and(eq(changeLog.courseId, courseId), which))
    .orderBy(order)
    .limit(most)
  let [rows, bytes] = [0, 0]
  for (const size of sizes) {
    if (rows > 0 && bytes + size.bytes > PAGE_BYTES) break
    rows++
    bytes += size.bytes
  }
  return { rows, bytes }
}

const { operations: _, ...facts } = getTableColumns(changeLog)

/** A page of the log. */
export async function loggedChanges(db: Database, courseId: string, slice: Slice, fits?: Fitting): Promise<LoggedChange[]> {
  const { rows: most } = fits ?? (await fittingRows(db, courseId, slice))
  const rows = await rowsOf(db, courseId, slice, most, changeLog.operations)
  return rows.map((row) => logged(row, liftOperations(row.operations as Operation[], row.facts.formatVersion)))
}

/** The same, each as JSON text: what is of today's form goes out as it stands, without being read. */
export async function loggedTexts(db: Database, courseId: string, slice: Slice): Promise<string[]> {
  const { rows: most } = await fittingRows(db, courseId, slice)
  const rows = await rowsOf(db, courseId, slice, most, sql<string>`${changeLog.operations}::text`)
  return rows.map((row) => {
    const stored = row.operations as string
    const { formatVersion } = row.facts
    const operations = formatVersion === FORMAT_VERSION ? stored : JSON.stringify(liftOperations(JSON.parse(stored), formatVersion))
    return `${JSON.stringify({ ...logged(row, []), operations: undefined }).slice(0, -1)},"operations":${operations}}`
  })
}

type Row = {
  readonly facts: Omit<typeof changeLog.$inferSelect, 'operations'>
  readonly operations: unknown
  readonly author: string | null
}

const rowsOf = (
  db: Database,
  courseId: string,
  { which, order }: Slice,
  most: number,
  operations: typeof changeLog.operations | SQL,
): Promise<Row[]> =>
  most === 0
    ? Promise.resolve([])
    : db
        .select({ facts, operations, author: user.name })
        .from(changeLog)
        .leftJoin(user, eq(user.id, changeLog.authorId))
        .where(and(eq(changeLog.courseId, courseId), which))
        .orderBy(order)
        .limit(most)

const logged = ({ facts: log, author }: Row, operations: readonly Operation[]): LoggedChange => ({
  revision: log.revision,
  changeId: log.changeId,
  author: author ?? FORMER_MEMBER,
  authorId: log.authorId,
  at: log.at.toISOString(),
  code: log.code,
  params: log.params as Change['params'],
  operations,
})

/** The course's newest revision; 0 where there is no such course. */
export async function headRevision(db: Database, courseId: string): Promise<number> {
  const [row] = await db.select({ revision: courseHead.revision }).from(courseHead).where(eq(courseHead.id, courseId))
  return row?.revision ?? 0
}
