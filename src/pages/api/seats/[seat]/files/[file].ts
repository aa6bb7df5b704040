import { getBeside } from '../../../../../server/beside'
import { endpoint } from '../../../../../server/endpoint'
import { fileOf, fileResponse, putEvidence } from '../../../../../server/files'
import { Refusal } from '../../../../../server/problem'
import { json } from '../../../../../server/request'
import { snapshotNames } from '../../../../../server/snapshots'

/** A picture of the plan that the seat rates, or one that a seat whose ratings it sees brought as evidence. */
export const GET = endpoint({ access: 'seat' }, async ({ db, courseId, params, round, viewer, request }) => {
  const id = params['file'] ?? ''
  const found = await fileOf(db, courseId, id)
  if (found?.seatId) await getBeside(db, 'file', courseId, viewer, id)
  if (!found || (!found.seatId && !(await snapshotNames(db, courseId, round.snapshotId, id))))
    throw new Refusal(404, 'no-such-file', 'This course has no such file.')
  return fileResponse(found, request, 'private, max-age=31536000, immutable')
})

/** Takes a picture as evidence of the seat; `name` says what it was called. */
export const PUT = endpoint({ access: 'seat', bytes: 'whole' }, async ({ db, courseId, params, seat, viewer, request, url }) => {
  const given = { id: params['file'] ?? '', name: url.searchParams.get('name') ?? '', body: request.body as never }
  return json(await putEvidence(db, courseId, viewer, seat.id, given))
})
