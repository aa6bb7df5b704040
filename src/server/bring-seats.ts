/** A round that was done elsewhere comes in: its seats stand in a round here as if they had handed in. */
import type { Viewer } from '../core/beside/beside'
import { reviewRating, reviewRound, reviewSeat } from '../core/beside/review'
import type { ReviewRound } from '../core/beside/review-records'
import { linkId } from '../core/blueprint/ids'
import type { bringSeatsBody } from '../core/forms/bring-seats'
import type { z } from '../core/zod'
import { getBeside, makeBeside } from './beside'
import type { Database } from './db/client'
import { serverId } from './ids'
import { log } from './log'
import { Refusal } from './problem'

type Seats = z.infer<typeof bringSeatsBody>['seats']

/** Takes all of them or none. Throws where the round is not there, or closed. */
export async function bringSeats(
  db: Database,
  courseId: string,
  viewer: Viewer,
  roundId: string,
  seats: Seats,
): Promise<{ readonly seats: number }> {
  const round = (await getBeside(db, reviewRound.spec.name, courseId, viewer, roundId)) as unknown as ReviewRound
  if (round.state === 'closed') throw new Refusal(409, 'round-closed', 'This round is closed. Open its comparison again first.')
  await db.transaction(async (tx) => {
    for (const { name, handedIn, remark, ratings } of seats) {
      const seatId = serverId()
      const blank = { personId: null, linkHash: null, points: [], openings: 0, openedAt: null, withdrawn: false }
      // What was not handed in there is, by being brought.
      const handedInAt = handedIn === null ? new Date().toISOString() : `${handedIn}T12:00:00.000Z`
      await makeBeside(tx, reviewSeat.spec.name, courseId, viewer, seatId, { ...blank, roundId, name, remark, handedInAt })
      const once = new Map(ratings.map((r) => [r.pointId, r]))
      for (const rating of once.values()) {
        const id = linkId([seatId, rating.pointId], 'rating')
        await makeBeside(tx, reviewRating.spec.name, courseId, viewer, id, { ...rating, seatId, handedInValue: null })
      }
    }
  })
  log('info', { code: 'seats-brought', course: courseId, by: viewer.id, n: seats.length })
  return { seats: seats.length }
}
