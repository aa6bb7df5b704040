/** One statement as a line of text: the verb is marked while typing, in the very place where it stands. */

import './text-line.css'
import { memo, useEffect, useLayoutEffect, useRef, useState } from 'react'
import { longestText } from '../../core/blueprint/field-text'
import { fitted } from '../../core/blueprint/text'
import { readStatement } from '../../core/objectives/statement'
import { useWordTable } from './word-table'

type Props = {
  readonly label: string
  readonly value: string
  /** The field that it is, for what is written down while typing: "objective o1 statement". */
  readonly of?: string
  readonly placeholder?: string
  readonly readOnly: boolean
  /** Whether a pause stores what was typed; a line that makes a new record waits for its end. */
  readonly saveWhileTyping?: boolean
  readonly onDraft: (text: string | null) => void
  /** Commits; null takes the draft back. */
  readonly onCommit: (text: string) => void
  /** Keys that mean more than typing; `text` is the line as it stands. Returns whether it was taken. */
  readonly onKey: (event: React.KeyboardEvent<HTMLTextAreaElement>, text: string, drop: () => void) => boolean
  readonly onPasteLines?: (lines: readonly string[]) => void
  readonly onFocus?: () => void
}

/** The browser takes no more than a statement holds. */
const LONGEST = longestText('objective', 'statement')
/** After this pause what was typed is stored (Cairn default). */
const PAUSE_MS = 1000

export const TextLine = memo(function TextLine({
  label,
  value,
  of,
  placeholder,
  readOnly,
  saveWhileTyping = true,
  onDraft,
  onCommit,
  onKey,
  onPasteLines,
  onFocus,
}: Props) {
  const [draft, setDraft] = useState<string | null>(null)
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined)
  // What is stored as far as this line knows: the value that came, or what it committed since.
  const latest = useRef({ draft, stored: value, onCommit })
  latest.current = { draft, stored: latest.current.stored, onCommit }
  const save = () => {
    clearTimeout(timer.current)
    const { draft: text, stored } = latest.current
    if (text === null || text.trim() === stored) return
    latest.current.stored = text.trim()
    latest.current.onCommit(text)
  }
  const drop = () => {
    clearTimeout(timer.current)
    latest.current.draft = null
    setDraft(null)
    onDraft(null)
  }
  const commit = () => {
    if (latest.current.draft === null) return
    save()
    drop()
  }
  // A pause stores what was typed and leaves the text and the caret alone; an emptied line waits for more.
  const pause = () => {
    if (latest.current.draft?.trim()) save()
  }
  useEffect(() => {
    const { draft: text, stored } = latest.current
    latest.current.stored = value
    // Undone here or written by somebody else, and nothing typed since: the line shows it.
    if (text !== null && text.trim() === stored && value !== stored) drop()
  }, [value])
  // Before the field leaves the page: what was typed into a line that somebody else removed is a conflict, not lost.
  useLayoutEffect(() => save, [])
  const text = draft ?? value
  const type = (next: string) => {
    setDraft(next)
    latest.current.draft = next
    onDraft(next)
    clearTimeout(timer.current)
    if (saveWhileTyping) timer.current = setTimeout(pause, PAUSE_MS)
  }
  return (
    <div className="text-line">
      <Marked text={text} />
      <textarea
        rows={1}
        // What was stored and then undone is no draft, also before the line has let go of it: the next key undoes the step before.
        data-draft={(draft !== null && draft.trim() !== value && draft.trim() !== latest.current.stored) || undefined}
        data-of={of}
        aria-label={label}
        value={text}
        placeholder={placeholder}
        readOnly={readOnly}
        spellCheck
        maxLength={LONGEST}
        onChange={(e) => type(e.target.value.replace(/\n/g, ' '))}
        onBlur={commit}
        onFocus={onFocus}
        onPaste={(e) => {
          const lines = e.clipboardData
            .getData('text/plain')
            .split(/\r?\n/)
            .map((l) => l.replace(/^\s*(?:[-*•–]|\(?\d{1,3}[a-z]?[.)]|[a-z][.)])\s+/i, '').trim())
            .filter(Boolean)
            .map((l) => fitted(l, LONGEST))
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
          if (e.altKey && (e.key === 'Enter' || e.code === 'KeyV')) commit()
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

/**
 * The same text behind the field, with its parts underlined: ink for a verb one can see, dots for one that cannot; fine lines
 * for the conditions and for how well.
 */
const Marked = memo(function Marked({ text }: { text: string }) {
  useWordTable()
  const { verbs, conditions, criteria } = readStatement(text)
  const marks = [
    ...verbs.map((v) => ({ ...v, look: v.entry.observable ? 'verb' : 'verb bad' })),
    ...conditions.map((c) => ({ ...c, look: 'condition' })),
    ...criteria.map((c) => ({ ...c, look: 'how-well' })),
  ].sort((a, b) => a.start - b.start)
  const pieces: React.ReactNode[] = []
  let at = 0
  for (const mark of marks) {
    if (mark.start < at) continue
    pieces.push(text.slice(at, mark.start))
    pieces.push(
      <span key={mark.start} className={mark.look}>
        {text.slice(mark.start, mark.end)}
      </span>,
    )
    at = mark.end
  }
  return (
    <div className="mirror" aria-hidden="true">
      {pieces}
      {text.slice(at)}
      {'\u200b'}
    </div>
  )
})
