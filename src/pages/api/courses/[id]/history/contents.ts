import type { APIRoute } from 'astro'
import { historyContents } from '../../../../../server/history'
import { courseAccess, json } from '../../../../../server/request'

/** Who changed the course, when, and what was removed from it: what the log can be filtered by. */
export const GET: APIRoute = async (context) => {
  const { db, courseId } = await courseAccess(context)
  return json(await historyContents(db, courseId))
}
