import { z } from 'zod'
import { ROLES } from '../../../../../core/roles'
import { endpoint } from '../../../../../server/endpoint'
import { changeRole, withdrawRole } from '../../../../../server/membership'

const wanted = z.strictObject({ role: z.enum(ROLES) })

/** Gives a person another role. */
export const PATCH = endpoint(
  { access: 'course', may: 'people.manage', body: wanted, example: { role: 'designer' } },
  async ({ db, courseId, person, params, body }) => {
    await changeRole(db, courseId, person.id, params['person'] ?? '', body.role)
    return new Response(null, { status: 204 })
  },
)

/** Withdraws a person's role, or leaves: one's own role anybody gives up. */
export const DELETE = endpoint({ access: 'course', may: 'service' }, async ({ db, courseId, person, params }) => {
  await withdrawRole(db, courseId, person.id, params['person'] ?? '')
  return new Response(null, { status: 204 })
})
