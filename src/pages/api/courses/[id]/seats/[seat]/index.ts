import { endpoint } from '../../../../../../server/endpoint'
import { json } from '../../../../../../server/request'
import { renewLink } from '../../../../../../server/seats'

/** A new link for a seat; the old one ends. */
export const POST = endpoint(
  { access: 'course', may: 'review.run', limit: 'invite' },
  async ({ db, courseId, params, person, viewer, url }) =>
    json(await renewLink(db, viewer, params['seat'] ?? '', { courseId, by: person, origin: url.origin })),
)
