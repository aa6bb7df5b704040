/** Keeps the finding counts that the list of courses shows. Filled after a change, off the request and off the thread. */
import { Worker } from 'node:worker_threads'
import { sql } from 'drizzle-orm'
import { getDatabase } from './db/client'
import { analysisCache } from './db/schema'
import { loadCourseText } from './repository'

let worker: Worker | undefined
let sequence = 0
const waiting = new Map<number, (counts: { fix: number; check: number }) => void>()
const pending = new Map<string, NodeJS.Timeout>()
/** Changes come in bursts while somebody types (Cairn default). */
const SETTLE_MS = 1500

function countInWorker(body: string): Promise<{ fix: number; check: number }> {
  if (!worker) {
    worker = new Worker(new URL(process.env['CAIRN_ANALYSIS_WORKER'] ?? '', 'file:///'))
    worker.unref()
    worker.on('message', ({ seq, counts }) => {
      waiting.get(seq)?.(counts)
      waiting.delete(seq)
    })
    worker.on('error', () => {
      worker = undefined
      waiting.clear()
    })
  }
  const seq = ++sequence
  return new Promise((resolve) => {
    waiting.set(seq, resolve)
    worker?.postMessage({ seq, body, now: Date.now() })
  })
}

/** Asks for the counts of a course to be brought up to date, once the present burst of changes is over. */
export function refreshCounts(courseId: string): void {
  clearTimeout(pending.get(courseId))
  const timer = setTimeout(() => {
    pending.delete(courseId)
    void refreshNow(courseId).catch(() => undefined)
  }, SETTLE_MS)
  timer.unref()
  pending.set(courseId, timer)
}

async function refreshNow(courseId: string): Promise<void> {
  const db = getDatabase()
  const body = await loadCourseText(db, courseId)
  if (body === null) return
  const { revision } = JSON.parse(body) as { revision: number }
  const { fix, check } = await countInWorker(body)
  const row = { courseId, revision, fix, check, at: new Date() }
  await db
    .insert(analysisCache)
    .values(row)
    .onConflictDoUpdate({ target: analysisCache.courseId, set: row, setWhere: sql`${analysisCache.revision} <= ${revision}` })
}
