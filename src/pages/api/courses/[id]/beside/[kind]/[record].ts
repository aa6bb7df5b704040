import { z } from 'zod'
import { getBeside, putBeside, removeBeside } from '../../../../../../server/beside'
import { endpoint } from '../../../../../../server/endpoint'
import { json } from '../../../../../../server/request'

/** A record's fields, and the revision of it that the writer saw; null for a new one. */
const wanted = z.strictObject({ values: z.record(z.string(), z.json()), base: z.int().min(1).nullable() })

export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, params, person, role }) =>
  json(await getBeside(db, params['kind'] ?? '', courseId, { id: person.id, role }, params['record'] ?? '')),
)

/** Writes a record; the kind's policy says who may. */
export const PUT = endpoint(
  { access: 'course', may: 'plan.read', body: wanted, example: { values: {}, base: null } },
  async ({ db, courseId, params, person, role, body, url }) =>
    json(
      await putBeside(
        db,
        params['kind'] ?? '',
        courseId,
        { id: person.id, role },
        params['record'] ?? '',
        body.values,
        body.base,
        url.origin,
      ),
    ),
)

export const DELETE = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, params, person, role }) => {
  await removeBeside(db, params['kind'] ?? '', courseId, { id: person.id, role }, params['record'] ?? '')
  return new Response(null, { status: 204 })
})
