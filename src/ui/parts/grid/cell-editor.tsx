/** The editors inside a cell, by the cell's type; what is typed is their own until it is committed. */
import Autocomplete from '@mui/material/Autocomplete'
import InputBase from '@mui/material/InputBase'
import { type KeyboardEvent, useLayoutEffect, useRef, useState } from 'react'
import { useCourse } from '../../store/course-store'
import { type Choice, type GridColumn, type GridRow, isTypedLines, type Then, type Written } from './types'

export type EditorProps = {
  readonly row: GridRow
  readonly column: GridColumn
  readonly initial: string
  /** Whether it opened with what stood in the cell, not with a character that was typed. */
  readonly selectAll: boolean
  /** Takes what was written; gives why the editor stays open. */
  readonly finish: (written: Written | null, then: Then) => string | null
}

export const CellEditor = (props: EditorProps) => {
  const { name } = props.column.cell
  return (
    <div className="cell-editor">
      {name === 'choice' ? <ChoiceEditor {...props} /> : name === 'choices' ? <ChoicesEditor {...props} /> : <TypedEditor {...props} />}
    </div>
  )
}

/** Closing an editor once, by a key or by going elsewhere; why it stays open; the field that has the caret. */
function useEditor({ initial, selectAll, finish }: EditorProps, standing: () => Written) {
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

const Told = ({ text, bad }: { readonly text: string | null; readonly bad: boolean }) =>
  text && (
    <div className={`hint${bad ? ' bad' : ''}`} role={bad ? 'alert' : undefined}>
      {text}
    </div>
  )

/** Enter and Tab commit and go on, Escape gives up; true where the key was one of them. */
function closes(event: KeyboardEvent, lines: boolean, commit: (then: Then) => void, cancel: (event: KeyboardEvent) => void): boolean {
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

function TypedEditor(props: EditorProps) {
  const { row, column, initial } = props
  const [text, setText] = useState(initial)
  const { error, setError, input, commit, cancel, onBlur } = useEditor(props, () => ({ text }))
  const understood = useCourse((s) => (text === '' ? null : (column.hint?.(s.view, row, text) ?? null)))
  const lines = isTypedLines(column)
  return (
    <>
      <InputBase
        inputRef={input}
        value={text}
        multiline={lines}
        fullWidth
        inputProps={{ 'aria-label': column.header, 'aria-invalid': error !== null, 'data-draft': true }}
        onChange={(e) => {
          setText(e.target.value)
          setError(null)
        }}
        onKeyDown={(e) => closes(e, lines, (then) => commit({ text }, then), cancel)}
        onBlur={onBlur}
      />
      <Told text={error ?? understood} bad={error !== null} />
    </>
  )
}

const begins = (choice: Choice, text: string): boolean => choice.label.toLowerCase().startsWith(text.trim().toLowerCase())
const NONE: readonly Choice[] = []
/** The list of choices: as wide as they need, not as the cell is. */
const LIST = { popper: { placement: 'bottom-start', disablePortal: true, sx: { width: 'max-content !important', maxWidth: 360 } } } as const
const choicesOf = ({ column }: EditorProps) => {
  const { cell } = column
  return cell.name === 'choice' || cell.name === 'choices' ? cell.choices : () => NONE
}

/** One of a list, found by how it begins; two of the same name are two choices. */
function ChoiceEditor(props: EditorProps) {
  const { row, column, initial, selectAll } = props
  const [text, setText] = useState(initial)
  const [picked, setPicked] = useState<Choice | null>(null)
  const plan = useCourse((s) => s.view)
  const choices = choicesOf(props)(plan, row)
  const typed = text !== initial || !selectAll
  const standing = (): Written => (picked ? { text: picked.label, chosen: picked.value } : { text })
  const { error, setError, input, commit, cancel, onBlur } = useEditor(props, standing)
  const first = typed && text.trim() !== '' ? choices.find((c) => begins(c, text)) : undefined
  const committed = (): Written => (picked || !first ? standing() : { text: first.label, chosen: first.value })
  return (
    <>
      <Autocomplete
        freeSolo
        open
        fullWidth
        options={[...choices]}
        getOptionLabel={(c) => (typeof c === 'string' ? c : c.label)}
        getOptionKey={(c) => (typeof c === 'string' ? c : c.value)}
        filterOptions={(all) => all.filter((c) => !typed || begins(c, text))}
        inputValue={text}
        onInputChange={(_, value, reason) => {
          if (reason !== 'input') return
          setText(value)
          setError(null)
          setPicked(null)
        }}
        onHighlightChange={(_, choice, reason) => reason !== 'mouse' && setPicked(choice)}
        onChange={(_, choice, reason) => {
          if (choice && typeof choice !== 'string' && reason === 'selectOption')
            commit({ text: choice.label, chosen: choice.value }, 'stay')
        }}
        renderInput={({ slotProps }) => (
          <InputBase
            ref={slotProps.input.ref}
            inputRef={input}
            fullWidth
            inputProps={{ ...slotProps.htmlInput, 'aria-label': column.header, 'aria-invalid': error !== null, 'data-draft': true }}
            onBlur={onBlur}
          />
        )}
        onKeyDown={(e) => {
          if (closes(e, false, (then) => commit(committed(), then), cancel))
            (e as { defaultMuiPrevented?: boolean }).defaultMuiPrevented = true
        }}
        slotProps={LIST}
      />
      {error && <Told text={error} bad />}
    </>
  )
}

/** Several of a list: Enter turns the one that was typed or gone to; without one, it goes on with all that are on, as Tab does. */
function ChoicesEditor(props: EditorProps) {
  const { row, column } = props
  const plan = useCourse((s) => s.view)
  const choices = choicesOf(props)(plan, row)
  const [on, setOn] = useState<readonly string[]>(() => (column.chosen?.(plan, row) ?? []) as readonly string[])
  const [text, setText] = useState(props.selectAll ? '' : props.initial)
  const [picked, setPicked] = useState<Choice | null>(null)
  const chosen = choices.filter((c) => on.includes(c.value))
  const standing = (): Written => ({ text: chosen.map((c) => c.label).join(', '), chosen: chosen.map((c) => c.value) })
  const { error, input, commit, cancel, onBlur } = useEditor(props, standing)
  return (
    <>
      <Autocomplete
        multiple
        open
        fullWidth
        disableCloseOnSelect
        disableClearable
        options={[...choices]}
        value={chosen}
        getOptionLabel={(c) => c.label}
        getOptionKey={(c) => c.value}
        filterOptions={(all) => all.filter((c) => begins(c, text))}
        inputValue={text}
        onInputChange={(_, value, reason) => reason === 'input' && setText(value)}
        autoHighlight={text !== ''}
        onHighlightChange={(_, choice, reason) => reason === 'keyboard' && setPicked(choice)}
        onChange={(_, value) => {
          setOn(value.map((c) => c.value))
          setText('')
          setPicked(null)
        }}
        slotProps={LIST}
        renderValue={(value) => <span className="chosen">{value.map((c) => c.label).join(', ')}</span>}
        renderInput={({ slotProps }) => (
          <InputBase
            ref={slotProps.input.ref}
            startAdornment={slotProps.input.startAdornment}
            inputRef={input}
            fullWidth
            inputProps={{ ...slotProps.htmlInput, 'aria-label': column.header, 'data-draft': true }}
            onBlur={onBlur}
          />
        )}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && (picked || text !== '')) return
          if (closes(e, false, (then) => commit(standing(), then), cancel))
            (e as { defaultMuiPrevented?: boolean }).defaultMuiPrevented = true
        }}
      />
      {error && <Told text={error} bad />}
    </>
  )
}
