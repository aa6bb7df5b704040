/** A course outcome as a line, and the empty one after the last. */
import './outcomes.css'
import { memo, useCallback } from 'react'
import type { Ladder } from '../../core/alignment/ladder'
import type { Outcome } from '../../core/blueprint/kinds'
import { addOutcomes, moveInList } from '../../core/edits/objectives'
import { countOf } from '../../core/numbers'
import { levelOf } from '../../core/objectives/level'
import { FindingLine } from '../parts/findings'
import { laterFrom } from '../parts/later'
import { PlanField } from '../parts/plan-field'
import { TextLine } from '../parts/text-line'
import { newId, useCourseStore } from '../store/course-store'
import { useGo } from '../store/navigation'
import { focusLevel, focusLine, focusNeighbour, leavingStep, lineSelector, movingStep } from './focus'
import { LevelLadder } from './ladder'
import { LevelSelect } from './level-select'
import { NewLine } from './new-line'
import { useLine } from './use-line'

const WordingHelp = laterFrom(
  () => import('./wording-help'),
  (m) => m.WordingHelp,
)

type Props = {
  readonly outcome: Outcome
  readonly number: string
  readonly objectives: number
  readonly ladder: Ladder
  readonly modules: number
  readonly lit: boolean
}

export const OutcomeLine = memo(function OutcomeLine({ outcome, number, objectives, ladder, modules, lit }: Props) {
  const { store, own, onDraft, onCommit, remove, takeWording, help, setHelp } = useLine('outcome', outcome, number)
  const { select } = useGo()
  const may = store.may('outcome')
  const onKey = useCallback(
    (e: React.KeyboardEvent<HTMLTextAreaElement>, text: string): boolean => {
      if (e.altKey && e.key === 'Enter') {
        takeWording(text)
        return true
      }
      if (e.altKey && e.code === 'KeyV') {
        setHelp(may)
        return true
      }
      const moving = movingStep(e)
      if (moving) {
        e.currentTarget.blur()
        store.edit('move', { what: number }, (edit) => moveInList(edit, 'outcome', outcome.id, moving))
        focusLine(lineSelector('outcome', outcome.id))
        return true
      }
      const leaving = leavingStep(e)
      if (leaving) {
        focusNeighbour(e.currentTarget, leaving)
        return true
      }
      if (e.key === 'Enter') {
        focusNeighbour(e.currentTarget, 1)
        return true
      }
      if (e.key === 'Backspace' && text === '') {
        focusNeighbour(e.currentTarget, -1)
        remove()
        return true
      }
      return false
    },
    [store, outcome.id, number, may, remove, takeWording, setHelp],
  )
  return (
    <div className={`outcome${lit ? ' lit' : ''}`} data-record={`outcome ${outcome.id}`}>
      <span className="num">{number}</span>
      <TextLine
        label={`Outcome ${number}`}
        value={outcome.statement}
        of={`outcome ${outcome.id} statement`}
        readOnly={!may || outcome.origin === 'prescribed'}
        onDraft={onDraft}
        onCommit={onCommit}
        onKey={onKey}
        onFocus={() => select({ kind: 'outcome', id: outcome.id })}
      />
      <PlanField
        kind="outcome"
        record={outcome}
        field="intendedShare"
        label={`Share intended for ${number}, in percent`}
        what={`share of ${number}`}
        hideLabel
        right
        boxed={false}
        unit="%"
        placeholder="– %"
      />
      <div className="below">
        <LevelSelect kind="outcome" record={outcome} number={number} />
        <span>· {countOf(objectives, 'objective')}</span>
      </div>
      {ladder.bands.length > 0 && <LevelLadder ladder={ladder} modules={modules} name={number} />}
      {help && (
        <div style={{ gridColumn: '1/4' }}>
          <WordingHelp
            text={outcome.statement}
            level={levelOf(outcome)}
            number={number}
            onTake={onCommit}
            onLevel={(level) => store.edit('set-level', { what: number }, (edit) => edit.set('outcome', outcome.id, { level }))}
            onClose={() => {
              setHelp(false)
              focusLine(lineSelector('outcome', outcome.id))
            }}
          />
        </div>
      )}
      {own.length > 0 && (
        <div style={{ gridColumn: '1/4' }}>
          {own.map((f) => (
            <FindingLine key={f.key} finding={f} keys />
          ))}
        </div>
      )}
    </div>
  )
})

export function NewOutcome({ empty, last }: { empty: boolean; last: string | null }) {
  const store = useCourseStore()
  if (!store.may('outcome')) return null
  const add = (lines: readonly string[]) => {
    let made: readonly string[] = []
    store.edit('add-outcome', {}, (edit) => {
      made = addOutcomes(edit, last, lines, newId)
    })
    return made.at(-1) ?? null
  }
  return (
    <div className="outcome no-print">
      <span className="num muted">+</span>
      <NewLine
        label="New outcome"
        placeholder={empty ? 'What will learners do?' : 'Next outcome'}
        onAdd={add}
        tabTo={(id) => focusLevel('outcome', id)}
        onLeaveUp={(field) => focusNeighbour(field, -1)}
        first={empty}
      />
      <span />
    </div>
  )
}
