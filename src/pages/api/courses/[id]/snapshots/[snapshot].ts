import { endpoint } from '../../../../../server/endpoint'
import { json } from '../../../../../server/request'
import { snapshotBody } from '../../../../../server/snapshots'

/** The plan that a snapshot holds, in record form, with the snapshot's own record and who looks at it. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, params, person, role, state, viewer }) => {
  const who = { id: person.id, role, state, name: person.name, email: person.email }
  return json(await snapshotBody(db, courseId, viewer, params['snapshot'] ?? '', who))
})
