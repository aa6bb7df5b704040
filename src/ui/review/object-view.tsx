/** The object that a point is about, as it was frozen for the round: its chips lead on, Backspace leads back. */
import { memo, useEffect, useMemo, useRef, useState } from 'react'
import { Router } from 'wouter'
import { memoryLocation } from 'wouter/memory-location'
import { anyRecord, type Blueprint } from '../../core/blueprint/blueprint'
import type { RecordRef } from '../../core/blueprint/kinds'
import { capital } from '../../core/blueprint/text'
import { recordName } from '../../core/plan/names'
import { Details } from '../details/details'
import { kindView } from '../kind-views'
import { Button } from '../parts/button'
import { coursePage } from '../store/api'
import { CourseStore, StoreProvider, useCourseStore } from '../store/course-store'
import { markedWords } from './marked-words'

type Props = {
  /** Null: the plan as it is now. */
  readonly snapshotId: string | null
  readonly plan: Blueprint
  /** What the point in focus looks at. */
  readonly offered: readonly RecordRef[]
  /** The kinds of that, in words; empty where it looks at none. */
  readonly looksAt: string
  readonly onCite: ((ref: RecordRef, quote: string | null) => void) | null
  readonly onBack: () => void
}

const workspaceOf = ({ kind }: RecordRef): string => kindView(kind).workspace
const pathOf = ({ kind, id }: RecordRef): string => `/?at=${kind}:${encodeURIComponent(id)}`

export const ObjectView = memo(function ObjectView({ snapshotId, plan, offered, looksAt, onCite, onBack }: Props) {
  const store = useCourseStore()
  // Where the snapshot itself is open, it is shown from there.
  const frozen = useFrozen(store.courseId, snapshotId === store.snapshotId ? null : snapshotId)
  const part = useRef<HTMLElement>(null)
  const [trail, setTrail] = useState<readonly RecordRef[]>([])
  const first = offered[0] ? `${offered[0].kind} ${offered[0].id}` : ''
  useEffect(() => setTrail([]), [first])
  const at = trail.at(-1) ?? null
  const place = useMemo(() => memoryLocation({ path: at ? pathOf(at) : '/' }), [at])
  const named = (ref: RecordRef) => {
    const record = anyRecord(plan, ref)
    return record ? capital(recordName(plan, ref, record)) : ref.kind
  }
  const back = () => (trail.length > 0 ? setTrail(trail.slice(0, -1)) : onBack())
  return (
    <section
      ref={part}
      className="object-view"
      aria-label="What it is about"
      onKeyDown={(e) => {
        if (e.key !== 'Backspace' || isTyping(e.target)) return
        e.preventDefault()
        back()
      }}
    >
      {at ? (
        <>
          <div className="row wrap">
            <Button onClick={back}>Back</Button>
            {onCite && (
              // What is marked stays marked while the button is pressed.
              <Button onMouseDown={(e) => e.preventDefault()} onClick={() => onCite(at, markedWords(part.current))}>
                Use as evidence
              </Button>
            )}
            {snapshotId && (
              <Button href={`${coursePage(store.courseId, snapshotId)}/${workspaceOf(at)}?at=${at.kind}:${encodeURIComponent(at.id)}`}>
                In the whole plan
              </Button>
            )}
          </div>
          <StoreProvider value={frozen ?? store}>
            <Followed place={place} onFollow={(ref) => setTrail([...trail, ref])}>
              <Details />
            </Followed>
          </StoreProvider>
        </>
      ) : offered.length === 0 ? (
        <p className="muted">
          {looksAt ? `The plan has none of what this point looks at: ${looksAt}.` : 'This point looks at nothing in particular.'} Look for
          it in the plan: “Use as evidence” stands in the details of each record.
        </p>
      ) : (
        <ul className="plain-list">
          {offered.map((ref) => (
            <li key={`${ref.kind} ${ref.id}`}>
              <Button rank="rest" onClick={() => setTrail([ref])}>
                {named(ref)}
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
})

const isTyping = (target: EventTarget): boolean => target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)

type FollowedProps = {
  readonly place: Pick<ReturnType<typeof memoryLocation>, 'hook' | 'searchHook'>
  readonly onFollow: (ref: RecordRef) => void
  readonly children: React.ReactNode
}

/** Links within lead on here, and nowhere else. */
function Followed({ place, onFollow, children }: FollowedProps) {
  const hook = useMemo(() => {
    const led = (to: string) => {
      const at = new URLSearchParams(to.split('?')[1] ?? '').get('at')?.split(':')
      if (at?.[0] && at[1]) onFollow({ kind: at[0] as RecordRef['kind'], id: at[1] })
    }
    return () => [place.hook()[0], led] as [string, typeof led]
  }, [place, onFollow])
  return (
    <Router base="" hook={hook} searchHook={place.searchHook}>
      {children}
    </Router>
  )
}

/** The course as it was, read only; null: as it is now. */
function useFrozen(courseId: string, snapshotId: string | null): CourseStore | null {
  const [store, setStore] = useState<CourseStore | null>(null)
  useEffect(() => {
    if (snapshotId === null) return setStore(null)
    const made = new CourseStore(courseId, snapshotId)
    void made.open().then(() => setStore(made))
    return () => made.close()
  }, [courseId, snapshotId])
  return store
}
