/** The log as people read it: newest first, page by page, and what can be looked for in it. */
import { eq, sql } from 'drizzle-orm'
import type { Operation } from '../core/blueprint/change'
import { liftOperations } from '../core/blueprint/change-upgrades'
import { type AnyRecord, fromKinds, KIND_NAMES, type KindName, specOf } from '../core/blueprint/kinds'
import { changesBefore, type Fitting, type LoggedChange, loggedChanges } from './change-log'
import type { Database } from './db/client'
import { changeLog, user } from './db/schema'
import { FORMER_MEMBER } from './people'

export type HistoryPage = { readonly changes: readonly LoggedChange[]; readonly more: boolean }

/** Whether something was accepted before a revision that was read. */
export const hasMore = (last: number | undefined): boolean => (last ?? 1) > 1

/** The changes before a revision, newest first. */
export async function historyBefore(db: Database, courseId: string, revision: number, fits?: Fitting): Promise<HistoryPage> {
  const changes = await loggedChanges(db, courseId, changesBefore(revision), fits)
  return { changes, more: hasMore(changes.at(-1)?.revision) }
}

export type HistoryContents = {
  /** Who made at least one change, by name. */
  readonly people: readonly { readonly id: string; readonly name: string }[]
  /** When changes were made, newest first: the beginnings of quarters of an hour, so that the reader's own days are made of whole ones. */
  readonly times: readonly { readonly at: string; readonly changes: number }[]
  /** Records as they were when they were last removed, newest first; some may be back. */
  readonly removed: readonly { readonly kind: KindName; readonly record: AnyRecord }[]
}

/** Links and what hangs on one record are found through it. */
const lookedFor = fromKinds(() => KIND_NAMES.filter((k) => !specOf(k).ends))

/** The most removed records that are offered (Cairn default). */
const MOST_REMOVED = 500

/** What a course's log can be filtered by. */
export async function historyContents(db: Database, courseId: string): Promise<HistoryContents> {
  const [people, times, removed] = await Promise.all([
    db
      .selectDistinct({ id: changeLog.authorId, name: user.name })
      .from(changeLog)
      .leftJoin(user, eq(user.id, changeLog.authorId))
      .where(eq(changeLog.courseId, courseId)),
    db.execute<{ at: string; changes: number }>(sql`
      select to_char(date_bin('15 minutes', ${changeLog.at}, timestamptz '2000-01-01 00:00Z') at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at,
        count(*)::int as changes
      from ${changeLog} where ${changeLog.courseId} = ${courseId} group by 1 order by 1 desc`),
    db.execute<{ operation: Operation; version: number }>(sql`
      select operation, version from (
        select distinct on (operation->>'kind', operation->'record'->>'id')
          operation, ${changeLog.formatVersion} as version, ${changeLog.revision} as revision
        from ${changeLog}, jsonb_array_elements(${changeLog.operations}) operation
        where ${changeLog.courseId} = ${courseId} and operation->>'op' = 'remove'
          and operation->>'kind' in ${lookedFor()}
        order by operation->>'kind', operation->'record'->>'id', ${changeLog.revision} desc
      ) last order by revision desc limit ${MOST_REMOVED}`),
  ])
  return {
    people: people.map(({ id, name }) => ({ id, name: name ?? FORMER_MEMBER })).sort((a, b) => a.name.localeCompare(b.name)),
    times: times.rows,
    removed: removed.rows
      .flatMap(({ operation, version }) => liftOperations([operation], version))
      .flatMap((o) => (o.op === 'remove' ? [{ kind: o.kind, record: o.record }] : [])),
  }
}
