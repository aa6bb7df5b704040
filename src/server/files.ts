/** Files of courses: pictures that come in, go out, and go along with copies. */
import { Readable } from 'node:stream'
import { and, eq, inArray, sql } from 'drizzle-orm'
import type { Viewer } from '../core/beside/beside'
import { type CourseFile, file } from '../core/beside/file'
import { reviewRound, reviewSeat } from '../core/beside/review'
import type { ReviewRound, ReviewSeat } from '../core/beside/review-records'
import { ID_PATTERN } from '../core/blueprint/id-pattern'
import { fitted } from '../core/blueprint/text'
import { cleanImage, MOST_IMAGE_BYTES } from '../core/files/image'
import { getBeside } from './beside'
import { nextRevision } from './beside-revision'
import type { Database, Transaction } from './db/client'
import { besideTable } from './db/tables'
import { readBytes, storeBytes } from './file-store'
import { Refusal } from './problem'

/** Of all pictures of a course together (Cairn default). */
const MOST_COURSE_BYTES = 500_000_000

const table = () => besideTable(file as never)
const tooLarge = () => new Refusal(413, 'too-large', `A picture holds at most ${MOST_IMAGE_BYTES / 1e6} MB.`)

/** The files of a course with these ids. */
async function rowsOf(db: Database | Transaction, courseId: string, ids: readonly string[]): Promise<CourseFile[]> {
  if (ids.length === 0) return []
  const rows = await db
    .select()
    .from(table() as never)
    .where(and(eq(table().courseId, courseId), inArray(table().id, [...ids])))
  return rows as unknown as CourseFile[]
}

/** A body as it comes, of at most as many bytes as a picture may have. */
async function wholeOf(body: AsyncIterable<Uint8Array>): Promise<Uint8Array> {
  const parts: Uint8Array[] = []
  let size = 0
  for await (const part of body) {
    size += part.length
    if (size > MOST_IMAGE_BYTES) throw tooLarge()
    parts.push(part)
  }
  return Buffer.concat(parts)
}

/**
 * Takes a picture under an id that the sender chose. The same bytes sent again are the same file; others under its id are refused
 * (409), as is what is no picture (415, 422). `seatId`: of the seat that brings it as evidence.
 */
export async function putFile(
  db: Database,
  courseId: string,
  viewer: Viewer,
  id: string,
  name: string,
  body: AsyncIterable<Uint8Array>,
  seatId: string | null = null,
): Promise<CourseFile> {
  if (!ID_PATTERN.test(id)) throw new Refusal(422, 'invalid-value', 'An id is 1 to 40 letters, digits, _ or -.')
  const clean = cleanImage(await wholeOf(body))
  if (!clean.ok) throw new Refusal(clean.error.startsWith('Only') ? 415 : 422, 'no-picture', clean.error)
  const { bytes, type, width, height } = clean.value
  return db.transaction(async (tx) => {
    const { hash } = await storeBytes(tx, [bytes], MOST_IMAGE_BYTES, tooLarge)
    const [known] = await rowsOf(tx, courseId, [id])
    if (known && known.sha256 !== hash) throw new Refusal(409, 'changed', 'There is another file under this id.')
    if (known) return known
    const [{ sum = 0 } = {}] = (
      await tx.execute<{ sum: number }>(
        sql`select coalesce(sum(bytes), 0)::float8 as sum from ${table()} where ${table().courseId} = ${courseId}`,
      )
    ).rows
    if (sum + bytes.length > MOST_COURSE_BYTES)
      throw new Refusal(413, 'course-full', `A course keeps pictures of at most ${MOST_COURSE_BYTES / 1e6} MB. Remove some first.`)
    const revision = await nextRevision(tx, courseId, file.spec.name)
    const record = {
      id,
      name: fitted(name.trim() || 'picture', 200),
      sha256: hash,
      type,
      bytes: bytes.length,
      width,
      height,
      seatId,
      authorId: viewer.id,
      revision,
    }
    const at = new Date()
    await tx.insert(table() as never).values({ ...record, courseId, at } as never)
    return { ...record, at: at.toISOString() }
  })
}

/** A file of a course, with its bytes as they are asked for; null where the course has none of that id. */
export async function fileOf(db: Database, courseId: string, id: string) {
  const [row] = await rowsOf(db, courseId, [id])
  return row ? { ...row, read: (from?: number, to?: number) => readBytes(db, row.sha256, from, to) } : null
}

/** For formats: a file whole, as pictures are small. */
export const fileReader = (db: Database, courseId: string) => async (id: string) => {
  const found = await fileOf(db, courseId, id)
  if (!found) return null
  const parts: Buffer[] = []
  for await (const part of found.read()) parts.push(part)
  return { type: found.type, bytes: Buffer.concat(parts) }
}

/** Gives a course the files of another that it shows too, under the same ids; the bytes are kept once. Returns how many came. */
export async function shareFiles(db: Database, from: string, into: string, ids: readonly string[], byId: string): Promise<number> {
  return db.transaction(async (tx) => {
    const there = new Set((await rowsOf(tx, into, ids)).map((r) => r.id))
    const coming = (await rowsOf(tx, from, ids)).filter((r) => !there.has(r.id))
    if (coming.length === 0) return 0
    const revision = await nextRevision(tx, into, file.spec.name)
    await tx
      .insert(table() as never)
      .values(coming.map((r) => ({ ...r, courseId: into, authorId: byId, at: new Date(), revision })) as never)
    return coming.length
  })
}

/** Answers with a file: as what it is and nothing else, whole or a part of it. */
export function fileResponse(found: NonNullable<Awaited<ReturnType<typeof fileOf>>>, request: Request, kept: string): Response {
  const headers: Record<string, string> = {
    'content-type': found.type,
    'content-disposition': 'inline',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "sandbox; default-src 'none'",
    'accept-ranges': 'bytes',
    'cache-control': kept,
    etag: `"${found.sha256}"`,
  }
  if (request.headers.get('if-none-match') === headers['etag']) return new Response(null, { status: 304, headers })
  const range = /^bytes=(\d{0,15})-(\d{0,15})$/.exec(request.headers.get('range') ?? '')
  const [size, last] = [found.bytes, found.bytes - 1]
  let [from, to] = [0, last]
  if (range && (range[1] || range[2])) {
    // The last n bytes, or from one place to another.
    from = range[1] ? Number(range[1]) : Math.max(0, size - Number(range[2]))
    to = range[1] && range[2] ? Math.min(last, Number(range[2])) : last
    if (from > to) return new Response(null, { status: 416, headers: { 'content-range': `bytes */${size}` } })
    headers['content-range'] = `bytes ${from}-${to}/${size}`
  }
  headers['content-length'] = String(to - from + 1)
  return new Response(Readable.toWeb(Readable.from(found.read(from, to))) as never, {
    status: headers['content-range'] ? 206 : 200,
    headers,
  })
}

/** Takes a picture as evidence of a seat. Throws where it is not one's own, or may not rate any more. */
export async function putEvidence(
  db: Database,
  courseId: string,
  viewer: Viewer,
  seatId: string,
  given: { readonly id: string; readonly name: string; readonly body: AsyncIterable<Uint8Array> | null },
): Promise<CourseFile> {
  const seat = (await getBeside(db, reviewSeat.spec.name, courseId, viewer, seatId)) as unknown as ReviewSeat
  const isOwn = viewer.seatId === undefined ? seat.personId === viewer.id : seat.id === viewer.seatId
  const round = (await getBeside(db, reviewRound.spec.name, courseId, viewer, seat.roundId)) as unknown as ReviewRound
  if (!isOwn || seat.withdrawn || round.state === 'closed') throw new Refusal(403, 'may-not', 'You may not bring pictures to this seat.')
  if (!given.body) throw new Refusal(422, 'no-picture', 'This file is empty.')
  return putFile(db, courseId, viewer, given.id, given.name, given.body, seatId)
}
