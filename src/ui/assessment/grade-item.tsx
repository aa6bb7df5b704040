/** One assessment in the table of the grade. */

import MoreIcon from '@mui/icons-material/MoreHoriz'
import ButtonBase from '@mui/material/ButtonBase'
import { LineButton } from '../parts/line-button'
import './assessment.css'
import { memo } from 'react'
import { purposeOf } from '../../core/alignment/proposals'
import { setAssessment, writeActivityCell } from '../../core/edits/activities'
import type { GradedItem } from '../../core/grading/grade-table'
import { formatHundredths } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { DraftField } from '../parts/draft-field'
import { SelectInput } from '../parts/input'
import { PurposeShape } from '../parts/marks'
import { PlanChoice } from '../parts/plan-field'
import { useCourse, useCourseStore } from '../store/course-store'
import { useGo } from '../store/navigation'

type Props = { readonly item: GradedItem; readonly dropping: boolean }

export const ItemRow = memo(function ItemRow({ item, dropping }: Props) {
  const store = useCourseStore()
  const { open, select, panel } = useGo()
  const view = useCourse((s) => s.view)
  const categories = indexCourse(view).categories
  const { activity, assessment, number } = item
  const may = store.may('assessment')
  return (
    <tr className="item" data-record={`assessment ${assessment.id}`}>
      <th scope="row">
        <span className="row grade-item">
          <LineButton className="plain" onClick={() => open({ kind: 'activity', id: activity.id })}>
            <PurposeShape purpose={purposeOf(activity)} /> {number} {activity.title}
          </LineButton>
          <Tags item={item} />
          <LineButton
            className="plain more"
            aria-label={`Details of ${number}`}
            tip="Details"
            onClick={() => {
              select({ kind: 'assessment', id: assessment.id })
              panel('details')
            }}
          >
            <MoreIcon fontSize="small" />
          </LineButton>
        </span>
      </th>
      <td>
        <PlanChoice
          kind="assessment"
          record={assessment}
          field="function"
          label={`Function of ${number}`}
          what={`function of ${number}`}
          hideLabel
          boxed={false}
        />
      </td>
      <td>
        <SelectInput
          label={`Category of ${number}`}
          hideLabel
          boxed={false}
          disabled={!may}
          value={assessment.categoryId ?? ''}
          options={[{ value: '', label: 'none' }, ...categories.map((c) => ({ value: c.id, label: c.title }))]}
          onChoose={(value) =>
            store.edit('set-field', { what: `category of ${number}` }, (edit) =>
              setAssessment(edit, activity, { categoryId: value || null }),
            )
          }
        />
      </td>
      <td className="r">
        <DraftField
          label={`Points of ${number}`}
          hideLabel
          right
          boxed={false}
          disabled={!may}
          placeholder="–"
          value={assessment.points === null ? '' : formatHundredths(assessment.points)}
          onCommit={(text) => {
            let refused: string | null = null
            store.edit('set-field', { what: `points of ${number}` }, (edit) => {
              refused = writeActivityCell(edit, activity.id, 'points', text, null)
            })
            return refused
          }}
        />
      </td>
      <td />
      <td className="r">
        {item.extra === null ? `${formatHundredths(item.effective, 2)} %` : `+ ${formatHundredths(item.extra, 2)} %`}
        {dropping && item.extra === null && (
          <div className="muted small" data-tip="What it counts when it is not among the results that are dropped">
            {formatHundredths(Math.round(item.whenKept), 2)} % kept
          </div>
        )}
      </td>
    </tr>
  )
})

/** What is special about how an assessment counts. */
function Tags({ item: { assessment } }: { item: GradedItem }) {
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const rubric = assessment.rubricId === null ? undefined : view.rubric.get(assessment.rubricId)
  return (
    <>
      {assessment.extraCredit && <span className="tag">extra credit</span>}
      {assessment.graded === 'satisfactory' && <span className="tag">satisfactory or not yet</span>}
      {assessment.graded === 'letter' && <span className="tag">by letter</span>}
      {assessment.hurdle !== null && <span className="tag">pass from {formatHundredths(assessment.hurdle)} %</span>}
      {rubric && (
        <ButtonBase
          className="tag"
          style={{ cursor: 'pointer', background: 'none' }}
          aria-label={`Rubric: ${rubric.title}`}
          onClick={() => open({ kind: 'rubric', id: rubric.id })}
        >
          rubric
        </ButtonBase>
      )}
    </>
  )
}
