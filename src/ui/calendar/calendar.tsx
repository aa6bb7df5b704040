/** The offering's days and the schedule by week that follows from them. */

import { purposeOf } from '../../core/alignment/proposals'
import { recordsOf } from '../../core/blueprint/blueprint'
import type { CalendarRule, Offering } from '../../core/blueprint/kinds'
import { indexCourse } from '../../core/blueprint/plan-index'
import { addDays, dateSpan, daysBetween, longDate, shortDate } from '../../core/calendar/plain-date'
import { currentOffering, DEFAULT_DUE_TIME, ruleText, type Schedule, scheduleOf } from '../../core/calendar/schedule'
import type { Week } from '../../core/calendar/term'
import { countOf, formatHundredths } from '../../core/numbers'
import { ChoiceField } from '../parts/fields'
import { PurposeShape, WeightMark } from '../parts/marks'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useGo, useRevealSelected } from '../store/navigation'

export function CalendarWorkspace() {
  const view = useCourse((s) => s.view)
  useRevealSelected(true)
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
        <h1>{offering.term}</h1>
        <span className="muted small">
          {longDate(term.firstDay)} to {longDate(term.lastDay)} · {countOf(term.weeks.filter((w) => w.number !== null).length, 'week')} ·
          times in {offering.timeZone}
        </span>
      </div>
      <div className="scroll-area">
        <div className="two">
          <Weeks schedule={schedule} />
          <aside aria-label="Days of the offering">
            <OfferingForm offering={offering} />
            <Rules offering={offering} />
          </aside>
        </div>
      </div>
    </div>
  )
}

function Weeks({ schedule }: { schedule: Schedule }) {
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  const { term } = schedule
  const dated = index.activities.flatMap((a) => {
    const due = schedule.dueOf(a.id)
    return due ? [{ activity: a, due }] : []
  })
  const outside = dated.filter(({ due }) => !term.weeks.some((w) => w.first <= due.date && due.date <= w.last))
  const unresolved = schedule.unresolved.flatMap((u) => view.activity.get(u.activityId) ?? [])
  return (
    <section aria-label="Schedule by week">
      <table className="sheet">
        <thead>
          <tr>
            <th scope="col" style={{ width: 148 }}>
              Week
            </th>
            <th scope="col" style={{ width: 170 }}>
              Module
            </th>
            <th scope="col">Due</th>
          </tr>
        </thead>
        <tbody>
          {term.weeks.map((week) => (
            <WeekRow
              key={week.first}
              week={week}
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
              <td>
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
}: {
  week: Week
  schedule: Schedule
  due: readonly { activity: { id: string }; due: { date: string; time: string } }[]
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
          <button key={m.id} type="button" className="plain" onClick={() => open({ kind: 'module', id: m.id })}>
            {index.numberOf(m.id)} {m.title}
          </button>
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
    </tr>
  )
}

function DueItem({ id, text }: { id: string; text: string }) {
  const view = useCourse((s) => s.view)
  const findings = useCourse((s) => s.byRecord.get(`activity ${id}`))
  const { open } = useGo()
  const activity = view.activity.get(id)
  if (!activity) return null
  const index = indexCourse(view)
  const points = index.assessmentOf(id)?.points
  const worst = findings?.find((f) => f.workspace === 'calendar' && f.accepted === null)
  return (
    <button
      type="button"
      className="plain due-item"
      data-record={`activity ${id}`}
      onClick={() => open({ kind: 'activity', id })}
      title={worst?.message}
    >
      <span style={{ minWidth: 92 }}>{text}</span>
      <PurposeShape purpose={purposeOf(activity)} label />
      <span>
        {index.numberOf(id)} {activity.title}
      </span>
      {points != null && <span className="muted">{formatHundredths(points)} points</span>}
      {worst && <WeightMark weight={worst.weight} />}
    </button>
  )
}

const ZONES = [
  'UTC',
  'Europe/London',
  'Europe/Berlin',
  'Europe/Athens',
  'America/New_York',
  'America/Chicago',
  'America/Denver',
  'America/Los_Angeles',
  'America/Sao_Paulo',
  'Africa/Lagos',
  'Africa/Nairobi',
  'Asia/Kolkata',
  'Asia/Singapore',
  'Asia/Tokyo',
  'Australia/Sydney',
  'Pacific/Auckland',
]

function OfferingForm({ offering }: { offering: Offering }) {
  const store = useCourseStore()
  const course = useCourse((s) => s.view.course.get('course'))
  const may = store.may('offering')
  const set = (what: string, to: Partial<Offering>) => store.edit('set-field', { what }, (edit) => edit.set('offering', offering.id, to))
  const { firstDay, lastDay } = offering
  return (
    <section className="card" data-record={`offering ${offering.id}`}>
      <h2>Offering</h2>
      <PlanField kind="offering" record={offering} field="term" label="Term" />
      <div className="pair">
        <PlanField
          kind="offering"
          record={offering}
          field="firstDay"
          label="First day"
          check={(day) => (lastDay !== null && day !== null && day > lastDay ? 'The first day lies after the last.' : null)}
        />
        <PlanField
          kind="offering"
          record={offering}
          field="lastDay"
          label="Last day, if another"
          check={(day) => (day !== null && day < firstDay ? 'The last day lies before the first.' : null)}
        />
      </div>
      <div className="pair">
        {course && <PlanField kind="course" record={course} field="weeks" label="Weeks of the course" />}
        <PlanField kind="offering" record={offering} field="dueTime" label="Usual due time" shown={offering.dueTime ?? DEFAULT_DUE_TIME} />
      </div>
      <div className="pair">
        <PlanChoice
          kind="offering"
          record={offering}
          field="weekStart"
          label="Week starts on"
          labels={{ monday: 'Monday', sunday: 'Sunday' }}
        />
        <ChoiceField
          label="Time zone"
          value={offering.timeZone}
          disabled={!may}
          options={[...new Set([offering.timeZone, ...ZONES])].map((z) => ({ value: z, label: z }))}
          onChoose={(v) => v && set('time zone', { timeZone: v })}
        />
      </div>
      <label className="row">
        <input
          type="checkbox"
          checked={offering.countBreaks}
          disabled={!may}
          onChange={(e) => set('counting of breaks', { countBreaks: e.target.checked })}
        />{' '}
        Give break weeks a number
      </label>
    </section>
  )
}

function Rules({ offering }: { offering: Offering }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const may = store.may('calendarRule')
  const rules = recordsOf(view, 'calendarRule')
    .filter((r) => r.offeringId === offering.id)
    .sort((a, b) => (a.firstDate + a.id < b.firstDate + b.id ? -1 : 1))
  const add = (kind: CalendarRule['kind']) =>
    store.edit('add-rule', {}, (edit) => {
      const firstDate = addDays(offering.firstDay, 7)
      edit.create('calendarRule', {
        id: newId(),
        offeringId: offering.id,
        kind,
        title: kind === 'break' ? 'Break' : 'Closed',
        firstDate,
        lastDate: kind === 'break' ? addDays(firstDate, 6) : firstDate,
      })
    })
  return (
    <section className="card">
      <h2>Breaks and closed days</h2>
      {rules.length === 0 && (
        <p className="muted">
          None yet. A whole week of break is left out of the count; a closed day is one on which nothing should be due.
        </p>
      )}
      {rules.map((r) => (
        <RuleForm key={r.id} rule={r} may={may} />
      ))}
      {may && (
        <div className="row">
          <button type="button" className="btn" onClick={() => add('break')}>
            Add a break
          </button>
          <button type="button" className="btn" onClick={() => add('closed')}>
            Add a closed day
          </button>
        </div>
      )}
    </section>
  )
}

function RuleForm({ rule, may }: { rule: CalendarRule; may: boolean }) {
  const store = useCourseStore()
  const length = daysBetween(rule.firstDate, rule.lastDate)
  return (
    <fieldset
      data-record={`calendarRule ${rule.id}`}
      style={{ border: 0, borderBottom: '1px solid var(--line)', margin: '0 0 10px', padding: '0 0 2px' }}
    >
      <legend className="visually-hidden">{rule.title}</legend>
      <div className="row">
        <span className="grow">
          <PlanField kind="calendarRule" record={rule} field="title" label={`Title of ${rule.title}`} what={rule.title} hideLabel />
        </span>
        <span className="muted">{rule.kind === 'break' ? 'break' : 'closed'}</span>
        {may && (
          <button
            type="button"
            className="btn"
            aria-label={`Remove ${rule.title}`}
            onClick={() => store.edit('remove', { what: rule.title }, (edit) => edit.remove({ kind: 'calendarRule', id: rule.id }))}
          >
            ✕
          </button>
        )}
      </div>
      <div className="pair" style={{ marginTop: 4 }}>
        <PlanField
          kind="calendarRule"
          record={rule}
          field="firstDate"
          label="First day"
          what={`first day of ${rule.title}`}
          also={(day) => ({ lastDate: addDays(String(day), length) })}
        />
        <PlanField
          kind="calendarRule"
          record={rule}
          field="lastDate"
          label="Last day"
          what={`last day of ${rule.title}`}
          check={(day) => (day !== null && day < rule.firstDate ? 'The last day lies before the first.' : null)}
        />
      </div>
    </fieldset>
  )
}
