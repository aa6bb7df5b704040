import { FORMAT_VERSION } from '../../../../core/blueprint/upgrades'
import { headRevision } from '../../../../server/change-log'
import { endpoint } from '../../../../server/endpoint'
import { openedCourse } from '../../../../server/opened-course'
import { noSuchCourse } from '../../../../server/problem'

/** The course in record form with its revision, as the database wrote it; the ETag is the format's version and the revision. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async (asked) => {
  const { db, courseId, role, state, person, request } = asked
  const etagOf = (revision: number | string) => `"${FORMAT_VERSION}-${revision}-${role}-${state}-${person.id}"`
  const known = request.headers.get('if-none-match')
  if (known !== null && known === etagOf(await headRevision(db, courseId)))
    return new Response(null, { status: 304, headers: { etag: known } })
  const opened = await openedCourse(asked, { id: person.id, role, state, name: person.name, email: person.email })
  if (opened === null) throw noSuchCourse()
  return new Response(opened.body as BodyInit, {
    headers: { 'content-type': 'application/json', 'cache-control': 'private, no-cache', etag: etagOf(opened.revision) },
  })
})
