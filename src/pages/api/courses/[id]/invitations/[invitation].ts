import type { APIRoute } from 'astro'
import { withdrawInvitation } from '../../../../../server/membership'
import { courseAccess } from '../../../../../server/request'

/** Withdraws an invitation: its link ends. */
export const DELETE: APIRoute = async (context) => {
  const { db, courseId, person } = await courseAccess(context)
  await withdrawInvitation(db, courseId, person.id, context.params['invitation'] ?? '')
  return new Response(null, { status: 204 })
}
