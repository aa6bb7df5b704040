/** Details of what is selected: the derived values and the fields that are not in the table. */
import { proposedPurpose, purposeOf, STAGE_LETTER } from '../../core/alignment/proposals'
import type { Activity, Assessment, Module, Objective, Outcome } from '../../core/blueprint/kinds'
import { PURPOSES, type Purpose } from '../../core/blueprint/kinds/activity'
import { FUNCTIONS } from '../../core/blueprint/kinds/assessment'
import { THINKING_LEVELS, type ThinkingLevel } from '../../core/blueprint/kinds/outcome'
import { indexCourse } from '../../core/blueprint/plan-index'
import { cleanText } from '../../core/blueprint/text'
import { dateSpan, shortDate } from '../../core/calendar/plain-date'
import { scheduleOf } from '../../core/calendar/schedule'
import { setAssessment } from '../../core/edits/activities'
import { moveInList, readWeeks } from '../../core/edits/objectives'
import { gradeTable } from '../../core/grading/grade-table'
import { formatHundredths } from '../../core/numbers'
import { levelOf } from '../../core/objectives/level'
import { weeksText } from '../../core/syllabus/assemble'
import { ChoiceField, DraftField } from '../parts/fields'
import { FindingCard } from '../parts/findings'
import { Chip, PurposeShape } from '../parts/marks'
import { useCourse, useCourseStore } from '../store/course-store'
import { useGo, useSelected } from '../store/navigation'

export function Details() {
  const selected = useSelected()
  const view = useCourse((s) => s.view)
  const findings = useCourse((s) => (selected ? s.byRecord.get(`${selected.kind} ${selected.id}`) : undefined))
  const activity = selected?.kind === 'activity' ? view.activity.get(selected.id) : undefined
  const module = selected?.kind === 'module' ? view.module.get(selected.id) : undefined
  const objective = selected?.kind === 'objective' ? view.objective.get(selected.id) : undefined
  const outcome = selected?.kind === 'outcome' ? view.outcome.get(selected.id) : undefined
  if (!activity && !module && !objective && !outcome)
    return <p className="empty">Select a row, a line or a number to see what it rests on and where it is used.</p>
  return (
    <>
      {activity && <ActivityDetails key={activity.id} activity={activity} />}
      {module && <ModuleDetails key={module.id} module={module} />}
      {objective && <LineDetails key={objective.id} kind="objective" record={objective} />}
      {outcome && <LineDetails key={outcome.id} kind="outcome" record={outcome} />}
      {findings?.map((f) => (
        <FindingCard key={f.key} finding={f} />
      ))}
    </>
  )
}

const Pair = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <div className="row" style={{ justifyContent: 'space-between', marginTop: 5 }}>
    <span className="muted">{label}</span>
    <span style={{ textAlign: 'right' }}>{children}</span>
  </div>
)

function ActivityDetails({ activity }: { activity: Activity }) {
  const store = useCourseStore()
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
        <ChoiceField
          label="Purpose"
          value={activity.purpose ?? ''}
          disabled={!store.may('activity')}
          options={[
            { value: '', label: proposed ? `${proposed} (proposed)` : 'none yet' },
            ...PURPOSES.map((p) => ({ value: p, label: p })),
          ]}
          onChoose={(v) =>
            store.edit('set-field', { what: `purpose of ${number}` }, (edit) =>
              edit.set('activity', activity.id, { purpose: (v || null) as Purpose | null }),
            )
          }
        />
        <ChoiceField
          label="As an assessment"
          value={assessment?.function ?? ''}
          disabled={!store.may('assessment')}
          options={[{ value: '', label: 'is none' }, ...FUNCTIONS.map((f) => ({ value: f, label: f }))]}
          onChoose={(v) =>
            store.edit('set-field', { what: `function of ${number}` }, (edit) =>
              v === ''
                ? edit.remove({ kind: 'assessment', id: assessment?.id ?? '' })
                : setAssessment(edit, activity, { function: v as Assessment['function'] }),
            )
          }
        />
        <DraftField
          label="Designer’s notes"
          lines
          value={activity.notes ?? ''}
          disabled={!store.may('activity')}
          onCommit={(t) => {
            store.edit('edit-text', { what: `notes of ${number}` }, (edit) =>
              edit.set('activity', activity.id, { notes: cleanText(t, true)?.slice(0, 4000) ?? null }),
            )
            return null
          }}
        />
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
        <DraftField
          label="Title"
          value={module.title}
          disabled={!may}
          onCommit={(t) => {
            const title = cleanText(t, false)
            if (title === null) return 'A module needs a title.'
            store.edit('edit-text', { what: `title of module ${number}` }, (edit) =>
              edit.set('module', module.id, { title: title.slice(0, 300) }),
            )
            return null
          }}
        />
        <DraftField
          label="Subtitle"
          value={module.subtitle ?? ''}
          disabled={!may}
          onCommit={(t) => {
            store.edit('edit-text', { what: `subtitle of module ${number}` }, (edit) =>
              edit.set('module', module.id, { subtitle: cleanText(t, false)?.slice(0, 300) ?? null }),
            )
            return null
          }}
        />
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
        <ChoiceField
          label="Planning"
          value={module.planning}
          disabled={!may}
          options={[
            { value: 'sketch', label: 'a sketch: gaps are expected' },
            { value: 'planned', label: 'planned: gaps are worth a look' },
          ]}
          onChoose={(v) =>
            v && store.edit('set-field', { what: `planning of module ${number}` }, (edit) => edit.set('module', module.id, { planning: v }))
          }
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
  const store = useCourseStore()
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
        <ChoiceField
          label="Thinking level"
          value={record.level ?? ''}
          disabled={!store.may(kind)}
          options={[
            { value: '', label: `${levelOf({ ...record, level: null }) ?? 'none'} (from the verb)` },
            ...THINKING_LEVELS.map((l) => ({ value: l, label: l })),
          ]}
          onChoose={(v) =>
            store.edit('set-level', { what: number }, (edit) => edit.set(kind, record.id, { level: (v || null) as ThinkingLevel | null }))
          }
        />
        <ChoiceField
          label="Wording"
          value={record.origin}
          disabled={!store.may(kind)}
          options={[
            { value: 'own', label: 'our own' },
            { value: 'prescribed', label: 'prescribed: kept as it is' },
          ]}
          onChoose={(v) =>
            v && store.edit('set-field', { what: `origin of ${number}` }, (edit) => edit.set(kind, record.id, { origin: v }))
          }
        />
      </div>
      {kind === 'objective' ? (
        <>
          <div className="muted">Served by</div>
          {alignments.length === 0 && 'no activity yet'}
          {alignments.map((a) => (
            <div key={a.id} className="row" style={{ padding: '1px 0' }}>
              <Chip kind="activity" number={index.numberOf(a.activityId)} onOpen={() => open({ kind: 'activity', id: a.activityId })} />
              <span>{view.activity.get(a.activityId)?.title}</span>
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
