/** What each outcome counts of the grade beside what was intended, with every step of the sum on demand. */
import './assessment.css'
import { useState } from 'react'
import { courseOf } from '../../core/blueprint/blueprint'
import { DIFFERS_FROM, gradeByOutcome, type OutcomeShare } from '../../core/grading/by-outcome'
import { formatHundredths } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { BarChart } from '../parts/chart/bar-chart'
import { Chip } from '../parts/marks'
import { useCourse } from '../store/course-store'
import { useGo } from '../store/navigation'

const percent = (hundredths: number): string => formatHundredths(Math.round(hundredths / 10) * 10, 1)
const isOff = ({ graded, intended }: OutcomeShare): boolean => intended !== null && Math.abs(graded - intended) > DIFFERS_FROM
const keyOf = (share: OutcomeShare): string => share.laneId ?? 'none'

export function ByOutcome() {
  const view = useCourse((s) => s.view)
  const [shown, setShown] = useState<string | null>(null)
  const index = indexCourse(view)
  const { shares, words } = gradeByOutcome(view)
  if (index.lanes.length === 0) return null
  const nameOf = (s: OutcomeShare) => (s.laneId === null ? 'no outcome' : index.numberOf(s.laneId))
  const chosen = shares.find((s) => keyOf(s) === shown)
  const course = courseOf(view)
  return (
    <div className="by-outcome">
      <BarChart
        heading="Grade by outcome"
        name={`${course.code ?? course.title} grade by outcome`}
        unit="%"
        labelWidth={88}
        least={10}
        legend={[
          { mark: 'var(--moss)', word: 'assessed' },
          { mark: 'var(--ink)', word: 'line: intended' },
        ]}
        bars={shares.map((s) => ({
          key: keyOf(s),
          label: nameOf(s),
          parts: [
            {
              key: 'graded',
              value: s.graded / 100,
              fill: s.laneId === null ? 'var(--edge)' : isOff(s) ? 'var(--ochre)' : 'var(--moss)',
            },
          ],
          mark: s.intended === null ? null : s.intended / 100,
          text: s.intended === null ? `${percent(s.graded)} %` : `${percent(s.graded)} of ${percent(s.intended)}`,
          off: isOff(s),
          says: `${nameOf(s)}: ${percent(s.graded)} % of the grade${s.intended === null ? '' : `, ${percent(s.intended)} % intended`}. Enter shows the sum.`,
          onOpen: () => setShown(shown === keyOf(s) ? null : keyOf(s)),
        }))}
        table={{
          head: ['Outcome', 'Assessed, %', 'Intended, %'],
          rows: shares.map((s) => [nameOf(s), percent(s.graded), s.intended === null ? '' : percent(s.intended)]),
        }}
        note={
          <p className={words ? 'muted' : 'muted small'}>
            {words || 'State the share intended for each outcome in Outcomes, and the two are compared here.'}
          </p>
        }
      />
      <div aria-live="polite">{chosen && <SumOf share={chosen} name={nameOf(chosen)} />}</div>
    </div>
  )
}

/** Every step of the sum of one outcome. */
function SumOf({ share, name }: { share: OutcomeShare; name: string }) {
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
  if (share.parts.length === 0) return <p className="muted small">{name}: nothing that is graded assesses it.</p>
  return (
    <table className="sheet small sum-of">
      <caption>What {name} counts</caption>
      <tbody>
        {share.parts.map((p) => (
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
            <td className="r">{formatHundredths(p.amount, 2)} %</td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <td />
          <td>Sum</td>
          <td />
          <td className="r">{formatHundredths(share.graded, 2)} %</td>
        </tr>
      </tfoot>
    </table>
  )
}
