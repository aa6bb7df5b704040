/** A statement built from its parts, for those who start from nothing. */
import { Button } from '../parts/button'
import './outcomes.css'
import { useState } from 'react'
import { fittedText } from '../../core/blueprint/field-text'
import { buildStatement, type StatementParts } from '../../core/objectives/rewrite'
import { readStatement } from '../../core/objectives/statement'
import { TextInput } from '../parts/input'
import { LevelMark } from '../parts/marks'

const PARTS: readonly { readonly part: keyof StatementParts; readonly label: string; readonly hint: string }[] = [
  { part: 'audience', label: 'Who', hint: 'learners' },
  { part: 'condition', label: 'Under which conditions', hint: 'given a contour map' },
  { part: 'behaviour', label: 'Does what', hint: 'locate three wells' },
  { part: 'criterion', label: 'How well', hint: 'within 5 m' },
]
const NOTHING: StatementParts = { audience: '', condition: '', behaviour: '', criterion: '' }

export function BuildLine({ onAdd, onClose }: { onAdd: (statement: string) => void; onClose: () => void }) {
  const [parts, setParts] = useState(NOTHING)
  const statement = fittedText('objective', 'statement', buildStatement(parts))
  const add = () => {
    if (!statement) return
    onAdd(statement)
    setParts(NOTHING)
  }
  return (
    <form
      className="build-line"
      aria-label="Build a statement from its parts"
      onSubmit={(e) => {
        e.preventDefault()
        add()
      }}
      onKeyDown={(e) => {
        if (e.key !== 'Escape') return
        e.stopPropagation()
        onClose()
      }}
    >
      {PARTS.map(({ part, label, hint }, i) => (
        <TextInput
          key={part}
          label={label}
          autoFocus={i === 0}
          placeholder={hint}
          value={parts[part]}
          element={{ maxLength: 500 }}
          onChange={(e) => setParts({ ...parts, [part]: e.target.value })}
        />
      ))}
      <p className="preview" aria-live="polite">
        {statement ? (
          <>
            {statement} <LevelMark level={readStatement(statement).level} byHand={false} />
          </>
        ) : (
          <span className="muted">The statement appears here.</span>
        )}
      </p>
      <div className="row">
        <Button rank="main" type="submit" disabled={!statement}>
          Add it
        </Button>
        <Button onClick={onClose}>Close</Button>
      </div>
    </form>
  )
}
