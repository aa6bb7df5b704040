import type { APIRoute } from 'astro'
import { z } from 'zod'
import { handOver } from '../../../../server/membership'
import { courseAccess, parsedBody } from '../../../../server/request'

const wanted = z.strictObject({ to: z.string().max(100), become: z.enum(['designer', 'expert', 'reviewer', 'leave']) })

/** Makes somebody else the designer, and gives up one's own role or takes a lesser one. */
export const POST: APIRoute = async (context) => {
  const { db, courseId, person } = await courseAccess(context)
  const { to, become } = await parsedBody(context.request, wanted)
  await handOver(db, courseId, person.id, to, become)
  return new Response(null, { status: 204 })
}
