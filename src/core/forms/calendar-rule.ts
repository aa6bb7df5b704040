/** A break or closed day, asked before it is made. */
import { z } from '../zod'

const day = (missing: string) => z.iso.date(missing)

export const calendarRuleForm = z
  .object({
    title: z.string().check(z.trim(), z.minLength(1, 'It needs a name.'), z.maxLength(100, 'At most 100 characters.')),
    firstDate: day('On which day does it begin?'),
    /** Empty: the first day is the only one. */
    lastDate: z.union([z.literal(''), day('Which is its last day?')]),
  })
  .check(
    z.refine(({ firstDate, lastDate }) => lastDate === '' || lastDate >= firstDate, {
      path: ['lastDate'],
      message: 'The last day lies before the first.',
    }),
  )
