/** Keeps the finding counts that the list of courses shows. Filled after a change, off the request and off this process. */
import { sql } from 'drizzle-orm'
import { counted } from './counted'
import type { Database } from './db/client'
import { analysisCache } from './db/schema'
import { inHelper } from './helpers'
import { causeCode, log } from './log'
import { Refusal } from './problem'
import { loadCourseText } from './repository'
import { besideFactsOfCourse } from './review-of-course'

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
    // One after the other, however many courses there are: people wait for the other helper.
    void inHelper('count', { of: ['counts'], patient: true }, courseId).catch((error) =>
      log('error', { code: 'count-failed', cause: error instanceof Refusal ? error.code : causeCode(error) }),
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
  const { counts, standing } = await counted(body, Date.now(), await besideFactsOfCourse(db, courseId))
  const row = { courseId, revision, fix: counts.fix, check: counts.check, standing, at: new Date() }
  await db
    .insert(analysisCache)
    .values(row)
    .onConflictDoUpdate({ target: analysisCache.courseId, set: row, setWhere: sql`${analysisCache.revision} <= ${revision}` })
}
