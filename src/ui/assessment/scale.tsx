/** The grade scale: letters by the percent they begin at, and the rounding before a percent is looked up. */
import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import { Button, IconButton } from '../parts/button'
import './assessment.css'
import { useState } from 'react'
import { courseOf } from '../../core/blueprint/blueprint'
import { readValue } from '../../core/blueprint/field-text'
import { scaleOf } from '../../core/grading/scale'
import { readHundredths } from '../../core/numbers'
import { DraftField } from '../parts/draft-field'
import { SelectInput } from '../parts/input'
import { PlanField } from '../parts/plan-field'
import { newId, useCourse, useCourseStore } from '../store/course-store'

const ROUNDING = [
  { value: '', label: 'not rounded' },
  { value: '0', label: 'rounded half up to a whole percent' },
  { value: '1', label: 'rounded half up to 0.1 %' },
  { value: '2', label: 'rounded half up to 0.01 %' },
] as const

/** A scale to begin with (Cairn default). */
const FIRST_STEPS = [
  ['A', 90],
  ['B', 80],
  ['C', 70],
  ['D', 60],
] as const

export function Scale() {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const course = courseOf(view)
  const steps = scaleOf(view)
  const may = store.may('gradeStep')
  return (
    <section aria-label="Grade scale" className="by-outcome" style={{ marginTop: 18 }}>
      <h2 style={{ fontSize: 15, marginBottom: 4 }}>Scale</h2>
      <table className="sheet">
        <thead>
          <tr>
            <th scope="col">Letter</th>
            <th scope="col" className="r" style={{ width: 110 }}>
              From
            </th>
            <th scope="col" style={{ width: 44 }}>
              <span className="visually-hidden">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {steps.map((step) => (
            <tr key={step.id} className="item" data-record={`gradeStep ${step.id}`}>
              <th scope="row" style={{ paddingLeft: 8 }}>
                <PlanField
                  kind="gradeStep"
                  record={step}
                  field="letter"
                  label={`Letter from ${step.minimum / 100} %`}
                  hideLabel
                  boxed={false}
                />
              </th>
              <td className="r">
                <PlanField
                  kind="gradeStep"
                  record={step}
                  field="minimum"
                  label={`Percent from which ${step.letter} is given`}
                  what={`minimum of ${step.letter}`}
                  hideLabel
                  boxed={false}
                  right
                  unit="%"
                />
              </td>
              <td>
                {may && (
                  <IconButton
                    name={`Remove ${step.letter}`}
                    onClick={() => store.edit('remove', { what: step.letter }, (edit) => edit.remove({ kind: 'gradeStep', id: step.id }))}
                  >
                    <RemoveIcon />
                  </IconButton>
                )}
              </td>
            </tr>
          ))}
          {may && <NewStep />}
        </tbody>
      </table>
      {may && steps.length === 0 && (
        <p className="muted small">
          Without a scale a grade is a percent.{' '}
          <Button
            onClick={() =>
              store.edit('add-scale', {}, (edit) => {
                for (const [letter, minimum] of FIRST_STEPS) edit.create('gradeStep', { id: newId(), letter, minimum: minimum * 100 })
              })
            }
          >
            Begin with A 90, B 80, C 70, D 60
          </Button>
        </p>
      )}
      {steps.length > 0 && (
        <SelectInput
          label="Before it is looked up, a percent is"
          value={course.gradePlaces === null ? '' : (String(course.gradePlaces) as '0' | '1' | '2')}
          disabled={!store.may('course')}
          options={ROUNDING}
          onChoose={(value) =>
            store.edit('set-field', { what: 'rounding of grades' }, (edit) =>
              edit.set('course', 'course', { gradePlaces: value === '' ? null : Number(value) }),
            )
          }
        />
      )}
    </section>
  )
}

function NewStep() {
  const store = useCourseStore()
  const [round, setRound] = useState(0)
  return (
    <tr className="item">
      <th scope="row" colSpan={3} style={{ paddingLeft: 8 }}>
        <DraftField
          key={round}
          label="New letter"
          hideLabel
          boxed={false}
          value=""
          placeholder="Add a letter with its percent: B 80"
          onCommit={(text) => {
            if (text.trim() === '') return null
            const match = /^(.*\S)\s+(\d{1,3}(?:[.,]\d{1,2})?)\s*%?$/.exec(text.trim())
            const minimum = match && readHundredths(match[2] as string)
            if (!match || minimum === null || minimum > 100_00) return 'Write a letter and the percent it begins at, such as B 80.'
            const letter = readValue('gradeStep', 'letter', match[1] as string)
            if (!letter.ok) return letter.error
            store.edit('add-scale', {}, (edit) =>
              edit.create('gradeStep', { id: newId(), letter: String(letter.value), minimum: minimum as number }),
            )
            setRound((n) => n + 1)
            return null
          }}
        />
      </th>
    </tr>
  )
}
