/** Comments as threads, what of them is new to somebody, and who is named in one. */
import { groupBy } from '../plan/group-by'
import type { Comment } from './comment'

export type Thread = {
  /** The id of the comment that began it, also where that is gone. */
  readonly id: string
  /** The first that is there; the others answer it. */
  readonly first: Comment
  readonly answers: readonly Comment[]
  readonly state: 'open' | 'resolved'
  /** When it was last written in: an ISO instant. */
  readonly last: string
}

const byTime = (a: Comment, b: Comment) => a.at.localeCompare(b.at) || a.id.localeCompare(b.id)

/** A thread that was called done is open again when somebody answers after that. */
function stateOf(first: Comment, answers: readonly Comment[]): Thread['state'] {
  return first.resolvedBy !== null && answers.every((a) => a.revision < first.revision) ? 'resolved' : 'open'
}

/** The threads of these comments, the oldest first. Answers to a comment that was removed stand as a thread of their own. */
export function threadsOf(comments: readonly Comment[]): readonly Thread[] {
  const groups = groupBy(comments, (c) => c.replyTo ?? c.id)
  return [...groups]
    .map(([id, group]): Thread => {
      const sorted = group.toSorted((a, b) => Number(a.replyTo !== null) - Number(b.replyTo !== null) || byTime(a, b))
      const [first, ...answers] = sorted as [Comment, ...Comment[]]
      return { id, first, answers, state: stateOf(first, answers), last: (answers.at(-1) ?? first).at }
    })
    .sort((a, b) => byTime(a.first, b.first))
}

/** What others wrote or altered since somebody last read, by the revision they had read up to. */
export const unreadOf = (comments: readonly Comment[], upTo: number, viewerId: string): readonly Comment[] =>
  comments.filter((c) => c.revision > upTo && c.authorId !== viewerId)

/** People who are named in a text as `@Ines Okafor`, in any case; of two names that fit, the longer one. Each once. */
export function mentionedIn<P extends { readonly name: string }>(words: string, people: readonly P[]): readonly P[] {
  const longestFirst = people.toSorted((a, b) => b.name.length - a.name.length)
  const found = new Set<P>()
  for (const { index } of words.matchAll(/(?<![\p{L}\p{N}])@/gu)) {
    const after = words.slice(index + 1).toLowerCase()
    const fits = (name: string) => name !== '' && after.startsWith(name.toLowerCase()) && !/^[\p{L}\p{N}]/u.test(after.slice(name.length))
    const named = longestFirst.find((p) => fits(p.name))
    // Two people of one name are both meant.
    for (const p of people) if (named && p.name === named.name) found.add(p)
  }
  return people.filter((p) => found.has(p))
}
