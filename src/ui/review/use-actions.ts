/** The actions of the open course, and who may say how far they are. */
import type { ReviewAction } from '../../core/beside/review-records'
import { useBeside } from '../store/beside'
import { useCourse, useMay } from '../store/course-store'
import { useUnsent } from '../store/use-unsent'
import { useWritten, writeOver } from './written'

/** `aside`: beside the work in which actions are written. */
export function useActions(aside = false) {
  const { records } = useBeside<ReviewAction>('reviewAction')
  const { waiting, entries } = useUnsent(aside)
  const me = useCourse((s) => s.viewer?.id ?? '')
  const mayWrite = useMay('plan.write-activities')
  const actions = useWritten('reviewAction', entries, records)
  return {
    actions,
    mayTell: (a: ReviewAction) => mayWrite || a.personId === me,
    put: (a: ReviewAction, to: Partial<ReviewAction>) => writeOver(waiting, 'reviewAction', a.id, a, to),
  }
}
