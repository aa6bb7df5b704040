/** What is said about the selected record, or about the whole course: threads, filtered, and where one begins another. */
import './comments.css'
import { useEffect, useState } from 'react'
import { anyRecord } from '../../core/blueprint/blueprint'
import type { RecordRef } from '../../core/blueprint/kinds'
import { countOf } from '../../core/numbers'
import { recordName } from '../../core/plan/names'
import { Button } from '../parts/button'
import { SelectInput } from '../parts/input'
import { useGrowing } from '../parts/use-growing'
import { Waiting } from '../parts/waiting'
import { useCourse, useMay } from '../store/course-store'
import { useSelected } from '../store/navigation'
import { CommentThread } from './comment-thread'
import { Compose } from './compose'
import { type ShownThread, useComments, useMentions, useUnread } from './use-comments'

const SCOPES = [
  { value: 'object', label: 'Selected' },
  { value: 'course', label: 'Whole course' },
] as const
const STATES = [
  { value: 'open', label: 'Open' },
  { value: 'resolved', label: 'Done' },
  { value: 'all', label: 'Open and done' },
  { value: 'new', label: 'New to me' },
  { value: 'me', label: 'That name me' },
] as const
type State = (typeof STATES)[number]['value']
const WHOLE: RecordRef = { kind: 'course', id: 'course' }

/** So many threads are drawn at first, and with each press more (Cairn default). */
const A_PAGE = 40
/** So many fill the panel at once. */
const AT_ONCE = 8

export function CommentList() {
  const [most, setMost] = useState(A_PAGE)
  const selected = useSelected()
  const about = selected ?? WHOLE
  const name = useCourse((s) => {
    const record = anyRecord(s.view, about)
    return about.kind === 'course' ? 'the course' : record ? recordName(s.view, about, record) : null
  })
  const mayWrite = useMay('comment.write')
  const [wanted, setScope] = useState<'object' | 'course' | null>(null)
  const [state, setState] = useState<State>('open')
  const all = useComments()
  const mentions = useMentions()
  const { unread, loading, read } = useUnread()
  // What was new when the list was opened stays marked as long as it is open.
  const [news, setNews] = useState<ReadonlySet<string>>(new Set())
  useEffect(() => {
    if (unread.length === 0) return
    setNews((before) => new Set([...before, ...unread.map((c) => c.id)]))
    if (document.visibilityState === 'visible') read()
  }, [unread])
  const isAbout = (t: ShownThread) => t.first.aboutKind === about.kind && t.first.aboutId === about.id
  const scope = wanted ?? (selected ? 'object' : 'course')
  const of = (t: ShownThread) => [t.first, ...t.answers]
  const isShown = (t: ShownThread): boolean => {
    if (scope === 'object' && !isAbout(t)) return false
    if (state === 'new') return of(t).some((c) => news.has(c.id))
    if (state === 'me') return of(t).some((c) => mentions.has(c.id))
    return state === 'all' || t.state === state
  }
  const shown = all.threads.filter(isShown).toSorted((a, b) => b.last.localeCompare(a.last))
  const drawn = useGrowing(Math.min(shown.length, most), -1, AT_ONCE)
  if (all.loading || loading) return <Waiting lines={6} />
  return (
    <div className="comments">
      <div className="finding-filters">
        <SelectInput label="Comments of" hideLabel value={scope} options={SCOPES} onChoose={(v) => v && setScope(v)} />
        <SelectInput label="Which comments" hideLabel value={state} options={STATES} onChoose={(v) => v && setState(v)} />
      </div>
      {all.failed && (
        <p className="form-error" role="alert">
          The comments could not be fetched. What you write waits here and is sent later.
        </p>
      )}
      {mayWrite && name !== null && (
        <Compose
          key={`${about.kind} ${about.id}`}
          keptAs={`comment ${about.kind} ${about.id}`}
          label={`Comment on ${name}`}
          onSend={(words) => all.add(about, about.kind === 'course' ? null : name, words, null)}
        />
      )}
      <p className="muted small" role="status">
        {shown.length === 0 ? 'Nothing is said here.' : countOf(shown.length, 'thread')}
      </p>
      {shown.slice(0, drawn).map((t) => (
        <CommentThread key={t.id} thread={t} news={news} all={all} />
      ))}
      {shown.length > most && (
        <Button onClick={() => setMost(most + A_PAGE)}>{countOf(shown.length - most, 'older thread')}: show more</Button>
      )}
    </div>
  )
}
