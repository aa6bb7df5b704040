import { seenFromOutside } from '../../../../../core/review/seat-link'
import { endpoint } from '../../../../../server/endpoint'
import { json } from '../../../../../server/request'
import { noSuchSeat } from '../../../../../server/seats'
import { snapshotBody } from '../../../../../server/snapshots'

/** The plan that the seat rates, without what the team keeps to itself unless the round shows it. */
export const GET = endpoint({ access: 'seat' }, async ({ db, courseId, params, seat, round, viewer, state }) => {
  if (params['snapshot'] !== round.snapshotId) throw noSuchSeat()
  const who = { id: '', role: viewer.role, seatId: seat.id, state, name: seat.name, email: '' }
  const reader = { id: '', role: viewer.role }
  const body = await snapshotBody(db, courseId, reader, round.snapshotId, who, round.showsNotes ? undefined : seenFromOutside)
  const { id, name, formatVersion } = body.snapshot
  return json({ ...body, snapshot: { id, name, formatVersion, note: null } })
})
