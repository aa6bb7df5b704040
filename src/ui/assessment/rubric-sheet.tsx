/** A rubric as learners read it. */
import './assessment.css'
import { linkId } from '../../core/blueprint/ids'
import type { Rubric } from '../../core/blueprint/kinds'
import { markText, rubricSum } from '../../core/grading/rubric'
import { formatHundredths } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { useCourse } from '../store/course-store'

export function RubricSheet({ rubric }: { rubric: Rubric }) {
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  const levels = index.levelsOf(rubric.id)
  const criteria = index.criteriaOf(rubric.id)
  const unit = rubric.scale === 'percent' ? ' %' : ''
  const { total } = rubricSum(index, rubric)
  return (
    <table className="rubric-sheet">
      <caption style={{ textAlign: 'left', padding: '2px 0 8px', font: "600 18px 'Literata Variable',Georgia,serif" }}>
        {rubric.title}
        {index
          .assessmentsWith(rubric.id)
          .map((a) => ` · ${index.activity(a.activityId)?.title ?? ''}`)
          .join('')}
      </caption>
      <thead>
        <tr>
          <th scope="col">What is looked at</th>
          {levels.map((l) => (
            <th key={l.id} scope="col">
              {l.title}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {criteria.map((c) => (
          <tr key={c.id}>
            <th scope="row">
              {c.title}
              {c.weight !== null && <div className="muted">{`up to ${formatHundredths(c.weight)}${unit || ' points'}`}</div>}
              {c.critical && <div className="muted">must be met</div>}
              {index.objectivesOfCriterion(c.id).map((o) => (
                <div key={o.id} className="muted small" style={{ fontWeight: 400 }}>
                  {o.statement}
                </div>
              ))}
            </th>
            {levels.map((l) => (
              <td key={l.id}>
                {view.descriptor.get(linkId([c.id, l.id]))?.text}
                {c.weight !== null && rubric.form !== 'single-point' && (
                  <div className="muted small">
                    {markText(c.weight, l.value)}
                    {unit}
                  </div>
                )}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
      {total > 0 && (
        <tfoot>
          <tr>
            <th scope="row">In all</th>
            <td colSpan={levels.length}>
              {formatHundredths(total)}
              {unit || ' points'}
            </td>
          </tr>
        </tfoot>
      )}
    </table>
  )
}
