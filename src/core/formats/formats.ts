/**
 * Every open format that something leaves in, declared once: menus, routes, command line and documents follow. What writes a format
 * is fetched when it is asked for.
 */
import { type Blueprint, courseOf } from '../blueprint/blueprint'
import type { ImageType } from '../files/image'
import { indexFrameworks } from '../plan/framework-index'
import type { ReportDoc } from '../review/report'
import type { Review } from '../review/review'

export type Made = {
  readonly courseId: string
  /** When it was made: an ISO instant. */
  readonly stamp: string
  /** Of formats of one framework: its id, code or title; null takes the first. */
  readonly framework?: string | null
  /** Of formats of a review: a round with those it follows; null where there is none. */
  readonly review?: () => Promise<Review | null>
  /** Of formats of the report of a round; null where there is none. */
  readonly report?: () => Promise<ReportDoc | null>
  /** Sets a report as PDF, where something here can. */
  readonly pdf?: (doc: ReportDoc) => Promise<Uint8Array>
  /** The bytes of a file of the course; null where it is not there. */
  readonly file?: (id: string) => Promise<{ readonly type: ImageType; readonly bytes: Uint8Array } | null>
}
type Body = string | Uint8Array

export type Format = {
  /** Its name in addresses and on the command line. */
  readonly key: string
  /** The command that makes it. */
  readonly title: string
  /** What a file of it ends in. */
  readonly ending: string
  readonly type: string
  /** The whole course, all its frameworks, one of them, or a round of review. */
  readonly of: 'course' | 'frameworks' | 'framework' | 'review'
  /** The file's content; null where the course does not have what it is of. */
  readonly write: (blueprint: Blueprint, made: Made) => Promise<Body | null>
}

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'
const DOCX = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document'
const CSV = 'text/csv; charset=utf-8'
const defineFormat = (format: Format): Format => format

/** The tree of the framework that is asked for. */
async function frameworkTree(blueprint: Blueprint, wanted: string | null | undefined) {
  const { frameworks } = indexFrameworks(blueprint)
  const framework = wanted == null ? frameworks[0] : frameworks.find((f) => [f.id, f.code, f.title].includes(wanted))
  return framework ? (await import('../frameworks/edits')).treeOfFramework(blueprint, framework.id) : null
}

export const FORMATS: readonly Format[] = [
  defineFormat({
    key: 'json',
    title: 'Save the course as a file',
    ending: 'cairn.json',
    type: 'application/json',
    of: 'course',
    write: async (blueprint) => (await import('./native')).writeNative(blueprint),
  }),
  defineFormat({
    key: 'zip',
    title: 'Save the course with its pictures',
    ending: 'cairn.zip',
    type: 'application/zip',
    of: 'course',
    write: async (blueprint, made) => (await import('./archive')).writeArchive(blueprint, made),
  }),
  defineFormat({
    key: 'csv',
    title: 'Save the activities as CSV',
    ending: 'csv',
    type: CSV,
    of: 'course',
    write: async (blueprint) => (await import('./table-csv')).writeActivitiesCsv(blueprint),
  }),
  defineFormat({
    key: 'ics',
    title: 'Save the dates as iCalendar',
    ending: 'ics',
    type: 'text/calendar; charset=utf-8',
    of: 'course',
    write: async (blueprint, made) => (await import('./icalendar')).writeCalendar(blueprint, made),
  }),
  defineFormat({
    key: 'xlsx',
    title: 'Save as a workbook (XLSX)',
    ending: 'xlsx',
    type: XLSX,
    of: 'course',
    write: async (blueprint, { stamp }) => (await import('./workbook')).writeWorkbook(blueprint, stamp),
  }),
  defineFormat({
    key: 'sheets',
    title: 'Save the design sheets as DOCX',
    ending: 'sheets.docx',
    type: DOCX,
    of: 'course',
    write: async (blueprint) => (await import('./sheet-docx')).writeSheets(blueprint, { moduleIds: [], blank: false }),
  }),
  defineFormat({
    key: 'html',
    title: 'Save the syllabus as HTML',
    ending: 'html',
    type: 'text/html; charset=utf-8',
    of: 'course',
    write: async (blueprint, made) => (await import('./syllabus-page')).syllabusPage(blueprint, made),
  }),
  defineFormat({
    key: 'mapping-csv',
    title: 'Save the mapping as CSV',
    ending: 'mapping.csv',
    type: CSV,
    of: 'frameworks',
    write: async (blueprint) => (await import('../frameworks/mapping')).writeMappingCsv(blueprint),
  }),
  defineFormat({
    key: 'mapping-xlsx',
    title: 'Save the mapping as XLSX',
    ending: 'mapping.xlsx',
    type: XLSX,
    of: 'frameworks',
    write: async (blueprint, { stamp }) => (await import('./workbook')).writeMappingWorkbook(blueprint, stamp),
  }),
  defineFormat({
    key: 'case',
    title: 'Save the framework as exchange JSON',
    ending: 'framework.json',
    type: 'application/json',
    of: 'framework',
    write: async (blueprint, { courseId, stamp, framework }) => {
      const tree = await frameworkTree(blueprint, framework)
      return tree && (await import('../frameworks/write-case')).writeCase(tree, { base: courseId, stamp })
    },
  }),
  defineFormat({
    key: 'items-csv',
    title: 'Save the framework as CSV',
    ending: 'framework.csv',
    type: CSV,
    of: 'framework',
    write: async (blueprint, { framework }) => {
      const tree = await frameworkTree(blueprint, framework)
      return tree && (await import('../frameworks/items-table')).writeItemsCsv(tree.items)
    },
  }),
  defineFormat({
    key: 'review-json',
    title: 'Save the review as a file',
    ending: 'review.json',
    type: 'application/json',
    of: 'review',
    write: async (_, { review }) => {
      const found = (await review?.()) ?? null
      return found && (await import('./write-review')).reviewJson(found)
    },
  }),
  defineFormat({
    key: 'review-csv',
    title: 'Save the ratings as CSV',
    ending: 'review.csv',
    type: CSV,
    of: 'review',
    write: async (_, { review }) => {
      const found = (await review?.()) ?? null
      return found && (await import('./write-review')).reviewCsv(found)
    },
  }),
  defineFormat({
    key: 'review-html',
    title: 'Save the report as HTML',
    ending: 'report.html',
    type: 'text/html; charset=utf-8',
    of: 'review',
    write: async (_, { report }) => {
      const doc = (await report?.()) ?? null
      return doc && (await import('./report-html')).reportPage(doc)
    },
  }),
  defineFormat({
    key: 'review-docx',
    title: 'Save the report as DOCX',
    ending: 'report.docx',
    type: DOCX,
    of: 'review',
    write: async (_, { report }) => {
      const doc = (await report?.()) ?? null
      return doc && (await import('./report-docx')).reportDocx(doc)
    },
  }),
  defineFormat({
    key: 'review-pdf',
    title: 'Save the report as PDF',
    ending: 'report.pdf',
    type: 'application/pdf',
    of: 'review',
    write: async (_, { report, pdf }) => {
      const doc = (await report?.()) ?? null
      return (doc && (await pdf?.(doc))) ?? null
    },
  }),
]

export const formatOf = (key: string): Format | undefined => FORMATS.find((f) => f.key === key)
/** Formats of the whole course, for menus. */
export const courseFormats = (): readonly Format[] => FORMATS.filter((f) => f.of === 'course')
/** What a course lacks that has not what a format is of. */
export const lackOf = ({ of }: Format): string => (of === 'review' ? 'no round of review' : 'no framework')
/** The names of all formats, for people: `json, csv or xlsx`. */
export const formatNames = (): string =>
  `${FORMATS.slice(0, -1)
    .map((f) => f.key)
    .join(', ')} or ${FORMATS.at(-1)?.key}`

export type WrittenFile = { readonly name: string; readonly type: string; readonly body: Body }

/** What the files of a course are called before their ending. */
const fileStem = (blueprint: Blueprint): string => {
  const course = courseOf(blueprint)
  return (course.code ?? course.title).replace(/[^A-Za-z0-9]+/g, '-').replace(/^-|-$/g, '') || 'course'
}

/** Writes a file; null where the course does not have what the format is of. */
export async function writeFile(blueprint: Blueprint, format: Format, made: Made): Promise<WrittenFile | null> {
  const body = await format.write(blueprint, made)
  return body === null ? null : { name: `${fileStem(blueprint)}.${format.ending}`, type: format.type, body }
}
