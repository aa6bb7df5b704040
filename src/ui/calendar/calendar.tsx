/** The offering's days and the schedule by week that follows from them. */

import { LineButton } from '../parts/line-button'
import './calendar.css'
import { useMemo } from 'react'
import { purposeOf } from '../../core/alignment/proposals'
import { courseOf, recordsOf } from '../../core/blueprint/blueprint'
import { ruleText } from '../../core/blueprint/kinds/due-rule'
import { dateSpan, longDate, shortDate } from '../../core/calendar/plain-date'
import { DEFAULT_DUE_TIME, type Schedule, scheduleOf } from '../../core/calendar/schedule'
import type { Week } from '../../core/calendar/term'
import { hoursByWeek, targetText, type WeeklyTarget, weeklyTarget } from '../../core/hours/by-week'
import { countOf, formatHundredths } from '../../core/numbers'
import { currentOffering } from '../../core/plan/offering'
import { indexCourse } from '../../core/plan/plan-index'
import { laterFrom } from '../parts/later'
import { PurposeShape, WeightMark } from '../parts/marks'
import { Segments } from '../parts/segments'
import { Waiting } from '../parts/waiting'
import { useCourse, useModuleWord } from '../store/course-store'
import { useChoice, useGo, useRevealSelected, useSelected } from '../store/navigation'
import { HoursBar } from './hours-bar'
import { TermGrid } from './term-grid'

/** Views beside the weeks come when they are opened. */
const Hours = laterFrom(
  () => import('./hours'),
  (m) => m.Hours,
  <Waiting lines={8} />,
)
const OfferingForms = laterFrom(
  () => import('./offering-form'),
  (m) => m.OfferingForms,
  <Waiting lines={8} />,
)

export function CalendarWorkspace() {
  const view = useCourse((s) => s.view)
  const [chosen, choose] = useChoice('show', ['weeks', 'agenda', 'hours'])
  const selected = useSelected()
  useRevealSelected(true)
  // The days of the offering are in one place.
  const show = selected && ['offering', 'calendarRule'].includes(selected.kind) ? 'agenda' : chosen
  const offering = currentOffering(view)
  const schedule = scheduleOf(view)
  if (!offering || !schedule)
    return (
      <div className="work">
        <p className="empty">Dates belong to an offering: one run of the course. This course has none.</p>
      </div>
    )
  const { term } = schedule
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">{offering.term}</h1>
        <Segments
          label="Views of the calendar"
          value={show}
          options={[
            { value: 'weeks', label: 'Weeks' },
            { value: 'agenda', label: 'Agenda and days' },
            { value: 'hours', label: 'Hours' },
          ]}
          onChoose={choose}
        />
        <span className="muted small">
          {offering.term}: {longDate(term.firstDay)} to {longDate(term.lastDay)} ·{' '}
          {countOf(term.weeks.filter((w) => w.number !== null).length, 'week')} · times in {offering.timeZone}
        </span>
      </div>
      <div className="scroll-area">
        {show === 'weeks' && <TermGrid schedule={schedule} />}
        {show === 'hours' && <Hours />}
        {show === 'agenda' && (
          <div className="two">
            <Weeks schedule={schedule} />
            <aside aria-label="Days of the offering">
              <OfferingForms offering={offering} />
            </aside>
          </div>
        )}
      </div>
    </div>
  )
}

function Weeks({ schedule }: { schedule: Schedule }) {
  const word = useModuleWord()
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  const { term } = schedule
  const dated = index.activities.flatMap((a) => {
    const due = schedule.dueOf(a.id)
    return due ? [{ activity: a, due }] : []
  })
  const outside = dated.filter(({ due }) => !term.weeks.some((w) => w.first <= due.date && due.date <= w.last))
  const hours = useMemo(() => hoursByWeek(view), [view])
  const target = weeklyTarget(courseOf(view))
  const most = Math.max(1, target?.max ?? 0, ...hours.weeks.map((w) => w.minutes / 60))
  const unresolved = schedule.unresolved.flatMap((u) => indexCourse(view).activity(u.activityId) ?? [])
  return (
    <section aria-label="Schedule by week">
      <table className="sheet">
        <thead>
          <tr>
            <th scope="col" style={{ width: 140 }}>
              Week
            </th>
            <th scope="col" style={{ width: 138 }}>
              {word.One}
            </th>
            <th scope="col">Due</th>
            <th scope="col" className="r" style={{ width: 124 }}>
              Hours{target && <span className="muted"> of {targetText(target)}</span>}
            </th>
          </tr>
        </thead>
        <tbody>
          {term.weeks.map((week, i) => (
            <WeekRow
              key={week.first}
              week={week}
              hours={(hours.weeks[i]?.minutes ?? 0) / 60}
              most={most}
              target={target}
              schedule={schedule}
              due={dated.filter(({ due }) => week.first <= due.date && due.date <= week.last)}
            />
          ))}
          {(outside.length > 0 || unresolved.length > 0) && (
            <tr>
              <th scope="row">
                <span className="weight fix">Outside the term</span>
              </th>
              <td />
              <td colSpan={2}>
                {outside.map(({ activity, due }) => (
                  <DueItem key={activity.id} id={activity.id} text={`${shortDate(due.date)}, ${due.time}`} />
                ))}
                {unresolved.map((a) => (
                  <DueItem key={a.id} id={a.id} text={a.dueRule ? ruleText(a.dueRule, term.offering.weekStart) : ''} />
                ))}
              </td>
            </tr>
          )}
        </tbody>
      </table>
      {dated.length === 0 && unresolved.length === 0 && (
        <p className="empty">
          No activity has a due rule yet. Type one in the Due column of the map, such as “Sun wk 1”: it means the Sunday of the module’s
          first week, in every term.
        </p>
      )}
    </section>
  )
}

function WeekRow({
  week,
  schedule,
  due,
  hours,
  most,
  target,
}: {
  week: Week
  schedule: Schedule
  due: readonly { activity: { id: string }; due: { date: string; time: string } }[]
  /** Learner hours of the week, the most of any, and the upper end of the target. */
  hours: number
  most: number
  target: WeeklyTarget
}) {
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
  const modules = index.modules.filter((m) => {
    const span = schedule.spanOf(m.id)
    return week.number !== null && span && span.first <= week.first && week.last <= span.last
  })
  const closed = recordsOf(view, 'calendarRule').filter(
    (r) =>
      r.offeringId === schedule.term.offering.id && r.firstDate <= week.last && r.lastDate >= week.first && r.title !== week.breakTitle,
  )
  const sorted = [...due].sort((a, b) => (`${a.due.date}${a.due.time}` < `${b.due.date}${b.due.time}` ? -1 : 1))
  return (
    <tr className={week.number === null ? 'closed-mark' : ''}>
      <th scope="row">
        <b>{week.number === null ? 'Break' : week.number}</b> <span className="muted nowrap">{dateSpan(week.first, week.last)}</span>
      </th>
      <td>
        {modules.map((m) => (
          <LineButton key={m.id} className="plain" onClick={() => open({ kind: 'module', id: m.id })}>
            {index.numberOf(m.id)} {m.title}
          </LineButton>
        ))}
      </td>
      <td>
        {week.number === null && <span className="muted">{week.breakTitle}, week not counted</span>}
        {closed.map((r) => (
          <div key={r.id} className="muted">
            <span className="closed-mark" style={{ padding: '0 6px' }}>
              closed
            </span>{' '}
            {r.firstDate === r.lastDate ? shortDate(r.firstDate) : dateSpan(r.firstDate, r.lastDate)}: {r.title}
          </div>
        ))}
        {sorted.map(({ activity, due: d }) => (
          <DueItem
            key={activity.id}
            id={activity.id}
            text={`${shortDate(d.date)}${d.time === (schedule.term.offering.dueTime ?? DEFAULT_DUE_TIME) ? '' : `, ${d.time}`}`}
          />
        ))}
      </td>
      <td className="r">
        <HoursBar hours={hours} most={most} target={target} counts={week.number !== null} />
      </td>
    </tr>
  )
}

function DueItem({ id, text }: { id: string; text: string }) {
  const view = useCourse((s) => s.view)
  const findings = useCourse((s) => s.byRecord.get(`activity ${id}`))
  const { open } = useGo()
  const activity = indexCourse(view).activity(id)
  if (!activity) return null
  const index = indexCourse(view)
  const points = index.assessmentOf(id)?.points
  const worst = findings?.find((f) => f.workspace === 'calendar' && f.accepted === null)
  return (
    <LineButton
      className="plain due-item"
      data-record={`activity ${id}`}
      onClick={() => open({ kind: 'activity', id })}
      tip={worst?.message}
    >
      <span style={{ minWidth: 92 }}>{text}</span>
      <PurposeShape purpose={purposeOf(activity)} label />
      <span>
        {index.numberOf(id)} {activity.title}
      </span>
      {points != null && <span className="muted">{formatHundredths(points)} points</span>}
      {worst && <WeightMark weight={worst.weight} />}
    </LineButton>
  )
}
