/** A copy of a course: title and first day are asked, all of it is proposed. */
import { COPY_PARTS } from '../edits/copy-course'
import { z } from '../zod'

const text = (longest: number) => z.string().check(z.trim(), z.maxLength(longest, `At most ${longest} characters.`))

/** What the server is asked. */
export const courseCopy = z.strictObject({
  title: text(300).check(z.minLength(1, 'The copy needs a title.')),
  code: z.optional(text(40)),
  parts: z.optional(z.array(z.enum(COPY_PARTS)).check(z.minLength(1, 'Choose at least one part.'))),
  firstDay: z.optional(z.iso.date('The copy needs its first day.')),
  term: z.optional(text(100)),
  /** What is still to be done comes along. */
  actions: z.optional(z.boolean()),
  /** The offering that the course is seen in. */
  offering: z.optional(text(40)),
})

/** What is typed. */
export const copyForm = z.object({
  title: text(300).check(z.minLength(1, 'The copy needs a title.')),
  code: text(40),
  firstDay: z.iso.date('The copy needs its first day.'),
  term: text(100),
})
