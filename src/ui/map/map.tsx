/** The map of the course: the working table of its modules, or the picture of the whole. */

import { laterFrom } from '../parts/later'
import { Segments } from '../parts/segments'
import { useModuleWord } from '../store/course-store'
import { useChoice } from '../store/navigation'
import { ModuleTable } from './module-table'

const CoursePicture = laterFrom(
  () => import('./course-picture'),
  (m) => m.CoursePicture,
)
const ActivitySpread = laterFrom(
  () => import('./activity-spread'),
  (m) => m.ActivitySpread,
)

export function CourseMap() {
  const [show, choose] = useChoice('show', ['modules', 'picture', 'spread'])
  const word = useModuleWord()
  const views = (
    <Segments
      label="Views of the map"
      value={show}
      options={[
        { value: 'picture', label: 'Picture' },
        { value: 'modules', label: word.Many },
        { value: 'spread', label: 'Spread' },
      ]}
      onChoose={choose}
    />
  )
  if (show === 'picture') return <CoursePicture views={views} />
  return show === 'spread' ? <ActivitySpread views={views} /> : <ModuleTable views={views} />
}
