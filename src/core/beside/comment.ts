/** What people say about a course: comments on its records, in threads. */
import { may } from '../access/abilities'
import { int, line, lines, optional } from '../blueprint/field'
import { type BesideRecord, defineBeside } from './beside'

/** What a comment is about, and what it answers, is said once. */
const FIXED = ['aboutKind', 'aboutId', 'aboutName', 'field', 'quote', 'replyTo'] as const

/** A comment, or the answer to one. It stays when what it is about is removed. */
export const comment = defineBeside({
  spec: {
    name: 'comment',
    plural: 'comments',
    noun: 'comment',
    family: 'beside',
    fields: {
      /** The record that it is about; the course itself for one about the whole. */
      aboutKind: line(40),
      aboutId: line(140),
      /** What that record was called when the comment was written. */
      aboutName: optional(line(200)),
      field: optional(line(60)),
      /** Words of the plan that it is about. */
      quote: optional(lines(400)),
      words: lines(4000),
      /** The comment that began the thread. */
      replyTo: optional(line(40)),
      /** The account that called the thread done; none while it is open. */
      resolvedBy: optional(line(60)),
    },
  },
  policy: {
    mayRead: (viewer) => may(viewer.role, 'comment.read'),
    mayWrite: (viewer, stored, wanted) => {
      if (!may(viewer.role, 'comment.write')) return false
      if (!stored) return wanted?.resolvedBy === null
      const own = stored.authorId === viewer.id
      if (!wanted) return own || viewer.role === 'designer'
      if (FIXED.some((f) => wanted[f] !== stored[f]) || (wanted.words !== stored.words && !own)) return false
      // Whoever calls a thread done signs it; anybody opens it again.
      return wanted.resolvedBy === stored.resolvedBy || (stored.replyTo === null && [null, viewer.id].includes(wanted.resolvedBy))
    },
  },
})
export type Comment = BesideRecord<typeof comment.spec>

/** Somebody named in a comment, as it was when it was written: they are told. Made by the server. */
export const mention = defineBeside({
  spec: {
    name: 'mention',
    plural: 'mentions',
    noun: 'mention',
    family: 'beside',
    fields: { commentId: line(40), personId: line(60) },
  },
  policy: { mayRead: (viewer) => may(viewer.role, 'comment.read'), mayWrite: () => false },
})
export type Mention = BesideRecord<typeof mention.spec>

/** How far somebody has read the comments: one record a person, under their account's id, seen by nobody else. */
export const commentsSeen = defineBeside({
  spec: {
    name: 'commentsSeen',
    plural: 'commentsSeen',
    noun: 'mark of what was read',
    family: 'beside',
    fields: { upTo: int(0, 2_147_483_647) },
  },
  policy: {
    mayRead: (viewer, record) => record.id === viewer.id,
    mayWrite: (viewer, stored, wanted) => (wanted ?? stored)?.id === viewer.id,
  },
})
export type CommentsSeen = BesideRecord<typeof commentsSeen.spec>
