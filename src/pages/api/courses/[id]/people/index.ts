import type { APIRoute } from 'astro'
import { may } from '../../../../../core/access/abilities'
import { invitationsOf, membersOf } from '../../../../../server/membership'
import { courseAccess, json } from '../../../../../server/request'

/** Who has which role, one's own, and, for those who give roles, who is invited. */
export const GET: APIRoute = async (context) => {
  const { db, courseId, person, role } = await courseAccess(context)
  const [members, invitations] = await Promise.all([
    membersOf(db, courseId),
    may(role, 'people.manage') ? invitationsOf(db, courseId) : Promise.resolve([]),
  ])
  return json({ id: person.id, role, members, invitations })
}
