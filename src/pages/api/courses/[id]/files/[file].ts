import { getBeside } from '../../../../../server/beside'
import { endpoint } from '../../../../../server/endpoint'
import { fileOf, fileResponse, putFile } from '../../../../../server/files'
import { Refusal } from '../../../../../server/problem'
import { needsRoom } from '../../../../../server/quotas'
import { json } from '../../../../../server/request'

/** A picture. What is under an id never changes. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, params, request, viewer }) => {
  const found = await fileOf(db, courseId, params['file'] ?? '')
  // What a seat brought as evidence is seen with what it says.
  if (found?.seatId) await getBeside(db, 'file', courseId, viewer, found.id)
  if (!found) throw new Refusal(404, 'no-such-file', 'This course has no such file.')
  return fileResponse(found, request, 'private, max-age=31536000, immutable')
})

/** Takes a picture, which is the body; `name` says what it was called. */
export const PUT = endpoint(
  { access: 'course', may: 'file.write', bytes: 'whole' },
  async ({ db, courseId, params, person, role, request, url }) => {
    await needsRoom(db, person.id, 'files', Number(request.headers.get('content-length') ?? 0))
    if (!request.body) throw new Refusal(422, 'no-picture', 'This file is empty.')
    const name = url.searchParams.get('name') ?? ''
    return json(await putFile(db, courseId, { id: person.id, role }, params['file'] ?? '', name, request.body as never))
  },
)
