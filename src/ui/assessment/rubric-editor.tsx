/** One rubric as a grid: criteria by levels, every cell edited in place. */
import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import { Button, IconButton } from '../parts/button'
import './assessment.css'
import { useCallback, useState } from 'react'
import type { Blueprint } from '../../core/blueprint/blueprint'
import type { PlanEdit } from '../../core/blueprint/edit'
import type { Rubric } from '../../core/blueprint/kinds'
import { setAssessment } from '../../core/edits/activities'
import { moveInList, placeInList } from '../../core/edits/objectives'
import { addCriterion, addLevel, copyRubric } from '../../core/edits/rubrics'
import { rubricSum } from '../../core/grading/rubric'
import { formatHundredths } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { FindingLine } from '../parts/findings'
import { Grid } from '../parts/grid/grid'
import type { GridRow } from '../parts/grid/types'
import { useRows } from '../parts/grid/use-rows'
import { SelectInput } from '../parts/input'
import { Chip } from '../parts/marks'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { SumLine } from '../parts/sum-line'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useGo } from '../store/navigation'
import { LEVELS, useRubricColumns } from './rubric-columns'
import { RubricSheet } from './rubric-sheet'

export function RubricEditor({ rubric }: { rubric: Rubric }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const { select } = useGo()
  const [asLearner, setAsLearner] = useState(false)
  const index = indexCourse(view)
  const levels = index.levelsOf(rubric.id)
  const { total, wanted, unweighted } = rubricSum(index, rubric)
  const own = (useCourse((s) => s.byRecord.get(`rubric ${rubric.id}`)) ?? []).filter((f) => f.accepted === null)
  const may = store.may('rubric')
  const columns = useRubricColumns(rubric, levels)
  const rows = useRows(useCallback((plan: Blueprint) => rubricRows(plan, rubric.id), [rubric.id]))
  const whole = rubric.scale === 'percent' ? ' %' : ' points'
  return (
    <div>
      <div className="facts-row">
        <div style={{ flex: '1 1 200px' }}>
          <PlanField kind="rubric" record={rubric} field="title" label="Rubric" what={`title of ${rubric.title}`} />
        </div>
        <PlanChoice
          kind="rubric"
          record={rubric}
          field="scale"
          label="Criteria weigh"
          what={`scale of ${rubric.title}`}
          labels={{ points: 'points', percent: 'percent' }}
        />
        <Attach rubric={rubric} />
        <Button aria-pressed={asLearner} onClick={() => setAsLearner((on) => !on)}>
          {asLearner ? 'Edit' : 'As learners see it'}
        </Button>
        {may && (
          <>
            <Button onClick={() => store.edit('add-level', { what: rubric.title }, (edit) => void addLevel(edit, rubric.id, newId))}>
              Add level
            </Button>
            <Button
              onClick={() => {
                let id = ''
                store.edit('add-rubric', {}, (edit) => {
                  id = copyRubric(edit, rubric, newId)
                })
                if (id) select({ kind: 'rubric', id })
              }}
            >
              Copy
            </Button>
            <Button
              onClick={() => {
                if (store.edit('remove', { what: rubric.title }, (edit) => edit.remove({ kind: 'rubric', id: rubric.id }))) {
                  select(null)
                  store.say(`Removed ${rubric.title}; assessments that used it have no rubric now. Ctrl+Z brings it back.`, false)
                }
              }}
            >
              Remove
            </Button>
          </>
        )}
      </div>
      {asLearner ? (
        <div className="scroll-area">
          <RubricSheet rubric={rubric} />
        </div>
      ) : (
        <Grid
          label={`Rubric ${rubric.title}`}
          look="rubric"
          kind="criterion"
          rows={rows}
          columns={columns}
          readOnly={!may}
          make={makeRow}
          move={(edit, row, step) => moveInList(edit, 'criterion', row.id, step)}
          place={placeRow}
        />
      )}
      {own.map((f) => (
        <FindingLine key={f.key} finding={f} />
      ))}
      <SumLine
        label="Sum"
        parts={[
          ...(unweighted > 0
            ? [{ label: unweighted === 1 ? 'criterion has no weight' : 'criteria have no weight', value: String(unweighted), off: true }]
            : []),
          {
            label: `${whole.trim()} of all criteria`,
            value: formatHundredths(total),
            off: wanted !== null && total !== wanted && total > 0,
          },
          ...(wanted === null
            ? []
            : [{ label: rubric.scale === 'percent' ? 'wanted' : 'points of the assessment', value: formatHundredths(wanted) }]),
        ]}
      />
    </div>
  )
}

/** The levels, the criteria in order, and the row of each one that is added. */
const rubricRows = (plan: Blueprint, rubricId: string): GridRow[] => [
  LEVELS,
  ...indexCourse(plan)
    .criteriaOf(rubricId)
    .map(({ id }): GridRow => ({ key: id, type: 'data', id })),
  { key: 'new', type: 'new', id: rubricId },
]

function makeRow(edit: PlanEdit, row: GridRow): GridRow | null {
  if (!edit.now.rubric.has(row.id)) return null
  const id = addCriterion(edit, row.id, 'Criterion', newId)
  return { key: id, type: 'data', id }
}

function placeRow(edit: PlanEdit, { id }: GridRow, over: GridRow, after: boolean): void {
  const others = indexCourse(edit.now)
    .criteriaOf(edit.now.criterion.get(id)?.rubricId ?? '')
    .filter((c) => c.id !== id)
  const at = others.findIndex((c) => c.id === over.id)
  placeInList(edit, 'criterion', id, over.key === LEVELS.key ? 0 : at < 0 ? others.length : at + (after ? 1 : 0))
}

/** Which assessments are judged with a rubric, and a choice of one more. */
function Attach({ rubric }: { rubric: Rubric }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
  const users = index.assessmentsWith(rubric.id)
  const others = index.activities.filter((a) => {
    const assessment = index.assessmentOf(a.id)
    return assessment && assessment.rubricId !== rubric.id
  })
  const set = (activityId: string, rubricId: string | null) => {
    const activity = index.activity(activityId)
    if (activity)
      store.edit('set-field', { what: `rubric of ${index.numberOf(activityId)}` }, (edit) => setAssessment(edit, activity, { rubricId }))
  }
  return (
    <div className="labelled">
      <span>Used for</span>
      <div className="row" style={{ gap: 4, flexWrap: 'wrap' }}>
        {users.map((a) => (
          <span key={a.id} className="row" style={{ gap: 0 }}>
            <Chip kind="activity" number={index.numberOf(a.activityId)} onOpen={() => open({ kind: 'activity', id: a.activityId })} />
            {store.may('assessment') && (
              <IconButton name={`No longer use it for ${index.numberOf(a.activityId)}`} onClick={() => set(a.activityId, null)}>
                <RemoveIcon />
              </IconButton>
            )}
          </span>
        ))}
        {store.may('assessment') && others.length > 0 && (
          <div style={{ width: 130 }}>
            <SelectInput
              label="Use it for another assessment"
              hideLabel
              value=""
              options={[
                { value: '', label: users.length === 0 ? 'attach to…' : 'and…' },
                ...others.map((a) => ({ value: a.id, label: `${index.numberOf(a.id)} ${a.title}` })),
              ]}
              onChoose={(id) => id && set(id, rubric.id)}
            />
          </div>
        )}
      </div>
    </div>
  )
}
