/** Actions: what is to be done, by whom, by when, and what came of it. */
import { type ReactNode, useMemo, useRef, useState } from 'react'
import { isOpenAction, type ReviewAction } from '../../core/beside/review-records'
import type { RecordRef } from '../../core/blueprint/kinds'
import { countOf } from '../../core/numbers'
import { planSets, pointsOfSet } from '../../core/review/plan-sets'
import { Confirm } from '../parts/confirm'
import { shownIn, useBesideKeeper } from '../parts/grid/beside-rows'
import { Grid } from '../parts/grid/grid'
import { OpenedBox, OpenedScope, useOpened } from '../parts/grid/opened'
import type { GridRow } from '../parts/grid/types'
import { sameRows } from '../parts/grid/use-rows'
import { SelectInput } from '../parts/input'
import { Waiting } from '../parts/waiting'
import { newId, useCourse, useCourseStore, useMay } from '../store/course-store'
import { useChoice } from '../store/navigation'
import { usePeople } from '../store/people'
import { todayIso } from '../store/today'
import { actionColumns } from './action-columns'
import { Done } from './action-state'
import { cite, EvidenceField } from './evidence-field'
import { NEW_ACTION } from './new-action'
import { Refused } from './refused'
import { type ShownReview, useReview } from './use-review'

const WHICH = [
  { value: 'all', label: 'All actions' },
  { value: 'open', label: 'Open ones' },
  { value: 'mine', label: 'Mine' },
] as const
type Which = (typeof WHICH)[number]['value']

export function Actions({ views }: { readonly views: ReactNode }) {
  const review = useReview()
  const [which, setWhich] = useChoice('which', ['all', 'open', 'mine'])
  const day = todayIso()
  const all = review.records.actions
  const overdue = all.filter((a) => isOpenAction(a) && a.by !== null && a.by < day)
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Actions</h1>
        {views}
        <SelectInput label="Which actions" hideLabel value={which} options={WHICH} onChoose={(v) => v && setWhich(v)} />
        <span className="muted small" role="status">
          {countOf(all.filter(isOpenAction).length, 'action')} open{overdue.length > 0 && `, ${overdue.length} overdue`}
        </span>
      </div>
      <Refused review={review} />
      {review.loading ? <Waiting lines={6} /> : <ActionTable key={which} review={review} which={which} day={day} />}
    </div>
  )
}

/** Open ones first, then by day; what has no day yet behind. */
const inOrder = (a: ReviewAction, b: ReviewAction): number =>
  Number(isOpenAction(b)) - Number(isOpenAction(a)) || (a.by ?? '9999').localeCompare(b.by ?? '9999') || a.at.localeCompare(b.at)

/** The actions of a choice. What was there when it was made stays where it is, whatever becomes of it under the hands. */
function useShownActions(all: readonly ReviewAction[], which: Which, me: string): readonly ReviewAction[] {
  const order = useRef<readonly string[]>([])
  const isShown = (a: ReviewAction) => which === 'all' || (isOpenAction(a) && (which === 'open' || a.personId === me))
  const byId = new Map(all.map((a) => [a.id, a]))
  const fresh = all.filter((a) => !order.current.includes(a.id) && isShown(a)).toSorted(inOrder)
  order.current = [...order.current.filter((id) => byId.has(id)), ...fresh.map((a) => a.id)]
  return order.current.flatMap((id) => byId.get(id) ?? [])
}

type TableProps = { readonly review: ShownReview; readonly which: Which; readonly day: string }

function ActionTable({ review, which, day }: TableProps) {
  const store = useCourseStore()
  const people = usePeople().data?.members
  const mayWrite = useMay('plan.write-activities')
  const sets = useCourse((s) => planSets(s.view))
  const [removing, setRemoving] = useState<readonly GridRow[]>([])
  const [done, setDone] = useState<readonly string[]>([])
  const all = review.records.actions
  const actions = useShownActions(all, which, review.me)
  const find = (id: string) => all.find((a) => a.id === id)
  const put = (id: string, before: ReviewAction | undefined, to: Partial<ReviewAction>) => review.write('reviewAction', id, before, to)
  const remove = (id: string) => {
    review.waiting.letGo(id)
    review.writes.action.remove.mutate(id, { onError: () => store.say('That did not reach the server. Try again.', true) })
  }
  const keeper = useBesideKeeper<ReviewAction>({
    ...{ find, put, remove: setRemoving },
    drop: remove,
  })
  const columns = useMemo(() => {
    const codes = new Map(sets.flatMap((set) => pointsOfSet(set).map((p) => [p.id, p.code] as const)))
    const onDone = (id: string) => setDone((ids) => [...ids, id])
    return actionColumns({ ...{ keeper, codes, day, mayWrite, onDone }, people: people ?? [], me: review.me })
  }, [keeper, sets, people, day, mayWrite, review.me])
  const kept = useRef<readonly GridRow[]>([])
  kept.current = sameRows(kept.current, [
    ...actions.map((a): GridRow => ({ key: a.id, type: 'data', id: a.id, shows: a })),
    ...(mayWrite ? [{ key: 'new', type: 'new', id: '' } as const] : []),
  ])
  const { rows, onOpen, close } = useOpened(kept.current)
  if (actions.length === 0 && !(mayWrite && which === 'all'))
    return <p className="empty">{all.length === 0 ? EMPTY : 'No action is left by this choice.'}</p>
  const ending = done.flatMap((id) => find(id) ?? [])
  return (
    <OpenedScope close={close}>
      {actions.length === 0 && <p className="empty">{EMPTY}</p>}
      <Grid
        label="Actions"
        keptAs="actions"
        look="dense"
        kind={null}
        keeper={keeper}
        rows={rows}
        columns={columns}
        readOnly={!mayWrite && !all.some((a) => a.personId === review.me)}
        Opened={About}
        onOpen={onOpen}
        make={() => {
          const shows = { ...NEW_ACTION, what: 'What is to be done', roundId: review.round?.id ?? null }
          const id = newId()
          keeper.set(id, which === 'mine' ? { ...shows, personId: review.me } : shows)
          return { key: id, type: 'data', id, shows }
        }}
      />
      {ending.length > 0 && (
        <Done
          actions={ending}
          onClose={() => setDone([])}
          onDone={(to) => {
            for (const a of ending) put(a.id, a, to)
          }}
        />
      )}
      {removing.length > 0 && (
        <Confirm
          heading={removing.length === 1 ? 'Remove this action?' : `Remove ${countOf(removing.length, 'action')}?`}
          yes="Remove"
          onClose={() => setRemoving([])}
          onYes={() => {
            for (const { id } of removing) remove(id)
          }}
        >
          {removing.slice(0, 5).map((row) => (
            <p key={row.key}>{shownIn<ReviewAction>(row)?.what}</p>
          ))}
          <p>What is removed goes for good. Dropped, it stays and says why.</p>
        </Confirm>
      )}
    </OpenedScope>
  )
}

const EMPTY = 'An action says what is to be done, who does it and by when. Make one of an improvement under Compare, or type one here.'

/** What an action is about, opened under its line. */
function About({ row }: { readonly row: GridRow }) {
  const review = useReview()
  const plan = useCourse((s) => s.view)
  const mayWrite = useMay('plan.write-activities')
  const action = review.records.actions.find((a) => a.id === row.under)
  if (!action) return null
  return (
    <OpenedBox of={action.id} told="What it is about · Esc closes">
      <EvidenceField
        label={`About: ${action.what}`}
        plan={plan}
        evidence={action.records.map((r) => cite(r as RecordRef))}
        disabled={!mayWrite}
        onChange={(cited) => {
          const records = cited.flatMap(({ kind, id }) => (kind && id ? [{ kind, id }] : []))
          review.write('reviewAction', action.id, action, { records })
        }}
      />
    </OpenedBox>
  )
}
