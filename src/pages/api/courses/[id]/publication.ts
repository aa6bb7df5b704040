import type { APIRoute } from 'astro'
import { may } from '../../../../core/access/abilities'
import { Refusal } from '../../../../server/problem'
import { publicationOf, publish, withdraw } from '../../../../server/publication'
import { courseAccess, json } from '../../../../server/request'

const publisher = async (context: Parameters<APIRoute>[0]) => {
  const access = await courseAccess(context)
  if (!may(access.role, 'syllabus.publish')) throw new Refusal(403, 'role-may-not', 'Only a designer of the course publishes its syllabus.')
  return access
}

export const GET: APIRoute = async (context) => {
  const { db, courseId } = await courseAccess(context)
  return json(await publicationOf(db, courseId))
}
export const POST: APIRoute = async (context) => {
  const { db, courseId } = await publisher(context)
  return json(await publish(db, courseId))
}
export const DELETE: APIRoute = async (context) => {
  const { db, courseId } = await publisher(context)
  return json(await withdraw(db, courseId))
}
