import { endpoint } from '../../../../../server/endpoint'
import { withdrawInvitation } from '../../../../../server/membership'

/** Withdraws an invitation: its link ends. */
export const DELETE = endpoint({ access: 'course', may: 'people.manage' }, async ({ db, courseId, person, params }) => {
  await withdrawInvitation(db, courseId, person.id, params['invitation'] ?? '')
  return new Response(null, { status: 204 })
})
