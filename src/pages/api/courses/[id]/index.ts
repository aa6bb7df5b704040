import { FORMAT_VERSION } from '../../../../core/blueprint/upgrades'
import { endpoint } from '../../../../server/endpoint'
import { noSuchCourse } from '../../../../server/problem'
import { loadCourseText } from '../../../../server/repository'

/** The course in record form with its revision, as the database wrote it; the ETag is the format's version and the revision. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, role, state, person, request }) => {
  const body = await loadCourseText(db, courseId)
  if (body === null) throw noSuchCourse()
  const revision = /"revision"\s*:\s*(\d+)/.exec(body.slice(0, 60))?.[1] ?? ''
  const etag = `"${FORMAT_VERSION}-${revision}-${role}-${state}-${person.id}"`
  if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers: { etag } })
  const viewer = JSON.stringify({ id: person.id, role, state, name: person.name, email: person.email })
  return new Response(`{"formatVersion":${FORMAT_VERSION},"viewer":${viewer},${body.trimStart().slice(1)}`, {
    headers: { 'content-type': 'application/json', 'cache-control': 'private, no-cache', etag },
  })
})
