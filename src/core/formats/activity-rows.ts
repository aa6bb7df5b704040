/** The activities as rows, one each, for every file that holds them as a table. */
import { purposeOf, STAGE_LETTER } from '../alignment/proposals'
import type { Blueprint } from '../blueprint/blueprint'
import { scheduleOf } from '../calendar/schedule'
import { gradeTable } from '../grading/grade-table'
import { indexCourse } from '../plan/plan-index'

export { ACTIVITY_HEADER } from '../intake/own-headers'

/** A text, a number, or nothing. */
export type Cell = string | number | null

/** `Module 3: Measuring flow`: read back as number and title. */
export const moduleCell = (blueprint: Blueprint, id: string): string =>
  `Module ${indexCourse(blueprint).numberOf(id)}: ${blueprint.module.get(id)?.title ?? ''}`

/** The rows under {@link ACTIVITY_HEADER}: points and percents decimal, dates ISO, what a series or an estimate gives included. */
export function activityRows(blueprint: Blueprint): Cell[][] {
  const index = indexCourse(blueprint)
  const schedule = scheduleOf(blueprint)
  const grades = gradeTable(blueprint)
  return index.activities.map((a) => {
    const assessment = index.assessmentOf(a.id)
    const module = blueprint.module.get(a.moduleId)
    const due = schedule?.dueOf(a.id)
    const share = grades.effectiveOf(a.id)
    return [
      moduleCell(blueprint, a.moduleId),
      weeksCell(module?.firstWeek ?? null, module?.lastWeek ?? null),
      index.numberOf(a.id),
      a.title,
      a.partId === null ? null : (blueprint.part.get(a.partId)?.title ?? null),
      a.kind,
      purposeOf(a),
      index
        .alignmentsOf(a.id)
        .map((l) => `${index.numberOf(l.objectiveId)} ${l.stages.map((s) => STAGE_LETTER[s]).join('')}`.trim())
        .join(', '),
      a.minutes === null ? null : Math.round(a.minutes),
      due ? `${due.date} ${due.time}` : null,
      assessment?.categoryId == null ? null : (blueprint.gradeCategory.get(assessment.categoryId)?.title ?? null),
      assessment?.points == null ? null : assessment.points / 100,
      share > 0 ? share / 100 : null,
    ]
  })
}

const weeksCell = (first: number | null, last: number | null): string | null =>
  first === null ? null : last === null || last === first ? String(first) : `${first}–${last}`
