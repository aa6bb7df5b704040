import { z } from 'zod'
import { endpoint } from '../../../../../server/endpoint'
import { inHelper, toWrite } from '../../../../../server/helpers'
import { json } from '../../../../../server/request'

const wanted = z.strictObject({ name: z.string().min(1).max(100), note: z.string().max(1000).optional() })

/** Freezes the plan as it is. They are listed, renamed and removed as data beside the plan. */
export const POST = endpoint(
  { access: 'course', may: 'snapshot.make', states: ['live', 'archived'], body: wanted, example: { name: 'As it is' } },
  async ({ courseId, person, viewer, body }) =>
    json(await inHelper('snapshot', toWrite({ person, courseId }), courseId, viewer, body), { status: 201 }),
)
