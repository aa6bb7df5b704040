/** The snapshots of the course: made, opened as they are, compared with the plan or with one another, set back to. */
import MoreIcon from '@mui/icons-material/MoreHoriz'
import { useState } from 'react'
import type { Snapshot } from '../../core/beside/snapshot'
import type { Blueprint } from '../../core/blueprint/blueprint'
import { Button } from '../parts/button'
import { Confirm } from '../parts/confirm'
import { SelectInput } from '../parts/input'
import { MenuButton } from '../parts/menu-button'
import { tip } from '../parts/tip'
import { Waiting } from '../parts/waiting'
import { useCourse, useCourseStore, useMay } from '../store/course-store'
import { useParam } from '../store/navigation'
import { usePeople } from '../store/people'
import { Comparison } from './comparison'
import { SnapshotDialog } from './make-snapshot'
import './snapshots.css'
import { useSnapshotPlan, useSnapshots } from './use-snapshots'

const NOW = 'now'

export function Snapshots() {
  const store = useCourseStore()
  const { snapshots, loading, failed, make, ...writes } = useSnapshots()
  const mayMake = useMay('snapshot.make')
  const [asked, setOf] = useParam('of')
  const [makes, setMakes] = useParam('make')
  const chosen = snapshots.find((s) => s.id === asked) ?? snapshots[0]
  return (
    <div className="work">
      <div className="bar">
        <h1>Snapshots</h1>
        <span className="muted small">The whole plan as it was, under a name. It stays as it is.</span>
        <span className="grow" />
        {mayMake && (
          <Button rank="main" onClick={() => setMakes('1')}>
            Make a snapshot
          </Button>
        )}
      </div>
      <div className="scroll-area">
        {failed && (
          <p className="form-error" role="alert">
            The snapshots could not be fetched. Check the connection.
          </p>
        )}
        {loading && <Waiting lines={6} />}
        {!loading && !failed && snapshots.length === 0 && (
          <p className="empty">
            A snapshot keeps the course as it is today: for a review, before a large change, at the end of a term. Work goes on, and what
            differs since can be read and set back here.
          </p>
        )}
        {chosen && (
          <div className="snapshots-cols">
            <section aria-label="Snapshots">
              {snapshots.map((s) => (
                <OneSnapshot key={s.id} snapshot={s} chosen={s.id === chosen.id} onChoose={() => setOf(s.id)} {...writes} />
              ))}
            </section>
            <Compared key={chosen.id} snapshot={chosen} others={snapshots.filter((s) => s.id !== chosen.id)} />
          </div>
        )}
      </div>
      {makes !== '' && mayMake && (
        <SnapshotDialog
          heading="Make a snapshot"
          yes="Make it"
          begin={{ name: '', note: '' }}
          onClose={() => setMakes('')}
          onSend={async ({ name, note }) => {
            const made = await make.mutateAsync({ name, ...(note ? { note } : {}) })
            setOf(made.id)
            store.say(`Snapshot “${made.name}” is made.`, false)
          }}
        />
      )}
    </div>
  )
}

const WHEN = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' })
export const snapshotTime = (at: string): string => WHEN.format(new Date(at))

type OneProps = { readonly snapshot: Snapshot; readonly chosen: boolean; readonly onChoose: () => void } & Pick<
  ReturnType<typeof useSnapshots>,
  'put' | 'remove'
>

function OneSnapshot({ snapshot: s, chosen, onChoose, put, remove }: OneProps) {
  const { courseId } = useCourseStore()
  const me = useCourse((st) => st.viewer)
  const may = useMay('snapshot.make') && (me?.role === 'designer' || me?.id === s.authorId)
  const people = usePeople().data?.members
  const [open, setOpen] = useState<'name' | 'remove' | null>(null)
  return (
    <article className={`snapshot${chosen ? ' chosen' : ''}`} aria-label={`Snapshot ${s.name}`} aria-current={chosen || undefined}>
      <div className="row">
        <h2>{s.name}</h2>
        <span className="grow" />
        {may && (
          <MenuButton
            className="more"
            aria-label={`What can be done with ${s.name}`}
            {...tip('More')}
            entries={() => [
              { key: 'name', label: 'Name and note…', run: () => setOpen('name') },
              { key: 'remove', label: 'Remove…', run: () => setOpen('remove') },
            ]}
          >
            <MoreIcon fontSize="small" />
          </MenuButton>
        )}
      </div>
      <p className="muted small">
        {snapshotTime(s.at)} · {people?.find((m) => m.id === s.authorId)?.name ?? 'somebody who left'}
      </p>
      {s.note && <p>{s.note}</p>}
      <p className="row">
        <Button href={`/courses/${encodeURIComponent(courseId)}/snapshots/${encodeURIComponent(s.id)}/brief`}>Open as it was</Button>
        {!chosen && (
          <Button rank="rest" onClick={onChoose}>
            What differs
          </Button>
        )}
      </p>
      {open === 'name' && (
        <SnapshotDialog
          heading={`Name of ${s.name}`}
          yes="Keep it so"
          begin={{ name: s.name, note: s.note ?? '' }}
          onClose={() => setOpen(null)}
          onSend={({ name, note }) => {
            const { id, content, formatVersion, planRevision, revision } = s
            return put.mutateAsync({ id, values: { name, note: note || null, content, formatVersion, planRevision }, base: revision })
          }}
        />
      )}
      {open === 'remove' && (
        <Confirm heading={`Remove ${s.name}?`} yes="Remove it" onYes={() => remove.mutate(s.id)} onClose={() => setOpen(null)}>
          <p>The snapshot goes for everybody and cannot be brought back. The plan and its history stay.</p>
        </Confirm>
      )}
    </article>
  )
}

/** What differs from a snapshot to the plan as it is, or to another snapshot. */
function Compared({ snapshot, others }: { snapshot: Snapshot; others: readonly Snapshot[] }) {
  const now = useCourse((s) => s.view)
  const [asked, setWith] = useParam('with')
  const other = others.find((o) => o.id === asked)
  const mine = useSnapshotPlan(snapshot.id)
  const theirs = useSnapshotPlan(other?.id ?? '')
  // The earlier one first, so that what was added was added since.
  const back = other !== undefined && other.at < snapshot.at
  const plans: readonly (Blueprint | null)[] = [mine.plan, other ? theirs.plan : now]
  const [from, to] = back ? [plans[1], plans[0]] : plans
  return (
    <section aria-labelledby="compared">
      <div className="row">
        <h2 id="compared">What differs since {(back ? other : snapshot).name}</h2>
        <span className="grow" />
        <SelectInput
          label="Compare with"
          hideLabel
          value={other?.id ?? NOW}
          options={[{ value: NOW, label: 'the plan as it is now' }, ...others.map((o) => ({ value: o.id, label: o.name }))]}
          onChoose={(id) => setWith(id === NOW ? '' : id)}
        />
      </div>
      {mine.failed || theirs.failed ? (
        <p className="form-error" role="alert">
          What the snapshot holds could not be fetched. Check the connection.
        </p>
      ) : from && to ? (
        <Comparison from={from} fromName={`“${(back ? other : snapshot).name}”`} to={to} restores={!other} />
      ) : (
        <Waiting lines={6} />
      )}
    </section>
  )
}
