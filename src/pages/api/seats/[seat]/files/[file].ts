import { endpoint } from '../../../../../server/endpoint'
import { fileOf, fileResponse } from '../../../../../server/files'
import { Refusal } from '../../../../../server/problem'
import { snapshotNames } from '../../../../../server/snapshots'

/** A picture of the plan that the seat rates. */
export const GET = endpoint({ access: 'seat' }, async ({ db, courseId, params, round, request }) => {
  const id = params['file'] ?? ''
  const found = (await snapshotNames(db, courseId, round.snapshotId, id)) && (await fileOf(db, courseId, id))
  if (!found) throw new Refusal(404, 'no-such-file', 'This course has no such file.')
  return fileResponse(found, request, 'private, max-age=31536000, immutable')
})
