/** Keeps the finding counts that the list of courses shows. Filled after a change, off the request and off the thread. */
import { sql } from 'drizzle-orm'
import { TaskFailure } from '../workers/task'
import { countFindings } from '../workers/tasks'
import { getDatabase } from './db/client'
import { analysisCache } from './db/schema'
import { causeCode, log } from './log'
import { loadCourseText } from './repository'
import { besideFactsOfCourse } from './review-of-course'
import { runTask } from './run-task'

const pending = new Map<string, NodeJS.Timeout>()
/** Changes come in bursts while somebody types (Cairn default). */
const SETTLE_MS = 1500
/** A course that takes longer to analyse keeps its older counts (Cairn default). */
const GIVE_UP_MS = 60_000

/** Courses are counted one after the other: each takes a thread, and people wait for the others. */
let counting: Promise<unknown> = Promise.resolve()
const inTurn = <T>(work: () => Promise<T>): Promise<T> => {
  const next = counting.then(work, work)
  counting = next.catch(() => undefined)
  return next
}

/** Asks for the counts of a course to be brought up to date, once the present burst of changes is over. */
export function refreshCounts(courseId: string): void {
  clearTimeout(pending.get(courseId))
  const timer = setTimeout(() => {
    pending.delete(courseId)
    void inTurn(() => refreshNow(courseId)).catch((error) =>
      log('error', { code: 'count-failed', cause: error instanceof TaskFailure ? error.why : causeCode(error) }),
    )
  }, SETTLE_MS)
  timer.unref()
  pending.set(courseId, timer)
}

async function refreshNow(courseId: string): Promise<void> {
  const db = getDatabase()
  const body = await loadCourseText(db, courseId)
  if (body === null) return
  const { revision } = JSON.parse(body) as { revision: number }
  const { counts, standing } = await runTask(
    countFindings,
    { body, now: Date.now(), beside: await besideFactsOfCourse(db, courseId) },
    { timeout: GIVE_UP_MS },
  )
  const row = { courseId, revision, fix: counts.fix, check: counts.check, standing, at: new Date() }
  await db
    .insert(analysisCache)
    .values(row)
    .onConflictDoUpdate({ target: analysisCache.courseId, set: row, setWhere: sql`${analysisCache.revision} <= ${revision}` })
}
