/** The level of a statement and what it is linked with, above its other fields. */
import '../parts/findings.css'
import type { Objective, Outcome } from '../../core/blueprint/kinds'
import { levelOf } from '../../core/objectives/level'
import { indexCourse } from '../../core/plan/plan-index'
import { Chip } from '../parts/marks'
import { PlanChoice } from '../parts/plan-field'
import { useCourse } from '../store/course-store'
import { useGo } from '../store/navigation'
import { LinkedItems } from './item-details'

export function OutcomeDetails({ id }: { id: string }) {
  const record = useCourse((s) => s.view.outcome.get(id))
  return record ? <LineDetails kind="outcome" record={record} /> : null
}

export function ObjectiveDetails({ id }: { id: string }) {
  const record = useCourse((s) => s.view.objective.get(id))
  return record ? <LineDetails kind="objective" record={record} /> : null
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
