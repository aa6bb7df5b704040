/** Where the grade lies: how much of it is due by the end of each week, and when learners first hear how they do. */
import type { Blueprint } from '../blueprint/blueprint'
import { scheduleOf } from '../calendar/schedule'
import type { Week } from '../calendar/term'
import { gradeTable } from '../grading/grade-table'
import { markingByWeek } from '../hours/marking'
import { indexCourse } from '../plan/plan-index'

export type GradeOverTerm = {
  /** By week: hundredths of a percent due in it, the sum until its end, and what is due. */
  readonly weeks: readonly {
    readonly week: Week
    readonly share: number
    readonly sum: number
    readonly activityIds: readonly string[]
  }[]
  /** Hundredths of a percent of what has no date in this term. */
  readonly undated: number
  /** The first graded work that comes back: when, and which. What nobody marks by hand is known when it is due. */
  readonly firstFeedback: { readonly date: string; readonly activityId: string } | null
}

/** The grade over the weeks of the offering that the plan is seen in; null without one. */
export function gradeOverTerm(blueprint: Blueprint): GradeOverTerm | null {
  const schedule = scheduleOf(blueprint)
  if (!schedule) return null
  const index = indexCourse(blueprint)
  const grades = gradeTable(blueprint)
  const backOf = new Map(markingByWeek(blueprint)?.work.map((w) => [w.activityId, w.back]))
  const graded = index.activities
    .map(({ id }) => ({ id, share: grades.effectiveOf(id), date: schedule.dueOf(id)?.date ?? null }))
    .filter((g) => g.share > 0)
  let sum = 0
  const weeks = schedule.term.weeks.map((week) => {
    const due = graded.filter((g) => g.date !== null && g.date >= week.first && g.date <= week.last)
    const share = due.reduce((n, g) => n + g.share, 0)
    sum += share
    return { week, share, sum, activityIds: due.map((g) => g.id) }
  })
  const all = graded.reduce((n, g) => n + g.share, 0)
  const [first] = graded
    .flatMap((g) => (g.date === null ? [] : [{ activityId: g.id, date: backOf.get(g.id) ?? g.date }]))
    .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0))
  return { weeks, undated: all - sum, firstFeedback: first ?? null }
}
