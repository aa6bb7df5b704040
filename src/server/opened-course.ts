/** What a window is given of a course when it opens it. One that is known to be large is read by a helper. */
import { FORMAT_VERSION } from '../core/blueprint/upgrades'
import type { Database } from './db/client'
import { type Asking, inHelper, toRead } from './helpers'
import { loadCourseText, recordCount } from './repository'

export type Opened<B> = { readonly revision: string; readonly body: B }

/** JSON text as the database wrote it, with the format's version and who looks at it before; null where there is no such course. */
async function openedText(db: Database, courseId: string, viewer: object): Promise<Opened<string> | null> {
  const text = await loadCourseText(db, courseId)
  if (text === null) return null
  const revision = /"revision"\s*:\s*(\d+)/.exec(text.slice(0, 60))?.[1] ?? ''
  return { revision, body: `{"formatVersion":${FORMAT_VERSION},"viewer":${JSON.stringify(viewer)},${text.trimStart().slice(1)}` }
}

/** The same as bytes, for helpers. */
export async function openedBytes(db: Database, courseId: string, viewer: object): Promise<Opened<Uint8Array> | null> {
  const opened = await openedText(db, courseId, viewer)
  return opened && { ...opened, body: Uint8Array.from(Buffer.from(opened.body)) }
}

/** From so many letters on a course is read by a helper (Cairn default): some four times a course of 2,000 activities. */
const LARGE = 5_000_000
/** The length of courses when they were last read; before that, as many letters as their records may take (Cairn default). */
const lengths = new Map<string, number>()
const LETTERS_A_RECORD = 600
const MOST_KNOWN = 10_000

export async function openedCourse(asked: Asking & { readonly db: Database; readonly courseId: string }, viewer: object) {
  const { db, courseId } = asked
  const length = lengths.get(courseId) ?? (await recordCount(db, courseId)) * LETTERS_A_RECORD
  if (lengths.size >= MOST_KNOWN) lengths.clear()
  lengths.set(courseId, length)
  if (length > LARGE) return inHelper('course', toRead(asked), courseId, viewer)
  const opened = await openedText(db, courseId, viewer)
  if (opened) lengths.set(courseId, opened.body.length)
  return opened
}
