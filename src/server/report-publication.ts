/** Publishing the report of a round freezes it at an address of its own. Published again, it keeps the address; withdrawn, that answers 410. */
import { randomBytes } from 'node:crypto'
import { and, eq } from 'drizzle-orm'
import type { Viewer } from '../core/beside/beside'
import { reviewRound } from '../core/beside/review'
import type { ReportChoices, ReportDoc } from '../core/review/report'
import { getBeside } from './beside'
import { loadBlueprint } from './courses'
import type { Database } from './db/client'
import { courseHead, reportPage } from './db/schema'
import { log } from './log'
import { noSuchCourse, Refusal } from './problem'
import { reviewMade } from './report'

export type ReportState = { readonly slug: string; readonly publishedAt: string; readonly withdrawn: boolean }

const at = (courseId: string, roundId: string) => and(eq(reportPage.courseId, courseId), eq(reportPage.roundId, roundId))
const stateOf = (row: typeof reportPage.$inferSelect): ReportState => ({
  slug: row.slug,
  publishedAt: row.publishedAt.toISOString(),
  withdrawn: row.doc === null,
})

export async function reportState(db: Database, courseId: string, roundId: string): Promise<ReportState | null> {
  const [row] = await db.select().from(reportPage).where(at(courseId, roundId))
  return row ? stateOf(row) : null
}

/** Freezes the report as it is now. Throws the 404 refusal where there is no such round. */
export async function publishReport(
  db: Database,
  courseId: string,
  viewer: Viewer,
  roundId: string,
  choices: ReportChoices,
): Promise<ReportState> {
  await getBeside(db, reviewRound.spec.name, courseId, viewer, roundId)
  const loaded = await loadBlueprint(db, courseId)
  if (!loaded) throw noSuchCourse()
  const doc = await reviewMade(db, { courseId, viewer, plan: loaded.blueprint, round: roundId, choices }).report?.()
  if (!doc) throw new Refusal(404, 'no-such-round', 'There is no such round.')
  const now = new Date()
  const [row] = await db
    .insert(reportPage)
    .values({ slug: randomBytes(16).toString('base64url'), courseId, roundId, doc, publishedAt: now })
    .onConflictDoUpdate({ target: [reportPage.courseId, reportPage.roundId], set: { doc, publishedAt: now } })
    .returning()
  if (!row) throw new Error('the report was not stored')
  log('info', { code: 'report-published', course: courseId, round: roundId })
  return stateOf(row)
}

export async function withdrawReport(db: Database, courseId: string, roundId: string): Promise<ReportState | null> {
  const [row] = await db.update(reportPage).set({ doc: null }).where(at(courseId, roundId)).returning()
  if (row) log('info', { code: 'report-withdrawn', course: courseId, round: roundId })
  return row ? stateOf(row) : null
}

/** What stands at an address: the report, `withdrawn`, or null. With a course that was removed its report goes, and comes back with it. */
export async function reportAt(
  db: Database,
  slug: string,
): Promise<{ readonly doc: ReportDoc; readonly publishedAt: Date } | 'withdrawn' | null> {
  const [found] = await db
    .select({ row: reportPage, state: courseHead.state })
    .from(reportPage)
    .innerJoin(courseHead, eq(courseHead.id, reportPage.courseId))
    .where(eq(reportPage.slug, slug))
  if (!found) return null
  const { doc, publishedAt } = found.row
  return doc === null || found.state === 'removed' ? 'withdrawn' : { doc, publishedAt }
}
