/** The seats of a round: who rates, how far each is, giving, renewing and withdrawing them. */
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { useId, useState } from 'react'
import type { ReviewRound, ReviewSeat } from '../../core/beside/review-records'
import { countOf } from '../../core/numbers'
import { lastDayOf } from '../../core/review/seat-link'
import { Button } from '../parts/button'
import { CheckInput } from '../parts/choice-input'
import { ApiError, ask, courseAddress } from '../store/api'
import { useCourse, useCourseStore } from '../store/course-store'
import { GiveSeat, LinkMade, type MadeLink } from './give-seat'
import type { OpenRound, ShownReview } from './use-review'

type Props = { readonly review: ShownReview; readonly round: ReviewRound; readonly open: OpenRound | null; readonly onClose: () => void }

const dayOf = (instant: string): string => new Date(instant).toLocaleDateString('en-GB', { dateStyle: 'medium' })
/** The fields of a record, without what the service adds. */
const valuesOf = <R extends ReviewSeat | ReviewRound>({ id: _i, authorId: _a, at: _t, revision: _r, ...values }: R) => values

export function Seats({ review, round, open, onClose }: Props) {
  const id = useId()
  const store = useCourseStore()
  const account = useCourse((s) => s.viewer?.id ?? '')
  const [made, setMade] = useState<MadeLink | null>(null)
  const seats = review.records.seats.filter((s) => s.roundId === round.id)
  const onError = (e: unknown) => store.say(e instanceof ApiError ? e.problem.title : 'That did not reach the server. Try again.', true)
  const withdraw = (seat: ReviewSeat, n: number) => {
    if (seat.handedInAt === null) return review.writes.seat.remove.mutate(seat.id, { onError })
    const values = { ...valuesOf(seat), withdrawn: true, name: `Reviewer ${n}` }
    review.writes.seat.put.mutate({ id: seat.id, values, base: seat.revision }, { onError })
  }
  const renew = async (seat: ReviewSeat) => {
    const answer = await ask<{ link: string }>(courseAddress(store.courseId, `/seats/${encodeURIComponent(seat.id)}`), {
      method: 'POST',
      body: {},
      account,
    })
    if (!answer.ok) return store.say(answer.problem.title, true)
    setMade({ name: seat.name, link: answer.value.link, mailed: false })
  }
  const showNotes = (showsNotes: boolean) =>
    review.writes.round.put.mutate({ id: round.id, values: { ...valuesOf(round), showsNotes }, base: round.revision }, { onError })
  const until = lastDayOf(round)
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby={id}>
      <DialogTitle id={id}>Seats of {round.title}</DialogTitle>
      <DialogContent>
        {seats.length === 0 && <p>Nobody rates yet.</p>}
        {seats.length > 0 && <SeatTable review={review} seats={seats} onWithdraw={withdraw} onRenew={(s) => void renew(s)} />}
        {made && <LinkMade key={made.link} {...made} />}
        {round.state === 'open' && <GiveSeat review={review} round={round} open={open} onLink={setMade} onError={onError} />}
        <CheckInput
          label="Whoever comes by a link sees designers’ notes and hours of marking"
          checked={round.showsNotes}
          onCheck={showNotes}
        />
        <p className="muted small">
          A link opens on any device until its seat has handed in{until && `, and holds until ${dayOf(until)}`}; a new link ends the one
          before it. Whoever has not handed in loses what was rated when the seat is withdrawn; what was handed in stays.
        </p>
      </DialogContent>
      <DialogActions>
        <Button rank="main" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  )
}

type TableProps = {
  readonly review: ShownReview
  readonly seats: readonly ReviewSeat[]
  readonly onWithdraw: (seat: ReviewSeat, n: number) => void
  readonly onRenew: (seat: ReviewSeat) => void
}

function SeatTable({ review, seats, onWithdraw, onRenew }: TableProps) {
  return (
    <table className="sheet">
      <thead>
        <tr>
          <th scope="col">Who</th>
          <th scope="col" className="r">
            Rated
          </th>
          <th scope="col">Of</th>
          <th scope="col">Handed in</th>
          <th scope="col">Its link was opened</th>
          <th scope="col">
            <span className="visually-hidden">What can be done</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {seats.map((s, i) => {
          const byLink = s.personId === null
          return (
            <tr key={s.id}>
              <th scope="row">{s.name}</th>
              <td className="r">{review.records.ratings.filter((r) => r.seatId === s.id).length}</td>
              <td>{s.points.length === 0 ? 'all points' : countOf(s.points.length, 'point')}</td>
              <td>{s.withdrawn ? 'withdrawn' : s.handedInAt ? dayOf(s.handedInAt) : 'not yet'}</td>
              <td>
                {byLink && (s.openedAt ? `${s.openings === 1 ? 'once' : `${s.openings} times`}, last ${dayOf(s.openedAt)}` : 'never')}
              </td>
              <td className="row">
                {byLink && !s.withdrawn && s.handedInAt === null && <Button onClick={() => onRenew(s)}>New link</Button>}
                {!s.withdrawn && <Button onClick={() => onWithdraw(s, i + 1)}>Withdraw</Button>}
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
