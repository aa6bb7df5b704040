import { endpoint } from '../../../../../../../server/endpoint'
import { putEvidence } from '../../../../../../../server/files'
import { json } from '../../../../../../../server/request'

/** Takes a picture as evidence of one's own seat; `name` says what it was called. */
export const PUT = endpoint(
  { access: 'course', may: 'plan.read', bytes: 'whole' },
  async ({ db, courseId, params, viewer, request, url }) => {
    const given = { id: params['file'] ?? '', name: url.searchParams.get('name') ?? '', body: request.body as never }
    return json(await putEvidence(db, courseId, viewer, params['seat'] ?? '', given))
  },
)
