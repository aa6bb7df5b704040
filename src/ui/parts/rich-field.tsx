/**
 * Rich text to read, and to write in as soon as somebody comes to. The editor is the largest part of the interface, so it is
 * fetched then; what is typed until it is there is shown and goes into it.
 */
import './rich-field.css'
import { type ComponentType, useEffect, useRef, useState } from 'react'
import { type RichText, richFromPlain } from '../../core/blueprint/rich-text'
import { fetched } from './fetched'
import type { RichEditorProps } from './rich-editor'
import { RichTools, type Tool } from './rich-tools'
import { RichView } from './rich-view'

export type RichFieldProps = {
  readonly label: string
  readonly value: RichText | null
  readonly nonce: string
  readonly readOnly: boolean
  /** Learners read it: what keeps some of them out is shown while somebody writes. */
  readonly forLearners?: boolean
  readonly onCommit: (value: RichText | null) => void
}

const fetchEditor = fetched(
  () => import('./rich-editor'),
  (m) => m.default,
)

/** A rich text in a frame that carries its label, as the other fields do. */
export const RichField = (props: RichFieldProps) => (
  <div className="input rich-frame">
    <span className="rich-label" aria-hidden="true">
      {props.label}
    </span>
    <Written {...props} />
  </div>
)

function Written(props: RichFieldProps) {
  const { label, value, readOnly } = props
  const [Editor, setEditor] = useState<ComponentType<RichEditorProps> | null>(null)
  const [typed, setTyped] = useState('')
  const [failed, setFailed] = useState(false)
  const how = useRef<{ at: RichEditorProps['start']['at']; tool: Tool | null; here: boolean }>({ at: 'end', tool: null, here: false })
  // Who leaves before the editor came: what was typed is stored below the text.
  const store = useRef<() => void>(() => {})
  store.current = () => {
    if (Editor || !typed.trim()) return
    setTyped('')
    props.onCommit({ type: 'doc', content: [...(value?.content ?? []), ...(richFromPlain(typed).content ?? [])] })
  }
  useEffect(() => () => store.current(), [])
  if (readOnly)
    return (
      <div className="rich" role="group" aria-label={label}>
        <RichView value={value} links />
      </div>
    )
  if (Editor) return <Editor {...props} start={{ at: how.current.at, tool: how.current.tool, focus: how.current.here, typed }} />
  const wake = () => {
    setFailed(false)
    fetchEditor().then(
      (found) => setEditor(() => found),
      () => setFailed(true),
    )
  }
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const key = event.key === 'Enter' ? '\n' : event.key
    if (key.length === 1) setTyped((t) => t + key)
    else if (key === 'Backspace') setTyped((t) => t.slice(0, -1))
    else return
    event.preventDefault()
    if (failed) wake()
  }
  return (
    <div onPointerEnter={() => void fetchEditor().catch(() => undefined)}>
      <RichTools
        label={label}
        on={() => false}
        run={(tool) => {
          how.current = { at: 'end', tool, here: true }
          wake()
        }}
      />
      <div
        className="rich"
        role="textbox"
        aria-multiline="true"
        aria-label={label}
        tabIndex={0}
        onMouseDown={(e) => {
          how.current.at = { left: e.clientX, top: e.clientY }
        }}
        onFocus={() => {
          how.current.here = true
          wake()
        }}
        onBlur={() => {
          how.current = { at: 'end', tool: null, here: false }
          store.current()
        }}
        onKeyDown={onKeyDown}
        onPaste={(e) => {
          e.preventDefault()
          const text = e.clipboardData.getData('text/plain')
          setTyped((t) => t + text)
        }}
      >
        <RichView value={value} links={false} />
        {typed && <p style={{ whiteSpace: 'pre-wrap' }}>{typed}</p>}
      </div>
      {failed && (
        <p className="error" role="alert">
          The editor could not be fetched. What you type here is kept; it comes with the next key when the server is reached.
        </p>
      )}
    </div>
  )
}
