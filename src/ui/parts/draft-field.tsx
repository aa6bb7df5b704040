/** Fields that commit on Enter, on leaving, or after a pause, and undo a draft with Esc. */
import { useLayoutEffect, useRef, useState } from 'react'
import { TextInput } from './input'

type Props = {
  readonly label: string
  readonly value: string
  /** The field of the plan that it is, for what is written down while typing: "activity a1 title". */
  readonly of?: string
  /** Writes the text; a sentence comes back when it cannot be stored. */
  readonly onCommit: (text: string) => string | null
  readonly lines?: boolean
  /** How many lines it has before more are typed. */
  readonly least?: number
  readonly right?: boolean
  readonly boxed?: boolean
  readonly hideLabel?: boolean
  readonly placeholder?: string
  readonly disabled?: boolean
  readonly width?: number
}

/** A text field over one value of the plan: no save button, the draft is its own until it is committed. */
export function DraftField({
  label,
  value,
  of,
  onCommit,
  lines,
  least = 2,
  right,
  boxed = true,
  hideLabel,
  placeholder,
  disabled,
  width,
}: Props) {
  const [draft, setDraft] = useState<string | null>(null)
  const [error, setError] = useState<string | null>(null)
  const latest = useRef({ draft, onCommit })
  latest.current = { draft, onCommit }
  // What was typed is not lost when the field goes away under the hands.
  useLayoutEffect(() => () => void (latest.current.draft !== null && latest.current.onCommit(latest.current.draft)), [])
  const finish = () => {
    if (draft === null) return
    // Taken now: a commit that replaces this field must not find the draft again when it goes away.
    latest.current.draft = null
    const refused = draft === value ? null : onCommit(draft)
    setError(refused)
    if (refused === null) setDraft(null)
  }
  return (
    <TextInput
      {...{ label, hideLabel, boxed, right, width, disabled, error, placeholder }}
      {...(lines ? { multiline: true, minRows: least } : {})}
      value={draft ?? value}
      element={{ 'data-draft': draft !== null || undefined, 'data-of': of }}
      onChange={(e) => {
        setDraft(e.target.value)
        setError(null)
      }}
      onBlur={() => {
        finish()
        if (error !== null) {
          setDraft(null)
          setError(null)
        }
      }}
      onKeyDown={(e) => {
        if (e.key === 'Enter' && !lines) finish()
        if (e.key === 'Escape' && draft !== null) {
          e.stopPropagation()
          setDraft(null)
          setError(null)
        }
      }}
    />
  )
}
