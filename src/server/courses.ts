/** Courses: the list, making one, bringing one in, sending one out. */
import { and, desc, eq, sql } from 'drizzle-orm'
import { type Blueprint, blueprintOf, type Records, recordsOf } from '../core/blueprint/blueprint'
import type { Change, Operation } from '../core/blueprint/change'
import type { NewId } from '../core/blueprint/ids'
import { type AnyRecord, KIND_NAMES } from '../core/blueprint/kinds'
import type { Role } from '../core/roles'
import type { SpaceState } from '../core/spaces'
import type { Standing } from '../core/standing/standing'
import { changeInTransaction } from './changes'
import type { Database } from './db/client'
import { analysisCache, courseHead, membership } from './db/schema'
import { tableOf } from './db/tables'
import { loadCourse } from './repository'

export type CourseListItem = {
  readonly id: string
  readonly title: string
  readonly code: string | null
  readonly term: string | null
  readonly role: Role
  readonly state: SpaceState
  /** Since when it is put away or removed: an ISO instant. */
  readonly stateAt: string | null
  /** Null until the counts of the present revision are there. */
  readonly fix: number | null
  readonly check: number | null
  readonly standing: Standing | null
  readonly changedAt: string
  /** Whether the counts are missing, or of an earlier day: some findings depend on how near the start is. */
  readonly stale: boolean
}

/** A course as the list gives it out. */
export type CourseInList = Omit<CourseListItem, 'stale'> & {
  /** The names of others who are in it now. */
  readonly here: readonly string[]
}

const [courseFacts, offering] = [tableOf('course'), tableOf('offering')]

/** The courses a person has a role in, last changed first. Reads cached counts; computes nothing. */
export async function listCourses(db: Database, userId: string): Promise<CourseListItem[]> {
  const changedAt =
    sql<string>`coalesce((select to_char(max(l.at) at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') from change_log l where l.course_id = ${courseHead.id}), '')`.as(
      'changed_at',
    )
  const rows = await db
    .select({
      id: courseHead.id,
      title: courseFacts['title'] as never,
      code: courseFacts['code'] as never,
      term: sql<string | null>`(select o.term from ${offering} o where o.course_id = ${courseHead.id} order by o."order", o.id limit 1)`,
      role: membership.role,
      state: courseHead.state,
      stateAt: sql<string | null>`to_char(${courseHead.stateAt} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')`,
      fix: analysisCache.fix,
      check: analysisCache.check,
      standing: analysisCache.standing,
      changedAt,
      stale: sql<boolean>`coalesce(${analysisCache.at} < date_trunc('day', now()) or ${analysisCache.standing} is null, true)`,
    })
    .from(membership)
    .innerJoin(courseHead, eq(courseHead.id, membership.courseId))
    .innerJoin(courseFacts, eq(courseFacts.courseId as never, courseHead.id))
    .leftJoin(analysisCache, and(eq(analysisCache.courseId, courseHead.id), eq(analysisCache.revision, courseHead.revision)))
    .where(eq(membership.userId, userId))
    .orderBy(desc(changedAt))
  return rows as unknown as CourseListItem[]
}

/** Makes a course from a blueprint, as one change of its designer. Returns its id. */
export async function createCourse(
  db: Database,
  options: {
    readonly blueprint: Blueprint
    readonly ownerId: string
    readonly code: 'create-course' | 'import-course' | 'copy-course'
    /** Facts of that code. */
    readonly params?: Change['params']
    readonly newId: NewId
    readonly id?: string
  },
): Promise<string> {
  const courseId = options.id ?? options.newId()
  const operations = KIND_NAMES.flatMap((kind) =>
    (recordsOf(options.blueprint, kind) as unknown as AnyRecord[]).map((record): Operation => ({ op: 'create', kind, record })),
  )
  await db.transaction(async (tx) => {
    await tx.insert(courseHead).values({ id: courseId })
    await tx.insert(membership).values({ courseId, userId: options.ownerId, role: 'designer' })
    await changeInTransaction(tx, courseId, options.ownerId, {
      id: options.newId(),
      code: options.code,
      params: options.params ?? {},
      onConflict: 'refuse',
      operations,
    })
  })
  return courseId
}

/** The course as a blueprint in memory; null where there is none. */
export async function loadBlueprint(db: Database, courseId: string): Promise<{ revision: number; blueprint: Blueprint } | null> {
  const loaded = await loadCourse(db, courseId)
  return loaded && { revision: loaded.revision, blueprint: blueprintOf(loaded.records as unknown as Records) }
}
