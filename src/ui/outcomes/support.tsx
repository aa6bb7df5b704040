/** One outcome beside all that supports it, down to the rubric criterion. A hole is named where it is. */
import { LineButton } from '../parts/line-button'
import './outcomes.css'
import { supportOf } from '../../core/alignment/support'
import type { Activity } from '../../core/blueprint/kinds'
import { levelOf } from '../../core/objectives/level'
import { indexCourse } from '../../core/plan/plan-index'
import { SelectInput } from '../parts/input'
import { Chip, LevelMark } from '../parts/marks'
import { useCourse } from '../store/course-store'
import { useGo } from '../store/navigation'

export function SupportTable({ outcomeId, onChoose }: { outcomeId: string | null; onChoose: (id: string) => void }) {
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
  const outcome = index.outcomes.find((o) => o.id === outcomeId) ?? index.outcomes[0]
  if (!outcome) return <p className="empty">There is no outcome yet. Write the first under Lines.</p>
  const rows = supportOf(index, outcome.id)
  const activities = (list: readonly Activity[], hole: string) =>
    list.length === 0 ? (
      <span className="hole">{hole}</span>
    ) : (
      list.map((a) => (
        <LineButton key={a.id} className="plain support-item" onClick={() => open({ kind: 'activity', id: a.id })}>
          <b>{index.numberOf(a.id)}</b> {a.title}
        </LineButton>
      ))
    )
  return (
    <div className="support">
      <div className="row" style={{ gap: 10, alignItems: 'start' }}>
        <SelectInput
          label="Outcome"
          hideLabel
          value={outcome.id}
          options={index.outcomes.map((o) => ({ value: o.id, label: index.numberOf(o.id) }))}
          onChoose={(id) => id && onChoose(id)}
        />
        <p className="support-head">
          {outcome.statement} <LevelMark level={levelOf(outcome)} byHand={outcome.level !== null} />
        </p>
      </div>
      {rows.length === 0 ? (
        <p className="empty">No objective leads to {index.numberOf(outcome.id)} yet. Link one under Lines: Tab leads to its outcomes.</p>
      ) : (
        <table className="sheet support-table">
          <caption className="visually-hidden">What supports {index.numberOf(outcome.id)}</caption>
          <thead>
            <tr>
              <th scope="col">Objective</th>
              <th scope="col">Introduced</th>
              <th scope="col">Practised</th>
              <th scope="col">Assessed</th>
              <th scope="col">Criteria</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ objective, stages, criteria }) => (
              <tr key={objective.id}>
                <th scope="row">
                  <Chip
                    kind="objective"
                    number={index.numberOf(objective.id)}
                    onOpen={() => open({ kind: 'objective', id: objective.id })}
                  />{' '}
                  {objective.statement}
                  <LevelMark level={levelOf(objective)} byHand={objective.level !== null} />
                </th>
                <td>{activities(stages.introduces, 'nothing introduces it')}</td>
                <td>{activities(stages.practises, 'nothing practises it')}</td>
                <td>{activities(stages.assesses, 'nothing assesses it')}</td>
                <td>
                  {criteria.length === 0 ? (
                    <span className={stages.assesses.length > 0 ? 'hole' : 'muted'}>
                      {stages.assesses.length > 0 ? 'no criterion' : '–'}
                    </span>
                  ) : (
                    criteria.map(({ criterion, activity }) => (
                      <LineButton
                        key={`${criterion.id}${activity.id}`}
                        className="plain support-item"
                        onClick={() => open({ kind: 'criterion', id: criterion.id })}
                      >
                        {criterion.title} <span className="muted">in {index.numberOf(activity.id)}</span>
                      </LineButton>
                    ))
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  )
}
