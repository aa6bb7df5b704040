/** Design choices and their reasons, newest first. */
import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import { useState } from 'react'
import { recordsOf } from '../../core/blueprint/blueprint'
import { readValue } from '../../core/blueprint/field-text'
import type { Decision } from '../../core/blueprint/kinds'
import { longDate } from '../../core/calendar/plain-date'
import { Button, IconButton } from '../parts/button'
import { DraftField } from '../parts/draft-field'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { todayIso } from '../store/today'

/** So many are in sight until all are asked for (Cairn default). */
const FEW = 3

export function Decisions() {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const [all, setAll] = useState(false)
  const decisions = recordsOf(view, 'decision').sort((a, b) => (a.date + a.id < b.date + b.id ? 1 : -1))
  const may = store.may('decision')
  return (
    <section aria-label="Design choices">
      <h2>Design choices</h2>
      {decisions.slice(0, all ? decisions.length : FEW).map((d) => (
        <DecisionLine key={d.id} decision={d} may={may} />
      ))}
      {decisions.length > FEW && (
        <Button rank="rest" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `${decisions.length - FEW} more`}
        </Button>
      )}
      {may ? <NewDecision /> : decisions.length === 0 && <p className="muted">None noted yet.</p>}
    </section>
  )
}

function DecisionLine({ decision: d, may }: { decision: Decision; may: boolean }) {
  const store = useCourseStore()
  return (
    <div className="decision" data-record={`decision ${d.id}`}>
      <div className="grow">
        {d.reason}
        <div className="muted small">
          {d.kind}, {d.author}, {longDate(d.date)}
        </div>
      </div>
      {may && (
        <IconButton
          name={`Remove the decision: ${d.reason}`}
          onClick={() => store.edit('remove', { what: 'a decision' }, (edit) => edit.remove({ kind: 'decision', id: d.id }))}
        >
          <RemoveIcon />
        </IconButton>
      )}
    </div>
  )
}

function NewDecision() {
  const store = useCourseStore()
  const [round, setRound] = useState(0)
  return (
    <DraftField
      key={round}
      label="Note a design choice and its reason"
      value=""
      onCommit={(typed) => {
        if (typed.trim() === '') return null
        const reason = readValue('decision', 'reason', typed)
        if (!reason.ok) return reason.error
        store.edit('set-field', { what: 'a decision' }, (edit) =>
          edit.create('decision', {
            id: newId(),
            kind: 'design choice',
            reason: String(reason.value),
            author: store.state.viewer?.name ?? '',
            date: todayIso(),
            findingKey: null,
            facts: null,
          }),
        )
        setRound((n) => n + 1)
        return null
      }}
    />
  )
}
