/** What can be done with several objectives at once; each is one step to undo. */
import { Button } from '../parts/button'
import './outcomes.css'
import { useState } from 'react'
import type { Level } from '../../core/blueprint/kinds/levels'
import { article } from '../../core/blueprint/text'
import { addOutcomeLinks, mergeObjectives, moveToModule, readOutcomeNumbers } from '../../core/edits/objectives'
import { countOf } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { SelectInput, TextInput } from '../parts/input'
import { useCourse, useCourseStore, useModuleWord } from '../store/course-store'
import { LEVEL_OPTIONS } from './level-select'

export function SelectionBar({ ids, onClear }: { ids: readonly string[]; onClear: () => void }) {
  const word = useModuleWord()
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
      <TextInput
        width={150}
        label="Link the selected to outcomes"
        hideLabel
        error={error}
        placeholder="Link to 5 3"
        value={numbers}
        onChange={(e) => {
          setNumbers(e.target.value)
          setError(null)
        }}
        onKeyDown={(e) => e.key === 'Enter' && link()}
      />
      <SelectInput
        label={`Move the selected to ${article(word.one)}`}
        hideLabel
        value=""
        options={[
          { value: '', label: `Move to ${word.one} …` },
          ...index.modules.map((m) => ({ value: m.id, label: `${index.numberOf(m.id)} ${m.title}` })),
        ]}
        onChoose={(module) => store.edit('move', { what }, (edit) => moveToModule(edit, ids, module))}
      />
      <SelectInput<Level | '-'>
        label="Level of the selected"
        hideLabel
        value="-"
        options={[{ value: '-', label: 'Level …' }, { value: '', label: 'from the verb' }, ...LEVEL_OPTIONS]}
        onChoose={(level) =>
          store.edit('set-level', { what }, (edit) => {
            for (const id of ids) edit.set('objective', id, { level: level === '-' || level === '' ? null : level })
          })
        }
      />
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
    </section>
  )
}
