import { courseCopy } from '../../../../core/forms/copy-course'
import { inOffering } from '../../../../core/plan/offering'
import { refreshCounts } from '../../../../server/analysis-cache'
import { copiedCourse } from '../../../../server/copies'
import { endpoint } from '../../../../server/endpoint'
import { json } from '../../../../server/request'

/** A new course of one's own, made of one that can be read. */
export const POST = endpoint(
  { access: 'course', may: 'plan.read', states: ['live', 'archived'], body: courseCopy, example: { title: 'A copy' } },
  async ({ db, courseId, person, body: { offering, actions, ...wishes } }) => {
    const made = await copiedCourse(db, courseId, person.id, wishes, {
      actions: actions ?? false,
      seen: (plan) => inOffering(plan, offering ?? null),
    })
    refreshCounts(made.id)
    return json(made, { status: 201 })
  },
)
