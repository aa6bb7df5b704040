/** What a review has to do with a record: what is to be done about it, and the points that look at it. */
import type { RecordRef } from '../../core/blueprint/kinds'
import { useMay } from '../store/course-store'
import { ActionsOf } from './actions-of'
import { LookedAtBy } from './looked-at-by'

export function ReviewInDetails(ref: RecordRef) {
  const isMember = useMay('comment.read')
  return (
    <>
      {isMember && <ActionsOf {...ref} />}
      <LookedAtBy {...ref} />
    </>
  )
}
