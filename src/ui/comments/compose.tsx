/** Where a comment is written: kept while it is written, sent with Ctrl+Enter, with names to choose after an @. */
import { type KeyboardEvent, useRef } from 'react'
import { comment } from '../../core/beside/comment'
import { cleanText, fitted } from '../../core/blueprint/text'
import { Button } from '../parts/button'
import { TextInput } from '../parts/input'
import { useKeptState } from '../store/kept-state'
import { usePeople } from '../store/people'
import { WORDS } from './words-left'

type Props = {
  readonly label: string
  readonly keptAs: string
  readonly initial?: string
  readonly send?: string
  readonly onSend: (words: string) => void
  readonly onCancel?: () => void
}
const LONGEST = comment.spec.fields.words.max
/** So many names are offered (Cairn default). */
const MOST_NAMES = 5

/** The beginning of a name after an @ at the end of what was written so far. */
const begunName = (before: string): string | null => /(?:^|\s)@([\p{L}\p{N} .'-]{0,40})$/u.exec(before)?.[1] ?? null

export function Compose({ label, keptAs, initial = '', send = 'Comment', onSend, onCancel }: Props) {
  const [words, setWords] = useKeptState(`${WORDS} ${keptAs}`, initial)
  const field = useRef<HTMLTextAreaElement>(null)
  const people = usePeople().data?.members ?? []
  const before = words.slice(0, field.current?.selectionStart ?? words.length)
  const begun = begunName(before)
  const names = begun === null ? [] : people.filter((p) => p.name.toLowerCase().startsWith(begun.toLowerCase()) && p.name !== begun)
  const name = (full: string) => {
    const start = before.length - (begun?.length ?? 0)
    setWords(`${words.slice(0, start)}${full} ${words.slice(before.length)}`)
    field.current?.focus()
  }
  const sendIt = () => {
    const text = fitted(cleanText(words, true) ?? '', LONGEST)
    if (text === '') return field.current?.focus()
    onSend(text)
    setWords(initial)
    field.current?.focus()
  }
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) {
      e.preventDefault()
      sendIt()
    } else if (e.key === 'Escape' && onCancel) {
      e.preventDefault()
      onCancel()
    }
  }
  return (
    <div className="compose">
      <TextInput
        label={label}
        multiline
        minRows={2}
        maxRows={12}
        placeholder="@ names somebody"
        value={words}
        inputRef={field}
        element={{ maxLength: LONGEST }}
        onChange={(e) => setWords(e.target.value)}
        onKeyDown={onKeyDown}
      />
      {names.length > 0 && (
        <div className="row wraps" role="group" aria-label="Name somebody">
          {names.slice(0, MOST_NAMES).map((p) => (
            <Button key={p.id} rank="rest" onClick={() => name(p.name)}>
              @{p.name}
            </Button>
          ))}
        </div>
      )}
      <div className="row">
        <Button onClick={sendIt} disabled={words.trim() === ''}>
          {send}
        </Button>
        {onCancel && (
          <Button rank="rest" onClick={onCancel}>
            Cancel
          </Button>
        )}
        <span className="grow" />
        <span className="muted small">
          <kbd>Ctrl Enter</kbd> sends
        </span>
      </div>
    </div>
  )
}
