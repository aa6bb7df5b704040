import { colour, hundredths, int, line, lines, oneOf, optional, ref, rich } from '../field'
import { defineKind } from '../kind'
import { MOST_WEEKS } from './due-rule'
import { lateFields } from './late'

export const DELIVERIES = ['online-async', 'online-live', 'blended', 'in-person-with-web'] as const
export const CREDIT_SYSTEMS = ['semester', 'quarter', 'ects', 'uk', 'nominal', 'none'] as const

export const PROFILES = ['semester', 'competency', 'self-paced'] as const

export const course = defineKind({
  name: 'course',
  plural: 'course',
  noun: 'course',
  called: {
    alsoDelivery: 'delivered also',
    videoMinutes: 'longest recording, in minutes',
    latePercent: 'percent that a late day takes',
    lateGraceHours: 'hours of grace',
    lateMost: 'percent that lateness takes at most',
    lateCutoffDays: 'days after which nothing is taken',
    lateOrder: 'late work is marked',
    colourPaper: 'colour of the paper',
    colourInk: 'colour of text',
    colourQuiet: 'colour of quiet text',
    colourHeading: 'colour of headings',
    colourLink: 'colour of links',
    colourAccent: 'accent',
    colourOnAccent: 'colour of text on the accent',
  },
  nameField: 'title',
  table: 'course_facts',
  single: true,
  fields: {
    title: line(),
    code: optional(line(40)),
    institution: optional(line()),
    subtitle: optional(line()),
    description: optional(rich({ learners: true })),
    /** The picture that the syllabus begins with: a file of the course (core/beside/file.ts), and what it shows in words. */
    coverFileId: optional(line(40)),
    coverAlt: optional(line()),
    audience: optional(lines()),
    prerequisites: optional(lines()),
    delivery: oneOf(DELIVERIES),
    creditSystem: oneOf(CREDIT_SYSTEMS),
    credits: optional(hundredths(0, 400)),
    /** Counted weeks, breaks left out. */
    weeks: int(1, MOST_WEEKS),
    weeklyHoursMin: optional(hundredths(0, 100)),
    weeklyHoursMax: optional(hundredths(0, 100)),
    moduleWord: optional(line(40)),
    outcomePrefix: optional(line(8)),
    language: optional(line(35)),
    /** Decimal places to which a percent is rounded, half up, before it is looked up in the scale; open: none. */
    gradePlaces: optional(int(0, 2)),
    /** Minutes of one contact hour; open: 60. */
    contactHour: optional(int(30, 60)),
    profile: optional(oneOf(PROFILES)),
    /** What runs through all of it. */
    theme: optional(lines(600)),
    /** A second way in which it is delivered. */
    alsoDelivery: optional(oneOf(DELIVERIES)),
    /** The longest recording, in minutes; open: 10. */
    videoMinutes: optional(int(1, 240)),
    /** The pages that learners get; open: as Cairn's own. */
    colourPaper: optional(colour()),
    colourInk: optional(colour()),
    colourQuiet: optional(colour()),
    colourHeading: optional(colour()),
    colourLink: optional(colour()),
    colourAccent: optional(colour()),
    colourOnAccent: optional(colour()),
    ...lateFields(),
    /** Whether late work is marked with the rest or after what came on time. */
    lateOrder: optional(oneOf(['with the rest', 'after those on time'])),
    /** The framework whose items the plan hangs on; open: its own outcomes. */
    spineFrameworkId: optional(ref('framework', 'unlink')),
  },
})
