/** Seats of a round that was done elsewhere, as the server is asked to take them. */
import { MARKS, RATING_VALUES } from '../beside/review-records'
import { z } from '../zod'

const text = z.nullable(z.string().check(z.maxLength(4000)))
const id = z.nullable(z.string().check(z.maxLength(140)))
const rating = z.strictObject({
  pointId: z.string().check(z.maxLength(40)),
  value: z.nullable(z.enum(RATING_VALUES)),
  reason: text,
  seen: text,
  where: text,
  change: text,
  mark: z.nullable(z.enum(MARKS)),
  evidence: z.array(
    z.strictObject({ kind: id, id, address: z.nullable(z.string()), file: z.null(), quote: z.nullable(z.string()), digest: id }),
  ),
  base: z.nullable(z.string()),
})
export const bringSeatsBody = z.strictObject({
  seats: z
    .array(
      z.strictObject({
        name: z.string().check(z.minLength(1), z.maxLength(120)),
        handedIn: z.nullable(z.iso.date()),
        remark: text,
        ratings: z.array(rating).check(z.maxLength(500)),
      }),
    )
    .check(z.minLength(1), z.maxLength(50)),
})
