/** A course as a file in each open format that it can leave in. */
import { type Blueprint, courseOf } from '../blueprint/blueprint'
import { escapeHtml } from '../blueprint/text'
import { assembleSyllabus } from '../syllabus/assemble'
import { syllabusHtml } from '../syllabus/html'
import { writeCalendar } from './icalendar'
import { writeNative } from './native'
import { writeActivitiesCsv } from './table-csv'

export const EXPORT_FORMATS = ['json', 'ics', 'csv', 'html', 'xlsx'] as const
export type ExportFormat = (typeof EXPORT_FORMATS)[number]
export const isExportFormat = (text: string): text is ExportFormat => (EXPORT_FORMATS as readonly string[]).includes(text)

export type ExportedFile = { readonly name: string; readonly type: string; readonly body: string | Uint8Array }

const TYPES: Readonly<Record<ExportFormat, string>> = {
  json: 'application/json',
  ics: 'text/calendar; charset=utf-8',
  csv: 'text/csv; charset=utf-8',
  html: 'text/html; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
}

/** What the files of a course are called before their ending. */
export function fileStem(blueprint: Blueprint): string {
  const course = courseOf(blueprint)
  return (course.code ?? course.title).replace(/[^A-Za-z0-9]+/g, '-').replace(/^-|-$/g, '') || 'course'
}

/** The file of a course. `stamp` is an ISO instant: when it was made. */
export async function exportCourse(
  blueprint: Blueprint,
  format: ExportFormat,
  made: { readonly courseId: string; readonly stamp: string },
): Promise<ExportedFile> {
  const stem = fileStem(blueprint)
  return {
    name: format === 'json' ? `${stem}.cairn.json` : `${stem}.${format}`,
    type: TYPES[format],
    body: await bodyOf(blueprint, format, made),
  }
}

async function bodyOf(
  blueprint: Blueprint,
  format: ExportFormat,
  made: { readonly courseId: string; readonly stamp: string },
): Promise<string | Uint8Array> {
  switch (format) {
    case 'json':
      return writeNative(blueprint)
    case 'ics':
      return writeCalendar(blueprint, made)
    case 'csv':
      return writeActivitiesCsv(blueprint)
    case 'html':
      return page(blueprint)
    case 'xlsx':
      return (await import('./workbook')).writeWorkbook(blueprint, made.stamp)
  }
}

/** The syllabus as a page that stands alone, readable and printing well without anything else. */
function page(blueprint: Blueprint): string {
  const syllabus = assembleSyllabus(blueprint)
  const title = escapeHtml(syllabus.title)
  const style =
    'body{font:16px/1.5 Georgia,serif;max-width:820px;margin:2rem auto;padding:0 1rem;color:#20282B}table{border-collapse:collapse;width:100%}th,td{text-align:left;vertical-align:top;padding:.3rem .6rem .3rem 0;border-top:1px solid #DDD8CE}@page{margin:18mm}@media print{tr{break-inside:avoid}h2,h3{break-after:avoid}}'
  return `<!doctype html>\n<html lang="${/^[A-Za-z-]{2,35}$/.test(syllabus.language ?? '') ? syllabus.language : 'en-GB'}">\n<head><meta charset="utf-8"><title>${title}</title><style>${style}</style></head>\n<body>\n${syllabusHtml(syllabus)}\n</body>\n</html>\n`
}
