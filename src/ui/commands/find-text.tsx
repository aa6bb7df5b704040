/** Find in all texts of the course, and replace: one by one, or all as one change. */
import Dialog from '@mui/material/Dialog'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { useDeferredValue, useMemo, useRef, useState } from 'react'
import { anyRecord } from '../../core/blueprint/blueprint'
import { findTexts, MOST_HITS, replaceTexts, type TextHit, type TextQuery } from '../../core/find/find-text'
import { fieldTitle } from '../../core/history/describe'
import { countOf, formatWhole } from '../../core/numbers'
import { recordName } from '../../core/plan/names'
import { Button } from '../parts/button'
import { CheckInput } from '../parts/choice-input'
import { TextInput } from '../parts/input'
import { LineButton } from '../parts/line-button'
import { useCourse, useCourseStore } from '../store/course-store'
import { useGo } from '../store/navigation'
import './find-text.css'

/** So many are listed; all of them are counted and replaced (Cairn default). */
const LISTED = 200
/** So much of the text stands before what was found (Cairn default). */
const BEFORE = 40

const NOTHING: TextQuery = { words: '', whole: false, exact: false, names: false }

export function FindText({ onClose }: { onClose: () => void }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const [query, setQuery] = useState(NOTHING)
  const [by, setBy] = useState('')
  const asked = useDeferredValue(query)
  const hits = useMemo(() => findTexts(view, asked), [view, asked])
  const list = useRef<HTMLUListElement>(null)
  const own = hits.filter((h) => h.own && store.may(h.ref.kind))
  const find = useRef<HTMLInputElement>(null)
  const replace = (wanted: readonly TextHit[]) => {
    store.edit('replace-text', { what: `“${query.words}” with “${by}”`, n: wanted.length }, (edit) => replaceTexts(edit, wanted, by))
    // When nothing is left to replace, the next thing is to find something else.
    if (wanted.length === own.length) find.current?.focus()
  }
  const say =
    query.words.trim() === ''
      ? 'Every text of the course is looked through.'
      : hits.length === 0
        ? 'It stands nowhere in this course.'
        : `${hits.length >= MOST_HITS ? `The first ${formatWhole(MOST_HITS)} places` : countOf(hits.length, 'place')}${
            own.length < hits.length ? `, ${formatWhole(own.length)} of them may be replaced` : ''
          }.`
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="find-title">
      <DialogTitle id="find-title">Find in the course</DialogTitle>
      <DialogContent>
        <div className="find-fields">
          <TextInput
            label="Find"
            autoFocus
            inputRef={find}
            value={query.words}
            onChange={(e) => setQuery({ ...query, words: e.target.value })}
            onKeyDown={(e) => {
              if (e.key !== 'Enter' && e.key !== 'ArrowDown') return
              e.preventDefault()
              list.current?.querySelector('button')?.focus()
            }}
          />
          <TextInput label="Replace with" value={by} onChange={(e) => setBy(e.target.value)} />
          <Button rank="main" disabled={own.length === 0} onClick={() => replace(own)}>
            Replace {own.length > 1 ? `all ${formatWhole(own.length)}` : 'it'}
          </Button>
        </div>
        <div className="row" style={{ flexWrap: 'wrap' }}>
          <CheckInput label="whole words" checked={query.whole} onCheck={(whole) => setQuery({ ...query, whole })} />
          <CheckInput label="capitals as written" checked={query.exact} onCheck={(exact) => setQuery({ ...query, exact })} />
          <CheckInput label="in names only" checked={query.names} onCheck={(names) => setQuery({ ...query, names })} />
          <span className="grow" />
          <span className="muted" role="status">
            {say}
          </span>
        </div>
        <ul className="found" ref={list} aria-label="Found">
          {hits.slice(0, LISTED).map((hit) => {
            const record = anyRecord(view, hit.ref)
            if (!record) return null
            const name = recordName(view, hit.ref, record)
            return (
              <li key={hit.key}>
                <LineButton
                  className="plain grow"
                  onClick={() => {
                    onClose()
                    open(hit.ref)
                  }}
                >
                  <b>{name}</b> <span className="muted">{fieldTitle(hit.field)}</span>
                  <span className="snippet">
                    {hit.start > BEFORE ? '… ' : ''}
                    {hit.text.slice(Math.max(0, hit.start - BEFORE), hit.start)}
                    <mark>{hit.text.slice(hit.start, hit.end)}</mark>
                    {hit.text.slice(hit.end, hit.end + 80)}
                  </span>
                </LineButton>
                {hit.own && store.may(hit.ref.kind) ? (
                  <Button rank="rest" aria-label={`Replace in ${name}`} onClick={() => replace([hit])}>
                    Replace
                  </Button>
                ) : (
                  <span className="muted small">stays</span>
                )}
              </li>
            )
          })}
          {hits.length > LISTED && <li className="muted">and {formatWhole(hits.length - LISTED)} more</li>}
        </ul>
      </DialogContent>
    </Dialog>
  )
}
