/**
 * Seats of a review by link, for people without an account: giving one, opening it, who it is that asks. A link holds 128 random
 * bits and stands in the mail alone; here is its hash. Opened, it gives the browser a cookie with a secret of its own, so that the
 * link can end, or be replaced, while that browser goes on.
 */
import { createHash, randomBytes } from 'node:crypto'
import { and, eq, lt } from 'drizzle-orm'
import type { Viewer } from '../core/beside/beside'
import { reviewRound, reviewSeat } from '../core/beside/review'
import type { ReviewRound, ReviewSeat } from '../core/beside/review-records'
import type { seatBody } from '../core/forms/seat'
import { isServed, lastDayOf } from '../core/review/seat-link'
import type { SpaceState } from '../core/spaces'
import type { z } from '../core/zod'
import { type BesideRecord, getBeside, markBeside, putBeside } from './beside'
import type { Database } from './db/client'
import { courseHead, outbox, seatVisit } from './db/schema'
import { besideTable, tableOf } from './db/tables'
import { serverId } from './ids'
import { log } from './log'
import { Refusal } from './problem'

/** Who came by a link. */
export type SeatVisitor = {
  readonly courseId: string
  readonly state: SpaceState
  readonly seat: ReviewSeat
  readonly round: ReviewRound
  readonly viewer: Viewer
}

/** After so many days without its link being opened anew, a browser that came by one is forgotten (Cairn default). */
const VISIT_DAYS = 365
const DAY_MS = 86_400_000

/** What is kept of the secret of a link or cookie. */
export const hashOfLink = (secret: string): string => createHash('sha256').update(secret).digest('hex')
const newSecret = (): string => randomBytes(16).toString('base64url')
const today = (): string => new Date().toISOString().slice(0, 10)

/** The name of the cookie of a seat: a browser may hold several. */
export const seatCookie = (seatId: string): string => `cairn-seat-${seatId}`

/** The answer to a link that is wrong, withdrawn, or over: always the same. */
export const noSuchSeat = (): Refusal => new Refusal(404, 'no-such-seat', 'This link has ended, or never was. Ask who sent it for another.')

const rowOf = async <R>(db: Database, kind: typeof reviewSeat | typeof reviewRound, courseId: string, id: string): Promise<R | null> => {
  const table = besideTable(kind as never)
  const [row] = await db
    .select()
    .from(table as never)
    .where(and(eq(table.courseId, courseId), eq(table.id, id)))
  return (row as R | undefined) ?? null
}

/** A seat that its link still serves, with its round and the state of its course. */
async function served(db: Database, courseId: string, seatId: string): Promise<Omit<SeatVisitor, 'viewer'> | null> {
  const seat = await rowOf<ReviewSeat>(db, reviewSeat, courseId, seatId)
  const round = seat && (await rowOf<ReviewRound>(db, reviewRound, courseId, seat.roundId))
  if (!round || seat.linkHash === null || !isServed(round, seat, today())) return null
  const [head] = await db.select({ state: courseHead.state }).from(courseHead).where(eq(courseHead.id, courseId))
  return head && head.state !== 'removed' ? { courseId, state: head.state, seat, round } : null
}

/** Who asks, by the cookie of a seat. Null where there is none, or its link has ended. */
export async function visitorOf(db: Database, headers: Headers, seatId: string): Promise<SeatVisitor | null> {
  const name = `${seatCookie(seatId)}=`
  const cookie = (headers.get('cookie') ?? '').split(/;\s*/).find((c) => c.startsWith(name))
  if (!cookie) return null
  const [visit] = await db
    .select()
    .from(seatVisit)
    .where(eq(seatVisit.hash, hashOfLink(cookie.slice(name.length))))
  if (visit?.seatId !== seatId) return null
  const found = await served(db, visit.courseId, seatId)
  return found && { ...found, viewer: { id: `seat:${seatId}`, role: 'reviewer', seatId } }
}

/**
 * Opens the link of a seat: gives the secret of a cookie, and counts it for who runs the round. Null where the link serves nobody:
 * wrong, withdrawn, over, or handed in. The seat of this browser opens again, by its cookie, without being counted.
 */
export async function openLink(db: Database, token: string, headers: Headers): Promise<{ seatId: string; secret: string | null } | null> {
  const table = besideTable(reviewSeat as never)
  const [row] = await db
    .select()
    .from(table as never)
    .where(eq(table['linkHash'] as never, hashOfLink(token)))
  const { id, courseId } = (row ?? {}) as { id?: string; courseId?: string }
  if (!id || !courseId) return null
  if (await visitorOf(db, headers, id)) return { seatId: id, secret: null }
  const found = await served(db, courseId, id)
  if (!found || found.seat.handedInAt !== null) return null
  const secret = newSecret()
  await db.transaction(async (tx) => {
    await tx.insert(seatVisit).values({ hash: hashOfLink(secret), courseId, seatId: id })
    const openings = Math.min(found.seat.openings + 1, 1_000_000)
    await markBeside(tx, reviewSeat.spec.name, courseId, id, { openings, openedAt: new Date().toISOString() })
  })
  log('info', { code: 'seat-opened', course: courseId, seat: id })
  return { seatId: id, secret }
}

type Given = { readonly courseId: string; readonly by: { readonly id: string; readonly name: string }; readonly origin: string }

/** Gives a seat by link, and puts a mail into the outbox where an address is known. The link is told this once. */
export async function giveSeat(
  db: Database,
  viewer: Viewer,
  wanted: z.infer<typeof seatBody>,
  given: Given,
): Promise<{ readonly seat: BesideRecord; readonly link: string }> {
  const { email, ...values } = wanted
  // Throws where there is none that the viewer may see.
  await getBeside(db, reviewRound.spec.name, given.courseId, viewer, wanted.roundId)
  const id = serverId()
  const nobody = { personId: null, linkHash: null, remark: null, handedInAt: null, openings: 0, openedAt: null, withdrawn: false }
  const seat = await putBeside(db, reviewSeat.spec.name, given.courseId, viewer, id, { ...values, ...nobody }, null)
  return { seat, link: await newLink(db, seat as unknown as ReviewSeat, email, given) }
}

/** A new link for a seat, in the place of the old one. Throws the 404 refusal where there is no such seat. */
export async function renewLink(db: Database, viewer: Viewer, seatId: string, given: Given): Promise<{ readonly link: string }> {
  const seat = (await getBeside(db, reviewSeat.spec.name, given.courseId, viewer, seatId)) as unknown as ReviewSeat
  if (seat.personId !== null || seat.withdrawn) throw new Refusal(409, 'no-link', 'This seat has no link.')
  return { link: await newLink(db, seat, '', given) }
}

async function newLink(db: Database, seat: ReviewSeat, email: string, { courseId, by, origin }: Given): Promise<string> {
  const token = newSecret()
  const link = `${origin}/seat/${token}`
  const round = await rowOf<ReviewRound>(db, reviewRound, courseId, seat.roundId)
  const course = tableOf('course')
  await db.transaction(async (tx) => {
    await markBeside(tx, reviewSeat.spec.name, courseId, seat.id, { linkHash: hashOfLink(token) })
    if (email === '') return
    const [facts] = (await tx
      .select()
      .from(course as never)
      .where(eq(course.courseId, courseId))) as { title: string }[]
    const title = facts?.title ?? 'a course'
    const until = round && lastDayOf(round)
    await tx.insert(outbox).values({
      id: serverId(),
      recipient: email,
      subject: `${by.name} asks you to review “${title}”`,
      body: [
        `${by.name} asks ${seat.name} to review the course plan “${title}”${round?.due ? `, by ${round.due}` : ''}.`,
        '',
        `Begin here: ${link}`,
        '',
        'No account is needed. The link opens again on another device until you hand in; do not pass it on.',
        ...(until ? [`It holds until ${until}.`] : []),
        'If you do not know what this is about, you need do nothing.',
      ].join('\n'),
    })
  })
  log('info', { code: 'seat-link', course: courseId, by: by.id, seat: seat.id })
  return link
}

/** Forgets browsers that came by a link long ago. */
export const forgetVisits = (db: Database) => db.delete(seatVisit).where(lt(seatVisit.at, new Date(Date.now() - VISIT_DAYS * DAY_MS)))
