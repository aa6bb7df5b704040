/** How an activity assesses, in the details of what is selected. */

import { fieldText, readField } from '../../core/blueprint/field-text'
import type { Activity, Assessment } from '../../core/blueprint/kinds'
import { fieldOf } from '../../core/blueprint/kinds'
import { FUNCTIONS, GRADED_BY, MARKED_BY } from '../../core/blueprint/kinds/assessment'
import { lateRuleOf, lateText } from '../../core/design/late'
import { setAssessment } from '../../core/edits/activities'
import { markedBy } from '../../core/hours/marking'
import { formatHundredths } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { CheckInput } from '../parts/choice-input'
import { DraftField } from '../parts/draft-field'
import { SelectInput } from '../parts/input'
import { useCourse, useCourseStore } from '../store/course-store'

const GRADED_WORDS: Readonly<Record<(typeof GRADED_BY)[number], string>> = {
  points: 'points',
  letter: 'letter',
  satisfactory: 'satisfactory or not yet',
  no: 'not',
}

const LATE_FIELDS = [
  ['latePercent', 'Percent a day'],
  ['lateGraceHours', 'Hours of grace'],
  ['lateMost', 'At most, percent'],
  ['lateCutoffDays', 'Not after days'],
] as const

export function AssessmentDetails({ activity }: { activity: Activity }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  const assessment = index.assessmentOf(activity.id)
  const number = index.numberOf(activity.id)
  const disabled = !store.may('assessment')
  const rule = assessment ? lateRuleOf(view, assessment) : null
  const set = (what: string, to: Parameters<typeof setAssessment>[2]) =>
    store.edit('set-field', { what: `${what} of ${number}` }, (edit) => setAssessment(edit, activity, to))
  return (
    <>
      <SelectInput
        label="As an assessment"
        value={assessment?.function ?? ''}
        disabled={disabled}
        options={[{ value: '', label: 'is none' }, ...FUNCTIONS.map((f) => ({ value: f, label: f }))]}
        onChoose={(v) =>
          store.edit('set-field', { what: `function of ${number}` }, (edit) =>
            v === ''
              ? edit.remove({ kind: 'assessment', id: assessment?.id ?? '' })
              : setAssessment(edit, activity, { function: v as Assessment['function'] }),
          )
        }
      />
      {assessment && (
        <>
          <SelectInput
            label="Counts"
            value={assessment.graded ?? 'points'}
            disabled={disabled}
            options={GRADED_BY.map((g) => ({ value: g, label: GRADED_WORDS[g] }))}
            onChoose={(v) => set('grading', { graded: v === 'points' || v === '' ? null : v })}
          />
          <CheckInput
            label="Extra credit, on top of the 100 %"
            checked={assessment.extraCredit}
            disabled={disabled}
            onCheck={(extraCredit) => set('extra credit', { extraCredit })}
          />
          <Typed
            label="Percent needed to pass the course"
            field="hurdle"
            placeholder="no hurdle"
            value={assessment.hurdle === null ? '' : `${formatHundredths(assessment.hurdle)} %`}
            disabled={disabled}
            onRead={(hurdle) => set('hurdle', { hurdle })}
          />
          <SelectInput
            label="Rubric"
            value={assessment.rubricId ?? ''}
            disabled={disabled}
            options={[{ value: '', label: 'none' }, ...index.rubrics.map((r) => ({ value: r.id, label: r.title }))]}
            onChoose={(v) => set('rubric', { rubricId: v || null })}
          />
          <div className="pair">
            <SelectInput
              label="Marked by"
              value={assessment.markedBy ?? ''}
              disabled={disabled}
              options={[
                { value: '', label: `${markedBy(activity, { markedBy: null })} (proposed)` },
                ...MARKED_BY.map((m) => ({ value: m, label: m })),
              ]}
              onChoose={(v) => set('marking', { markedBy: v || null })}
            />
            <Typed
              label="Minutes each"
              field="markingMinutes"
              placeholder="usual"
              value={assessment.markingMinutes === null ? '' : String(assessment.markingMinutes)}
              disabled={disabled}
              onRead={(markingMinutes) => set('marking time', { markingMinutes })}
            />
          </div>
          <SelectInput
            label="Late work"
            value={assessment.lateRule ?? ''}
            disabled={disabled}
            options={[
              { value: '', label: 'as the course says' },
              { value: 'own', label: 'a rule of its own' },
              { value: 'none', label: 'costs nothing' },
            ]}
            onChoose={(v) => set('late rule', { lateRule: v || null })}
          />
          {assessment.lateRule === 'own' && (
            <div className="pair">
              {LATE_FIELDS.map(([field, label]) => (
                <Typed
                  key={field}
                  label={label}
                  field={field}
                  placeholder=""
                  value={fieldText(fieldOf('assessment', field), assessment[field])}
                  disabled={disabled}
                  onRead={(value) => set('late rule', { [field]: value })}
                />
              ))}
            </div>
          )}
          {rule && <p className="muted small">Late: {lateText(rule)}.</p>}
        </>
      )}
    </>
  )
}

function Typed({
  label,
  field,
  value,
  placeholder,
  disabled,
  onRead,
}: {
  label: string
  field: 'hurdle' | 'markingMinutes' | (typeof LATE_FIELDS)[number][0]
  value: string
  placeholder: string
  disabled: boolean
  onRead: (value: number | null) => void
}) {
  const spec = fieldOf('assessment', field)
  if (spec.type !== 'hundredths' && spec.type !== 'int') throw new Error(`${field} is no number`)
  return (
    <DraftField
      label={label}
      value={value}
      placeholder={placeholder}
      disabled={disabled}
      onCommit={(text) => {
        const read = readField(spec, text.replace(/\s*%$/, ''))
        if (!read.ok) return read.error
        onRead(read.value as number | null)
        return null
      }}
    />
  )
}
