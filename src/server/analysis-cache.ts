/** Keeps the finding counts that the list of courses shows. Filled after a change, off the request and off the thread. */
import { sql } from 'drizzle-orm'
import { TaskFailure } from '../workers/task'
import { work } from '../workers/tasks/count-findings'
import type { Database } from './db/client'
import { analysisCache } from './db/schema'
import { causeCode, log } from './log'
import { loadCourseText } from './repository'
import { besideFactsOfCourse } from './review-of-course'
import { inThread } from './threads'

/** Changes come in bursts while somebody types; counted is at their end, and now and then where they do not end (Cairn defaults). */
const SETTLE_MS = 1500
const AT_LATEST_MS = 10_000

type Pending = { readonly timer: NodeJS.Timeout; readonly since: number }
const pending = new Map<string, Pending>()

/** Asks for the counts of a course to be brought up to date, once the present burst of changes is over. */
export function refreshCounts(courseId: string): void {
  const before = pending.get(courseId)
  const since = before?.since ?? Date.now()
  if (before && Date.now() - since > AT_LATEST_MS - SETTLE_MS) return
  clearTimeout(before?.timer)
  const timer = setTimeout(() => {
    pending.delete(courseId)
    // One after the other, however many courses there are: people wait for the other threads.
    void inThread('count', { of: ['counts'], patient: true }, courseId).catch((error) =>
      log('error', { code: 'count-failed', cause: error instanceof TaskFailure ? error.why : causeCode(error) }),
    )
  }, SETTLE_MS)
  timer.unref()
  pending.set(courseId, { timer, since })
}

/** Counts the findings of a course as it is. */
export async function countCourse(db: Database, courseId: string): Promise<void> {
  const body = await loadCourseText(db, courseId)
  if (body === null) return
  const { revision } = JSON.parse(body) as { revision: number }
  const { counts, standing } = await work({ body, now: Date.now(), beside: await besideFactsOfCourse(db, courseId) }, () => undefined)
  const row = { courseId, revision, fix: counts.fix, check: counts.check, standing, at: new Date() }
  await db
    .insert(analysisCache)
    .values(row)
    .onConflictDoUpdate({ target: analysisCache.courseId, set: row, setWhere: sql`${analysisCache.revision} <= ${revision}` })
}
