/** The map of the course: the working table of its modules, or the picture of the whole. */
import { Segments } from '../parts/segments'
import { useChoice } from '../store/navigation'
import { CoursePicture } from './course-picture'
import { ModuleTable } from './module-table'

export function CourseMap() {
  const [show, choose] = useChoice('show', ['modules', 'picture'])
  const views = (
    <Segments
      label="Views of the map"
      value={show}
      options={[
        { value: 'picture', label: 'Picture' },
        { value: 'modules', label: 'Modules' },
      ]}
      onChoose={choose}
    />
  )
  return show === 'picture' ? <CoursePicture views={views} /> : <ModuleTable views={views} />
}
