import type { APIRoute } from 'astro'
import { presentAtSchema } from '../../../../core/access/presence'
import { announcePresence } from '../../../../server/live'
import { Refusal } from '../../../../server/problem'
import { courseAccess, jsonBody } from '../../../../server/request'

/** Says where a window is. Nothing of it is stored. */
export const POST: APIRoute = async (context) => {
  const { db, courseId, person, role } = await courseAccess(context)
  const parsed = presentAtSchema.safeParse(await jsonBody(context.request))
  if (!parsed.success) throw new Refusal(422, 'invalid-presence', 'This is no place in a course.')
  await announcePresence(db, courseId, { ...parsed.data, person: person.id, name: person.name.slice(0, 120), role })
  return new Response(null, { status: 204 })
}
