/** A seat by link in a round of review, asked before it is given. */
import { z } from '../zod'

export const seatForm = z.object({
  name: z.string().check(z.trim(), z.minLength(1, 'What shall the seat be called?'), z.maxLength(120, 'At most 120 characters.')),
  /** Empty: the link is handed on by hand. */
  email: z.union([z.literal(''), z.email('That is no mail address.')]),
})
export type SeatWanted = z.infer<typeof seatForm>

/** What the server is asked. */
export const seatBody = z.strictObject({ ...seatForm.shape, roundId: z.string(), points: z.array(z.string()) })
