/** The seats of a round: who rates, how far each is, giving and withdrawing them. */
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { useId } from 'react'
import type { ReviewRound, ReviewSeat } from '../../core/beside/review-records'
import { Button } from '../parts/button'
import { SelectInput } from '../parts/input'
import { ApiError } from '../store/api'
import { newId, useCourseStore } from '../store/course-store'
import { usePeople } from '../store/people'
import { NEW_SEAT } from './begin-self-check'
import type { OpenRound, ShownReview } from './use-review'

type Props = { readonly review: ShownReview; readonly round: ReviewRound; readonly open: OpenRound | null; readonly onClose: () => void }

export function Seats({ review, round, onClose }: Props) {
  const id = useId()
  const store = useCourseStore()
  const people = usePeople().data?.members ?? []
  const seats = review.records.seats.filter((s) => s.roundId === round.id)
  const free = people.filter((p) => seats.every((s) => s.personId !== p.id) && (round.kind === 'self-check' || p.role !== 'designer'))
  const onError = (e: unknown) => store.say(e instanceof ApiError ? e.problem.title : 'That did not reach the server. Try again.', true)
  const give = (personId: string) => {
    const person = people.find((p) => p.id === personId)
    if (person)
      review.writes.seat.put.mutate(
        { id: newId(), values: { ...NEW_SEAT, roundId: round.id, personId, name: person.name }, base: null },
        { onError },
      )
  }
  const withdraw = (seat: ReviewSeat, n: number) => {
    if (seat.handedInAt === null) return review.writes.seat.remove.mutate(seat.id, { onError })
    const { id: _i, authorId: _a, at: _t, revision: _r, ...values } = seat
    review.writes.seat.put.mutate(
      { id: seat.id, values: { ...values, withdrawn: true, name: `Reviewer ${n}` }, base: seat.revision },
      { onError },
    )
  }
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby={id}>
      <DialogTitle id={id}>Seats of {round.title}</DialogTitle>
      <DialogContent>
        {seats.length === 0 && <p>Nobody rates yet.</p>}
        {seats.length > 0 && (
          <table className="sheet">
            <thead>
              <tr>
                <th scope="col">Who</th>
                <th scope="col" className="n">
                  Rated
                </th>
                <th scope="col">Handed in</th>
                <th scope="col">
                  <span className="visually-hidden">What can be done</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {seats.map((s, i) => (
                <tr key={s.id}>
                  <th scope="row">{s.name}</th>
                  <td className="n">{review.records.ratings.filter((r) => r.seatId === s.id).length}</td>
                  <td>
                    {s.withdrawn
                      ? 'withdrawn'
                      : s.handedInAt
                        ? new Date(s.handedInAt).toLocaleDateString('en-GB', { dateStyle: 'medium' })
                        : 'not yet'}
                  </td>
                  <td>{!s.withdrawn && <Button onClick={() => withdraw(s, i + 1)}>Withdraw</Button>}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {round.state === 'open' && free.length > 0 && (
          <SelectInput
            label="Give a seat to"
            value=""
            options={[{ value: '', label: 'Choose somebody' }, ...free.map((p) => ({ value: p.id, label: `${p.name}, ${p.role}` }))]}
            onChoose={give}
          />
        )}
        <p className="muted small">Whoever has not handed in loses what was rated when the seat is withdrawn; what was handed in stays.</p>
      </DialogContent>
      <DialogActions>
        <Button rank="main" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  )
}
