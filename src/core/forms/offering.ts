/** A new offering: its name and its first day are asked. */
import { z } from '../zod'

export const offeringForm = z.object({
  term: z.string().check(z.trim(), z.minLength(1, 'An offering needs a name.'), z.maxLength(100, 'At most 100 characters.')),
  firstDay: z.iso.date('An offering needs its first day.'),
})
