import { presentAtSchema } from '../../../../core/access/presence'
import { endpoint } from '../../../../server/endpoint'
import { announcePresence } from '../../../../server/live'

/** Says where a window is. Nothing of it is stored. */
export const POST = endpoint(
  {
    access: 'course',
    may: 'plan.read',
    states: ['live', 'archived'],
    limit: 'presence',
    body: presentAtSchema,
    example: { window: 'w1', view: 'map', place: null, field: null, says: 'here' },
  },
  async ({ db, courseId, person, role, body }) => {
    await announcePresence(db, courseId, { ...body, person: person.id, name: person.name.slice(0, 120), role })
    return new Response(null, { status: 204 })
  },
)
