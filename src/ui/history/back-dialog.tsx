/** What setting the whole plan back will change, and whose work that is, before it is done. */
import { useMemo } from 'react'
import { applyEffective } from '../../core/blueprint/apply'
import type { Blueprint } from '../../core/blueprint/blueprint'
import type { Operation } from '../../core/blueprint/change'
import { describeChange } from '../../core/history/describe'
import { restorePlan } from '../../core/history/past'
import { countOf, listOf } from '../../core/numbers'
import { Confirm } from '../parts/confirm'
import { useCourse, useCourseStore } from '../store/course-store'
import type { Read } from './use-history'

/** The place in the log that is gone back to: what it is called, the plan then, and its revision. */
export type Back = { readonly label: string; readonly plan: Blueprint; readonly revision: number }

/** So many records are told in words (Cairn default). */
const MOST_LINES = 8

/** `3 come back, 1 goes, 9 change`, of what there is. */
function countsOf(operations: readonly Operation[]): string {
  const of = (op: Operation['op']) => operations.filter((o) => o.op === op).length
  const said = [
    [of('create'), 'comes back', 'come back'],
    [of('remove'), 'goes', 'go'],
    [of('update'), 'is set back', 'are set back'],
  ] as const
  return listOf(said.flatMap(([n, one, many]) => (n === 0 ? [] : [`${countOf(n, 'record')} ${n === 1 ? one : many}`])))
}

/** Whose changes lie behind a revision, with how many: `you (12 changes)`. */
function authorsSince(read: readonly Read[], revision: number, viewerId: string | undefined): string[] {
  const counts = new Map<string, { readonly name: string; n: number }>()
  for (const r of read) {
    if (r.revision <= revision) continue
    const known = counts.get(r.authorId) ?? { name: r.authorId === viewerId ? 'you' : r.author, n: 0 }
    counts.set(r.authorId, { ...known, n: known.n + 1 })
  }
  return [...counts.values()].sort((a, b) => b.n - a.n).map(({ name, n }) => `${name} (${countOf(n, 'change')})`)
}

export function BackDialog({ back, read, onClose }: { back: Back; read: readonly Read[]; onClose: () => void }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const viewerId = useCourse((s) => s.viewer?.id)
  const unread = useCourse((s) => s.session.revision) - (read[0]?.revision ?? 0)
  const operations = useMemo(() => restorePlan(view, back.plan), [view, back.plan])
  const lines = useMemo(
    () => describeChange(operations, view, applyEffective(view, operations), MOST_LINES).filter((l) => l.text),
    [operations, view],
  )
  const authors = authorsSince(read, back.revision, viewerId)
  return (
    <Confirm
      heading={`Back to ${back.label}?`}
      yes={operations.length === 0 ? 'It is so already' : `Set back ${countOf(operations.length, 'record')}`}
      onYes={() => store.restore({ what: back.label }, operations, 'Restored')}
      onClose={onClose}
    >
      {operations.length === 0 ? (
        <p>The plan is as it was then.</p>
      ) : (
        <>
          <p>{countsOf(operations)}:</p>
          <ul>
            {lines.map((l) => (
              <li key={`${l.kind} ${l.id}`}>{l.text}</li>
            ))}
            {operations.length > lines.length && <li className="muted">and {countOf(operations.length - lines.length, 'more record')}</li>}
          </ul>
          <p>
            {authors.length > 0 && `What goes back is the work of: ${listOf(authors)}. `}
            {unread > 0 && `${countOf(unread, 'change')} came since this list was read. `}
            One step: Ctrl+Z takes it back.
          </p>
        </>
      )}
    </Confirm>
  )
}
