import { invite as wanted } from '../../../../../core/forms/invite'
import { endpoint } from '../../../../../server/endpoint'
import { limit } from '../../../../../server/limits'
import { invite } from '../../../../../server/membership'
import { json } from '../../../../../server/request'
import { getSettings } from '../../../../../server/settings'

/** Invites addresses by mail. Answers what became of each. */
export const POST = endpoint(
  { access: 'course', may: 'people.manage', body: wanted, example: { emails: ['invited@example.org'], role: 'reviewer' } },
  async ({ db, courseId, person, body }) => {
    await limit('invite', person.id, body.emails.length)
    return json(await invite(db, { courseId, by: person, ...body, origin: getSettings().origin }), { status: 201 })
  },
)
