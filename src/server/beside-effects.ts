/** What else happens when data beside the plan are written, by kind, in the same transaction. */
import { and, eq } from 'drizzle-orm'
import { mailsOffOf } from '../core/access/mails'
import type { Viewer } from '../core/beside/beside'
import { mention } from '../core/beside/comment'
import { mentionedIn } from '../core/beside/threads'
import { shortened } from '../core/blueprint/text'
import { nextRevision } from './beside-revision'
import type { Transaction } from './db/client'
import { membership, outbox, user } from './db/schema'
import { besideTable, tableOf } from './db/tables'
import { serverId } from './ids'

export type BesideWrite = {
  readonly courseId: string
  readonly viewer: Viewer
  /** As it is stored now. */
  readonly record: { readonly id: string } & Readonly<Record<string, unknown>>
  /** Of links in mails. */
  readonly origin: string
}

/** So many people are told of one comment (Cairn default). */
const MOST_TOLD = 20

/** Notes who is named in a comment for the first time, and puts a mail to each into the outbox who wants one. */
async function tellMentioned(tx: Transaction, { courseId, viewer, record, origin }: BesideWrite): Promise<void> {
  const people = await tx
    .select({ id: user.id, name: user.name, email: user.email, off: user.mailsOff })
    .from(membership)
    .innerJoin(user, eq(user.id, membership.userId))
    .where(eq(membership.courseId, courseId))
  const words = String(record['words'])
  const named = mentionedIn(words, people).filter((p) => p.id !== viewer.id)
  if (named.length === 0) return
  const table = besideTable(mention as never)
  const known = (await tx
    .select()
    .from(table as never)
    .where(and(eq(table.courseId, courseId), eq(table['commentId'] as never, record.id)))) as { personId: string }[]
  const told = named.filter((p) => known.every((k) => k.personId !== p.id)).slice(0, MOST_TOLD)
  if (told.length === 0) return
  const revision = await nextRevision(tx, courseId, mention.spec.name)
  const course = tableOf('course')
  const [facts] = (await tx
    .select()
    .from(course as never)
    .where(eq(course.courseId, courseId))) as { title: string }[]
  const by = people.find((p) => p.id === viewer.id)?.name ?? 'Somebody'
  for (const person of told) {
    await tx.insert(table as never).values({
      courseId,
      id: serverId(),
      commentId: record.id,
      personId: person.id,
      authorId: viewer.id,
      at: new Date(),
      revision,
    } as never)
    if (mailsOffOf(person.off).includes('mentions')) continue
    await tx.insert(outbox).values({
      id: serverId(),
      recipient: person.email,
      subject: `${by} names you in “${facts?.title ?? 'a course'}”`,
      body: [
        `${by} writes${record['aboutName'] ? ` about ${record['aboutName']}` : ''}:`,
        '',
        shortened(words, 1000),
        '',
        `Answer here: ${origin}/courses/${courseId}/brief?panel=comments&at=${record['aboutKind']}:${encodeURIComponent(String(record['aboutId']))}`,
      ].join('\n'),
    })
  }
}

/** By the name of the kind. */
export const AFTER_WRITE: Readonly<Record<string, (tx: Transaction, write: BesideWrite) => Promise<void>>> = {
  comment: tellMentioned,
}
