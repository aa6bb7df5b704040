import { useEffect, useMemo, useRef, useState } from 'react'
import { indexCourse } from '../../core/blueprint/plan-index'
import { readOutcomeNumbers, setOutcomes } from '../../core/edits/objectives'
import { Chip } from '../parts/marks'
import { useCourse, useCourseStore } from '../store/course-store'
import { useGo } from '../store/navigation'
import { focusLine, lineSelector } from './focus'

/** Outcomes of an objective: chips, which typing numbers changes. */
export function OutcomeLinks({
  objectiveId,
  number,
  text,
  disabled,
}: {
  objectiveId: string
  number: string
  text: string
  disabled: boolean
}) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const [editing, setEditing] = useState(false)
  const outcomes = useMemo(() => indexCourse(view).outcomesOf(objectiveId), [view, objectiveId])
  const index = indexCourse(view)
  if (!editing)
    return (
      <span className="aside row" style={{ gap: 4, flexWrap: 'wrap' }}>
        {/* Reached first, drawn last. */}
        {!disabled && (
          <button
            type="button"
            className="plain muted"
            style={{ order: 1 }}
            aria-label={`Outcomes of ${number}: ${text || 'none'}. Change`}
            onClick={() => setEditing(true)}
            onFocus={(e) => e.currentTarget.matches(':focus-visible') && setEditing(true)}
          >
            ✎
          </button>
        )}
        {outcomes.map((o) => (
          <Chip key={o.id} kind="outcome" number={index.numberOf(o.id)} onOpen={() => open({ kind: 'outcome', id: o.id })} />
        ))}
      </span>
    )
  return (
    <LinkEditor
      label={`Outcomes of ${number}`}
      initial={text}
      onDone={(typed, refocus) => {
        if (typed !== null) {
          const { ids, unknown } = readOutcomeNumbers({ now: view }, typed)
          if (unknown.length > 0) return `There is no outcome ${unknown.join(', ')}.`
          store.edit('link-outcomes', { what: number }, (edit) => setOutcomes(edit, objectiveId, ids))
        }
        setEditing(false)
        if (refocus) focusLine(lineSelector('objective', objectiveId))
        return null
      }}
    />
  )
}

function LinkEditor({
  label,
  initial,
  onDone,
}: {
  label: string
  initial: string
  onDone: (text: string | null, refocus: boolean) => string | null
}) {
  const [text, setText] = useState(initial)
  const [error, setError] = useState<string | null>(null)
  const input = useRef<HTMLInputElement>(null)
  const done = useRef(false)
  useEffect(() => {
    input.current?.focus()
    input.current?.select()
  }, [])
  return (
    <span>
      <input
        ref={input}
        className="field boxed"
        aria-label={label}
        aria-invalid={error !== null}
        placeholder="5 3"
        value={text}
        onChange={(e) => {
          setText(e.target.value)
          setError(null)
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            done.current = true
            const refused = onDone(text, true)
            done.current = refused === null
            setError(refused)
          }
          if (e.key === 'Escape') {
            e.stopPropagation()
            done.current = true
            onDone(null, true)
          }
        }}
        onBlur={() => {
          if (!done.current && onDone(text, false) !== null) onDone(null, false)
        }}
      />
      {error && (
        <span className="form-error" role="alert">
          {error}
        </span>
      )}
    </span>
  )
}
