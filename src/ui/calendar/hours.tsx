/** The hours of the course: against its credits, by week, by kind, and what they are estimated with. */
import './calendar.css'
import { courseOf } from '../../core/blueprint/blueprint'
import { readField } from '../../core/blueprint/field-text'
import { linkId } from '../../core/blueprint/ids'
import { fieldOf } from '../../core/blueprint/kinds'
import { PURPOSES } from '../../core/blueprint/kinds/activity'
import { ASSUMPTIONS, type AssumptionName } from '../../core/blueprint/kinds/assumption'
import { dateSpan, dayAndMonth } from '../../core/calendar/plain-date'
import { hoursByWeek, offTarget, offTargetText, targetText, weeklyTarget } from '../../core/hours/by-week'
import { CREDIT_TOLERANCE, contactHours } from '../../core/hours/credit'
import { countOf, formatHundredths } from '../../core/numbers'
import { ASSUMPTION_DEFAULTS } from '../../core/plan/assumptions'
import { indexCourse } from '../../core/plan/plan-index'
import { minutesFrom } from '../../core/plan/whole-activity'
import { standingOf } from '../../core/standing/standing'
import { CREDIT_LABELS } from '../../core/syllabus/assemble'
import { BarChart } from '../parts/chart/bar-chart'
import { DraftField } from '../parts/draft-field'
import { PURPOSE_COLOUR, PurposeShape } from '../parts/marks'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { useCourse, useCourseStore } from '../store/course-store'

const hoursText = (minutes: number): string => `${(minutes / 60).toFixed(1)} h`

export function Hours() {
  const view = useCourse((s) => s.view)
  const course = courseOf(view)
  const hours = hoursByWeek(view)
  const contact = contactHours(view)
  return (
    <div className="two" style={{ gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr)' }}>
      <div>
        <section className="card" aria-label="Hours against credits">
          <HoursAgainstCredits />
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
        <HoursByWeek />
      </div>
      <div>
        <ByKind />
        <Assumptions />
      </div>
    </div>
  )
}

/** The planned hours by what they count as, against what the credits ask for. */
function HoursAgainstCredits() {
  const view = useCourse((s) => s.view)
  const course = courseOf(view)
  const { hours } = standingOf(view)
  const { minutes } = contactHours(view)
  const { asked } = hours
  const parts = (['instruction', 'guided', 'independent'] as const).map((key) => ({
    key,
    value: minutes[key] / 60,
    fill: COUNTS_AS_FILL[key],
  }))
  const askedText = asked && (asked.least === asked.most ? `${asked.least}` : `${asked.least}–${asked.most}`)
  const text = `${hours.planned.toFixed(0)} h${askedText ? ` of ${askedText}` : ''}`
  return (
    <BarChart
      heading={`${hours.planned.toFixed(0)} h planned${askedText ? ` of ${askedText} h` : ''}`}
      name={`${course.code ?? course.title} hours and credits`}
      unit="h"
      labelWidth={70}
      band={asked && { from: asked.least * (1 - CREDIT_TOLERANCE), to: asked.most * (1 + CREDIT_TOLERANCE) }}
      legend={[
        ...parts.map((p) => ({ mark: p.fill, word: COUNTS_AS_WORD[p.key] })),
        ...(asked ? [{ mark: 'var(--moss-soft)', word: 'band: what the credits ask for' }] : []),
      ]}
      bars={[
        {
          key: 'all',
          label: 'Hours',
          parts,
          text,
          off: !hours.fits,
          says: `${text}: ${parts.map((p) => `${COUNTS_AS_WORD[p.key]} ${p.value.toFixed(1)} h`).join(', ')}`,
        },
      ]}
      table={{ head: ['Counts as', 'Hours'], rows: parts.map((p) => [COUNTS_AS_WORD[p.key], p.value.toFixed(1)]) }}
    />
  )
}
const COUNTS_AS_FILL = { instruction: 'var(--river)', guided: 'var(--moss)', independent: 'var(--ochre)' } as const
const COUNTS_AS_WORD = { instruction: 'instruction', guided: 'guided work', independent: 'independent work' } as const

function HoursByWeek() {
  const view = useCourse((s) => s.view)
  const course = courseOf(view)
  const { weeks } = hoursByWeek(view)
  const target = weeklyTarget(course)
  const occurring = [...PURPOSES, null].filter((p) => weeks.some((w) => (w.byPurpose.get(p) ?? 0) > 0))
  const hoursOf = (minutes: number) => (minutes / 60).toFixed(1)
  return (
    <BarChart
      heading="Learner hours by week"
      name={`${course.code ?? course.title} hours by week`}
      unit="h"
      labelWidth={150}
      band={target && { from: target.min ?? target.max, to: target.max }}
      legend={[
        ...occurring.map((p) => ({ mark: <PurposeShape purpose={p} />, word: p ?? 'no purpose yet' })),
        ...(target ? [{ mark: 'var(--moss-soft)', word: `band: target ${targetText(target)}` }] : []),
      ]}
      bars={weeks.map(({ week, minutes, byPurpose }) => ({
        key: week.first,
        label: week.number === null ? 'Break' : `Week ${week.number}`,
        about: dayAndMonth(week.first),
        parts: occurring.map((p) => ({
          key: p ?? 'none',
          value: (byPurpose.get(p) ?? 0) / 60,
          fill: p === null ? 'var(--edge)' : PURPOSE_COLOUR[p],
        })),
        text: minutes > 0 ? hoursOf(minutes) : '–',
        off: offTarget(minutes / 60, target, week.number !== null) !== null,
        says: `${week.number === null ? 'Break' : `Week ${week.number}`}, ${dateSpan(week.first, week.last)}: ${hoursOf(minutes)} h${occurring
          .filter((p) => (byPurpose.get(p) ?? 0) > 0)
          .map((p) => `, ${p ?? 'no purpose'} ${hoursOf(byPurpose.get(p) ?? 0)}`)
          .join('')}${offTargetText(minutes / 60, target, week.number !== null)}`,
      }))}
      table={{
        head: ['Week', 'Dates', ...occurring.map((p) => p ?? 'no purpose'), 'All, h'],
        rows: weeks.map(({ week, minutes, byPurpose }) => [
          week.number === null ? 'Break' : `Week ${week.number}`,
          dateSpan(week.first, week.last),
          ...occurring.map((p) => hoursOf(byPurpose.get(p) ?? 0)),
          hoursOf(minutes),
        ]),
      }}
    />
  )
}

function ByKind() {
  const view = useCourse((s) => s.view)
  const { activities } = indexCourse(view)
  const kinds = [...new Set(activities.map((a) => a.kind))]
    .map((kind) => {
      const own = activities.filter((a) => a.kind === kind)
      const estimated = own.filter((a) => minutesFrom(view.activity.get(a.id) ?? a, a) === 'estimate')
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
