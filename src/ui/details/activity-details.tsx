/** What an activity rests on and leads to, above its other fields. */
import '../parts/findings.css'
import { proposedPurpose, purposeOf, STAGE_LETTER } from '../../core/alignment/proposals'
import { shortDate } from '../../core/calendar/plain-date'
import { scheduleOf } from '../../core/calendar/schedule'
import { gradeTable } from '../../core/grading/grade-table'
import { formatHundredths } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { Fold } from '../parts/fold'
import { Chip, PurposeShape } from '../parts/marks'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { useCourse } from '../store/course-store'
import { useGo } from '../store/navigation'
import { AssessmentDetails } from './assessment-details'
import { Pair } from './pair'
import { SeriesDetails } from './series-details'
import { TimeDetails } from './time-details'

export function ActivityDetails({ id }: { id: string }) {
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
  const activity = index.activity(id)
  if (!activity) return null
  const schedule = scheduleOf(view)
  const due = schedule?.dueOf(activity.id)
  const assessment = index.assessmentOf(activity.id)
  const effective = gradeTable(view).effectiveOf(activity.id)
  const links = index.alignmentsOf(activity.id)
  const outcomes = [...new Set(links.flatMap((a) => index.outcomesOf(a.objectiveId).map((o) => o.id)))]
  const number = index.numberOf(activity.id)
  const proposed = proposedPurpose(activity.kind)
  return (
    <section className="finding">
      <div className="row">
        <PurposeShape purpose={purposeOf(activity)} />
        <b>
          {number} {activity.title}
        </b>
      </div>
      <div className="muted">
        {[
          activity.kind ?? 'no kind yet',
          assessment?.points != null ? `${formatHundredths(assessment.points)} points` : null,
          effective > 0 ? `${formatHundredths(effective)} % of the grade` : null,
        ]
          .filter(Boolean)
          .join(' · ')}
      </div>
      <Pair label="Due">{due ? <b>{`${shortDate(due.date)}, ${due.time}`}</b> : 'no date'}</Pair>
      <div style={{ marginTop: 10 }}>
        <PlanChoice
          kind="activity"
          record={activity}
          field="purpose"
          label="Purpose"
          what={`purpose of ${number}`}
          none={proposed ? `${proposed} (proposed)` : 'none yet'}
        />
        <SeriesDetails activity={activity} />
        <AssessmentDetails activity={activity} />
        <TimeDetails activity={activity} />
        <PlanField kind="activity" record={activity} field="notes" label="Designer’s notes" what={`notes of ${number}`} />
      </div>
      <div className="muted">Serves</div>
      <div className="row" style={{ flexWrap: 'wrap', gap: 4 }}>
        {links.length === 0 && 'no objective yet'}
        {links.map((a) => (
          <Chip
            key={a.id}
            kind="objective"
            number={index.numberOf(a.objectiveId)}
            suffix={a.stages.map((s) => STAGE_LETTER[s]).join('')}
            onOpen={() => open({ kind: 'objective', id: a.objectiveId })}
          />
        ))}
        {links.length > 0 && (
          <Fold summary={<span className="muted small">What it asks for each</span>}>
            {links.map((a) => (
              <PlanChoice
                key={a.id}
                kind="alignment"
                record={a}
                field="demand"
                label={`Level asked of ${index.numberOf(a.objectiveId)}`}
                what={`level that ${number} asks of ${index.numberOf(a.objectiveId)}`}
                none="not said"
              />
            ))}
          </Fold>
        )}
        {outcomes.length > 0 && <span className="muted">through</span>}
        {outcomes.map((id) => (
          <Chip key={id} kind="outcome" number={index.numberOf(id)} onOpen={() => open({ kind: 'outcome', id })} />
        ))}
      </div>
    </section>
  )
}
