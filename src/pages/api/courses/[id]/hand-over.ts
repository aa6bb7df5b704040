import { z } from 'zod'
import { ROLES } from '../../../../core/roles'
import { endpoint } from '../../../../server/endpoint'
import { handOver } from '../../../../server/membership'

const wanted = z.strictObject({ to: z.string().max(100), become: z.enum([...ROLES, 'leave']) })

/** Makes somebody else the designer, and gives up one's own role or takes a lesser one. */
export const POST = endpoint(
  { access: 'course', may: 'people.manage', states: ['live', 'archived'], body: wanted, example: { to: 'nobody', become: 'expert' } },
  async ({ db, courseId, person, body }) => {
    await handOver(db, courseId, person.id, body.to, body.become)
    return new Response(null, { status: 204 })
  },
)
