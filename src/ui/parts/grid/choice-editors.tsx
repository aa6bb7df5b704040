/** The editors of cells that are chosen from a list: one value, or several. */
import './grid.css'
import Autocomplete from '@mui/material/Autocomplete'
import InputBase from '@mui/material/InputBase'
import { useState } from 'react'
import { useCourse } from '../../store/course-store'
import type { Choice, Written } from './types'
import { closes, type EditorProps, Told, useEditor } from './use-cell-editor'
import { makeLabel } from './use-grid-writes'

const begins = (choice: Choice, text: string): boolean => choice.label.toLowerCase().startsWith(text.trim().toLowerCase())
const NONE: readonly Choice[] = []
/** The list of choices: as wide as they need, not as the cell is. */
const LIST = { popper: { placement: 'bottom-start', disablePortal: true, sx: { width: 'max-content !important', maxWidth: 360 } } } as const
const choicesOf = ({ column }: EditorProps) => {
  const { cell } = column
  return cell.name === 'choice' || cell.name === 'choices' ? cell.choices : () => NONE
}

const NO_NAMES: readonly string[] = []
/** The value of the choice that makes what was typed; no id has a space. */
const MADE = 'make it'
/** What a choice writes; null: what was typed, as it stands. */
const written = (choice: Choice | null, typed: string): Written =>
  choice === null ? { text: typed } : choice.value === MADE ? { text: typed, make: true } : { text: choice.label, chosen: choice.value }

/** One or several of a list, as the cell has it. */
export const ListEditor = (props: EditorProps) =>
  props.column.cell.name === 'choice' ? <ChoiceEditor {...props} /> : <ChoicesEditor {...props} />

/** One of a list, found by how it begins; two of the same name are two choices. */
function ChoiceEditor(props: EditorProps) {
  const { row, column, initial, selectAll } = props
  const [text, setText] = useState(initial)
  const [picked, setPicked] = useState<Choice | null>(null)
  const plan = useCourse((s) => s.view)
  const choices = choicesOf(props)(plan, row)
  const typed = text !== initial || !selectAll
  const standing = (): Written => written(picked, text)
  const { error, setError, input, commit, cancel, onBlur } = useEditor(props, standing)
  const offers = (typed && column.makes?.missing(plan, text)) || NO_NAMES
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
        {...(choices.some((c) => c.group) ? { groupBy: (c: Choice) => c.group ?? '' } : {})}
        filterOptions={(all) => [
          ...all.filter((c) => !typed || begins(c, text)),
          ...offers.map((name) => ({ value: MADE, label: makeLabel(name) })),
        ]}
        inputValue={text}
        onInputChange={(_, value, reason) => {
          if (reason !== 'input') return
          setText(value)
          setError(null)
          setPicked(null)
        }}
        onHighlightChange={(_, choice, reason) => reason !== 'mouse' && setPicked(choice)}
        onChange={(_, choice, reason) => {
          if (choice && typeof choice !== 'string' && reason === 'selectOption') commit(written(choice, text), 'stay')
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
  const standing = (): Written => {
    // What was typed and not yet taken counts; what is none of them is refused by name.
    const typed = text.trim() === '' ? undefined : (choices.find((c) => begins(c, text)) ?? null)
    if (typed === null) return { text: [...chosen.map((c) => c.label), text].join(', ') }
    const all = choices.filter((c) => chosen.includes(c) || c === typed)
    return { text: all.map((c) => c.label).join(', '), chosen: all.map((c) => c.value) }
  }
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
