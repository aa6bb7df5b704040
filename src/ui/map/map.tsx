/** The map of the course: the working table of its modules, or the picture of the whole. */

import { fetched } from '../parts/fetched'
import { later } from '../parts/later'
import { Segments } from '../parts/segments'
import { useChoice } from '../store/navigation'
import { ModuleTable } from './module-table'

const CoursePicture = later(
  fetched(
    () => import('./course-picture'),
    (m) => m.CoursePicture,
  ),
)
const ActivitySpread = later(
  fetched(
    () => import('./activity-spread'),
    (m) => m.ActivitySpread,
  ),
)

export function CourseMap() {
  const [show, choose] = useChoice('show', ['modules', 'picture', 'spread'])
  const views = (
    <Segments
      label="Views of the map"
      value={show}
      options={[
        { value: 'picture', label: 'Picture' },
        { value: 'modules', label: 'Modules' },
        { value: 'spread', label: 'Spread' },
      ]}
      onChoose={choose}
    />
  )
  if (show === 'picture') return <CoursePicture views={views} />
  return show === 'spread' ? <ActivitySpread views={views} /> : <ModuleTable views={views} />
}
