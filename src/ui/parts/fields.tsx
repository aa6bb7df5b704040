/** Fields that commit on Enter, on leaving, or after a pause, and undo a draft with Esc. */
import { useLayoutEffect, useRef, useState } from 'react'

type Props = {
  readonly label: string
  readonly value: string
  /** Writes the text; a sentence comes back when it cannot be stored. */
  readonly onCommit: (text: string) => string | null
  readonly lines?: boolean
  readonly right?: boolean
  readonly boxed?: boolean
  readonly hideLabel?: boolean
  readonly type?: 'text' | 'date' | 'time'
  readonly placeholder?: string
  readonly disabled?: boolean
  readonly width?: number
}

/** A text field over one value of the plan: no save button, the draft is its own until it is committed. */
export function DraftField({
  label,
  value,
  onCommit,
  lines,
  right,
  boxed = true,
  hideLabel,
  type = 'text',
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
  const Control = lines ? 'textarea' : 'input'
  return (
    <label className={hideLabel ? '' : 'labelled'} style={width ? { width, display: 'inline-block' } : undefined}>
      <span className={hideLabel ? 'visually-hidden' : ''}>{label}</span>
      <Control
        className={`field${boxed ? ' boxed' : ''}${right ? ' r' : ''}`}
        {...(lines ? {} : { type })}
        value={draft ?? value}
        placeholder={placeholder}
        disabled={disabled}
        aria-invalid={error !== null}
        data-draft={draft !== null || undefined}
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
      {error && (
        <span className="form-error" role="alert">
          {error}
        </span>
      )}
    </label>
  )
}

/** A choice of one value, in the look of the fields beside it. */
export function ChoiceField<T extends string>({
  label,
  value,
  options,
  onChoose,
  hideLabel,
  disabled,
  boxed = true,
}: {
  readonly label: string
  readonly value: T | ''
  readonly options: readonly { readonly value: T | ''; readonly label: string }[]
  readonly onChoose: (value: T | '') => void
  readonly hideLabel?: boolean
  readonly disabled?: boolean
  readonly boxed?: boolean
}) {
  return (
    <label className={hideLabel ? '' : 'labelled'}>
      <span className={hideLabel ? 'visually-hidden' : ''}>{label}</span>
      <select
        aria-label={label}
        className={`field${boxed ? ' boxed' : ''}`}
        value={value}
        disabled={disabled}
        onChange={(e) => onChoose(e.target.value as T | '')}
      >
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.label}
          </option>
        ))}
      </select>
    </label>
  )
}
