import { may } from '../../../../../core/access/abilities'
import { endpoint } from '../../../../../server/endpoint'
import { invitationsOf, membersOf } from '../../../../../server/membership'
import { json } from '../../../../../server/request'

/** Who has which role, one's own, and, for those who give roles, who is invited. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, person, role, state }) => {
  const [members, invitations] = await Promise.all([
    membersOf(db, courseId),
    may(role, 'people.manage') ? invitationsOf(db, courseId) : Promise.resolve([]),
  ])
  return json({ id: person.id, role, state, members, invitations })
})
