/** One statement as a line of text: the verb is marked while typing, in the very place where it stands. */
import { memo, useEffect, useRef, useState } from 'react'
import { readStatement } from '../../core/objectives/statement'

type Props = {
  readonly label: string
  readonly value: string
  readonly placeholder?: string
  readonly readOnly: boolean
  readonly onDraft: (text: string | null) => void
  /** Commits; null takes the draft back. */
  readonly onCommit: (text: string) => void
  /** Keys that mean more than typing; `text` is the line as it stands. Returns whether it was taken. */
  readonly onKey: (event: React.KeyboardEvent<HTMLTextAreaElement>, text: string, drop: () => void) => boolean
  readonly onPasteLines?: (lines: readonly string[]) => void
  readonly onFocus?: () => void
}

/** After this pause a draft is committed (interface plan: a second). */
const PAUSE_MS = 1000

export const TextLine = memo(function TextLine({
  label,
  value,
  placeholder,
  readOnly,
  onDraft,
  onCommit,
  onKey,
  onPasteLines,
  onFocus,
}: Props) {
  const [draft, setDraft] = useState<string | null>(null)
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined)
  const latest = useRef({ draft, value, onCommit })
  latest.current = { draft, value, onCommit }
  const commit = () => {
    clearTimeout(timer.current)
    const { draft: text, value: stored } = latest.current
    if (text === null) return
    latest.current.draft = null
    setDraft(null)
    onDraft(null)
    if (text.trim() !== stored) latest.current.onCommit(text)
  }
  useEffect(
    () => () => {
      clearTimeout(timer.current)
      const { draft: text, value: stored } = latest.current
      if (text !== null && text.trim() !== stored) latest.current.onCommit(text)
    },
    [],
  )
  const drop = () => {
    clearTimeout(timer.current)
    latest.current.draft = null
    setDraft(null)
    onDraft(null)
  }
  const text = draft ?? value
  const type = (next: string) => {
    setDraft(next)
    latest.current.draft = next
    onDraft(next)
    clearTimeout(timer.current)
    timer.current = setTimeout(commit, PAUSE_MS)
  }
  return (
    <div className="text-line">
      <Marked text={text} />
      <textarea
        rows={1}
        data-draft={draft !== null || undefined}
        aria-label={label}
        value={text}
        placeholder={placeholder}
        readOnly={readOnly}
        spellCheck
        onChange={(e) => type(e.target.value.replace(/\n/g, ' '))}
        onBlur={commit}
        onFocus={onFocus}
        onPaste={(e) => {
          const lines = e.clipboardData
            .getData('text/plain')
            .split(/\r?\n/)
            .map((l) => l.replace(/^\s*(?:[-*•–]|\(?\d{1,3}[a-z]?[.)]|[a-z][.)])\s+/i, '').trim())
            .filter(Boolean)
          if (lines.length < 2 || !onPasteLines) return
          e.preventDefault()
          commit()
          onPasteLines(lines)
        }}
        onKeyDown={(e) => {
          if (e.key === 'Escape' && draft !== null) {
            e.stopPropagation()
            drop()
            return
          }
          // What was typed is one step and the wording taken another, so that undo leads back to the typed line.
          if (e.altKey && e.key === 'Enter') commit()
          if (onKey(e, text, drop)) {
            e.preventDefault()
            return
          }
          if (e.key === 'Enter') {
            e.preventDefault()
            commit()
          }
        }}
      />
    </div>
  )
})

/** The same text behind the field, with its verbs underlined: ink for a verb one can see, dots for one that cannot. */
function Marked({ text }: { text: string }) {
  const pieces: React.ReactNode[] = []
  let at = 0
  for (const verb of readStatement(text).verbs) {
    pieces.push(text.slice(at, verb.start))
    pieces.push(
      <span key={verb.start} className={verb.entry.observable ? 'verb' : 'verb bad'}>
        {text.slice(verb.start, verb.end)}
      </span>,
    )
    at = verb.end
  }
  return (
    <div className="mirror" aria-hidden="true">
      {pieces}
      {text.slice(at)}
      {'\u200b'}
    </div>
  )
}
