/** How the course assesses: the grade, the rubrics, marks tried for a learner, and the hours that marking takes. */
import type { KindName } from '../../core/blueprint/kinds'
import { laterFrom } from '../parts/later'
import { Segments } from '../parts/segments'
import { useCourse } from '../store/course-store'
import { useKeptState } from '../store/kept-state'
import { useChoice, useGo, useRevealSelected, useSelected } from '../store/navigation'
import { Grade } from './grade'

/** The grade is what one comes for; the others come when they are opened. */
const Rubrics = laterFrom(
  () => import('./rubrics'),
  (m) => m.Rubrics,
)
const TryMarks = laterFrom(
  () => import('./try-marks'),
  (m) => m.TryMarks,
)
const Marking = laterFrom(
  () => import('./marking'),
  (m) => m.Marking,
)

const RUBRIC_KINDS: readonly KindName[] = ['rubric', 'criterion', 'rubricLevel']

/** Marks as typed, by activity. */
const NO_MARKS: readonly (readonly [string, string])[] = []

export function AssessmentWorkspace() {
  const [chosen, choose] = useChoice('show', ['grade', 'rubrics', 'try', 'marking'])
  const selected = useSelected()
  const { select } = useGo()
  const graded = useCourse((s) => s.view.assessment.size)
  const [marks, setMarks] = useKeptState('marks', NO_MARKS)
  useRevealSelected(true)
  // A link to a rubric or what is in it leads there.
  const show = selected && RUBRIC_KINDS.includes(selected.kind) ? 'rubrics' : chosen
  const views = (
    <Segments
      label="Views of the assessment"
      value={show}
      options={[
        { value: 'grade', label: 'Grade' },
        { value: 'rubrics', label: 'Rubrics' },
        { value: 'try', label: 'Try marks' },
        { value: 'marking', label: 'Marking' },
      ]}
      onChoose={(next) => {
        if (selected) select(null)
        choose(next)
      }}
    />
  )
  switch (show) {
    case 'rubrics':
      return <Rubrics views={views} />
    case 'try':
      return <TryMarks key={graded} views={views} texts={new Map(marks)} setTexts={(texts) => setMarks([...texts])} />
    case 'marking':
      return <Marking views={views} />
    default:
      return <Grade views={views} />
  }
}
