/** The parts that every module repeats, in their order, with what each is for. */
import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import { useState } from 'react'
import { readValue } from '../../core/blueprint/field-text'
import type { Part } from '../../core/blueprint/kinds'
import { addPart } from '../../core/edits/missing'
import { placeInList } from '../../core/edits/objectives'
import { indexCourse } from '../../core/plan/plan-index'
import { IconButton } from '../parts/button'
import { CheckInput } from '../parts/choice-input'
import { DraftField } from '../parts/draft-field'
import { PurposeShape } from '../parts/marks'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { SortableList } from '../parts/sortable'
import { newId, useCourse, useCourseStore, useModuleWord } from '../store/course-store'

export function PartsList() {
  const word = useModuleWord()
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const parts = indexCourse(view).parts
  const may = store.may('part')
  return (
    <section className="card">
      <h2>Parts that every {word.one} repeats</h2>
      {parts.length === 0 && <p className="muted">None: the activities of a {word.one} stand in one list.</p>}
      <SortableList
        label={`Parts of a ${word.one}`}
        may={may}
        items={parts.map((p) => ({ id: p.id, name: p.title, line: <PartLine part={p} may={may} /> }))}
        onPlace={(id, place) =>
          store.edit('move', { what: view.part.get(id)?.title ?? '' }, (edit) => placeInList(edit, 'part', id, place))
        }
      />
      {may && <NewPart />}
    </section>
  )
}

function PartLine({ part, may }: { part: Part; may: boolean }) {
  const store = useCourseStore()
  return (
    <div className="part-line" data-record={`part ${part.id}`}>
      <PurposeShape purpose={part.purpose} />
      <PlanField kind="part" record={part} field="title" label={`Name of part ${part.title}`} what={part.title} hideLabel boxed={false} />
      <PlanChoice kind="part" record={part} field="purpose" label={`Purpose of ${part.title}`} hideLabel boxed={false} none="any purpose" />
      <CheckInput
        label={<span data-tip="Each module should have it; where it is empty, that is found">required</span>}
        checked={part.required}
        disabled={!may}
        element={{ 'aria-label': `Every module has ${part.title}` }}
        onCheck={(required) =>
          store.edit('set-field', { what: `required: ${part.title}` }, (edit) => edit.set('part', part.id, { required }))
        }
      />
      {may && (
        <IconButton
          name={`Remove ${part.title}`}
          onClick={() => store.edit('remove', { what: part.title }, (edit) => edit.remove({ kind: 'part', id: part.id }))}
        >
          <RemoveIcon />
        </IconButton>
      )}
    </div>
  )
}

function NewPart() {
  const store = useCourseStore()
  const [round, setRound] = useState(0)
  return (
    <DraftField
      key={round}
      label="New part"
      hideLabel
      value=""
      placeholder="Add a part"
      onCommit={(typed) => {
        if (typed.trim() === '') return null
        const title = readValue('part', 'title', typed)
        if (!title.ok) return title.error
        store.edit('add-part', {}, (edit) => void addPart(edit, String(title.value), newId))
        setRound((n) => n + 1)
        return null
      }}
    />
  )
}
