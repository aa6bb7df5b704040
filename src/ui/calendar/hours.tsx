/** The hours of the course: against its credits, by week, by kind, and what they are estimated with. */
import './calendar.css'
import { courseOf } from '../../core/blueprint/blueprint'
import { readField } from '../../core/blueprint/field-text'
import { linkId } from '../../core/blueprint/ids'
import { fieldOf } from '../../core/blueprint/kinds'
import { ASSUMPTIONS, type AssumptionName } from '../../core/blueprint/kinds/assumption'
import { dateSpan } from '../../core/calendar/plain-date'
import { hoursByWeek, weeklyTarget } from '../../core/hours/by-week'
import { CREDIT_TOLERANCE, contactHours, requiredHours } from '../../core/hours/credit'
import { countOf, formatHundredths } from '../../core/numbers'
import { ASSUMPTION_DEFAULTS } from '../../core/plan/assumptions'
import { indexCourse } from '../../core/plan/plan-index'
import { CREDIT_LABELS } from '../../core/syllabus/assemble'
import { DraftField } from '../parts/fields'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { useCourse, useCourseStore } from '../store/course-store'
import { WeekHoursBar } from './week-hours'

const hoursText = (minutes: number): string => `${(minutes / 60).toFixed(1)} h`

export function Hours() {
  const view = useCourse((s) => s.view)
  const course = courseOf(view)
  const hours = hoursByWeek(view)
  const required = requiredHours(course)
  const contact = contactHours(view)
  const total = hours.total / 60
  const off = required !== null && (total < required.least * (1 - CREDIT_TOLERANCE) || total > required.most * (1 + CREDIT_TOLERANCE))
  const target = weeklyTarget(course)
  const most = Math.max(1, (target?.max ?? 0) * 1.1, ...hours.weeks.map((w) => w.minutes / 60))
  return (
    <div className="two" style={{ gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr)' }}>
      <div>
        <section className="card" aria-label="Hours against credits">
          <h2>
            {total.toFixed(0)} h planned
            {required && (
              <span className={off ? 'weight check' : 'muted'}>
                {' '}
                of {required.least === required.most ? required.least : `${required.least}–${required.most}`} h
              </span>
            )}
          </h2>
          <div className="facts-row">
            <PlanChoice kind="course" record={course} field="creditSystem" label="Credits are" labels={CREDIT_LABELS} />
            <div style={{ width: 90 }}>
              <PlanField kind="course" record={course} field="credits" label="Credits" right />
            </div>
            <div style={{ width: 110 }}>
              <PlanField kind="course" record={course} field="weeklyHoursMin" label="Hours a week" right />
            </div>
            <div style={{ width: 90 }}>
              <PlanField kind="course" record={course} field="weeklyHoursMax" label="to" right />
            </div>
            <div style={{ width: 150 }}>
              <PlanField kind="course" record={course} field="contactHour" label="Min in a contact hour" right placeholder="60" />
            </div>
          </div>
          <p className="muted" style={{ marginBottom: 0 }}>
            Instruction {hoursText(contact.minutes.instruction)} ({contact.contactHours.toFixed(1)} contact hours), guided work{' '}
            {hoursText(contact.minutes.guided)}, independent work {hoursText(contact.minutes.independent)}. An activity’s details say what
            its time counts as.
            {hours.undated > 0 && ` ${hoursText(hours.undated)} belong to modules without weeks.`}
          </p>
        </section>
        <table className="sheet">
          <caption className="visually-hidden">Learner hours by week</caption>
          <thead>
            <tr>
              <th scope="col">Week</th>
              <th scope="col">Hours{target && <span className="muted"> · band: target</span>}</th>
            </tr>
          </thead>
          <tbody>
            {hours.weeks.map((w) => (
              <tr key={w.week.first}>
                <th scope="row" className="nowrap">
                  <b>{w.week.number ?? 'Break'}</b> <span className="muted">{dateSpan(w.week.first, w.week.last)}</span>
                </th>
                <td>
                  <WeekHoursBar week={w} most={most} target={target} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div>
        <ByKind />
        <Assumptions />
      </div>
    </div>
  )
}

function ByKind() {
  const view = useCourse((s) => s.view)
  const { activities } = indexCourse(view)
  const kinds = [...new Set(activities.map((a) => a.kind))]
    .map((kind) => {
      const own = activities.filter((a) => a.kind === kind)
      const estimated = own.filter((a) => view.activity.get(a.id)?.minutes === null && a.minutes !== null)
      return {
        kind,
        count: own.length,
        minutes: own.reduce((n, a) => n + (a.minutes ?? 0), 0),
        estimated: estimated.length,
        open: own.filter((a) => a.minutes === null).length,
      }
    })
    .sort((a, b) => b.minutes - a.minutes)
  return (
    <section className="card" aria-label="Hours by kind">
      <h2>By kind</h2>
      {kinds.length === 0 && (
        <p className="muted">
          Give activities minutes in the map, or a size in their details: then their hours stand here and in the weeks.
        </p>
      )}
      <table className="sheet">
        <thead>
          <tr>
            <th scope="col">Kind</th>
            <th scope="col" className="r">
              Hours
            </th>
            <th scope="col">Of them</th>
          </tr>
        </thead>
        <tbody>
          {kinds.map((k) => (
            <tr key={k.kind ?? 'none'}>
              <th scope="row">{k.kind ?? 'no kind yet'}</th>
              <td className="r">{hoursText(k.minutes)}</td>
              <td className="muted">
                {countOf(k.count, 'activity', 'activities')}
                {k.estimated > 0 && `, ${k.estimated} estimated`}
                {k.open > 0 && `, ${k.open} without time`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}

/** What times are estimated with; each value can be replaced for this course. */
function Assumptions() {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const spec = fieldOf('assumption', 'value')
  if (spec.type !== 'hundredths') throw new Error('an assumption is a number')
  const set = (name: AssumptionName, value: number | null) =>
    store.edit('set-field', { what: ASSUMPTION_DEFAULTS[name].label.toLowerCase() }, (edit) => {
      const id = linkId([name], 'assumption')
      if (value === null) edit.remove({ kind: 'assumption', id })
      else if (edit.now.assumption.has(id)) edit.set('assumption', id, { value })
      else edit.create('assumption', { id, name, value })
    })
  return (
    <section className="card" aria-label="What times are estimated with">
      <h2>What times are estimated with</h2>
      <table className="sheet">
        <thead>
          <tr>
            <th scope="col">For</th>
            <th scope="col" className="r" style={{ width: 90 }}>
              Value
            </th>
            <th scope="col">Where the usual value comes from</th>
          </tr>
        </thead>
        <tbody>
          {ASSUMPTIONS.map((name) => {
            const usual = ASSUMPTION_DEFAULTS[name]
            const own = view.assumption.get(linkId([name], 'assumption'))
            return (
              <tr key={name}>
                <th scope="row">
                  {usual.label} <span className="muted small">{usual.unit}</span>
                </th>
                <td className="r">
                  <DraftField
                    label={usual.label}
                    hideLabel
                    right
                    boxed={false}
                    disabled={!store.may('assumption')}
                    value={own ? formatHundredths(own.value) : ''}
                    placeholder={String(usual.value)}
                    onCommit={(text) => {
                      if (text.trim() === '') {
                        set(name, null)
                        return null
                      }
                      const read = readField(spec, text)
                      if (!read.ok) return read.error
                      if (read.value === 0) return 'More than nothing.'
                      set(name, read.value as number)
                      return null
                    }}
                  />
                </td>
                <td className="muted small">
                  {own ? `this course; usual: ${usual.value}, ` : ''}
                  {usual.source}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </section>
  )
}
