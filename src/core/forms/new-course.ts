/** A new course: its title and first day are asked, all else is proposed. */
import { CREDIT_SYSTEMS, DELIVERIES } from '../blueprint/kinds/course'
import { MOST_WEEKS } from '../blueprint/kinds/due-rule'
import { FIELD_ZOD } from '../blueprint/types/schema-of'
import { zoneSchema } from '../blueprint/types/zone'
import { readHundredths } from '../numbers'
import { z } from '../zod'

const text = (longest: number) => z.string().check(z.trim(), z.maxLength(longest, `At most ${longest} characters.`))
const title = text(300).check(z.minLength(1, 'A course needs a title.'))
const term = text(100).check(z.minLength(1, 'An offering needs a name.'))
const WEEKS = `From 1 to ${MOST_WEEKS} weeks.`
const weeks = z.int(WEEKS).check(z.minimum(1, WEEKS), z.maximum(MOST_WEEKS, WEEKS))
const CREDITS = 'Credits are a number from 0 to 400, such as 3 or 7.5.'
/** In hundredths. */
const credits = z.nullable(z.int(CREDITS).check(z.minimum(0, CREDITS), z.maximum(40_000, CREDITS)))

/** What the server is asked. */
export const newCourse = z.strictObject({
  title,
  code: text(40),
  weeks,
  creditSystem: z.enum(CREDIT_SYSTEMS),
  credits,
  delivery: z.enum(DELIVERIES),
  term,
  firstDay: z.iso.date('The first offering needs its first day.'),
  timeZone: zoneSchema(FIELD_ZOD),
})

const typedNumber = <T>(read: (typed: string) => T) =>
  z.pipe(
    z.string(),
    z.transform((typed) => read(typed.trim())),
  )

/** What is typed: numbers come as text, and no credits are given where the course has no system of them. */
export const newCourseForm = z.pipe(
  z.object({
    ...newCourse.shape,
    weeks: z.pipe(typedNumber(Number), weeks),
    credits: z.pipe(
      typedNumber((t) => (t === '' ? null : (readHundredths(t) ?? Number.NaN))),
      credits,
    ),
  }),
  z.transform((form) => ({ ...form, credits: form.creditSystem === 'none' ? null : form.credits })),
)

/** What the form begins with. `today` is the first day until another is chosen. */
export const proposedCourse = (today: string, timeZone: string): z.input<typeof newCourseForm> => ({
  title: '',
  code: '',
  weeks: '12',
  creditSystem: 'semester',
  credits: '3',
  delivery: DELIVERIES[0],
  term: 'First offering',
  firstDay: today,
  timeZone,
})
