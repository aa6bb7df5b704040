/** Review: quality points, what is computed and seen about each, and what learners get. */
import { laterFrom } from '../parts/later'
import { Segments } from '../parts/segments'
import { Waiting } from '../parts/waiting'
import { useCourse } from '../store/course-store'
import { useChoice } from '../store/navigation'
import './review.css'
import { REVIEW_VIEWS, type ReviewView } from './views'

const WAITING = <Waiting lines={8} />
const PARTS = {
  rate: laterFrom(
    () => import('./rate'),
    (m) => m.Rate,
    WAITING,
  ),
  compare: laterFrom(
    () => import('./compare'),
    (m) => m.Compare,
    WAITING,
  ),
  actions: laterFrom(
    () => import('./actions'),
    (m) => m.Actions,
    WAITING,
  ),
  report: laterFrom(
    () => import('./report'),
    (m) => m.Report,
    WAITING,
  ),
  sets: laterFrom(
    () => import('./sets'),
    (m) => m.Sets,
    WAITING,
  ),
  colours: laterFrom(
    () => import('./colours-and-texts'),
    (m) => m.ColoursAndTexts,
    WAITING,
  ),
} satisfies Readonly<Record<ReviewView, unknown>>

export function ReviewWorkspace() {
  // Whoever came by a link rates, and no more.
  const isByLink = useCourse((s) => s.viewer?.seatId !== undefined)
  const views = isByLink ? REVIEW_VIEWS.filter(({ key }) => key === 'rate') : REVIEW_VIEWS
  const [show, choose] = useChoice<ReviewView>('show', isByLink ? ['rate'] : ['rate', 'compare', 'actions', 'report', 'sets', 'colours'])
  const Part = PARTS[show]
  return (
    <Part
      views={
        isByLink ? null : (
          <Segments
            label="Views of the review"
            value={show}
            options={views.map(({ key, title }) => ({ value: key, label: title }))}
            onChoose={choose}
          />
        )
      }
    />
  )
}
