/** The log as people read it: who changed what, when, in words; and the way back to what was. */

import RestoreIcon from '@mui/icons-material/SettingsBackupRestore'
import { Button } from '../parts/button'
import { LineButton } from '../parts/line-button'
import './history.css'
import { useMemo } from 'react'
import type { Blueprint } from '../../core/blueprint/blueprint'
import { invertOperations, type Operation } from '../../core/blueprint/change'
import type { RecordRef } from '../../core/blueprint/kinds'
import { capital } from '../../core/blueprint/text'
import { labelOf } from '../../core/edits/registry'
import { restorePlan, restoreRecord } from '../../core/history/past'
import { countOf } from '../../core/numbers'
import { useCourse, useCourseStore } from '../store/course-store'
import { HistoryBar, useWanted } from './history-bar'
import { dayOf, dayTitle, type Entry, linesOf, useHistory, type Wanted } from './use-history'

const timeOf = (at: string): string => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })

export function History() {
  const store = useCourseStore()
  const wanted = useWanted()
  const { entries, state, more, revision, newest, dayEnds, loadMore, reload, stop } = useHistory(wanted)
  const newer = useCourse((s) => s.session.revision) - newest
  return (
    <div className="work">
      <HistoryBar newest={newest}>{newer > 0 && <Button onClick={reload}>{countOf(newer, 'newer change')}: show</Button>}</HistoryBar>
      <div className="scroll-area history">
        {entries.map((entry, i) => {
          const day = dayOf(entry.change.at)
          const first = i === 0 || dayOf((entries[i - 1] as Entry).change.at) !== day
          const dayEnd = dayEnds.get(day)
          return (
            <section key={entry.change.revision} aria-label={`Revision ${entry.change.revision}`}>
              {first && (
                <h2 className="row">
                  {dayTitle(day)}
                  {store.may('course') && dayEnd && (
                    <RestoreButton label={`the end of ${dayTitle(day)}`} then={dayEnd}>
                      Back to the end of this day
                    </RestoreButton>
                  )}
                </h2>
              )}
              <EntryLines entry={entry} wanted={wanted} />
            </section>
          )
        })}
        <div role="status">
          {state === 'ready' && entries.length === 0 && !more && (
            <p className="empty">
              {newest === 0
                ? 'Nothing was changed yet. Each change will stand here, with who made it.'
                : 'Nothing in the history is like that.'}
            </p>
          )}
          {state === 'loading' && (
            <p className="empty">
              {revision > 1 && revision <= newest ? `Looking further back, before revision ${revision} …` : 'Loading …'}{' '}
              <Button onClick={stop}>Stop</Button>
            </p>
          )}
        </div>
        {state === 'failed' && (
          <p className="empty" role="alert">
            {entries.length > 0 ? 'Earlier changes could not be loaded.' : 'The history could not be loaded.'}{' '}
            <Button onClick={entries.length > 0 ? loadMore : reload}>Try again</Button>
          </p>
        )}
        {more && state === 'ready' && <Button onClick={loadMore}>{entries.length > 0 ? 'Show earlier' : 'Look further back'}</Button>}
      </div>
    </div>
  )
}

function EntryLines({ entry, wanted }: { entry: Entry; wanted: Wanted }) {
  const { change, before, after, count, since } = entry
  const store = useCourseStore()
  const viewerId = useCourse((s) => s.viewer?.id)
  const { lines, more } = useMemo(() => linesOf(entry, wanted), [entry, wanted])
  const label = labelOf(change)
  // Who may write what was changed may also set it back; a whole plan only who may write all of it.
  const mayTakeBack = change.operations.every((o) => store.may(o.kind))
  // The beginning of a course is not taken back: there would be none.
  const begins = change.operations.some((o) => o.kind === 'course' && o.op === 'create')
  return (
    <div className="history-entry">
      <span className="muted">{timeOf(since) === timeOf(change.at) ? timeOf(since) : `${timeOf(since)}–${timeOf(change.at)}`}</span>
      <span className="who">{change.authorId === viewerId ? 'you' : change.author}</span>
      <div>
        <b>{capital(label)}</b>
        {count > 1 && <span className="muted"> · {countOf(count, 'change')} as one</span>}
        <ul>
          {lines.map((line) => (
            <li key={`${line.kind} ${line.id}`}>
              {line.text || 'in the end as it was before'}
              {store.may(line.kind) && !begins && line.text && <RecordButton before={before} line={line} />}
            </li>
          ))}
          {more > 0 && <li className="muted">and {countOf(more, 'more record')}</li>}
        </ul>
      </div>
      {(mayTakeBack || store.may('course')) && (
        <span className="acts">
          {mayTakeBack && !begins && lines.some((l) => l.text) && (
            <Button
              onClick={() => store.restore({ what: label }, invertOperations(change.operations), 'Taken back')}
              aria-label={`Take back: ${label}, revision ${change.revision}`}
            >
              Take back
            </Button>
          )}
          {store.may('course') && (
            <RestoreButton label={`${dayTitle(dayOf(change.at))}, ${timeOf(change.at)}`} then={after}>
              Back to here
            </RestoreButton>
          )}
        </span>
      )}
    </div>
  )
}

/** Sets one record back to what it was before this change. */
function RecordButton({ before, line }: { before: Blueprint; line: RecordRef & { readonly text: string } }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const operations = restoreRecord(view, before, line)
  if (operations.length === 0) return null
  return (
    <LineButton
      className="plain more"
      tip="As it was before this change"
      aria-label={`As it was before: ${line.text}`}
      onClick={() => store.restore({ what: line.text }, operations, 'Restored')}
    >
      <RestoreIcon fontSize="small" />
    </LineButton>
  )
}

function RestoreButton({ label, then, children }: { label: string; then: Blueprint; children: string }) {
  const store = useCourseStore()
  return (
    <Button
      aria-label={`${children}: ${label}`}
      onClick={() => {
        const operations: Operation[] = restorePlan(store.state.view, then)
        store.restore({ what: label }, operations, 'Restored')
      }}
    >
      {children}
    </Button>
  )
}
