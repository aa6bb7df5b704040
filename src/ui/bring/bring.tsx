/** Bring what you have: files and text become a tree to correct, then one change; or a skeleton from nothing. */
import { useEffect } from 'react'
import { laterFrom } from '../parts/later'
import { Segments } from '../parts/segments'
import { useCourse, useCourseStore } from '../store/course-store'
import { useChoice } from '../store/navigation'
import { BringPieces } from './bring-pieces'
import { SkeletonForm } from './skeleton-form'

const FromPlan = laterFrom(
  () => import('./from-plan'),
  (m) => m.FromPlan,
)

export function Bring() {
  const [show, choose] = useChoice('show', ['pieces', 'skeleton', 'course'])
  const store = useCourseStore()
  useCourse((s) => s.viewer)
  // What was said elsewhere would lie over the button at the foot.
  useEffect(() => store.clearNotice(), [store])
  const views = (
    <Segments
      label="What to begin from"
      value={show}
      options={[
        { value: 'pieces', label: 'Files and text' },
        { value: 'skeleton', label: 'A skeleton' },
        { value: 'course', label: 'Another course' },
      ]}
      onChoose={choose}
    />
  )
  if (!store.may('activity'))
    return (
      <div className="work">
        <h1 className="visually-hidden">Bring in</h1>
        <p className="empty">Only designers add to this course.</p>
      </div>
    )
  if (show === 'course') return <FromPlan views={views} />
  return show === 'skeleton' ? <SkeletonForm views={views} /> : <BringPieces views={views} />
}
