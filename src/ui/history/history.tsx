/** The log as people read it: who changed what, when, in words; and the way back to what was. */
import { useCallback, useEffect, useMemo, useState } from 'react'
import type { Blueprint } from '../../core/blueprint/blueprint'
import { invertOperations, type Operation, operationId } from '../../core/blueprint/change'
import type { RecordRef } from '../../core/blueprint/kinds'
import { capital } from '../../core/blueprint/text'
import { describeChange, MOST_LINES } from '../../core/history/describe'
import { planBefore, restorePlan, restoreRecord } from '../../core/history/past'
import { countOf } from '../../core/numbers'
import { ChoiceField } from '../parts/fields'
import { useCourse, useCourseStore } from '../store/course-store'
import { labelOf } from '../store/labels'
import { useGo, useSelected } from '../store/navigation'
import type { LoggedChange } from '../store/session'

type Entry = { readonly change: LoggedChange; readonly before: Blueprint; readonly after: Blueprint }

const dayOf = (at: string): string =>
  new Date(at).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' })
const timeOf = (at: string): string => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })

/** Pages of the log with the plan before and after each change, worked out backwards from the plan as it was when it was loaded. */
function useHistory() {
  const store = useCourseStore()
  const [entries, setEntries] = useState<readonly Entry[]>([])
  const [state, setState] = useState<'loading' | 'ready' | 'failed'>('loading')
  const [more, setMore] = useState(false)
  const load = useCallback(
    async (known: readonly Entry[]) => {
      setState('loading')
      const { confirmed, revision } = store.state.session
      const last = known.at(-1)
      try {
        const response = await fetch(
          `/api/courses/${encodeURIComponent(store.courseId)}/history?before=${last ? last.change.revision : revision + 1}`,
        )
        if (!response.ok) throw new Error(String(response.status))
        const page = (await response.json()) as { changes: LoggedChange[]; more: boolean }
        let after = last ? last.before : confirmed
        const next = page.changes.map((change): Entry => {
          const before = planBefore(after, change.operations)
          const entry = { change, before, after }
          after = before
          return entry
        })
        setEntries([...known, ...next])
        setMore(page.more)
        setState('ready')
      } catch {
        setState('failed')
      }
    },
    [store],
  )
  useEffect(() => void load([]), [load])
  return { entries, state, more, loadMore: () => void load(entries), reload: () => void load([]) }
}

export function History() {
  const store = useCourseStore()
  const { entries, state, more, loadMore, reload } = useHistory()
  const revision = useCourse((s) => s.session.revision)
  const selected = useSelected()
  const { select } = useGo()
  const [who, setWho] = useState('')
  const [day, setDay] = useState('')
  const [words, setWords] = useState('')
  const people = [...new Set(entries.map((e) => e.change.author))].sort()
  const days = [...new Set(entries.map((e) => dayOf(e.change.at)))]
  const newer = entries[0] ? revision - entries[0].change.revision : 0
  const shown = useMemo(() => {
    const wanted = words.toLowerCase().split(/\s+/).filter(Boolean)
    return entries.filter(
      ({ change, before, after }) =>
        (who === '' || change.author === who) &&
        (day === '' || dayOf(change.at) === day) &&
        (!selected || change.operations.some((o) => o.kind === selected.kind && operationId(o) === selected.id)) &&
        (wanted.length === 0 ||
          wanted.every((w) =>
            [labelOf(change), ...describeChange(change.operations, before, after).map((l) => l.text)].join(' ').toLowerCase().includes(w),
          )),
    )
  }, [entries, who, day, words, selected])
  return (
    <div className="work">
      <div className="bar">
        <h1>History</h1>
        <input
          className="field boxed"
          type="search"
          style={{ width: 200 }}
          aria-label="Find in the history"
          placeholder="Find words or a number"
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
        <ChoiceField
          label="Person"
          hideLabel
          value={who}
          options={[{ value: '', label: 'Everybody' }, ...people.map((p) => ({ value: p, label: p }))]}
          onChoose={setWho}
        />
        <ChoiceField
          label="Day"
          hideLabel
          value={day}
          options={[{ value: '', label: 'Every day' }, ...days.map((d) => ({ value: d, label: d }))]}
          onChoose={setDay}
        />
        {selected && (
          <button type="button" className="btn" onClick={() => select(null)}>
            Only what touches the selected · show all
          </button>
        )}
        <span className="grow" />
        {newer > 0 && (
          <button type="button" className="btn" onClick={reload}>
            {countOf(newer, 'newer change')}: show
          </button>
        )}
      </div>
      <div className="scroll-area history">
        {shown.map((entry, i) => {
          const today = dayOf(entry.change.at)
          const first = i === 0 || dayOf((shown[i - 1] as Entry).change.at) !== today
          return (
            <section key={entry.change.revision} aria-label={`Revision ${entry.change.revision}`}>
              {first && (
                <h2 className="row">
                  {today}
                  {store.may('course') && (
                    <RestoreButton label={`the end of ${today}`} then={entry.after}>
                      Back to the end of this day
                    </RestoreButton>
                  )}
                </h2>
              )}
              <EntryLines entry={entry} />
            </section>
          )
        })}
        {state === 'ready' && entries.length === 0 && (
          <p className="empty">Nothing was changed yet. Each change will stand here, with who made it.</p>
        )}
        {state === 'ready' && entries.length > 0 && shown.length === 0 && <p className="empty">Nothing here is like that.</p>}
        {state === 'failed' && (
          <p className="empty" role="alert">
            The history could not be loaded.{' '}
            <button type="button" className="btn" onClick={reload}>
              Try again
            </button>
          </p>
        )}
        {state === 'loading' && (
          <p className="empty" role="status">
            Loading …
          </p>
        )}
        {more && state === 'ready' && (
          <button type="button" className="btn" onClick={loadMore}>
            Show earlier
          </button>
        )}
      </div>
    </div>
  )
}

function EntryLines({ entry: { change, before, after } }: { entry: Entry }) {
  const store = useCourseStore()
  const viewerId = useCourse((s) => s.viewer?.id)
  const lines = useMemo(() => describeChange(change.operations, before, after), [change, before, after])
  const label = labelOf(change)
  const mayRestore = store.may('course')
  // The beginning of a course is not taken back: there would be none.
  const begins = change.operations.some((o) => o.kind === 'course' && o.op === 'create')
  return (
    <div className="history-entry">
      <span className="muted">{timeOf(change.at)}</span>
      <span className="who">{change.authorId === viewerId ? 'you' : change.author}</span>
      <div>
        <b>{capital(label)}</b>
        <ul>
          {lines.map((line) => (
            <li key={`${line.kind} ${line.id}`}>
              {line.text}
              {mayRestore && !begins && <RecordButton entry={{ before }} line={line} />}
            </li>
          ))}
          {change.operations.length > MOST_LINES && (
            <li className="muted">and {countOf(change.operations.length - MOST_LINES, 'more record')}</li>
          )}
        </ul>
      </div>
      {mayRestore && (
        <span className="acts">
          {!begins && (
            <button
              type="button"
              className="btn"
              onClick={() => store.restore({ what: label }, invertOperations(change.operations), 'Taken back')}
              aria-label={`Take back: ${label}, revision ${change.revision}`}
            >
              Take back
            </button>
          )}
          <RestoreButton label={`${dayOf(change.at)}, ${timeOf(change.at)}`} then={after}>
            Back to here
          </RestoreButton>
        </span>
      )}
    </div>
  )
}

/** Sets one record back to what it was before this change. */
function RecordButton({ entry, line }: { entry: Pick<Entry, 'before'>; line: RecordRef & { readonly text: string } }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const operations = restoreRecord(view, entry.before, line)
  if (operations.length === 0) return null
  return (
    <button
      type="button"
      className="plain more"
      title="As it was before this change"
      aria-label={`As it was before: ${line.text}`}
      onClick={() => store.restore({ what: line.text }, operations, 'Restored')}
    >
      ↺
    </button>
  )
}

function RestoreButton({ label, then, children }: { label: string; then: Blueprint; children: string }) {
  const store = useCourseStore()
  return (
    <button
      type="button"
      className="btn"
      aria-label={`${children}: ${label}`}
      onClick={() => {
        const operations: Operation[] = restorePlan(store.state.view, then)
        store.restore({ what: label }, operations, 'Restored')
      }}
    >
      {children}
    </button>
  )
}
