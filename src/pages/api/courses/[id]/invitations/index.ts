import { z } from 'zod'
import { ROLES } from '../../../../../core/roles'
import { endpoint } from '../../../../../server/endpoint'
import { limit } from '../../../../../server/limits'
import { invite } from '../../../../../server/membership'
import { json } from '../../../../../server/request'
import { getSettings } from '../../../../../server/settings'

const wanted = z.strictObject({
  emails: z
    .array(z.email('This is no mail address.').max(200))
    .min(1, 'Name at least one mail address.')
    .max(30, 'At most 30 addresses at once.'),
  role: z.enum(ROLES),
})

/** Invites addresses by mail. Answers what became of each. */
export const POST = endpoint(
  { access: 'course', may: 'people.manage', body: wanted, example: { emails: ['invited@example.org'], role: 'reviewer' } },
  async ({ db, courseId, person, body }) => {
    await limit('invite', person.id, body.emails.length)
    return json(await invite(db, { courseId, by: person, ...body, origin: getSettings().origin }), { status: 201 })
  },
)
