/** The hours that marking takes, by week, with the enrolment to try. */
import './assessment.css'
import Slider from '@mui/material/Slider'
import { type ReactNode, useState } from 'react'
import { courseOf } from '../../core/blueprint/blueprint'
import { dateSpan, dayAndMonth, shortDate } from '../../core/calendar/plain-date'
import { setAssessment } from '../../core/edits/activities'
import { markedBy, markingByWeek, RETURN_DAYS } from '../../core/hours/marking'
import { formatHundredths } from '../../core/numbers'
import { assumptionsOf } from '../../core/plan/assumptions'
import { currentOffering } from '../../core/plan/offering'
import { indexCourse } from '../../core/plan/plan-index'
import { BarChart } from '../parts/chart/bar-chart'
import { DraftField } from '../parts/draft-field'
import { FindingLine } from '../parts/findings'
import { PlanField } from '../parts/plan-field'
import { useCourse, useCourseStore } from '../store/course-store'

const hours = (minutes: number): string => `${(minutes / 60).toFixed(1)} h`

export function Marking({ views }: { views: ReactNode }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const findings = useCourse((s) => s.analysis?.findings)
  const offering = currentOffering(view)
  const [tried, setTried] = useState<number | null>(null)
  const index = indexCourse(view)
  const marking = markingByWeek(view, tried ?? undefined)
  if (!offering || !marking)
    return (
      <div className="work">
        <div className="bar">{views}</div>
        <p className="empty">Marking is spread over the weeks of an offering. Add one in Calendar first.</p>
      </div>
    )
  const learners = tried ?? offering.enrolment ?? 0
  const available = offering.markingHours === null ? null : (offering.markingHours / 100) * 60
  const isFull = (minutes: number) => available !== null && minutes > available
  const numbersOf = (ids: readonly string[]) => (ids.length > 0 ? `: ${ids.map((id) => index.numberOf(id)).join(', ')}` : '')
  const usual = assumptionsOf(view)('marking')
  const own = findings?.filter((f) => f.accepted === null && ['marking-over-available', 'feedback-too-late'].includes(f.code)) ?? []
  const others = index.assessments.flatMap((a) => {
    const activity = index.activity(a.activityId)
    return activity && !marking.work.some((w) => w.activityId === activity.id) && markedBy(activity, a) !== 'instructor'
      ? [{ activity, by: markedBy(activity, a) }]
      : []
  })
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Marking</h1>
        {views}
        <span className="muted small">
          {hours(marking.total)} in all for {learners} learners
          {marking.after > 0 && `, ${hours(marking.after)} of it after the last week`}
        </span>
      </div>
      <div className="scroll-area">
        <div className="facts-row" style={{ marginBottom: 14 }}>
          <div style={{ width: 330 }} className="labelled">
            <span id="enrolment-label">Learners: {learners}</span>
            <Slider
              size="small"
              aria-labelledby="enrolment-label"
              value={Math.min(learners, 300)}
              min={0}
              max={300}
              disabled={!store.may('offering')}
              onChange={(_, value) => setTried(value as number)}
              onChangeCommitted={(_, value) => {
                setTried(null)
                store.edit('set-field', { what: 'enrolment' }, (edit) => edit.set('offering', offering.id, { enrolment: value as number }))
              }}
            />
          </div>
          <div style={{ width: 110 }}>
            <PlanField kind="offering" record={offering} field="enrolment" label="Exactly" what="enrolment" right />
          </div>
          <div style={{ width: 190 }}>
            <PlanField
              kind="offering"
              record={offering}
              field="returnDays"
              label="Back within working days"
              what="return promise"
              right
              placeholder={`${RETURN_DAYS} (usual)`}
            />
          </div>
          <div style={{ width: 190 }}>
            <PlanField
              kind="offering"
              record={offering}
              field="markingHours"
              label="Hours a week to mark in"
              right
              placeholder="not said"
            />
          </div>
        </div>
        {own.map((f) => (
          <FindingLine key={f.key} finding={f} />
        ))}
        <div className="try-cols" style={{ gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr)' }}>
          <BarChart
            heading="Marking by week"
            name={`${courseOf(view).code ?? courseOf(view).title} marking by week`}
            unit="h"
            labelWidth={150}
            legend={available === null ? [] : [{ mark: 'var(--ink)', word: 'line: hours there are' }]}
            bars={marking.weeks.map((w) => ({
              key: w.week.first,
              label: w.week.number === null ? (w.week.breakTitle ?? 'Break') : `Week ${w.week.number}`,
              about: dayAndMonth(w.week.first),
              parts: [{ key: 'marking', value: w.minutes / 60, fill: isFull(w.minutes) ? 'var(--ochre)' : 'var(--river)' }],
              mark: available === null ? null : available / 60,
              text: w.minutes > 0 ? hours(w.minutes) : '–',
              off: isFull(w.minutes),
              says: `Week of ${dateSpan(w.week.first, w.week.last)}: ${hours(w.minutes)} of marking${numbersOf(w.activityIds)}`,
            }))}
            table={{
              head: ['Week', 'Dates', 'Hours', 'Of'],
              rows: [
                ...marking.weeks.map((w) => [
                  String(w.week.number ?? w.week.breakTitle),
                  dateSpan(w.week.first, w.week.last),
                  hours(w.minutes),
                  w.activityIds.map((id) => index.numberOf(id)).join(', '),
                ]),
                ...(marking.after > 0 ? [['After the last week', '', hours(marking.after), '']] : []),
              ],
            }}
            note={marking.after > 0 && <p className="muted small">After the last week: {hours(marking.after)}.</p>}
          />
          <table className="sheet">
            <caption className="visually-hidden">What is marked</caption>
            <thead>
              <tr>
                <th scope="col">Work</th>
                <th scope="col" className="r" style={{ width: 100 }}>
                  Min each
                </th>
                <th scope="col" className="r">
                  Hours
                </th>
                <th scope="col">Due</th>
                <th scope="col">Back by</th>
              </tr>
            </thead>
            <tbody>
              {marking.work.map((w) => {
                const activity = index.activity(w.activityId)
                const assessment = index.assessmentOf(w.activityId)
                return (
                  <tr key={w.activityId} className="item">
                    <th scope="row" style={{ paddingLeft: 8 }}>
                      {index.numberOf(w.activityId)} {activity?.title}
                    </th>
                    <td className="r">
                      <DraftField
                        label={`Minutes to mark one submission of ${index.numberOf(w.activityId)}`}
                        hideLabel
                        right
                        boxed={false}
                        disabled={!store.may('assessment')}
                        placeholder={`${usual} (usual)`}
                        value={assessment?.markingMinutes == null ? '' : String(assessment.markingMinutes)}
                        onCommit={(text) => {
                          const typed = text.replace(/\s*min$/, '').trim()
                          const minutes = typed === '' ? null : Number(typed)
                          if (minutes !== null && !(Number.isInteger(minutes) && minutes >= 0 && minutes <= 1000))
                            return 'Whole minutes from 0 to 1000.'
                          store.edit('set-field', { what: `marking time of ${index.numberOf(w.activityId)}` }, (edit) => {
                            if (activity) setAssessment(edit, activity, { markingMinutes: minutes })
                          })
                          return null
                        }}
                      />
                    </td>
                    <td className="r">{hours(w.minutes)}</td>
                    <td className="nowrap">{shortDate(w.due)}</td>
                    <td className="nowrap">{shortDate(w.back)}</td>
                  </tr>
                )
              })}
              {marking.work.length === 0 && (
                <tr>
                  <td colSpan={5} className="muted">
                    Nothing with a due date is marked by an instructor yet.
                  </td>
                </tr>
              )}
            </tbody>
          </table>
        </div>
        <p className="muted small">
          Work counts from the working day after it is due and is spread over the return promise, closed days left out.{' '}
          {others.length > 0 &&
            `Not marked by an instructor: ${others.map((o) => `${index.numberOf(o.activity.id)} (${o.by})`).join(', ')}.`}{' '}
          Where no minutes are set, {formatHundredths(usual * 100)} are assumed.
        </p>
      </div>
    </div>
  )
}
