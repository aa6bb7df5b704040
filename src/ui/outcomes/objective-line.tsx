/** An objective as a line. */
import { LineButton } from '../parts/line-button'
import './outcomes.css'
import { memo, useCallback, useRef } from 'react'
import type { Objective } from '../../core/blueprint/kinds'
import { addObjectives, breakObjective, joinWithAbove, moveObjective } from '../../core/edits/objectives'
import { levelOf } from '../../core/objectives/level'
import { indexCourse } from '../../core/plan/plan-index'
import { FindingLine } from '../parts/findings'
import { laterFrom } from '../parts/later'
import { TextLine } from '../parts/text-line'
import { newId } from '../store/course-store'
import { useGo } from '../store/navigation'
import { focusLine, focusNeighbour, leavingStep, lineSelector, movingStep } from './focus'
import { LevelSelect } from './level-select'
import { OutcomeLinks } from './outcome-links'
import { chooseTo, lightObjective, toggleChosen, usePicked } from './picked'
import { useLine } from './use-line'

const WordingHelp = laterFrom(
  () => import('./wording-help'),
  (m) => m.WordingHelp,
)

export const ObjectiveLine = memo(function ObjectiveLine({ objective, number }: { objective: Objective; number: string }) {
  const { store, own, onDraft, onCommit, remove, takeWording, help, setHelp } = useLine('objective', objective, number)
  const { select } = useGo()
  const chosen = usePicked((s) => s.chosen.has(objective.id))
  const lit = usePicked((s) => s.lit === objective.id)
  const may = store.may('objective')
  /** The wording that stood here when somebody came to the line: a pause in typing stores. */
  const came = useRef('')
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
      if (e.altKey && e.code === 'KeyV') {
        setHelp(may)
        return true
      }
      if (e.altKey && e.shiftKey && (e.key === 'ArrowUp' || e.key === 'ArrowDown')) {
        if (!usePicked.getState().chosen.has(objective.id)) toggleChosen(objective.id)
        const order = indexCourse(store.state.view).objectives.map((o) => o.id)
        const next = order[order.indexOf(objective.id) + (e.key === 'ArrowUp' ? -1 : 1)]
        if (next) {
          chooseTo(next, order)
          focusLine(lineSelector('objective', next))
        }
        return true
      }
      const moving = movingStep(e)
      if (moving) {
        field.blur()
        store.edit('move', { what: number }, (edit) => moveObjective(edit, objective.id, moving))
        focusLine(lineSelector('objective', objective.id))
        return true
      }
      const leaving = leavingStep(e)
      if (leaving) {
        focusNeighbour(field, leaving)
        return true
      }
      if (e.key === 'Enter') {
        const tail = text.slice(field.selectionEnd).trim()
        const head = text.slice(0, field.selectionStart).trim()
        // In the middle of a line Enter splits it; at its end it leads to the next line.
        if (tail !== '' && head !== '' && may) {
          drop()
          let id: string | null = null
          store.edit('add-objective', {}, (edit) => {
            id = breakObjective(edit, objective.id, head, tail, came.current, newId)
          })
          if (id) focusLine(lineSelector('objective', id), 0)
        } else focusNeighbour(field, 1)
        return true
      }
      if (e.key === 'Backspace' && text === '') {
        focusNeighbour(field, -1)
        remove()
        return true
      }
      if (e.key === 'Backspace' && may && field.selectionStart === 0 && field.selectionEnd === 0) {
        let joined: ReturnType<typeof joinWithAbove> = null
        drop()
        store.edit('join-objectives', { what: number }, (edit) => {
          joined = joinWithAbove(edit, objective.id, text)
        })
        const to = joined as ReturnType<typeof joinWithAbove>
        if (to) focusLine(lineSelector('objective', to.id), to.at)
        return true
      }
      return false
    },
    [store, objective.id, objective.moduleId, number, may, remove, takeWording, setHelp],
  )
  const onFocus = useCallback(() => {
    came.current = objective.statement
    select({ kind: 'objective', id: objective.id })
  }, [select, objective.id, objective.statement])
  return (
    <div
      className={`line${chosen ? ' chosen' : ''}${lit ? ' lit' : ''}`}
      data-record={`objective ${objective.id}`}
      onMouseEnter={() => lightObjective(objective.id)}
      onMouseLeave={() => lightObjective(null)}
    >
      <LineButton
        className="plain num"
        tabIndex={-1}
        aria-pressed={chosen}
        aria-label={`Choose ${number}`}
        tip="Click to choose, Shift and click for a range"
        onClick={(e) =>
          e.shiftKey
            ? chooseTo(
                objective.id,
                indexCourse(store.state.view).objectives.map((o) => o.id),
              )
            : toggleChosen(objective.id)
        }
      >
        {number}
      </LineButton>
      <TextLine
        label={`Objective ${number}`}
        value={objective.statement}
        of={`objective ${objective.id} statement`}
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
      <OutcomeLinks objectiveId={objective.id} number={number} disabled={!may} />
      {help && (
        <div className="full">
          <WordingHelp
            text={objective.statement}
            level={levelOf(objective)}
            number={number}
            onTake={onCommit}
            onLevel={(level) => store.edit('set-level', { what: number }, (edit) => edit.set('objective', objective.id, { level }))}
            onClose={() => {
              setHelp(false)
              focusLine(lineSelector('objective', objective.id))
            }}
          />
        </div>
      )}
      {own.length > 0 && (
        <div className="full">
          {own.map((f) => (
            <FindingLine key={f.key} finding={f} keys />
          ))}
        </div>
      )}
    </div>
  )
})
