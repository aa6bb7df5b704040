/** The activities as a table of text, one row each, in the columns of the working table. */
import Papa from 'papaparse'
import { purposeOf, STAGE_LETTER } from '../alignment/proposals'
import type { Blueprint } from '../blueprint/blueprint'
import { indexCourse } from '../blueprint/plan-index'
import { scheduleOf } from '../calendar/schedule'
import { gradeTable } from '../grading/grade-table'
import { formatHundredths } from '../numbers'

export const CSV_COLUMNS = [
  'Module',
  'No.',
  'Activity',
  'Part',
  'Kind',
  'Purpose',
  'Objectives',
  'Minutes',
  'Due',
  'Category',
  'Points',
  'Percent of grade',
] as const

/**
 * Comma-separated values (RFC 4180) with a header row and a byte order mark, which spreadsheets need to read it as UTF-8.
 * Text that a spreadsheet would take for a formula is led by an apostrophe.
 */
export function writeActivitiesCsv(blueprint: Blueprint): string {
  const index = indexCourse(blueprint)
  const schedule = scheduleOf(blueprint)
  const grades = gradeTable(blueprint)
  const rows = index.activities.map((a) => {
    const assessment = index.assessmentOf(a.id)
    const due = schedule?.dueOf(a.id)
    const share = grades.effectiveOf(a.id)
    return [
      `${index.numberOf(a.moduleId)} ${blueprint.module.get(a.moduleId)?.title ?? ''}`,
      index.numberOf(a.id),
      a.title,
      a.partId ? (blueprint.part.get(a.partId)?.title ?? '') : '',
      a.kind ?? '',
      purposeOf(a) ?? '',
      index
        .alignmentsOf(a.id)
        .map((l) => `${index.numberOf(l.objectiveId)} ${l.stages.map((s) => STAGE_LETTER[s]).join('')}`.trim())
        .join(', '),
      a.minutes === null ? '' : String(a.minutes),
      due ? `${due.date} ${due.time}` : '',
      assessment?.categoryId ? (blueprint.gradeCategory.get(assessment.categoryId)?.title ?? '') : '',
      assessment?.points == null ? '' : formatHundredths(assessment.points),
      share > 0 ? formatHundredths(share) : '',
    ]
  })
  return `\uFEFF${Papa.unparse({ fields: [...CSV_COLUMNS], data: rows }, { newline: '\r\n', escapeFormulae: true })}\r\n`
}
