import { courseCopy } from '../../../../core/forms/copy-course'
import { refreshCounts } from '../../../../server/analysis-cache'
import { endpoint } from '../../../../server/endpoint'
import { inHelper, toWrite } from '../../../../server/helpers'
import { needsRoom } from '../../../../server/quotas'
import { json } from '../../../../server/request'

/** A new course of one's own, made of one that can be read. */
export const POST = endpoint(
  { access: 'course', may: 'plan.read', states: ['live', 'archived'], body: courseCopy, example: { title: 'A copy' } },
  async ({ db, courseId, person, body: { offering, actions, ...wishes } }) => {
    await needsRoom(db, person.id, 'courses')
    const made = await inHelper('copy', toWrite({ person, courseId }), courseId, person.id, wishes, {
      actions: actions ?? false,
      offering: offering ?? null,
    })
    refreshCounts(made.id)
    return json(made, { status: 201 })
  },
)
