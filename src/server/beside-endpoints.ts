/** The endpoints of data beside the plan, for members of a course and for who came by the link of a seat: a kind's policy says who may. */
import { z } from 'zod'
import { besideKind } from '../core/beside/registry'
import { refreshCounts } from './analysis-cache'
import { getBeside, listBeside, putBeside, removeBeside } from './beside'
import { type Endpoint, type EndpointSpec, endpoint } from './endpoint'
import { json } from './request'

type By = 'course' | 'seat'
const declared = <A extends By>(access: A) => (access === 'course' ? { access, may: 'plan.read' as const } : { access })

/** What the viewer may see of a kind; the ETag is its revision. `since=N`: only what came after that revision. */
export const listEndpoint = (by: By): Endpoint =>
  endpoint<By>(declared(by), async ({ db, courseId, params, viewer, request, url }) => {
    const given = url.searchParams.get('since')
    const since = given !== null && /^\d{1,9}$/.test(given) ? Number(given) : undefined
    const list = await listBeside(db, params['kind'] ?? '', courseId, viewer, since)
    const etag = `"${list.revision}-${viewer.role}-${viewer.id}${since === undefined ? '' : `-${since}`}"`
    const headers = { 'content-type': 'application/json', 'cache-control': 'private, no-cache', etag }
    if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers })
    return new Response(JSON.stringify(list), { headers })
  })

/** A record's fields, and the revision of it that the writer saw; null for a new one. */
const wanted = z.strictObject({ values: z.record(z.string(), z.json()), base: z.int().min(1).nullable() })
type Wanted = z.infer<typeof wanted>

export const getEndpoint = (by: By): Endpoint =>
  endpoint<By>(declared(by), async ({ db, courseId, params, viewer }) =>
    json(await getBeside(db, params['kind'] ?? '', courseId, viewer, params['record'] ?? '')),
  )

export const putEndpoint = (by: By): Endpoint => {
  const spec: EndpointSpec<Wanted> & { readonly access: By } = { ...declared(by), body: wanted, example: { values: {}, base: null } }
  return endpoint<By, Wanted>(spec, async ({ db, courseId, params, viewer, body, url }) => {
    const kind = params['kind'] ?? ''
    const stored = await putBeside(db, kind, courseId, viewer, params['record'] ?? '', body.values, body.base, url.origin)
    if (besideKind(kind)?.counts) refreshCounts(courseId)
    return json(stored)
  })
}

export const removeEndpoint = (by: By): Endpoint =>
  endpoint<By>(declared(by), async ({ db, courseId, params, viewer }) => {
    const kind = params['kind'] ?? ''
    await removeBeside(db, kind, courseId, viewer, params['record'] ?? '')
    if (besideKind(kind)?.counts) refreshCounts(courseId)
    return new Response(null, { status: 204 })
  })
