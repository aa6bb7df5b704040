import type { APIRoute } from 'astro'
import { z } from 'zod'
import { ROLES } from '../../../../../core/roles'
import { changeRole, withdrawRole } from '../../../../../server/membership'
import { courseAccess, parsedBody } from '../../../../../server/request'

const wanted = z.strictObject({ role: z.enum(ROLES) })

/** Gives a person another role. */
export const PATCH: APIRoute = async (context) => {
  const { db, courseId, person } = await courseAccess(context)
  const { role } = await parsedBody(context.request, wanted)
  await changeRole(db, courseId, person.id, context.params['person'] ?? '', role)
  return new Response(null, { status: 204 })
}

/** Withdraws a person's role, or leaves. */
export const DELETE: APIRoute = async (context) => {
  const { db, courseId, person } = await courseAccess(context)
  await withdrawRole(db, courseId, person.id, context.params['person'] ?? '')
  return new Response(null, { status: 204 })
}
