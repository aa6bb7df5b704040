/** What every editor in a cell does alike: closing, refusing, and what it tells below the cell. */
import './grid.css'
import { type KeyboardEvent, useLayoutEffect, useRef, useState } from 'react'
import type { GridColumn, GridRow, Then, Written } from './types'

export type EditorProps = {
  readonly row: GridRow
  readonly column: GridColumn
  readonly initial: string
  /** Whether it opened with what stood in the cell, not with a character that was typed. */
  readonly selectAll: boolean
  /** Takes what was written; gives why the editor stays open. */
  readonly finish: (written: Written | null, then: Then) => string | null
}

/** Closing an editor once, by a key or by going elsewhere; why it stays open; the field that has the caret. */
export function useEditor({ initial, selectAll, finish }: EditorProps, standing: () => Written) {
  const [error, setError] = useState<string | null>(null)
  const input = useRef<HTMLInputElement & HTMLTextAreaElement>(null)
  const done = useRef(false)
  useLayoutEffect(() => {
    input.current?.focus()
    if (selectAll) input.current?.select()
    else input.current?.setSelectionRange(initial.length, initial.length)
  }, [])
  const commit = (written: Written, then: Then) => {
    if (done.current) return
    const refused = finish(written, then)
    if (refused) setError(refused)
    else done.current = true
  }
  const leave = useRef(() => {})
  leave.current = () => {
    if (done.current) return
    done.current = true
    // What cannot be stored is not kept half: the cell goes back to what it was.
    if (finish(standing(), 'leave') !== null) finish(null, 'leave')
  }
  // A row that somebody else removed goes away under the hands: what was typed is a conflict, not lost.
  useLayoutEffect(() => () => leave.current(), [])
  const cancel = (event: KeyboardEvent) => {
    event.stopPropagation()
    done.current = true
    finish(null, 'stay')
  }
  return { error, setError, input, commit, cancel, onBlur: () => leave.current() }
}

export const Told = ({ text, bad }: { readonly text: string | null; readonly bad: boolean }) =>
  text && (
    <div className={`hint${bad ? ' bad' : ''}`} role={bad ? 'alert' : undefined}>
      {text}
    </div>
  )

/** Enter and Tab commit and go on, Escape gives up; true where the key was one of them. */
export function closes(
  event: KeyboardEvent,
  lines: boolean,
  commit: (then: Then) => void,
  cancel: (event: KeyboardEvent) => void,
): boolean {
  if (event.key === 'Escape') {
    cancel(event)
    return true
  }
  const breaksLine = lines && event.shiftKey
  const then =
    event.key === 'Tab' ? (event.shiftKey ? 'left' : 'right') : event.key === 'Enter' && !event.altKey && !breaksLine ? 'down' : null
  if (!then) return false
  event.preventDefault()
  commit(then)
  return true
}
