import { endpoint } from '../../../../server/endpoint'
import { inHelper, toWrite } from '../../../../server/helpers'
import { publicationOf, withdraw } from '../../../../server/publication'
import { json } from '../../../../server/request'

export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId }) => json(await publicationOf(db, courseId)))
export const POST = endpoint({ access: 'course', may: 'syllabus.publish' }, async ({ courseId, person, url }) =>
  json(await inHelper('publish', toWrite({ person, courseId }), courseId, url.searchParams.get('offering'))),
)
export const DELETE = endpoint({ access: 'course', may: 'syllabus.publish' }, async ({ db, courseId }) =>
  json(await withdraw(db, courseId)),
)
