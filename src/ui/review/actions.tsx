/** Actions: what is to be done, by whom, by when, and what came of it. */
import { type ReactNode, useState } from 'react'
import { isOpenAction, type ReviewAction } from '../../core/beside/review-records'
import type { RecordRef } from '../../core/blueprint/kinds'
import { countOf } from '../../core/numbers'
import { planSets, pointsOfSet } from '../../core/review/plan-sets'
import { Button } from '../parts/button'
import { Confirm } from '../parts/confirm'
import { MomentInput } from '../parts/date-input'
import { DraftField } from '../parts/draft-field'
import { SelectInput } from '../parts/input'
import { Waiting } from '../parts/waiting'
import { newId, useCourse, useMay } from '../store/course-store'
import { useChoice } from '../store/navigation'
import { usePeople } from '../store/people'
import { todayIso } from '../store/today'
import { ActionState, OUTCOME_WORDS } from './action-state'
import { cite, EvidenceField } from './evidence-field'
import { NEW_ACTION } from './new-action'
import { Refused } from './refused'
import { useReview } from './use-review'

export function Actions({ views }: { readonly views: ReactNode }) {
  const review = useReview()
  const [which, setWhich] = useChoice('which', ['all', 'open', 'mine'])
  const mayWrite = useMay('plan.write-activities')
  const day = todayIso()
  const all = review.records.actions.toSorted(
    (a, b) =>
      Number(isOpenAction(b)) - Number(isOpenAction(a)) || (a.by ?? '9999').localeCompare(b.by ?? '9999') || a.at.localeCompare(b.at),
  )
  const shown = all.filter((a) => which === 'all' || (isOpenAction(a) && (which === 'open' || a.personId === review.me)))
  const overdue = all.filter((a) => isOpenAction(a) && a.by !== null && a.by < day)
  const put = (a: ReviewAction, to: object) => review.write('reviewAction', a.id, a, to)
  const add = () =>
    review.write('reviewAction', newId(), undefined, { ...NEW_ACTION, what: 'What is to be done', roundId: review.round?.id ?? null })
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Actions</h1>
        {views}
        <SelectInput
          label="Which actions"
          hideLabel
          value={which}
          options={[
            { value: 'all', label: 'All actions' },
            { value: 'open', label: 'Open ones' },
            { value: 'mine', label: 'Mine' },
          ]}
          onChoose={(v) => v && setWhich(v)}
        />
        <span className="muted small" role="status">
          {countOf(all.filter(isOpenAction).length, 'action')} open{overdue.length > 0 && `, ${overdue.length} overdue`}
        </span>
        <span className="grow" />
        {mayWrite && <Button onClick={add}>Add an action</Button>}
      </div>
      <Refused review={review} />
      <div className="scroll-area">
        {review.loading ? (
          <Waiting lines={6} />
        ) : shown.length === 0 ? (
          <p className="empty">
            {all.length === 0
              ? 'An action says what is to be done, who does it and by when. Make one of an improvement under Compare, or add one here.'
              : 'No action is left by this choice.'}
          </p>
        ) : (
          <ActionTable
            actions={shown}
            mayWrite={mayWrite}
            me={review.me}
            day={day}
            put={put}
            remove={(id) => review.writes.action.remove.mutate(id)}
          />
        )}
      </div>
    </div>
  )
}

type TableProps = {
  readonly actions: readonly ReviewAction[]
  readonly mayWrite: boolean
  readonly me: string
  readonly day: string
  readonly put: (a: ReviewAction, to: Partial<ReviewAction>) => void
  readonly remove: (id: string) => void
}

function ActionTable({ actions, mayWrite, me, day, put, remove }: TableProps) {
  const people = usePeople().data?.members ?? []
  const plan = useCourse((s) => s.view)
  const codes = planSets(plan)
  const codeOf = new Map(codes.flatMap((set) => pointsOfSet(set).map((p) => [p.id, p.code])))
  const [removingId, setRemoving] = useState('')
  const removing = actions.find((a) => a.id === removingId)
  return (
    <>
      <table className="sheet actions">
        <caption className="visually-hidden">Actions</caption>
        <thead>
          <tr>
            <th scope="col">Point</th>
            <th scope="col">What</th>
            <th scope="col">Who</th>
            <th scope="col">By</th>
            <th scope="col">State</th>
            <th scope="col">
              <span className="visually-hidden">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {actions.map((a) => {
            const late = isOpenAction(a) && a.by !== null && a.by < day
            return (
              <tr key={a.id}>
                <td>{(a.pointId && codeOf.get(a.pointId)) ?? <span className="muted">–</span>}</td>
                <td>
                  <DraftField
                    label={`What: ${a.what}`}
                    hideLabel
                    boxed={false}
                    lines
                    least={1}
                    value={a.what}
                    disabled={!mayWrite}
                    onCommit={(text) => {
                      if (text.trim() === '') return 'It says what is to be done.'
                      if (text.length > 2000) return `At most 2000 characters; this has ${text.length}.`
                      put(a, { what: text.trim() })
                      return null
                    }}
                  />
                  {(mayWrite || a.records.length > 0) && (
                    <EvidenceField
                      label={`About: ${a.what}`}
                      plan={plan}
                      evidence={a.records.map((r) => cite(r as RecordRef))}
                      disabled={!mayWrite}
                      onChange={(cited) => put(a, { records: cited.flatMap(({ kind, id }) => (kind && id ? [{ kind, id }] : [])) })}
                    />
                  )}
                  {a.outcome && (
                    <p className="muted small">
                      {OUTCOME_WORDS[a.outcome]}
                      {a.why && `: ${a.why}`}
                    </p>
                  )}
                </td>
                <td>
                  <SelectInput
                    label={`Who: ${a.what}`}
                    hideLabel
                    value={a.personId ?? ''}
                    disabled={!mayWrite}
                    options={[{ value: '', label: a.name ?? 'nobody yet' }, ...people.map((p) => ({ value: p.id, label: p.name }))]}
                    onChoose={(personId) => put(a, { personId: personId || null, name: personId ? null : a.name })}
                  />
                </td>
                <td>
                  <MomentInput
                    kind="date"
                    hideLabel
                    label={`By: ${a.what}`}
                    value={a.by}
                    clearable
                    disabled={!mayWrite}
                    onCommit={(by) => {
                      put(a, { by })
                      return null
                    }}
                    error={late ? 'overdue' : undefined}
                  />
                </td>
                <td>
                  <ActionState action={a} disabled={!mayWrite && a.personId !== me} onPut={(to) => put(a, to)} />
                </td>
                <td>{mayWrite && <Button onClick={() => setRemoving(a.id)}>Remove…</Button>}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {removing && (
        <Confirm heading="Remove this action?" yes="Remove" onClose={() => setRemoving('')} onYes={() => remove(removing.id)}>
          <p>{removing.what}</p>
          <p>It goes for good. Dropped, it stays and says why.</p>
        </Confirm>
      )}
    </>
  )
}
