/** Comparing what several said: disagreements first, notes side by side, settled by hand with a reason, answered as the team. */
import { type KeyboardEvent, type ReactNode, useRef } from 'react'
import { ANSWERS, RATING_VALUES, type ReviewSeat } from '../../core/beside/review-records'
import { linkId } from '../../core/blueprint/ids'
import type { ReviewPointRecord } from '../../core/blueprint/kinds'
import { countOf } from '../../core/numbers'
import { comparisonOrder } from '../../core/review/comparison'
import { pointsOfSet } from '../../core/review/plan-sets'
import type { PointFigures, RoundFigures } from '../../core/review/review-figures'
import { MARK_WORDS, MERGE_WORDS, mergedWord, VALUE_WORDS } from '../../core/review/words'
import { Button } from '../parts/button'
import { DraftField } from '../parts/draft-field'
import { SelectInput } from '../parts/input'
import { LineButton } from '../parts/line-button'
import { Waiting } from '../parts/waiting'
import { newId, useCourse, useCourseStore, useMay } from '../store/course-store'
import { useParam } from '../store/navigation'
import { citedName } from './evidence-field'
import { NEW_ACTION } from './new-action'
import { NoRound } from './no-round'
import { Refused } from './refused'
import { RoundBar } from './round-bar'
import { type OpenRound, type ShownReview, useOpenRound, useReview } from './use-review'

export function Compare({ views }: { readonly views: ReactNode }) {
  const review = useReview()
  const { open } = useOpenRound(review)
  const reviewed = useCourse((s) => s.reviewed)
  const figures = open && reviewed?.roundId === open.round.id ? (reviewed.figures.rounds.at(-1) ?? null) : null
  return (
    <div className="work">
      <RoundBar review={review} open={open} views={views} heading="Compare" />
      <Refused review={review} />
      {!review.loading && !review.round && <NoRound review={review} />}
      {review.round && !figures && <Waiting lines={8} />}
      {open && figures && <Comparison key={open.round.id} review={review} open={open} figures={figures} />}
    </div>
  )
}

type Props = { readonly review: ShownReview; readonly open: OpenRound; readonly figures: RoundFigures }

/** What the agreement comes to, and who tends to be lower, in two sentences. */
function agreementText({ agreement, seats }: RoundFigures, nameOf: (id: string) => string): string {
  if (agreement.pairs === 0) return 'Nothing to compare yet: two seats have to hand in ratings of the same point.'
  const alpha = agreement.alpha === null ? '' : ` Beyond chance: ${agreement.alpha.toFixed(2)} of 1 (ordinal alpha).`
  const tends = seats.filter((s) => s.lower > s.higher && s.lower > 1).sort((a, b) => b.lower - a.lower)[0]
  const low = tends ? ` ${nameOf(tends.id)} is lower in ${tends.lower} of ${tends.lower + tends.same + tends.higher}.` : ''
  return `Same value in ${agreement.agreeing} of ${countOf(agreement.pairs, 'comparison')}.${alpha}${low}`
}

function Comparison({ review, open, figures }: Props) {
  const { round, set } = open
  const [focused, setFocused] = useParam('point')
  const table = useRef<HTMLTableElement>(null)
  const seats = open.seats.filter((s) => s.handedInAt !== null)
  const points = new Map(pointsOfSet(set).map((p) => [p.code, p]))
  const rows = comparisonOrder(figures.points)
  const current = rows.find((r) => r.code === focused) ?? rows[0]
  const nameOf = (id: string) => open.seats.find((s) => s.id === id)?.name ?? 'A seat'
  const onKeyDown = (e: KeyboardEvent) => {
    const step = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0
    const next = current && rows[rows.indexOf(current) + step]
    if (step === 0 || !next) return
    e.preventDefault()
    setFocused(next.code)
    requestAnimationFrame(() => table.current?.querySelector<HTMLElement>(`[data-row="${CSS.escape(next.code)}"]`)?.focus())
  }
  if (round.state === 'open' && !review.ownSeat?.handedInAt)
    return (
      <p className="empty">
        What others say is seen when you have handed in too, or when comparison is opened. {countOf(seats.length, 'seat')} of{' '}
        {open.seats.length} {seats.length === 1 ? 'has' : 'have'} handed in.
      </p>
    )
  return (
    <div className="compare-cols">
      <div className="compare-table">
        <p role="status">
          {agreementText(figures, nameOf)} <span className="muted">Merged: {MERGE_WORDS[round.merge]}.</span>
        </p>
        <table className="sheet" ref={table}>
          <caption className="visually-hidden">Ratings by seat, least agreement first</caption>
          <thead>
            <tr>
              <th scope="col">Point</th>
              {seats.map((s) => (
                <th scope="col" key={s.id}>
                  {s.name}
                </th>
              ))}
              <th scope="col">Together</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.code} className={row === current ? 'chosen' : undefined}>
                <th scope="row">
                  <LineButton
                    className="compare-point"
                    data-row={row.code}
                    tabIndex={row === current ? 0 : -1}
                    aria-current={row === current}
                    onKeyDown={onKeyDown}
                    onFocus={() => setFocused(row.code)}
                    onClick={() => setFocused(row.code)}
                  >
                    <span className="code">{row.code}</span> {points.get(row.code)?.statement}
                  </LineButton>
                </th>
                {seats.map((s) => {
                  const value = row.ratings[s.id]
                  return <td key={s.id}>{value ? VALUE_WORDS[value] : <span className="muted">–</span>}</td>
                })}
                <td>
                  <b>{mergedWord(row.merged)}</b>
                  <span className="muted small">
                    {row.by === 'hand' && ' by hand'}
                    {row.by === 'carried' && ' carried over'}
                    {row.stale && ' · changed since'}
                  </span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {current && <Notes key={current.code} review={review} open={open} seats={seats} row={current} point={points.get(current.code)} />}
    </div>
  )
}

type NotesProps = {
  readonly review: ShownReview
  readonly open: OpenRound
  readonly seats: readonly ReviewSeat[]
  readonly row: PointFigures
  readonly point: ReviewPointRecord | undefined
}
const NOTES = [
  ['reason', 'Why not'],
  ['seen', 'Seen'],
  ['where', 'Where'],
  ['change', 'To change'],
] as const

function Notes({ review, open, seats, row, point }: NotesProps) {
  const mayDecide = useMay('review.run') && open.round.state !== 'open'
  if (!point) return null
  const ratings = seats.flatMap((seat) => {
    const rating = review.records.ratings.find((r) => r.seatId === seat.id && r.pointId === point.id)
    return rating?.value ? [{ seat, rating }] : []
  })
  return (
    <section className="compare-notes" aria-label={`What is said about ${row.code}`}>
      <h2>
        {row.code} {point.statement}
      </h2>
      {ratings.map(({ seat, rating }) => (
        <article key={seat.id}>
          <h3>
            {seat.name}: {rating.value && VALUE_WORDS[rating.value]}
            {rating.handedInValue && <span className="muted"> (handed in: {VALUE_WORDS[rating.handedInValue]})</span>}
            {rating.mark && <span className="muted"> · {MARK_WORDS[rating.mark]}</span>}
          </h3>
          {NOTES.map(([field, label]) =>
            rating[field] ? (
              <p key={field}>
                <span className="muted">{label}:</span> {rating[field]}
              </p>
            ) : null,
          )}
          {rating.evidence.length > 0 && (
            <p>
              <span className="muted">Evidence:</span> {rating.evidence.map((e) => citedName(open.plan, e)).join('; ')}
            </p>
          )}
        </article>
      ))}
      {ratings.length === 0 && <p className="muted">Nobody rated it.</p>}
      {mayDecide && <Decide review={review} open={open} point={point} />}
      <ToAction review={review} open={open} point={point} text={ratings.find(({ rating }) => rating.change)?.rating.change ?? ''} />
    </section>
  )
}

type Of = { readonly review: ShownReview; readonly open: OpenRound; readonly point: ReviewPointRecord }
const ANSWER_WORDS = { accepted: 'we do it', otherwise: 'we do it otherwise', declined: 'we leave it' } as const

/** Settling a point by hand, and answering as the team. */
function Decide({ review, open: { round }, point }: Of) {
  const me = useCourse((s) => s.viewer?.name ?? '')
  const found = review.records.decisions.find((d) => d.roundId === round.id && d.pointId === point.id)
  const id = found?.id ?? linkId([round.id, point.id], 'decision')
  const blank = { roundId: round.id, pointId: point.id, value: null, reason: null, answer: null, answerText: null }
  const put = (to: object) => review.write('reviewDecision', id, found, { ...(found ? {} : blank), by: me, ...to })
  const text = (typed: string, field: 'reason' | 'answerText') => {
    if (typed.length > 4000) return `At most 4000 characters; this has ${typed.length}.`
    put({ [field]: typed.trim() || null })
    return null
  }
  return (
    <div className="decide">
      <h3>Settled by hand</h3>
      <DraftField
        label="Reason"
        lines
        value={found?.reason ?? ''}
        disabled={round.state === 'closed'}
        onCommit={(t) => text(t, 'reason')}
      />
      <SelectInput
        label="Value"
        value={found?.value ?? ''}
        disabled={round.state === 'closed' || !found?.reason}
        hint={found?.reason ? undefined : 'A reason first.'}
        options={[{ value: '' as const, label: 'as the ratings say' }, ...RATING_VALUES.map((v) => ({ value: v, label: VALUE_WORDS[v] }))]}
        onChoose={(value) => put({ value: value || null })}
      />
      <SelectInput
        label="Our answer"
        value={found?.answer ?? ''}
        options={[{ value: '' as const, label: 'none yet' }, ...ANSWERS.map((a) => ({ value: a, label: ANSWER_WORDS[a] }))]}
        onChoose={(answer) => put({ answer: answer || null })}
      />
      <DraftField label="Answer in words" lines value={found?.answerText ?? ''} onCommit={(t) => text(t, 'answerText')} />
    </div>
  )
}

/** Makes an action of what is to change. */
function ToAction({ review, open: { round }, point, text }: Of & { readonly text: string }) {
  const store = useCourseStore()
  const mayWrite = useMay('plan.write-activities')
  const actions = review.records.actions.filter((a) => a.pointId === point.id)
  if (!mayWrite) return null
  const make = () => {
    const what = text || `${point.code}: ${point.statement}`.slice(0, 2000)
    review.write('reviewAction', newId(), undefined, { ...NEW_ACTION, roundId: round.id, pointId: point.id, what })
    store.say('An action is made: give it somebody and a day under Actions.', false)
  }
  return (
    <p className="row wrap">
      <Button onClick={make}>Make an action of it</Button>
      {actions.length > 0 && <span className="muted small">{countOf(actions.length, 'action')} on this point</span>}
    </p>
  )
}
