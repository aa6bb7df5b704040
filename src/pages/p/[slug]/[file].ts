import { endpoint } from '../../../server/endpoint'
import { fileOf, fileResponse } from '../../../server/files'
import { Refusal } from '../../../server/problem'
import { publishedAt, publishedFiles } from '../../../server/publication'

/** A picture of a published syllabus, for anybody: only those that it shows. */
export const GET = endpoint({ access: 'anyone' }, async ({ db, params, request }) => {
  const found = await publishedAt(db, params['slug'] ?? '')
  const id = params['file'] ?? ''
  const file =
    found !== null && typeof found === 'object' && publishedFiles(found.syllabus).includes(id) ? await fileOf(db, found.courseId, id) : null
  if (!file) throw new Refusal(404, 'no-such-file', 'There is no such picture.')
  return fileResponse(file, request, 'public, max-age=3600')
})
