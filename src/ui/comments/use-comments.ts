/** The comments of the open course as this person sees them: what the server has, with what waits in this browser to be sent. */
import { useMemo } from 'react'
import type { Comment, CommentsSeen, Mention } from '../../core/beside/comment'
import { type Thread, threadsOf, unreadOf } from '../../core/beside/threads'
import type { AnyRecord, RecordRef } from '../../core/blueprint/kinds'
import { useBeside } from '../store/beside'
import { newId, useCourse } from '../store/course-store'
import { useUnsent } from '../store/use-unsent'

/** `base`: the revision that the server has; null for one that it has not yet. */
export type ShownComment = Comment & { readonly base: number | null; readonly waits?: true; readonly refused?: string }

const FIELDS = ['aboutKind', 'aboutId', 'aboutName', 'field', 'quote', 'words', 'replyTo', 'resolvedBy'] as const
const valuesOf = (comment: Comment): AnyRecord =>
  ({ id: comment.id, ...Object.fromEntries(FIELDS.map((f) => [f, comment[f]])) }) as AnyRecord

export function useComments() {
  const { records, remove, loading, failed } = useBeside<Comment>('comment')
  const { waiting, entries } = useUnsent()
  const me = useCourse((s) => s.viewer?.id ?? '')
  const comments = useMemo((): readonly ShownComment[] => {
    const stored = new Map<string, ShownComment>(records.map((r) => [r.id, { ...r, base: r.revision }]))
    for (const { kind, id, values, at, base, refused } of entries) {
      if (kind !== 'comment') continue
      const before = stored.get(id)
      const state = refused ? { refused } : { waits: true as const }
      // It will be the newest when it is sent.
      const facts = { authorId: before?.authorId ?? me, at: before?.at ?? at, revision: Number.MAX_SAFE_INTEGER, base }
      stored.set(id, { ...(values as unknown as Comment), ...facts, ...state })
    }
    return [...stored.values()]
  }, [records, entries, me])
  const threads = useMemo(() => threadsOf(comments) as readonly ShownThread[], [comments])
  const change = (comment: ShownComment, to: Partial<Pick<Comment, 'words' | 'resolvedBy'>>) =>
    waiting.write('comment', comment.id, valuesOf({ ...comment, ...to }), comment.base)
  return {
    comments,
    threads,
    loading,
    failed,
    me,
    /** Begins a thread about a record, or answers one. */
    add: (about: RecordRef, aboutName: string | null, words: string, replyTo: string | null) => {
      const id = newId()
      const rest = { field: null, quote: null, resolvedBy: null }
      waiting.write('comment', id, { id, aboutKind: about.kind, aboutId: about.id, aboutName, words, replyTo, ...rest }, null)
      return id
    },
    change,
    remove: (id: string) => {
      waiting.letGo(id)
      remove.mutate(id)
    },
    letGo: (id: string) => waiting.letGo(id),
  }
}
export type ShownThread = Omit<Thread, 'first' | 'answers'> & { readonly first: ShownComment; readonly answers: readonly ShownComment[] }

/** What others wrote since this person last read, and marking it as read. */
export function useUnread() {
  const { records, revision } = useBeside<Comment>('comment')
  const { records: marks, put, loading: marksLoad } = useBeside<CommentsSeen>('commentsSeen')
  const me = useCourse((s) => s.viewer?.id ?? '')
  // In a course that is put away nothing is marked.
  const live = useCourse((s) => (s.viewer?.state ?? 'live') === 'live')
  // Before it is known who reads, nothing is new to anybody.
  const loading = marksLoad || me === ''
  const mark = marks.find((m) => m.id === me)
  const upTo = mark?.upTo ?? 0
  const unread = useMemo(() => (loading ? [] : unreadOf(records, upTo, me)), [records, upTo, me, loading])
  return {
    unread,
    loading,
    read: () => {
      if (loading || !live || revision <= upTo || put.isPending) return
      put.mutate({ id: me, values: { upTo: revision }, base: mark?.revision ?? null })
    },
  }
}

/** The comments that name this person. */
export function useMentions(): ReadonlySet<string> {
  const { records } = useBeside<Mention>('mention')
  const me = useCourse((s) => s.viewer?.id ?? '')
  return useMemo(() => new Set(records.filter((m) => m.personId === me).map((m) => m.commentId)), [records, me])
}
