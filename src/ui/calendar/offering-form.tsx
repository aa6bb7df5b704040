/** The offering's facts, its breaks and closed days. */

import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import { useState } from 'react'
import type { CalendarRule, Offering } from '../../core/blueprint/kinds'
import { moveRules, rulesOf } from '../../core/calendar/follow'
import { addDays, daysBetween } from '../../core/calendar/plain-date'
import { DEFAULT_DUE_TIME, scheduleOf } from '../../core/calendar/schedule'
import { offeringState } from '../../core/edits/offerings'
import { countOf } from '../../core/numbers'
import { offeringsOf } from '../../core/plan/offering'
import { Button, IconButton } from '../parts/button'
import { CheckInput } from '../parts/choice-input'
import { Confirm } from '../parts/confirm'
import { ZoneControl } from '../parts/field-control'
import { laterFrom } from '../parts/later'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { useCourse, useCourseStore } from '../store/course-store'
import { useOfferingInAddress, useRevealSelected } from '../store/navigation'
import { todayIso } from '../store/today'

const NewOffering = laterFrom(
  () => import('./new-offering'),
  (m) => m.NewOffering,
)
const NewRule = laterFrom(
  () => import('./new-rule'),
  (m) => m.NewRule,
)

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
  const lastOfTerm = useCourse((s) => scheduleOf(s.view)?.term.lastDay) ?? firstDay
  /** Breaks and closed days are dates of the year, not of the term: they stay unless somebody says otherwise. */
  const offerRules = (days: number) => {
    const rules = rulesOf(store.state.view, offering.id)
    if (rules.length === 0 || days === 0) return
    const by = `${countOf(Math.abs(days), 'day')} ${days > 0 ? 'later' : 'earlier'}`
    const stay =
      rules.length === 1 ? `${rules[0]?.title} stays where it is.` : `${rules.length} breaks and closed days stay where they are.`
    store.say(`The term begins ${by}. ${stay}`, false, {
      label: `Move ${rules.length === 1 ? 'it' : 'them'} ${by} too`,
      run: () =>
        store.edit('move', { what: 'breaks and closed days' }, (edit) =>
          moveRules(
            edit,
            rules.map((r) => r.id),
            days,
          ),
        ),
    })
  }
  return (
    <section className="card" data-record={`offering ${offering.id}`}>
      <OfferingHead offering={offering} />
      <PlanField kind="offering" record={offering} field="term" label="Term" />
      <div className="pair">
        <PlanField
          kind="offering"
          record={offering}
          field="firstDay"
          label="First day"
          check={(day) => (lastDay !== null && day !== null && day > lastDay ? 'The first day lies after the last.' : null)}
          written={(day) => offerRules(daysBetween(firstDay, String(day)))}
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
        field="state"
        label="State"
        labels={{ planned: 'Planned', running: 'Running', past: 'Past' }}
        none={`as its days say: ${offeringState({ ...offering, state: null }, lastOfTerm, todayIso())}`}
      />
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

/** Which offering this is, of how many; making one more, and removing it. */
function OfferingHead({ offering }: { offering: Offering }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const choose = useOfferingInAddress()
  const [open, setOpen] = useState<'new' | 'remove' | null>(null)
  const all = offeringsOf(view)
  const may = store.may('offering')
  const rules = rulesOf(view, offering.id).length
  const remove = () => {
    const next = all.find((o) => o.id !== offering.id)
    if (!store.edit('remove', { what: offering.term }, (edit) => edit.remove({ kind: 'offering', id: offering.id }))) return
    choose(next && next.id !== all[0]?.id ? next.id : '')
    store.say(`${offering.term} is removed; what was published stays as it is. Ctrl+Z brings it back.`, false)
  }
  return (
    <>
      <div className="row">
        <h2>Offering{all.length > 1 && ` ${all.findIndex((o) => o.id === offering.id) + 1} of ${all.length}`}</h2>
        <span className="grow" />
        {may && (
          <>
            <Button onClick={() => setOpen('new')}>Another…</Button>
            {all.length > 1 && (
              <IconButton name={`Remove ${offering.term}`} onClick={() => setOpen('remove')}>
                <RemoveIcon />
              </IconButton>
            )}
          </>
        )}
      </div>
      {open === 'new' && <NewOffering like={offering} onClose={() => setOpen(null)} />}
      {open === 'remove' && (
        <Confirm heading={`Remove ${offering.term}?`} yes="Remove it" onYes={remove} onClose={() => setOpen(null)}>
          <p>
            {rules > 0 ? `Its ${countOf(rules, 'break or closed day', 'breaks and closed days')} go with it. ` : ''}The plan stays, and so
            does a syllabus that was published of it.
          </p>
        </Confirm>
      )}
    </>
  )
}

function Rules({ offering }: { offering: Offering }) {
  const view = useCourse((s) => s.view)
  const may = useCourseStore().may('calendarRule')
  const rules = rulesOf(view, offering.id)
  const [asked, setAsked] = useState<CalendarRule['kind'] | null>(null)
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
          <Button onClick={() => setAsked('break')}>Add a break…</Button>
          <Button onClick={() => setAsked('closed')}>Add a closed day…</Button>
        </div>
      )}
      {asked && <NewRule offering={offering} kind={asked} onClose={() => setAsked(null)} />}
    </section>
  )
}

function RuleForm({ rule, may }: { rule: CalendarRule; may: boolean }) {
  const store = useCourseStore()
  const length = daysBetween(rule.firstDate, rule.lastDate)
  const [several, setSeveral] = useState(false)
  const isOneDay = rule.kind === 'closed' && length === 0 && !several
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
          label={isOneDay ? 'Day' : 'First day'}
          what={`first day of ${rule.title}`}
          also={(day) => ({ lastDate: addDays(String(day), length) })}
        />
        {isOneDay ? (
          may && (
            <Button style={{ alignSelf: 'end' }} onClick={() => setSeveral(true)}>
              Several days…
            </Button>
          )
        ) : (
          <PlanField
            kind="calendarRule"
            record={rule}
            field="lastDate"
            label="Last day"
            what={`last day of ${rule.title}`}
            check={(day) => (day !== null && day < rule.firstDate ? 'The last day lies before the first.' : null)}
          />
        )}
      </div>
    </fieldset>
  )
}
