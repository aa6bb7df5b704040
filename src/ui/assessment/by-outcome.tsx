/** What each outcome counts of the grade beside what was intended, with every step of the sum on demand. */

import './assessment.css'
import { DIFFERS_FROM, gradeByOutcome, type OutcomeShare } from '../../core/grading/by-outcome'
import { formatHundredths } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { Chip } from '../parts/marks'
import { useCourse } from '../store/course-store'
import { useGo } from '../store/navigation'

export function ByOutcome() {
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  const { shares, words } = gradeByOutcome(view)
  if (index.lanes.length === 0) return null
  const most = Math.max(10_00, ...shares.map((s) => Math.max(s.graded, s.intended ?? 0)))
  return (
    <section aria-label="Grade by outcome" className="by-outcome">
      <div className="row" style={{ marginBottom: 6 }}>
        <h2 style={{ fontSize: 15 }}>Grade by outcome</h2>
        <span className="muted small">bar: assessed · line: intended</span>
      </div>
      {shares.map((s) => (
        <Share key={s.laneId ?? 'none'} share={s} most={most} />
      ))}
      {words ? (
        <p className="muted">{words}</p>
      ) : (
        <p className="muted small">State the share intended for each outcome in Outcomes, and the two are compared here.</p>
      )}
    </section>
  )
}

function Share({ share, most }: { share: OutcomeShare; most: number }) {
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
  const { laneId, graded, intended, parts } = share
  const off = intended !== null && Math.abs(graded - intended) > DIFFERS_FROM
  const name = laneId === null ? 'no outcome' : index.numberOf(laneId)
  const percent = (hundredths: number) => formatHundredths(Math.round(hundredths / 10) * 10, 1)
  return (
    <details>
      <summary>
        <b className={laneId === null ? 'muted' : ''}>{name}</b>
        <span className="track" aria-hidden="true">
          <span
            style={{
              width: `${(graded / most) * 100}%`,
              background: laneId === null ? 'var(--edge)' : off ? 'var(--ochre)' : 'var(--moss)',
            }}
          />
          {intended !== null && <i style={{ left: `${(intended / most) * 100}%` }} />}
        </span>
        <span className={off ? 'off' : ''}>
          {percent(graded)} <span className="muted">{intended === null ? '%' : `of ${percent(intended)}`}</span>
        </span>
      </summary>
      {parts.length === 0 ? (
        <p className="muted small">Nothing that is graded assesses it.</p>
      ) : (
        <table className="small">
          <tbody>
            {parts.map((p) => (
              <tr key={`${p.activityId} ${p.objectiveId}`}>
                <td>
                  <Chip kind="activity" number={index.numberOf(p.activityId)} onOpen={() => open({ kind: 'activity', id: p.activityId })} />
                </td>
                <td>{index.activity(p.activityId)?.title}</td>
                <td>
                  {p.objectiveId === null ? (
                    <span className="muted">no objective</span>
                  ) : (
                    <Chip
                      kind="objective"
                      number={index.numberOf(p.objectiveId)}
                      onOpen={() => open({ kind: 'objective', id: p.objectiveId ?? '' })}
                    />
                  )}
                </td>
                <td className="r">{formatHundredths(Math.round(p.amount), 2)} %</td>
              </tr>
            ))}
          </tbody>
          <tfoot>
            <tr>
              <td />
              <td>Sum</td>
              <td />
              <td className="r">{formatHundredths(graded, 2)} %</td>
            </tr>
          </tfoot>
        </table>
      )}
    </details>
  )
}
