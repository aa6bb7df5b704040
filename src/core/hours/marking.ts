/** Hours of those who mark: what is handed in, spread over the days until it is promised back. */
import type { Blueprint } from '../blueprint/blueprint'
import type { Activity, Assessment } from '../blueprint/kinds'
import { addDays, dayNumber, weekdayOf } from '../calendar/plain-date'
import { type Schedule, scheduleOf } from '../calendar/schedule'
import type { Term, Week } from '../calendar/term'
import { isGraded } from '../grading/grade-table'
import { assumptionsOf } from '../plan/assumptions'
import { indexCourse } from '../plan/plan-index'

/** Working days until work is promised back, where the offering names none (Cairn default). */
export const RETURN_DAYS = 5

/** A promise longer than this many days is not looked for (every day closed). */
const LAST_DAY = 400

export type MarkedBy = 'instructor' | 'automatic' | 'peer' | 'self'

/** Who marks: as set, else quizzes mark themselves, peers review, and instructors do the rest. */
export const markedBy = (activity: Pick<Activity, 'kind'>, assessment: Pick<Assessment, 'markedBy'>): MarkedBy =>
  assessment.markedBy ?? (activity.kind === 'quiz' ? 'automatic' : activity.kind === 'peer review' ? 'peer' : 'instructor')

export type MarkedWork = {
  readonly activityId: string
  /** Minutes for one submission. */
  readonly each: number
  readonly minutes: number
  readonly due: string
  /** The working days in which it is marked. */
  readonly days: readonly string[]
  /** The last of them. */
  readonly back: string
}

export type Marking = {
  readonly enrolment: number
  readonly returnDays: number
  readonly weeks: readonly { readonly week: Week /** Not rounded. */; readonly minutes: number; readonly activityIds: readonly string[] }[]
  /** Minutes that fall after the last week. */
  readonly after: number
  readonly total: number
  readonly work: readonly MarkedWork[]
}

/** Days on which nobody is expected to work: Saturday, Sunday and what the calendar closes. */
export const isWorkingDay = (term: Term, date: string): boolean => weekdayOf(date) < 5 && term.closedOn(date) === undefined

/** The `n` working days after a date. */
export function workingDaysAfter(term: Term, date: string, n: number): string[] {
  const days: string[] = []
  for (let i = 1; days.length < n && i <= LAST_DAY; i++) {
    const day = addDays(date, i)
    if (isWorkingDay(term, day)) days.push(day)
  }
  return days
}

/**
 * The marking of the current offering: submissions times minutes each, spread equally over the working days of the return
 * promise, from the day after it is due. `enrolment` stands in for the offering's. Null without an offering.
 */
export function markingByWeek(blueprint: Blueprint, enrolment?: number): Marking | null {
  const schedule = scheduleOf(blueprint)
  if (!schedule) return null
  const { term } = schedule
  const learners = enrolment ?? term.offering.enrolment ?? 0
  const returnDays = term.offering.returnDays ?? RETURN_DAYS
  const weeks = term.weeks.map((week) => ({ week, minutes: 0, activityIds: [] as string[] }))
  let after = 0
  const work = markedWork(blueprint, schedule, learners, returnDays)
  const start = dayNumber(term.weeks[0]?.first ?? term.firstDay)
  for (const { activityId, minutes, days } of work) {
    for (const day of days) {
      // Weeks of a term follow each other without a gap.
      const at = weeks[Math.floor((dayNumber(day) - start) / 7)]
      if (!at) after += minutes / days.length
      else {
        at.minutes += minutes / days.length
        if (at.activityIds.at(-1) !== activityId) at.activityIds.push(activityId)
      }
    }
  }
  return { enrolment: learners, returnDays, weeks, after, total: work.reduce((sum, w) => sum + w.minutes, 0), work }
}

function markedWork(blueprint: Blueprint, schedule: Schedule, learners: number, returnDays: number): MarkedWork[] {
  const index = indexCourse(blueprint)
  const usual = assumptionsOf(blueprint)('marking')
  return index.activities.flatMap((activity) => {
    const assessment = index.assessmentOf(activity.id)
    const due = schedule.dueOf(activity.id)?.date
    if (!assessment || !due || markedBy(activity, assessment) !== 'instructor') return []
    if (!isGraded(assessment) && assessment.markingMinutes === null) return []
    const each = assessment.markingMinutes ?? usual
    const days = workingDaysAfter(schedule.term, due, returnDays)
    return each > 0 ? [{ activityId: activity.id, each, minutes: each * learners, due, days, back: days.at(-1) ?? due }] : []
  })
}
