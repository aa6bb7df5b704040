/** The log as people read it: who changed what, when, in words; and the way back to what was. */

import RestoreIcon from '@mui/icons-material/SettingsBackupRestore'
import { Button } from '../parts/button'
import { LineButton } from '../parts/line-button'
import './history.css'
import { useMemo, useState } from 'react'
import type { Blueprint } from '../../core/blueprint/blueprint'
import { invertOperations } from '../../core/blueprint/change'
import type { RecordRef } from '../../core/blueprint/kinds'
import { capital } from '../../core/blueprint/text'
import { labelOf } from '../../core/edits/registry'
import { restoreRecord } from '../../core/history/past'
import { countOf } from '../../core/numbers'
import { useCourse, useCourseStore } from '../store/course-store'
import { type Back, BackDialog } from './back-dialog'
import { HistoryBar, useWanted } from './history-bar'
import { dayOf, dayTitle, type Entry, linesOf, useHistory, type Wanted } from './use-history'

const timeOf = (at: string): string => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })

export function History() {
  const store = useCourseStore()
  const wanted = useWanted()
  const [back, setBack] = useState<Back | null>(null)
  const { entries, state, more, revision, newest, dayEnds, read, loadMore, reload, stop } = useHistory(wanted)
  const newer = useCourse((s) => s.session.revision) - newest
  return (
    <div className="work">
      <HistoryBar newest={newest}>{newer > 0 && <Button onClick={reload}>{countOf(newer, 'newer change')}: show</Button>}</HistoryBar>
      {back && <BackDialog back={back} read={read} onClose={() => setBack(null)} />}
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
                    <BackButton back={{ label: `the end of ${dayTitle(day)}`, ...dayEnd }} ask={setBack}>
                      Back to the end of this day
                    </BackButton>
                  )}
                </h2>
              )}
              <EntryLines entry={entry} wanted={wanted} ask={setBack} />
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

function EntryLines({ entry, wanted, ask }: { entry: Entry; wanted: Wanted; ask: (back: Back) => void }) {
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
            <BackButton
              back={{ label: `${dayTitle(dayOf(change.at))}, ${timeOf(change.at)}`, plan: after, revision: change.revision }}
              ask={ask}
            >
              Back to here
            </BackButton>
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

const BackButton = ({ back, ask, children }: { back: Back; ask: (back: Back) => void; children: string }) => (
  <Button aria-label={`${children}: ${back.label}`} onClick={() => ask(back)}>
    {children}…
  </Button>
)
