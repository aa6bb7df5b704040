import { listBeside } from '../../../../../../server/beside'
import { endpoint } from '../../../../../../server/endpoint'

/** What the viewer may see of a kind of data beside the plan; the ETag is its revision. `since=N`: only what came after that revision. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, params, person, role, request, url }) => {
  const given = url.searchParams.get('since')
  const since = given !== null && /^\d{1,9}$/.test(given) ? Number(given) : undefined
  const list = await listBeside(db, params['kind'] ?? '', courseId, { id: person.id, role }, since)
  const etag = `"${list.revision}-${role}-${person.id}${since === undefined ? '' : `-${since}`}"`
  const headers = { 'content-type': 'application/json', 'cache-control': 'private, no-cache', etag }
  if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers })
  return new Response(JSON.stringify(list), { headers })
})
