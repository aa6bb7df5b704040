import { z } from 'zod'
import { endpoint } from '../../../../../server/endpoint'
import { shareFiles } from '../../../../../server/files'
import { json } from '../../../../../server/request'
import { roleIn } from '../../../../../server/space-state'

const wanted = z.strictObject({ from: z.string().max(40), ids: z.array(z.string().max(40)).max(500) })

/** Takes files of another course that one can read, for what was copied from it. */
export const POST = endpoint(
  { access: 'course', may: 'file.write', body: wanted, example: { from: 'small-streams', ids: [] } },
  async ({ db, courseId, person, body }) => {
    await roleIn(db, body.from, person.id)
    return json({ taken: await shareFiles(db, body.from, courseId, body.ids, person.id) })
  },
)
