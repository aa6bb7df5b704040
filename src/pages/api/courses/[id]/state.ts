import { z } from 'zod'
import { SPACE_STATES } from '../../../../core/spaces'
import { endpoint } from '../../../../server/endpoint'
import { setSpaceState } from '../../../../server/spaces'

const wanted = z.strictObject({ state: z.enum(SPACE_STATES), confirm: z.string().max(400).optional() })

/** Puts the course away, removes it (`confirm`: its title), or brings it back. */
export const PUT = endpoint(
  { access: 'course', may: 'space.manage', states: SPACE_STATES, body: wanted, example: { state: 'live' } },
  async ({ db, courseId, person, body }) => {
    await setSpaceState(db, { courseId, byId: person.id, to: body.state, confirm: body.confirm })
    return new Response(null, { status: 204 })
  },
)
