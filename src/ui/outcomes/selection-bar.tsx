/** What can be done with several objectives at once; each is one step to undo. */
import { Button } from '../parts/button'
import './outcomes.css'
import { useState } from 'react'
import { DOMAINS, LEVELS_OF, type Level } from '../../core/blueprint/kinds/levels'
import { addOutcomeLinks, mergeObjectives, moveToModule, readOutcomeNumbers } from '../../core/edits/objectives'
import { countOf } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { useCourse, useCourseStore } from '../store/course-store'

export function SelectionBar({ ids, onClear }: { ids: readonly string[]; onClear: () => void }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  const [numbers, setNumbers] = useState('')
  const [error, setError] = useState<string | null>(null)
  const what = countOf(ids.length, 'objective')
  const link = () => {
    const { ids: outcomes, unknown } = readOutcomeNumbers({ now: view }, numbers)
    if (unknown.length > 0) return setError(`There is no outcome ${unknown.join(', ')}.`)
    if (outcomes.length === 0) return setError('Write the numbers of outcomes, such as 5 3.')
    store.edit('link-outcomes', { what }, (edit) => addOutcomeLinks(edit, ids, outcomes))
    setNumbers('')
  }
  // Prescribed wording is its owner's: it may be linked and moved, but stays.
  const own = ids.filter((id) => view.objective.get(id)?.origin === 'own')
  return (
    <section className="row selection-bar" data-region="bar" aria-label="Selected objectives">
      <b role="status">{what} selected</b>
      <input
        className="field boxed"
        style={{ width: 110 }}
        aria-label="Link the selected to outcomes"
        aria-invalid={error !== null}
        placeholder="Link to 5 3"
        value={numbers}
        onChange={(e) => {
          setNumbers(e.target.value)
          setError(null)
        }}
        onKeyDown={(e) => e.key === 'Enter' && link()}
      />
      <select
        className="field boxed"
        aria-label="Move the selected to a module"
        value=""
        onChange={(e) => store.edit('move', { what }, (edit) => moveToModule(edit, ids, e.target.value))}
      >
        <option value="">Move to module …</option>
        {index.modules.map((m) => (
          <option key={m.id} value={m.id}>
            {index.numberOf(m.id)} {m.title}
          </option>
        ))}
      </select>
      <select
        className="field boxed"
        aria-label="Level of the selected"
        value="-"
        onChange={(e) =>
          store.edit('set-level', { what }, (edit) => {
            for (const id of ids) edit.set('objective', id, { level: (e.target.value || null) as Level | null })
          })
        }
      >
        <option value="-">Level …</option>
        <option value="">from the verb</option>
        {DOMAINS.map((d) => (
          <optgroup key={d} label={d}>
            {LEVELS_OF[d].map((l) => (
              <option key={l} value={l}>
                {l}
              </option>
            ))}
          </optgroup>
        ))}
      </select>
      {own.length > 1 && (
        <Button
          tip="The first keeps its wording and gets the links of all"
          onClick={() => {
            const [keep, ...gone] = index.objectives.filter((o) => own.includes(o.id)).map((o) => o.id)
            store.edit('merge-objectives', { what }, (edit) => {
              for (const id of gone) mergeObjectives(edit, keep as string, id)
            })
            onClear()
          }}
        >
          Make one of them
        </Button>
      )}
      <Button
        disabled={own.length === 0}
        onClick={() => {
          const removed = countOf(own.length, 'objective')
          if (store.edit('remove', { what: removed }, (edit) => edit.remove(...own.map((id) => ({ kind: 'objective' as const, id })))))
            store.say(`Removed ${removed}. Ctrl+Z brings them back with their links.`, false)
          onClear()
        }}
      >
        Remove
      </Button>
      <Button onClick={onClear}>
        Clear <kbd>Esc</kbd>
      </Button>
      {error && (
        <span className="form-error" role="alert">
          {error}
        </span>
      )}
    </section>
  )
}
