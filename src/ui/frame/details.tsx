/** Details of what is selected: the derived values and the fields that are not in the table. */
import { Link } from 'wouter'
import { proposedPurpose, purposeOf, STAGE_LETTER } from '../../core/alignment/proposals'
import type { Blueprint } from '../../core/blueprint/blueprint'
import type { Activity, Module, Objective, Outcome } from '../../core/blueprint/kinds'
import { dateSpan, shortDate } from '../../core/calendar/plain-date'
import { scheduleOf } from '../../core/calendar/schedule'
import { moveInList, readWeeks } from '../../core/edits/objectives'
import { gradeTable } from '../../core/grading/grade-table'
import { formatHundredths } from '../../core/numbers'
import { levelOf } from '../../core/objectives/level'
import { indexCourse } from '../../core/plan/plan-index'
import { weeksText } from '../../core/syllabus/assemble'
import { DraftField } from '../parts/fields'
import { FindingCard } from '../parts/findings'
import { Chip, PurposeShape } from '../parts/marks'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { useCourse, useCourseStore } from '../store/course-store'
import { useGo, useSelected } from '../store/navigation'
import { AssessmentDetails } from './assessment-details'
import { ItemDetails, LinkedItems } from './item-details'
import { SeriesDetails } from './series-details'
import { TimeDetails } from './time-details'

export function Details() {
  const selected = useSelected()
  const view = useCourse((s) => s.view)
  const findings = useCourse((s) => (selected ? s.byRecord.get(`${selected.kind} ${selected.id}`) : undefined))
  const activityId =
    selected?.kind === 'activity' ? selected.id : selected?.kind === 'assessment' ? assessedBy(view, selected.id) : undefined
  const activity = activityId === undefined ? undefined : indexCourse(view).activity(activityId)
  const module = selected?.kind === 'module' ? view.module.get(selected.id) : undefined
  const objective = selected?.kind === 'objective' ? view.objective.get(selected.id) : undefined
  const outcome = selected?.kind === 'outcome' ? view.outcome.get(selected.id) : undefined
  const item = selected?.kind === 'frameworkItem' ? view.frameworkItem.get(selected.id) : undefined
  if (!activity && !module && !objective && !outcome && !item)
    return <p className="empty">Select a row, a line or a number to see what it rests on and where it is used.</p>
  return (
    <>
      {activity && <ActivityDetails key={activity.id} activity={activity} />}
      {module && <ModuleDetails key={module.id} module={module} />}
      {objective && <LineDetails key={objective.id} kind="objective" record={objective} />}
      {item && <ItemDetails key={item.id} item={item} />}
      {outcome && <LineDetails key={outcome.id} kind="outcome" record={outcome} />}
      {findings?.map((f) => (
        <FindingCard key={f.key} finding={f} />
      ))}
      {selected && (
        <Link className="btn more-of" href={`/history?at=${selected.kind}:${encodeURIComponent(selected.id)}`}>
          What was changed here
        </Link>
      )}
    </>
  )
}

/** The activity that an assessment belongs to. */
const assessedBy = (view: Blueprint, id: string): string | undefined => indexCourse(view).assessments.find((a) => a.id === id)?.activityId

const Pair = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <div className="row" style={{ justifyContent: 'space-between', marginTop: 5 }}>
    <span className="muted">{label}</span>
    <span style={{ textAlign: 'right' }}>{children}</span>
  </div>
)

function ActivityDetails({ activity }: { activity: Activity }) {
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
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
        {outcomes.length > 0 && <span className="muted">through</span>}
        {outcomes.map((id) => (
          <Chip key={id} kind="outcome" number={index.numberOf(id)} onOpen={() => open({ kind: 'outcome', id })} />
        ))}
      </div>
    </section>
  )
}

function ModuleDetails({ module }: { module: Module }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  const span = scheduleOf(view)?.spanOf(module.id)
  const may = store.may('module')
  const number = index.numberOf(module.id)
  return (
    <section className="finding">
      <b>Module {number}</b>
      <Pair label="Dates">{span ? dateSpan(span.first, span.last) : 'no dates yet'}</Pair>
      <div style={{ marginTop: 10 }}>
        <PlanField kind="module" record={module} field="title" label="Title" what={`title of module ${number}`} />
        <PlanField kind="module" record={module} field="subtitle" label="Subtitle" what={`subtitle of module ${number}`} />
        <DraftField
          label="Weeks, such as 5 or 5–6"
          value={module.firstWeek === null ? '' : weeksText(module.firstWeek, module.lastWeek).replace(/^weeks? /, '')}
          disabled={!may}
          onCommit={(t) => {
            const weeks = readWeeks(t)
            if (!weeks) return 'Write 5 or 5–6.'
            store.edit('set-field', { what: `weeks of module ${number}` }, (edit) => edit.set('module', module.id, weeks))
            return null
          }}
        />
        <PlanChoice
          kind="module"
          record={module}
          field="planning"
          label="Planning"
          what={`planning of module ${number}`}
          labels={{ sketch: 'a sketch: gaps are expected', planned: 'planned: gaps are worth a look' }}
        />
        {may && (
          <div className="row">
            <button
              type="button"
              className="btn"
              onClick={() => store.edit('move', { what: module.title }, (edit) => void moveInList(edit, 'module', module.id, -1))}
            >
              Earlier
            </button>
            <button
              type="button"
              className="btn"
              onClick={() => store.edit('move', { what: module.title }, (edit) => void moveInList(edit, 'module', module.id, 1))}
            >
              Later
            </button>
            <span className="grow" />
            <button
              type="button"
              className="btn"
              onClick={() => {
                if (store.edit('remove', { what: module.title }, (edit) => edit.remove({ kind: 'module', id: module.id })))
                  store.say(`Removed ${module.title} with all in it. Ctrl+Z brings it back.`, false)
              }}
            >
              Remove
            </button>
          </div>
        )}
      </div>
    </section>
  )
}

function LineDetails({ kind, record }: { kind: 'outcome' | 'objective'; record: Outcome | Objective }) {
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
  const number = index.numberOf(record.id)
  const alignments = kind === 'objective' ? index.alignmentsFor(record.id) : []
  const objectives = kind === 'outcome' ? index.objectivesFor(record.id) : []
  return (
    <section className="finding">
      <b>
        {number} {record.statement}
      </b>
      <div style={{ marginTop: 10 }}>
        <PlanChoice
          kind={kind}
          record={record}
          field="level"
          label="Thinking level"
          what={`level of ${number}`}
          none={`${levelOf({ ...record, level: null }) ?? 'none'} (from the verb)`}
        />
        <PlanChoice
          kind={kind}
          record={record}
          field="origin"
          label="Wording"
          what={`origin of ${number}`}
          labels={{ own: 'our own', prescribed: 'prescribed: kept as it is' }}
        />
        <LinkedItems kind={kind} recordId={record.id} what={`framework items of ${number}`} />
      </div>
      {kind === 'objective' ? (
        <>
          <div className="muted">Served by</div>
          {alignments.length === 0 && 'no activity yet'}
          {alignments.map((a) => (
            <div key={a.id} className="row" style={{ padding: '1px 0' }}>
              <Chip kind="activity" number={index.numberOf(a.activityId)} onOpen={() => open({ kind: 'activity', id: a.activityId })} />
              <span>{indexCourse(view).activity(a.activityId)?.title}</span>
              <span className="grow" />
              <span className="muted small">{a.stages.join(', ')}</span>
            </div>
          ))}
        </>
      ) : (
        <>
          <div className="muted">Supported by</div>
          {objectives.length === 0 && 'no objective yet'}
          {objectives.map((o) => (
            <div key={o.id} className="row" style={{ padding: '1px 0', alignItems: 'flex-start' }}>
              <Chip kind="objective" number={index.numberOf(o.id)} onOpen={() => open({ kind: 'objective', id: o.id })} />
              <span>{o.statement}</span>
            </div>
          ))}
        </>
      )}
    </section>
  )
}
