import { recordsOf } from '../../../../../core/blueprint/blueprint'
import { type AnyRecord, KIND_NAMES } from '../../../../../core/blueprint/kinds'
import { FORMAT_VERSION } from '../../../../../core/blueprint/upgrades'
import { endpoint } from '../../../../../server/endpoint'
import { json } from '../../../../../server/request'
import { snapshotPlan } from '../../../../../server/snapshots'

/** The plan that a snapshot holds, in record form, with the snapshot's own record and who looks at it. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, params, person, role, state }) => {
  const { plan, record } = await snapshotPlan(db, courseId, { id: person.id, role }, params['snapshot'] ?? '')
  const records = Object.fromEntries(KIND_NAMES.map((kind) => [kind, recordsOf(plan, kind) as unknown as AnyRecord[]]))
  const viewer = { id: person.id, role, state, name: person.name, email: person.email }
  return json({ formatVersion: FORMAT_VERSION, viewer, snapshot: record, records })
})
