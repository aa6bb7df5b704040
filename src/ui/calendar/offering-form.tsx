/** The offering's facts, its breaks and closed days. */

import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import { recordsOf } from '../../core/blueprint/blueprint'
import type { CalendarRule, Offering } from '../../core/blueprint/kinds'
import { addDays, daysBetween } from '../../core/calendar/plain-date'
import { DEFAULT_DUE_TIME } from '../../core/calendar/schedule'
import { Button, IconButton } from '../parts/button'
import { ZoneControl } from '../parts/field-control'
import { CheckInput } from '../parts/input'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useGo, useRevealSelected } from '../store/navigation'

/** The offering, and its breaks and closed days. */
export function OfferingForms({ offering }: { offering: Offering }) {
  useRevealSelected(true)
  return (
    <>
      <OfferingForm offering={offering} />
      <Rules offering={offering} />
    </>
  )
}

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
      <PlanChoice
        kind="offering"
        record={offering}
        field="weekStart"
        label="Week starts on"
        labels={{ monday: 'Monday', sunday: 'Sunday' }}
      />
      <ZoneControl
        label="Time zone"
        value={offering.timeZone}
        disabled={!may}
        write={(zone) => set('time zone', { timeZone: String(zone) })}
      />
      <CheckInput
        label="Give break weeks a number"
        checked={offering.countBreaks}
        disabled={!may}
        onCheck={(countBreaks) => set('counting of breaks', { countBreaks })}
      />
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
  const { select } = useGo()
  const add = (kind: CalendarRule['kind']) => {
    const id = newId()
    store.edit('add-rule', {}, (edit) => {
      const firstDate = addDays(offering.firstDay, 7)
      edit.create('calendarRule', {
        id,
        offeringId: offering.id,
        kind,
        title: kind === 'break' ? 'Break' : 'Closed',
        firstDate,
        lastDate: kind === 'break' ? addDays(firstDate, 6) : firstDate,
      })
    })
    // Its name and days are written next.
    select({ kind: 'calendarRule', id })
  }
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
          <Button onClick={() => add('break')}>Add a break</Button>
          <Button onClick={() => add('closed')}>Add a closed day</Button>
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
          <IconButton
            name={`Remove ${rule.title}`}
            onClick={() => store.edit('remove', { what: rule.title }, (edit) => edit.remove({ kind: 'calendarRule', id: rule.id }))}
          >
            <RemoveIcon />
          </IconButton>
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
