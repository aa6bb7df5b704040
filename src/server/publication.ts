/** Publishing freezes a syllabus at an address of its own. Republishing keeps the address; withdrawing answers 410. */
import { randomBytes } from 'node:crypto'
import { eq, sql } from 'drizzle-orm'
import { filesIn } from '../core/blueprint/rich-text'
import { inOffering } from '../core/plan/offering'
import { assembleSyllabus, type Syllabus } from '../core/syllabus/assemble'
import { readSyllabus, storedSyllabus } from '../core/syllabus/stored'
import { loadBlueprint } from './courses'
import type { Database } from './db/client'
import { courseHead, publication } from './db/schema'
import { log } from './log'
import { noSuchCourse } from './problem'

export type PublicationState = {
  readonly slug: string
  readonly version: number
  readonly revision: number
  readonly publishedAt: string
  readonly withdrawn: boolean
  /** The offering that it shows; null for the first of the plan. */
  readonly offeringId: string | null
}

const stateOf = (row: typeof publication.$inferSelect): PublicationState => ({
  slug: row.slug,
  version: row.version,
  revision: row.revision,
  publishedAt: row.publishedAt.toISOString(),
  withdrawn: row.syllabus === null,
  offeringId: row.offeringId,
})

export async function publicationOf(db: Database, courseId: string): Promise<PublicationState | null> {
  const [row] = await db.select().from(publication).where(eq(publication.courseId, courseId))
  return row ? stateOf(row) : null
}

const slugOf = (title: string): string =>
  `${title
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40)}-${randomBytes(4).toString('hex')}`.replace(/^-/, '')

/** Freezes the syllabus of an offering; null: of the first. */
export async function publish(db: Database, courseId: string, offeringId: string | null = null): Promise<PublicationState> {
  const loaded = await loadBlueprint(db, courseId)
  if (!loaded) throw noSuchCourse()
  const assembled = assembleSyllabus(inOffering(loaded.blueprint, offeringId))
  const syllabus = storedSyllabus(assembled)
  const now = new Date()
  const [row] = await db
    .insert(publication)
    .values({ slug: slugOf(assembled.title), courseId, revision: loaded.revision, offeringId, syllabus, publishedAt: now })
    .onConflictDoUpdate({
      target: publication.courseId,
      set: { revision: loaded.revision, offeringId, syllabus, publishedAt: now, version: sql`${publication.version} + 1` },
    })
    .returning()
  if (!row) throw new Error('the publication was not stored')
  log('info', { code: 'published', course: courseId, version: row.version })
  return stateOf(row)
}

export async function withdraw(db: Database, courseId: string): Promise<PublicationState | null> {
  const [row] = await db.update(publication).set({ syllabus: null }).where(eq(publication.courseId, courseId)).returning()
  if (row) log('info', { code: 'publication-withdrawn', course: courseId })
  return row ? stateOf(row) : null
}

type Published = { readonly courseId: string; readonly syllabus: Syllabus; readonly publishedAt: Date }

/** The files that a syllabus shows. */
export const publishedFiles = ({ cover, description, sections }: Syllabus): readonly string[] => [
  ...(cover ? [cover.fileId] : []),
  ...[description, ...sections.map((s) => s.body)].flatMap(filesIn),
]

/** What stands at an address: the syllabus, `withdrawn`, null, or `unreadable` where a newer Cairn published it. */
export async function publishedAt(db: Database, slug: string): Promise<Published | 'withdrawn' | 'unreadable' | null> {
  const [found] = await db
    .select({ row: publication, state: courseHead.state })
    .from(publication)
    .innerJoin(courseHead, eq(courseHead.id, publication.courseId))
    .where(eq(publication.slug, slug))
  if (!found) return null
  const { row, state } = found
  // With a course that was removed its page goes, and comes back with it.
  if (row.syllabus === null || state === 'removed') return 'withdrawn'
  const read = readSyllabus(row.syllabus)
  if (read.ok) return { courseId: row.courseId, syllabus: read.value, publishedAt: row.publishedAt }
  log('error', { code: 'syllabus-unreadable', reason: read.error.code })
  return 'unreadable'
}
