import { bringSeatsBody } from '../../../../../../core/forms/bring-seats'
import { bringSeats } from '../../../../../../server/bring-seats'
import { endpoint } from '../../../../../../server/endpoint'
import { json } from '../../../../../../server/request'

/** Twenty seats that wrote to the limit (Cairn default). */
const MOST_BYTES = 5_000_000

/** Brings seats of a round that was done elsewhere into one here. */
export const POST = endpoint(
  {
    access: 'course',
    may: 'review.run',
    bytes: MOST_BYTES,
    body: bringSeatsBody,
    example: { seats: [{ name: 'Somebody', handedIn: null, remark: null, ratings: [] }] },
  },
  async ({ db, courseId, params, viewer, body }) =>
    json(await bringSeats(db, courseId, viewer, params['round'] ?? '', body.seats), { status: 201 }),
)
