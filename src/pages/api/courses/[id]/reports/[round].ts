import { z } from 'zod'
import { endpoint } from '../../../../../server/endpoint'
import { inHelper, toWrite } from '../../../../../server/helpers'
import { reportState, withdrawReport } from '../../../../../server/report-publication'
import { json } from '../../../../../server/request'

const wanted = z.strictObject({ who: z.enum(['names', 'numbers']), points: z.enum(['all', 'open']) })

/** Where the report of a round is published; null where it never was. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, params }) =>
  json(await reportState(db, courseId, params['round'] ?? '')),
)
/** Publishes it as it is now. */
export const PUT = endpoint(
  { access: 'course', may: 'review.run', body: wanted, example: { who: 'names', points: 'all' } },
  async ({ courseId, person, params, viewer, body }) =>
    json(await inHelper('publishReport', toWrite({ person, courseId }), courseId, viewer, params['round'] ?? '', body)),
)
/** Withdraws it: its address says so from then on. */
export const DELETE = endpoint({ access: 'course', may: 'review.run' }, async ({ db, courseId, params }) =>
  json(await withdrawReport(db, courseId, params['round'] ?? '')),
)
