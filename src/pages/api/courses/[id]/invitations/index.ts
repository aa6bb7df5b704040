import type { APIRoute } from 'astro'
import { z } from 'zod'
import { may } from '../../../../../core/access/abilities'
import { ROLES } from '../../../../../core/roles'
import { limit } from '../../../../../server/limits'
import { invite } from '../../../../../server/membership'
import { Refusal } from '../../../../../server/problem'
import { courseAccess, json, parsedBody } from '../../../../../server/request'
import { getSettings } from '../../../../../server/settings'

const wanted = z.strictObject({
  emails: z
    .array(z.email('This is no mail address.').max(200))
    .min(1, 'Name at least one mail address.')
    .max(30, 'At most 30 addresses at once.'),
  role: z.enum(ROLES),
})

/** Invites addresses by mail. Answers what became of each. */
export const POST: APIRoute = async (context) => {
  const { db, courseId, person, role } = await courseAccess(context)
  if (!may(role, 'people.manage')) throw new Refusal(403, 'role-may-not', 'Only a designer of the course gives and takes roles.')
  const asked = await parsedBody(context.request, wanted)
  await limit('invite', person.id, asked.emails.length)
  const answers = await invite(db, { courseId, by: person, ...asked, origin: getSettings().origin })
  return json(answers, { status: 201 })
}
