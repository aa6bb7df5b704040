/** The editors inside a cell, by the cell's type; what is typed is their own until it is committed. */
import './grid.css'
import InputBase from '@mui/material/InputBase'
import { useState } from 'react'
import { useCourse } from '../../store/course-store'
import { laterFrom } from '../later'
import { isTypedLines } from './types'
import { closes, type EditorProps, Told, useEditor } from './use-cell-editor'

/** Fetched when somebody comes into a table. */
export const ListEditor = laterFrom(
  () => import('./choice-editors'),
  (m) => m.ListEditor,
)

export const CellEditor = (props: EditorProps) => {
  const { name } = props.column.cell
  return (
    <div className="cell-editor">{name === 'choice' || name === 'choices' ? <ListEditor {...props} /> : <TypedEditor {...props} />}</div>
  )
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
