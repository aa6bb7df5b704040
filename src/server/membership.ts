/** Roles in a course: who has which, inviting by mail, changing, withdrawing, leaving, handing over. There is always a designer. */
import { createHash, randomBytes } from 'node:crypto'
import { and, asc, eq, gt, ne, sql } from 'drizzle-orm'
import { mailsOffOf } from '../core/access/mails'
import { ROLE_TITLES, type Role } from '../core/roles'
import type { Database, Transaction } from './db/client'
import { courseHead, invitation, membership, outbox, user } from './db/schema'
import { tableOf } from './db/tables'
import { serverId } from './ids'
import { announcePeople } from './live'
import { log } from './log'
import { noSuchCourse, Refusal } from './problem'

const courseFacts = tableOf('course')

export type Member = { readonly id: string; readonly name: string; readonly email: string; readonly role: Role }
export type Invited = {
  readonly id: string
  readonly email: string
  readonly role: Role
  readonly expiresAt: string
  readonly expired: boolean
}
/** What became of each address that was invited. */
export type InviteAnswer =
  | { readonly email: string; readonly outcome: 'sent' | 'sent-again' | 'has-a-role' }
  /** The person wants no mails of invitations: the link is handed on by who invites. It serves nobody but that address. */
  | { readonly email: string; readonly outcome: 'wants-no-mail'; readonly link: string }

/** How long an invitation holds (Cairn default). */
const HOLDS_DAYS = 14

const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url')

export async function membersOf(db: Database, courseId: string): Promise<Member[]> {
  const rows = await db
    .select({ id: user.id, name: user.name, email: user.email, role: membership.role })
    .from(membership)
    .innerJoin(user, eq(user.id, membership.userId))
    .where(eq(membership.courseId, courseId))
    .orderBy(asc(user.name), asc(user.id))
  return rows as Member[]
}

export async function invitationsOf(db: Database, courseId: string): Promise<Invited[]> {
  const rows = await db.select().from(invitation).where(eq(invitation.courseId, courseId)).orderBy(asc(invitation.email))
  return rows.map((r) => ({
    id: r.id,
    email: r.email,
    role: r.role as Role,
    expiresAt: r.expiresAt.toISOString(),
    expired: r.expiresAt.getTime() < Date.now(),
  }))
}

/** Roles of a course change one after the other: the head row is locked first, as changes do. */
async function changingRoles<T>(db: Database, courseId: string, work: (tx: Transaction) => Promise<T>): Promise<T> {
  return db.transaction(async (tx) => {
    const [head] = await tx.select({ id: courseHead.id }).from(courseHead).where(eq(courseHead.id, courseId)).for('update')
    if (!head) throw noSuchCourse()
    const answer = await work(tx)
    await announcePeople(tx, courseId)
    return answer
  })
}

async function roleOf(tx: Transaction, courseId: string, personId: string): Promise<Role> {
  const [row] = await tx
    .select({ role: membership.role })
    .from(membership)
    .where(and(eq(membership.courseId, courseId), eq(membership.userId, personId)))
  if (!row) throw new Refusal(404, 'no-such-person', 'This person has no role in this course.')
  return row.role as Role
}

/** Throws where nobody but this person is a designer. */
async function needsOtherDesigner(tx: Transaction, courseId: string, personId: string): Promise<void> {
  const [other] = await tx
    .select({ id: membership.userId })
    .from(membership)
    .where(and(eq(membership.courseId, courseId), eq(membership.role, 'designer'), ne(membership.userId, personId)))
    .limit(1)
  if (!other) throw new Refusal(409, 'last-designer', 'A course has at least one designer. Hand it over first.')
}

/** Who asks must be a designer when the change is made, not only when it was asked for. */
async function needsDesigner(tx: Transaction, courseId: string, personId: string): Promise<void> {
  if ((await roleOf(tx, courseId, personId)) !== 'designer')
    throw new Refusal(403, 'role-may-not', 'Only a designer of the course gives and takes roles.')
}

/** Invites addresses to a role, and puts a mail to each into the outbox. An address invited before gets a new link; the old one ends. */
export function invite(
  db: Database,
  options: { courseId: string; by: { id: string; name: string }; emails: readonly string[]; role: Role; origin: string },
): Promise<InviteAnswer[]> {
  const { courseId, by, role, origin } = options
  return changingRoles(db, courseId, async (tx) => {
    await needsDesigner(tx, courseId, by.id)
    const [facts] = await tx
      .select({ title: courseFacts['title'] as never })
      .from(courseFacts)
      .where(eq(courseFacts.courseId as never, courseId))
    const title = (facts as unknown as { title: string } | undefined)?.title ?? 'a course'
    const answers: InviteAnswer[] = []
    for (const email of new Set(options.emails.map((e) => e.toLowerCase()))) {
      const [member] = await tx
        .select({ id: user.id })
        .from(membership)
        .innerJoin(user, eq(user.id, membership.userId))
        .where(and(eq(membership.courseId, courseId), eq(user.email, email)))
      if (member) {
        answers.push({ email, outcome: 'has-a-role' })
        continue
      }
      const token = randomBytes(16).toString('base64url')
      const gone = await tx
        .delete(invitation)
        .where(and(eq(invitation.courseId, courseId), eq(invitation.email, email)))
        .returning({ id: invitation.id })
      await tx.insert(invitation).values({
        id: serverId(),
        courseId,
        email,
        role,
        tokenHash: hashOf(token),
        invitedBy: by.id,
        expiresAt: new Date(Date.now() + HOLDS_DAYS * 86_400_000),
      })
      const link = `${origin}/invitation/${token}`
      const [known] = await tx.select({ off: user.mailsOff }).from(user).where(eq(user.email, email))
      if (mailsOffOf(known?.off ?? '').includes('invitations')) {
        answers.push({ email, outcome: 'wants-no-mail', link })
        continue
      }
      await tx.insert(outbox).values({
        id: serverId(),
        recipient: email,
        subject: `${by.name} invites you to plan “${title}”`,
        body: [
          `${by.name} invites you to the course plan “${title}” as ${ROLE_TITLES[role]}.`,
          '',
          `Answer here: ${link}`,
          '',
          `Sign in, or make an account, with this address (${email}). The link holds for ${HOLDS_DAYS} days.`,
          'If you do not know what this is about, you need do nothing.',
        ].join('\n'),
      })
      answers.push({ email, outcome: gone.length > 0 ? 'sent-again' : 'sent' })
    }
    log('info', { code: 'invited', course: courseId, by: by.id, n: answers.length, role })
    return answers
  })
}

export const withdrawInvitation = (db: Database, courseId: string, byId: string, invitationId: string): Promise<void> =>
  changingRoles(db, courseId, async (tx) => {
    await needsDesigner(tx, courseId, byId)
    const gone = await tx
      .delete(invitation)
      .where(and(eq(invitation.courseId, courseId), eq(invitation.id, invitationId)))
      .returning({ id: invitation.id })
    if (gone.length === 0) throw new Refusal(404, 'no-such-invitation', 'There is no such invitation any more.')
  })

const setRole = async (tx: Transaction, courseId: string, personId: string, role: Role) => {
  await tx
    .update(membership)
    .set({ role })
    .where(and(eq(membership.courseId, courseId), eq(membership.userId, personId)))
  if (role !== 'designer') await endInvitations(tx, courseId, personId)
}

const endRole = async (tx: Transaction, courseId: string, personId: string) => {
  await tx.delete(membership).where(and(eq(membership.courseId, courseId), eq(membership.userId, personId)))
  await endInvitations(tx, courseId, personId)
}

/** Whoever may invite no more has invited nobody. */
const endInvitations = (tx: Transaction, courseId: string, byId: string) =>
  tx.delete(invitation).where(and(eq(invitation.courseId, courseId), eq(invitation.invitedBy, byId)))

export const changeRole = (db: Database, courseId: string, byId: string, personId: string, role: Role): Promise<void> =>
  changingRoles(db, courseId, async (tx) => {
    await needsDesigner(tx, courseId, byId)
    await roleOf(tx, courseId, personId)
    if (role !== 'designer') await needsOtherDesigner(tx, courseId, personId)
    await setRole(tx, courseId, personId, role)
    log('info', { code: 'role-changed', course: courseId, by: byId, person: personId, role })
  })

/** Takes a person's role: one's own (leaving), or, as a designer, somebody else's. */
export const withdrawRole = (db: Database, courseId: string, byId: string, personId: string): Promise<void> =>
  changingRoles(db, courseId, async (tx) => {
    if (byId !== personId) await needsDesigner(tx, courseId, byId)
    if ((await roleOf(tx, courseId, personId)) === 'designer') await needsOtherDesigner(tx, courseId, personId)
    await endRole(tx, courseId, personId)
    log('info', { code: byId === personId ? 'left' : 'role-withdrawn', course: courseId, by: byId, person: personId })
  })

/** Makes another member the designer, and gives up one's own role or takes a lesser one, both at once. */
export const handOver = (db: Database, courseId: string, byId: string, toId: string, become: Role | 'leave'): Promise<void> =>
  changingRoles(db, courseId, async (tx) => {
    await needsDesigner(tx, courseId, byId)
    if (byId === toId) throw new Refusal(422, 'same-person', 'A course is handed over to somebody else.')
    await roleOf(tx, courseId, toId)
    await setRole(tx, courseId, toId, 'designer')
    if (become === 'leave') await endRole(tx, courseId, byId)
    else await setRole(tx, courseId, byId, become)
    log('info', { code: 'handed-over', course: courseId, by: byId, person: toId })
  })

export type OpenInvitation = {
  readonly id: string
  readonly courseId: string
  readonly title: string
  readonly email: string
  readonly role: Role
  readonly by: string
}

/** The invitation behind a link; null where there is none, it was withdrawn or answered, or its time is over. */
export async function invitationAt(db: Database, token: string): Promise<OpenInvitation | null> {
  const [row] = await db
    .select({
      id: invitation.id,
      courseId: invitation.courseId,
      title: courseFacts['title'] as never,
      email: invitation.email,
      role: invitation.role,
      by: user.name,
    })
    .from(invitation)
    .innerJoin(courseFacts, eq(courseFacts.courseId as never, invitation.courseId))
    .leftJoin(user, eq(user.id, invitation.invitedBy))
    .where(and(eq(invitation.tokenHash, hashOf(token)), gt(invitation.expiresAt, new Date())))
  return row ? ({ ...row, by: row.by ?? 'Somebody' } as OpenInvitation) : null
}

/** Accepts or declines as the person whom it was sent to. Returns the course. */
export async function answerInvitation(
  db: Database,
  token: string,
  person: { id: string; email: string },
  accept: boolean,
): Promise<{ courseId: string }> {
  const found = await invitationAt(db, token)
  if (!found) throw new Refusal(404, 'no-such-invitation', 'This invitation was withdrawn, answered, or is too old.')
  if (found.email !== person.email.toLowerCase())
    throw new Refusal(403, 'other-address', 'This invitation was sent to another address. Sign in with that one.')
  return changingRoles(db, found.courseId, async (tx) => {
    const gone = await tx.delete(invitation).where(eq(invitation.id, found.id)).returning({ role: invitation.role })
    if (!gone[0]) throw new Refusal(404, 'no-such-invitation', 'This invitation was withdrawn meanwhile.')
    if (accept)
      await tx.insert(membership).values({ courseId: found.courseId, userId: person.id, role: gone[0].role }).onConflictDoNothing()
    log('info', { code: accept ? 'invitation-accepted' : 'invitation-declined', course: found.courseId, person: person.id })
    return { courseId: found.courseId }
  })
}

export type Mail = { readonly id: string; readonly recipient: string; readonly subject: string; readonly body: string; readonly at: Date }
/** The newest mails that would have been sent. */
export const outboxMails = (db: Database): Promise<Mail[]> =>
  db.select().from(outbox).orderBy(sql`${outbox.at} desc, ${outbox.id} desc`).limit(100)
