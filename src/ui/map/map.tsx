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
const SheetView = laterFrom(
  () => import('./sheet/sheet'),
  (m) => m.SheetView,
)
const PatternView = laterFrom(
  () => import('./pattern/pattern'),
  (m) => m.PatternView,
)
const ChainsView = laterFrom(
  () => import('./chains/chains'),
  (m) => m.ChainsView,
)
const MatrixView = laterFrom(
  () => import('./matrix/matrix'),
  (m) => m.MatrixView,
)
const ActivitySpread = laterFrom(
  () => import('./activity-spread'),
  (m) => m.ActivitySpread,
)

export function CourseMap() {
  const [show, choose] = useChoice('show', ['modules', 'picture', 'sheet', 'matrix', 'chains', 'pattern', 'spread'])
  const word = useModuleWord()
  const views = (
    <Segments
      label="Views of the map"
      value={show}
      options={[
        { value: 'picture', label: 'Picture' },
        { value: 'modules', label: word.Many },
        { value: 'sheet', label: 'Sheet' },
        { value: 'matrix', label: 'Matrix' },
        { value: 'chains', label: 'Chains' },
        { value: 'pattern', label: 'Pattern' },
        { value: 'spread', label: 'Spread' },
      ]}
      onChoose={choose}
    />
  )
  if (show === 'picture') return <CoursePicture views={views} />
  if (show === 'sheet') return <SheetView views={views} />
  if (show === 'pattern') return <PatternView views={views} />
  if (show === 'chains') return <ChainsView views={views} />
  if (show === 'matrix') return <MatrixView views={views} />
  return show === 'spread' ? <ActivitySpread views={views} /> : <ModuleTable views={views} />
}
