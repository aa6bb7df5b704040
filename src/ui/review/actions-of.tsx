/** In the details of a record: what is to be done about it. */
import { isOpenAction } from '../../core/beside/review-records'
import type { RecordRef } from '../../core/blueprint/kinds'
import { longDate } from '../../core/calendar/plain-date'
import { usePeople } from '../store/people'
import './looked-at-by.css'
import { ActionState } from './action-state'
import { useActions } from './use-actions'

export function ActionsOf({ kind, id }: RecordRef) {
  const { actions, mayTell, put } = useActions()
  const members = usePeople().data?.members ?? []
  const own = actions.filter((a) => isOpenAction(a) && a.records.some((r) => r.kind === kind && r.id === id))
  if (own.length === 0) return null
  const who = (personId: string | null, name: string | null) => name ?? members.find((m) => m.id === personId)?.name
  return (
    <section className="finding" aria-label="To be done here">
      <b>To be done here</b>
      <ul className="looked-at-by actions-of">
        {own.map((a) => (
          <li key={a.id}>
            <p>
              {a.what}{' '}
              <span className="muted small">{[who(a.personId, a.name), a.by && `by ${longDate(a.by)}`].filter(Boolean).join(', ')}</span>
            </p>
            <ActionState action={a} disabled={!mayTell(a)} onPut={(to) => put(a, to)} />
          </li>
        ))}
      </ul>
    </section>
  )
}
