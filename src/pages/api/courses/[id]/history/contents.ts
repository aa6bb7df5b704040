import { endpoint } from '../../../../../server/endpoint'
import { historyContents } from '../../../../../server/history'
import { json } from '../../../../../server/request'

/** Who changed the course, when, and what was removed from it: what the log can be filtered by. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId }) => json(await historyContents(db, courseId)))
