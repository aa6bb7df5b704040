/** The bar of the views of a round: which one, how far it is, one's own seat, and what can be done with it. */
import { type ReactNode, useCallback, useMemo, useState } from 'react'
import type { ReviewRound, ReviewSeat } from '../../core/beside/review-records'
import { countOf, listOf } from '../../core/numbers'
import { askedPoints } from '../../core/review/asked'
import { STATE_WORDS } from '../../core/review/words'
import { Button } from '../parts/button'
import { Confirm } from '../parts/confirm'
import { SelectInput, TextInput } from '../parts/input'
import { MenuButton } from '../parts/menu-button'
import { useLatest } from '../parts/use-latest'
import { ApiError } from '../store/api'
import { useCourse, useCourseStore, useMay } from '../store/course-store'
import { BringReview } from './bring-review'
import { OnPaper } from './on-paper'
import { OpenRound } from './open-round'
import { Seats } from './seats'
import type { OpenRound as Opened, ShownReview } from './use-review'

type Props = { readonly review: ShownReview; readonly open: Opened | null; readonly views: ReactNode; readonly heading: string }

export function RoundBar({ review, open, views, heading }: Props) {
  const mayRun = useMay('review.run')
  const [opening, setOpening] = useState(false)
  const { round, rounds } = review
  const byLink = useCourse((s) => s.viewer?.seatId !== undefined)
  // A key that rates draws none of it but how much is rated.
  const choices = useMemo(() => rounds.map((r) => ({ value: r.id, label: `${r.title}, ${STATE_WORDS[r.state]}` })), [rounds])
  const choose = useLatest(review.choose)
  const ask = useCallback(() => setOpening(true), [])
  return (
    <div className="bar">
      <h1 className="visually-hidden">{heading}</h1>
      {views}
      {round && byLink && (
        <span>
          <b>{round.title}</b>
          {round.due && (
            <span className="muted"> · hand in by {new Date(round.due).toLocaleDateString('en-GB', { dateStyle: 'long' })}</span>
          )}
        </span>
      )}
      {round && !byLink && <SelectInput label="Round" hideLabel value={round.id} options={choices} onChoose={choose} />}
      <span className="grow" />
      {open && review.ownSeat && <OwnSeat key={open.round.id} review={review} open={open} seat={review.ownSeat} />}
      {mayRun && round && <RoundMenu review={review} round={round} open={open} />}
      {mayRun && round && <Button onClick={ask}>Open a round…</Button>}
      {opening && <OpenRound review={review} onClose={() => setOpening(false)} />}
    </div>
  )
}

/** The fields of a record beside the plan, without what the service adds. */
const bare = <R extends { readonly id: string }>({
  id: _i,
  authorId: _a,
  at: _t,
  revision: _r,
  ...rest
}: R & { authorId: string; at: string; revision: number }) => rest

const MOST_REMARK = 4000

/** How far one's own rating is, handing it in, and taking that back. */
function OwnSeat({ review, open, seat }: { readonly review: ShownReview; readonly open: Opened; readonly seat: ReviewSeat }) {
  const [asking, setAsking] = useState(false)
  const { round, set } = open
  const asked = askedPoints(round, set, seat.points)
  const own = new Map(review.records.ratings.filter((r) => r.seatId === seat.id).map((r) => [r.pointId, r]))
  const left = asked.filter((p) => !own.get(p.id)?.value)
  const noReason = asked.filter((p) => own.get(p.id)?.value === 'not applicable' && !own.get(p.id)?.reason)
  const waits = review.waiting.list().filter((e) => !e.refused).length
  const [remark, setRemark] = useState(seat.remark ?? '')
  const ask = useCallback(() => setAsking(true), [])
  // After the ratings that wait, in their order; what is not taken is told above the points.
  const put = (to: Partial<ReviewSeat>) => review.write('reviewSeat', seat.id, seat, to)
  return (
    <>
      <span className="muted small" role="status">
        {asked.length - left.length} of {asked.length} rated
        {waits > 0 && `, ${waits} not sent yet`}
        {seat.handedInAt && ', handed in'}
      </span>
      <OnPaper
        {...{ review, open, seat, asked }}
        may={!seat.withdrawn && (round.state === 'comparing' || (round.state === 'open' && seat.handedInAt === null))}
      />
      {round.state === 'open' && seat.handedInAt && <Button onClick={() => put({ handedInAt: null })}>Take it back</Button>}
      {round.state !== 'closed' && !seat.handedInAt && !seat.withdrawn && (
        <Button rank="main" onClick={ask}>
          Hand in…
        </Button>
      )}
      {asking && (
        <Confirm
          heading="Hand in your ratings?"
          yes="Hand in"
          ready={remark.length <= MOST_REMARK}
          onClose={() => setAsking(false)}
          onYes={() => put({ handedInAt: new Date().toISOString(), remark: remark.trim() || null })}
        >
          {left.length === 0 ? (
            <p>All {countOf(asked.length, 'point')} are rated.</p>
          ) : (
            <p>
              Not rated: {listOf(left.map((p) => p.code).slice(0, 30))}
              {left.length > 30 && ` and ${left.length - 30} more`}.
            </p>
          )}
          {noReason.length > 0 && <p>Without a reason, not applicable does not count: {listOf(noReason.map((p) => p.code))}.</p>}
          {waits > 0 && <p>{countOf(waits, 'rating')} not sent yet: they go as soon as there is a line.</p>}
          <TextInput
            label="About the whole, if you like"
            multiline
            value={remark}
            onChange={(e) => setRemark(e.target.value)}
            error={remark.length > MOST_REMARK ? `At most ${MOST_REMARK} characters; this has ${remark.length}.` : null}
          />
          <p className="muted">You see what others say when they have handed in too. Until comparison opens you can take it back.</p>
        </Confirm>
      )}
    </>
  )
}

type RoundMenuProps = { readonly review: ShownReview; readonly round: ReviewRound; readonly open: Opened | null }
type Asking = 'compare' | 'close' | 'remove' | 'seats' | 'bring' | null

function RoundMenu({ review, round, open }: RoundMenuProps) {
  const store = useCourseStore()
  const [asking, setAsking] = useState<Asking>(null)
  const seats = review.records.seats.filter((s) => s.roundId === round.id)
  const out = seats.filter((s) => s.handedInAt === null && !s.withdrawn)
  const onError = (e: unknown) => store.say(e instanceof ApiError ? e.problem.title : 'That did not reach the server. Try again.', true)
  const put = (to: Partial<ReviewRound>) =>
    review.writes.round.put.mutate({ id: round.id, values: { ...bare(round), ...to }, base: round.revision }, { onError })
  const entries = useLatest(() => [
    { key: 'seats', label: 'Seats…', run: () => setAsking('seats') },
    ...(round.state === 'closed' || !open
      ? []
      : [{ key: 'bring', label: 'Bring in ratings made elsewhere…', run: () => setAsking('bring') }]),
    ...(round.state === 'open' ? [{ key: 'compare', label: 'Open comparison…', run: () => setAsking('compare') }] : []),
    ...(round.state === 'comparing' ? [{ key: 'close', label: 'Close the round…', run: () => setAsking('close') }] : []),
    ...(round.state === 'closed' ? [{ key: 'again', label: 'Open comparison again', run: () => put({ state: 'comparing' }) }] : []),
    { key: 'remove', label: 'Remove…', run: () => setAsking('remove') },
  ])
  const close = () => setAsking(null)
  return (
    <>
      <MenuButton className="btn" entries={entries}>
        This round
      </MenuButton>
      {asking === 'seats' && <Seats review={review} round={round} open={open} onClose={close} />}
      {asking === 'bring' && open && <BringReview open={open} onClose={close} />}
      {asking === 'compare' && (
        <Confirm heading="Open comparison?" yes="Open it" onClose={close} onYes={() => put({ state: 'comparing' })}>
          {out.length === 0 ? (
            <p>Everybody has handed in.</p>
          ) : (
            <p>
              {listOf(out.map((s) => s.name))} {out.length === 1 ? 'has' : 'have'} not handed in: their ratings do not count until they do.
            </p>
          )}
          <p>From then on everybody in the course sees what was handed in, and it cannot be taken back.</p>
        </Confirm>
      )}
      {asking === 'close' && (
        <Confirm heading="Close the round?" yes="Close it" onClose={close} onYes={() => put({ state: 'closed' })}>
          <p>Ratings and decisions stay as they are. Actions go on.</p>
        </Confirm>
      )}
      {asking === 'remove' && (
        <Confirm
          heading={`Remove ${round.title}?`}
          yes="Remove"
          onClose={close}
          onYes={() => review.writes.round.remove.mutate(round.id, { onError })}
        >
          <p>
            {countOf(seats.length, 'seat')} with {seats.length === 1 ? 'its' : 'their'} ratings and what was settled go for good. Actions
            and the snapshot stay.
          </p>
        </Confirm>
      )}
    </>
  )
}
