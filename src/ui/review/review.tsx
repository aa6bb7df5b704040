/** Review: quality points, what is computed and seen about each, and what learners get. */
import { laterFrom } from '../parts/later'
import { Segments } from '../parts/segments'
import { Waiting } from '../parts/waiting'
import { useChoice } from '../store/navigation'
import './review.css'
import { REVIEW_VIEWS, type ReviewView } from './views'

const WAITING = <Waiting lines={8} />
const Rate = laterFrom(
  () => import('./rate'),
  (m) => m.Rate,
  WAITING,
)
const Sets = laterFrom(
  () => import('./sets'),
  (m) => m.Sets,
  WAITING,
)
const ColoursAndTexts = laterFrom(
  () => import('./colours-and-texts'),
  (m) => m.ColoursAndTexts,
  WAITING,
)

export function ReviewWorkspace() {
  const [show, choose] = useChoice<ReviewView>('show', ['rate', 'sets', 'colours'])
  const views = (
    <Segments
      label="Views of the review"
      value={show}
      options={REVIEW_VIEWS.map(({ key, title }) => ({ value: key, label: title }))}
      onChoose={choose}
    />
  )
  if (show === 'rate') return <Rate views={views} />
  return show === 'colours' ? <ColoursAndTexts views={views} /> : <Sets views={views} />
}
