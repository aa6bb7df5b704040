import { useLayoutEffect, useRef, useState } from 'react'
import type { Then } from './types'

/** The editor inside a cell; its text is its own until it is committed. */
export function CellEditor({
  initial,
  selectAll,
  lines,
  label,
  options,
  hint,
  finish,
}: {
  readonly initial: string
  readonly selectAll: boolean
  /** Several lines: Shift+Enter breaks one. */
  readonly lines: boolean
  readonly label: string
  readonly options: readonly string[] | null
  readonly hint: ((text: string) => string | null) | null
  readonly finish: (text: string | null, then: Then) => string | null
}) {
  const [text, setText] = useState(initial)
  const [error, setError] = useState<string | null>(null)
  const [pick, setPick] = useState(-1)
  const typed = text !== initial || !selectAll
  const shown = options ? options.filter((o) => !typed || o.toLowerCase().startsWith(text.trim().toLowerCase())) : []
  const done = useRef(false)
  const input = useRef<HTMLInputElement & HTMLTextAreaElement>(null)
  const Field = lines ? 'textarea' : 'input'
  useLayoutEffect(() => {
    input.current?.focus()
    // A text of several lines begins with its caret before the character that opened it.
    if (selectAll) input.current?.select()
    else input.current?.setSelectionRange(initial.length, initial.length)
  }, [])
  const commit = (then: Then, value?: string) => {
    const chosen =
      value ??
      (options && pick >= 0
        ? (shown[pick] ?? text)
        : options && typed && shown.length > 0 && text.trim() !== ''
          ? (shown[0] as string)
          : text)
    const refused = finish(chosen, then)
    if (refused) setError(refused)
    else done.current = true
  }
  const leave = useRef(() => {})
  leave.current = () => {
    if (done.current) return
    done.current = true
    // What cannot be stored is not kept half: the cell goes back to what it was.
    if (finish(options && pick >= 0 ? (shown[pick] ?? text) : text, 'leave') !== null) finish(null, 'leave')
  }
  // A row that somebody else removed goes away under the hands: what was typed is a conflict, not lost.
  useLayoutEffect(() => () => leave.current(), [])
  const told = error ?? (hint && text !== '' ? hint(text) : null)
  return (
    <div className="cell-editor">
      <Field
        ref={input}
        aria-label={label}
        data-draft
        value={text}
        aria-invalid={error !== null}
        {...(options
          ? {
              role: 'combobox',
              'aria-expanded': shown.length > 0,
              'aria-controls': 'cell-options',
              'aria-autocomplete': 'list' as const,
              'aria-activedescendant': pick >= 0 ? `cell-option-${pick}` : undefined,
            }
          : {})}
        onChange={(e: React.ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => {
          setText(e.target.value)
          setError(null)
          setPick(-1)
        }}
        onKeyDown={(e: React.KeyboardEvent) => {
          if (e.key === 'Enter' && lines && e.shiftKey) return
          if (e.key === 'Enter' && !e.altKey) {
            e.preventDefault()
            commit('down')
          } else if (e.key === 'Tab') {
            e.preventDefault()
            commit(e.shiftKey ? 'left' : 'right')
          } else if (e.key === 'Escape') {
            e.stopPropagation()
            done.current = true
            finish(null, 'stay')
          } else if (options && (e.key === 'ArrowDown' || e.key === 'ArrowUp')) {
            e.preventDefault()
            setPick((n) => Math.max(0, Math.min(shown.length - 1, n + (e.key === 'ArrowDown' ? 1 : -1))))
          }
        }}
        onBlur={() => leave.current()}
      />
      {options && shown.length > 0 && (
        <ul id="cell-options" role="listbox" aria-label={label}>
          {shown.map((o, i) => (
            <li
              key={o}
              id={`cell-option-${i}`}
              role="option"
              aria-selected={i === pick}
              onMouseDown={(e) => {
                e.preventDefault()
                commit('stay', o)
              }}
            >
              {o}
            </li>
          ))}
        </ul>
      )}
      {!options && told && (
        <div className={`hint${error ? ' bad' : ''}`} role={error ? 'alert' : undefined}>
          {told}
        </div>
      )}
      {options && error && (
        <div className="hint bad" role="alert">
          {error}
        </div>
      )}
    </div>
  )
}
