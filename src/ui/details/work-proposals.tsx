/** What the kind of an activity proposes for how learners work, and taking it. */
import { fieldText } from '../../core/blueprint/field-text'
import { fieldOf } from '../../core/blueprint/kinds'
import { confirmProposals, proposedWork, WORK_FIELDS } from '../../core/design/work-proposals'
import { fieldTitle } from '../../core/history/describe'
import { indexCourse } from '../../core/plan/plan-index'
import { Button } from '../parts/button'
import { useCourse, useCourseStore } from '../store/course-store'

export function WorkProposals({ id }: { readonly id: string }) {
  const store = useCourseStore()
  const told = useCourse((s) => {
    const activity = indexCourse(s.view).activity(id)
    if (!activity) return ''
    return WORK_FIELDS.flatMap((field) => {
      const value = proposedWork(s.view, activity, field)
      return value === null ? [] : [`${fieldTitle(field, 'activity')}: ${fieldText(fieldOf('activity', field), value)}`]
    }).join('; ')
  })
  if (told === '') return null
  return (
    <p className="muted small proposed">
      Proposed by the kind: <i>{told}</i>{' '}
      {store.may('activity') && (
        <Button
          rank="rest"
          onClick={() =>
            store.edit('confirm-proposals', { n: 1 }, (edit) => {
              const activity = indexCourse(edit.now).activity(id)
              if (activity) confirmProposals(edit, [activity])
            })
          }
        >
          Confirm
        </Button>
      )}
    </p>
  )
}
