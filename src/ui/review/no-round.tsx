/** Where nothing is rated yet: the way to the first rating. */
import { useState } from 'react'
import { ownSet } from '../../core/review/own-set'
import { planSets } from '../../core/review/plan-sets'
import { addSet } from '../../core/review/set-edits'
import { Button } from '../parts/button'
import { newId, useCourse, useCourseStore, useMay } from '../store/course-store'
import { useBeginSelfCheck } from './begin-self-check'
import { OpenRound } from './open-round'
import type { ShownReview } from './use-review'

/** `onBegin`: a round is begun here. */
export function NoRound({ review, onBegin }: { readonly review: ShownReview; readonly onBegin?: () => void }) {
  const store = useCourseStore()
  const hasSet = useCourse((s) => planSets(s.view).length > 0)
  const mayRun = useMay('review.run')
  const [opening, setOpening] = useState(false)
  const begin = useBeginSelfCheck(review)
  const start = async () => {
    let setId = planSets(store.state.view)[0]?.record.id ?? ''
    if (setId === '') {
      const { set } = await ownSet()
      store.edit('add-set', { what: set.title }, (edit) => void (setId = addSet(edit, set, newId)))
    }
    onBegin?.()
    await begin.mutateAsync(setId)
  }
  if (!mayRun) return <p className="empty">No round is open yet. A designer of the course opens one, and gives seats to those who rate.</p>
  return (
    <div className="empty">
      <p>
        {hasSet
          ? 'A round rates the points of a set on the plan as it is at that moment: by yourself, by colleagues, by somebody from outside, by learners.'
          : 'Rate this course: begin with the set that ships, 59 points in ten areas.'}
      </p>
      <div className="row wrap">
        <Button
          rank="main"
          disabled={begin.isPending}
          onClick={() => void start().catch(() => store.say('That did not reach the server. Try again.', true))}
        >
          {hasSet ? 'Begin a self-check' : 'Begin with the set that ships'}
        </Button>
        {hasSet && <Button onClick={() => setOpening(true)}>Open a round…</Button>}
      </div>
      {opening && <OpenRound review={review} onClose={() => setOpening(false)} />}
    </div>
  )
}
