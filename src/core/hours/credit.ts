/** What the credits ask for, and what of the planned time counts as contact. */
import type { Blueprint } from '../blueprint/blueprint'
import { courseOf } from '../blueprint/blueprint'
import type { Activity, Course } from '../blueprint/kinds'
import type { ActivityKind, CountsAs } from '../blueprint/kinds/activity'
import { COUNTS_AS } from '../blueprint/kinds/activity'
import { indexCourse } from '../plan/plan-index'

/** Learner hours of one credit, least and most: the usual definitions of each system. */
const HOURS_PER_CREDIT: Readonly<Record<Course['creditSystem'], readonly [number, number] | null>> = {
  semester: [45, 45],
  quarter: [30, 36],
  ects: [25, 30],
  uk: [10, 10],
  nominal: [1, 1],
  none: null,
}

/** The share by which the planned total may differ from what the credits ask for (Cairn default). */
export const CREDIT_TOLERANCE = 0.1

/** The hours that the course's credits ask for, least and most; null where it has no credits. */
export function requiredHours(course: Course): { readonly least: number; readonly most: number } | null {
  const per = HOURS_PER_CREDIT[course.creditSystem]
  return per && course.credits !== null ? { least: (per[0] * course.credits) / 100, most: (per[1] * course.credits) / 100 } : null
}

const COUNTS: Partial<Record<ActivityKind, CountsAs>> = {
  'live session': 'instruction',
  video: 'instruction',
  audio: 'instruction',
  slides: 'instruction',
  'worked example': 'instruction',
  page: 'instruction',
  exam: 'instruction',
  announcement: 'instruction',
  discussion: 'guided',
  quiz: 'guided',
  lab: 'guided',
  case: 'guided',
  'group work': 'guided',
  'peer review': 'guided',
  practice: 'guided',
  'decision scenario': 'guided',
  'linked tool': 'guided',
}

/** What an activity's time counts as: as set, else as its kind proposes, else independent. */
export const countsAsOf = (activity: Pick<Activity, 'countsAs' | 'kind'>): CountsAs =>
  activity.countsAs ?? (activity.kind === null ? 'independent' : (COUNTS[activity.kind] ?? 'independent'))

export type ContactHours = {
  /** Minutes by what they count as. */
  readonly minutes: Readonly<Record<CountsAs, number>>
  /** Minutes of one contact hour. */
  readonly hourMinutes: number
  /** Instruction in contact hours, not rounded. */
  readonly contactHours: number
}

/** The planned time by instruction, guided and independent work. */
export function contactHours(blueprint: Blueprint): ContactHours {
  const minutes: Record<CountsAs, number> = Object.fromEntries(COUNTS_AS.map((c) => [c, 0])) as Record<CountsAs, number>
  for (const activity of indexCourse(blueprint).activities) minutes[countsAsOf(activity)] += activity.minutes ?? 0
  const hourMinutes = courseOf(blueprint).contactHour ?? 60
  return { minutes, hourMinutes, contactHours: minutes.instruction / hourMinutes }
}
