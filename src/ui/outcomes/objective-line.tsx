/** An objective as a line. */
import { useCallback } from 'react'
import type { Objective } from '../../core/blueprint/kinds'
import { addObjectives, moveObjective } from '../../core/edits/objectives'
import { FindingLine } from '../parts/findings'
import { newId } from '../store/course-store'
import { useGo } from '../store/navigation'
import { atEdge, focusLine, focusNeighbour, lineSelector } from './focus'
import { LevelSelect } from './level-select'
import { OutcomeLinks } from './outcome-links'
import { TextLine } from './text-line'
import { useLine } from './use-line'

export function ObjectiveLine({ objective, number, outcomes }: { objective: Objective; number: string; outcomes: string }) {
  const { store, own, onDraft, onCommit, remove, takeWording } = useLine('objective', objective, number)
  const { select } = useGo()
  const may = store.may('objective')
  const addBelow = useCallback(
    (lines: readonly string[]) => {
      let ids: string[] = []
      store.edit('add-objective', {}, (edit) => {
        ids = addObjectives(edit, objective.moduleId, objective.id, lines, newId)
      })
      const last = ids.at(-1)
      if (last) focusLine(lineSelector('objective', last))
    },
    [store, objective.moduleId, objective.id],
  )
  const onKey = useCallback(
    (e: React.KeyboardEvent<HTMLTextAreaElement>, text: string, drop: () => void): boolean => {
      const field = e.currentTarget
      if (e.altKey && e.key === 'Enter') {
        takeWording(text)
        return true
      }
      if (e.altKey && (e.key === 'ArrowUp' || e.key === 'ArrowDown')) {
        const step = e.key === 'ArrowUp' ? -1 : 1
        field.blur()
        store.edit('move', { what: number }, (edit) => moveObjective(edit, objective.id, step))
        focusLine(lineSelector('objective', objective.id))
        return true
      }
      if ((e.key === 'ArrowUp' || e.key === 'ArrowDown') && !e.shiftKey && !e.ctrlKey && atEdge(field, e.key === 'ArrowUp' ? -1 : 1)) {
        focusNeighbour(field, e.key === 'ArrowUp' ? -1 : 1)
        return true
      }
      if (e.key === 'Enter') {
        const tail = text.slice(field.selectionEnd).trim()
        const head = text.slice(0, field.selectionStart).trim()
        // In the middle of a line Enter splits it; at its end it leads to the next line.
        if (tail !== '' && head !== '' && may) {
          drop()
          store.edit('add-objective', {}, (edit) => {
            edit.set('objective', objective.id, { statement: head })
            const [id] = addObjectives(edit, objective.moduleId, objective.id, [tail.charAt(0).toUpperCase() + tail.slice(1)], newId)
            if (id) focusLine(lineSelector('objective', id), false)
          })
        } else focusNeighbour(field, 1)
        return true
      }
      if (e.key === 'Backspace' && text === '') {
        focusNeighbour(field, -1)
        remove()
        return true
      }
      return false
    },
    [store, objective.id, objective.moduleId, number, may, remove, takeWording],
  )
  const onFocus = useCallback(() => select({ kind: 'objective', id: objective.id }), [select, objective.id])
  return (
    <div className="line" data-record={`objective ${objective.id}`}>
      <span className="num">{number}</span>
      <TextLine
        label={`Objective ${number}`}
        value={objective.statement}
        readOnly={!may || objective.origin === 'prescribed'}
        onDraft={onDraft}
        onCommit={onCommit}
        onKey={onKey}
        onPasteLines={addBelow}
        onFocus={onFocus}
      />
      <span className="aside">
        <LevelSelect kind="objective" record={objective} number={number} />
      </span>
      <OutcomeLinks objectiveId={objective.id} number={number} text={outcomes} disabled={!may} />
      {own.length > 0 && (
        <div className="full">
          {own.map((f) => (
            <FindingLine key={f.key} finding={f} keys />
          ))}
        </div>
      )}
    </div>
  )
}
