/** A round of review, asked before it is opened. */
import { MERGES, ROUND_KINDS, ROUND_OBJECTS } from '../beside/review-records'
import { z } from '../zod'

/** All of the set, what every course needs, those of some areas, or what should come back after another round. */
export const ROUND_POINTS = ['all', 'must', 'areas', 'next'] as const

export const reviewRoundForm = z
  .object({
    title: z.string().check(z.trim(), z.minLength(1, 'A round needs a title.'), z.maxLength(200, 'At most 200 characters.')),
    setId: z.string().check(z.minLength(1, 'Which set is rated?')),
    kind: z.enum(ROUND_KINDS),
    object: z.enum(ROUND_OBJECTS),
    address: z.union([z.literal(''), z.url({ protocol: /^https?$/, error: 'An address begins with http:// or https://.' })]),
    /** Empty: the plan as it is now. */
    snapshotId: z.string(),
    /** Empty: none. */
    follows: z.string(),
    points: z.enum(ROUND_POINTS),
    due: z.union([z.literal(''), z.iso.date('That is no day.')]),
    merge: z.enum(MERGES),
  })
  .check(
    z.refine(({ object, address }) => object === 'plan' || address !== '', {
      path: ['address'],
      message: 'Where does the built course stand?',
    }),
  )
export type RoundWanted = z.infer<typeof reviewRoundForm>
