/** Ratings that were made elsewhere come in as seats of this round; what differs is told before. */
import { useState } from 'react'
import { countOf } from '../../core/numbers'
import { problemText } from '../../core/result'
import { lastRound, seatsToBring } from '../../core/review/bring-review'
import { readReviewPiece } from '../../workers/tasks'
import { CheckInput } from '../parts/choice-input'
import { FormDialog } from '../parts/form-dialog'
import { SelectInput } from '../parts/input'
import { PieceBox, usePieceReader } from '../parts/piece-box'
import { ask, courseAddress } from '../store/api'
import { useCourse, useCourseStore } from '../store/course-store'
import { queries } from '../store/queries'
import type { OpenRound } from './use-review'

export function BringReview({ open, onClose }: { readonly open: OpenRound; readonly onClose: () => void }) {
  const store = useCourseStore()
  const account = useCourse((s) => s.viewer?.id ?? '')
  const reader = usePieceReader(readReviewPiece, 'Pasted review', {})
  const [chosen, setChosen] = useState('')
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const [problem, setProblem] = useState<string | null>(null)
  const review = reader.value?.review ?? null
  const round = review && (review.rounds.find((r) => r.id === chosen) ?? lastRound(review))
  const brought = round ? seatsToBring(round, open.set, open.plan) : null
  const seats = brought?.seats.filter((s) => !left.has(s.name) && s.ratings.length > 0) ?? []
  const problems = [...(reader.value?.problems ?? []), ...(brought?.problems ?? [])]
  const bring = async () => {
    if (seats.length === 0) return setProblem('There is no seat to bring in.')
    const address = courseAddress(store.courseId, `/rounds/${encodeURIComponent(open.round.id)}/seats`)
    const answer = await ask(address, { method: 'POST', body: { seats }, account })
    if (!answer.ok) return setProblem(answer.problem.title)
    await queries.invalidateQueries({ queryKey: ['beside', store.courseId] })
    store.say(`${countOf(seats.length, 'seat')} brought in.`, false)
    onClose()
  }
  return (
    <FormDialog
      heading={`Bring ratings into ${open.round.title}`}
      yes="Bring them in"
      onClose={onClose}
      problem={problem}
      submit={(e) => {
        e.preventDefault()
        void bring()
      }}
    >
      <PieceBox
        reader={reader}
        prompt="A review that was saved as a file (JSON), here or in another Cairn"
        formats="JSON"
        accept=".json"
        filesLabel="File of a review"
      >
        {review && round && brought && (
          <div className="set-read" role="status">
            {review.rounds.length > 1 && (
              <SelectInput
                label="Which round"
                value={round.id}
                options={review.rounds.map((r) => ({ value: r.id, label: r.title }))}
                onChoose={setChosen}
              />
            )}
            {brought.seats.map((s) => (
              <CheckInput
                key={s.name}
                label={`${s.name}, ${countOf(s.ratings.length, 'rating')}${s.handedIn ? '' : ', not handed in there'}`}
                checked={!left.has(s.name)}
                onCheck={(on) => setLeft(new Set([...[...left].filter((n) => n !== s.name), ...(on ? [] : [s.name])]))}
              />
            ))}
            {brought.seats.length === 0 && <p>This round has no seats.</p>}
            {problems.length > 0 && (
              <ul className="plain-list">
                {problems.map((p) => (
                  <li key={`${p.at} ${p.code} ${p.message}`}>{problemText(p)}</li>
                ))}
              </ul>
            )}
          </div>
        )}
        {review && !round && <p className="refused">This file has no rounds.</p>}
      </PieceBox>
    </FormDialog>
  )
}
