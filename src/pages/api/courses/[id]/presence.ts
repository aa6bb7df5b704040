import { presentAtSchema } from '../../../../core/access/presence'
import { endpoint } from '../../../../server/endpoint'
import { announcePresence, asPresent } from '../../../../server/live'

/** Says where a window is. Nothing of it is stored. */
export const POST = endpoint(
  {
    access: 'course',
    may: 'plan.read',
    states: ['live', 'archived'],
    limit: 'presence',
    body: presentAtSchema,
    example: { window: 'w1', view: 'map', place: null, field: null, says: 'here', n: 0 },
  },
  async ({ db, courseId, person, role, body }) => {
    await announcePresence(db, courseId, { ...body, ...asPresent(person, role) })
    return new Response(null, { status: 204 })
  },
)
