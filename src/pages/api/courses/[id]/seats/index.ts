import { seatBody } from '../../../../../core/forms/seat'
import { endpoint } from '../../../../../server/endpoint'
import { json } from '../../../../../server/request'
import { giveSeat } from '../../../../../server/seats'

/** Gives a seat of a round by link; the link is in the answer, and nowhere again. */
export const POST = endpoint(
  {
    access: 'course',
    may: 'review.run',
    limit: 'invite',
    body: seatBody,
    example: { roundId: 'none', name: 'Somebody', email: '', points: [] },
  },
  async ({ db, courseId, person, viewer, body, url }) =>
    json(await giveSeat(db, viewer, body, { courseId, by: person, origin: url.origin })),
)
