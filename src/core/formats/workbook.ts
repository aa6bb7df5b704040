/** The course as a workbook: outcomes, objectives, activities, grade and rubrics, a sheet each. */
import ExcelJS from 'exceljs'
import { type Blueprint, courseOf } from '../blueprint/blueprint'
import { linkId } from '../blueprint/ids'
import { fitted } from '../blueprint/text'
import { MAPPING_HEADER, mappingRows } from '../frameworks/mapping'
import { gradeTable } from '../grading/grade-table'
import { hoursByWeek } from '../hours/by-week'
import { HOURS_HEADER } from '../intake/own-headers'
import { indexFrameworks } from '../plan/framework-index'
import { indexCourse } from '../plan/plan-index'
import { xmlSafe } from '../xml-text'
import { ACTIVITY_HEADER, activityRows, type Cell, moduleCell } from './activity-rows'

/** Writes the workbook. Texts go in as texts, so that one that begins like a formula stays what it is. `stamp`: an ISO instant. */
export async function writeWorkbook(blueprint: Blueprint, stamp: string): Promise<Uint8Array> {
  const book = new ExcelJS.Workbook()
  book.creator = 'Cairn'
  book.title = xmlSafe(courseOf(blueprint).title)
  book.created = new Date(stamp)
  book.modified = new Date(stamp)
  const index = indexCourse(blueprint)
  const grades = gradeTable(blueprint)
  sheet(
    book,
    'Outcomes',
    ['Code', 'Outcome', 'Intended share %'],
    [10, 80, 16],
    index.outcomes.map((o) => [index.numberOf(o.id), o.statement, decimal(o.intendedShare)]),
  )
  sheet(
    book,
    'Objectives',
    ['Module', 'Code', 'Objective', 'Outcomes'],
    [30, 8, 80, 16],
    index.objectives.map((o) => [
      moduleCell(blueprint, o.moduleId),
      index.numberOf(o.id),
      o.statement,
      index
        .outcomesOf(o.id)
        .map((x) => index.numberOf(x.id))
        .join(', '),
    ]),
  )
  sheet(book, 'Activities', ACTIVITY_HEADER, [30, 8, 8, 60, 12, 14, 14, 18, 10, 18, 20, 10, 16], activityRows(blueprint))
  sheet(
    book,
    'Grade',
    ['Category', 'Share %', 'Lowest dropped', 'No.', 'Assessment', 'Points', 'Of the grade %', 'When kept %', 'Extra credit %'],
    [24, 10, 16, 8, 50, 10, 16, 14, 16],
    grades.rows.flatMap((row) =>
      row.items.map((i): Cell[] => [
        row.category?.title ?? null,
        decimal(row.share),
        row.category?.dropLowest ?? null,
        i.number,
        i.activity.title,
        i.points / 100,
        i.effective / 100,
        Math.round(i.whenKept) / 100,
        decimal(i.extra),
      ]),
    ),
  )
  sheet(
    book,
    'Hours',
    HOURS_HEADER,
    [10, 14, 14, 10],
    hoursByWeek(blueprint).weeks.map((w) => [
      w.week.number ?? w.week.breakTitle,
      dayOf(w.week.first),
      dayOf(w.week.last),
      Math.round((w.minutes / 60) * 100) / 100,
    ]),
  )
  for (const rubric of index.rubrics) {
    const levels = index.levelsOf(rubric.id)
    sheet(
      book,
      rubric.title,
      ['Criterion', ...levels.map((l) => `${l.title} ${l.value / 100}`), rubric.scale === 'percent' ? '%' : 'Points', 'Objectives'],
      [30, ...levels.map(() => 34), 10, 14],
      index.criteriaOf(rubric.id).map((c) => [
        c.title,
        ...levels.map((l) => blueprint.descriptor.get(linkId([c.id, l.id]))?.text ?? null),
        decimal(c.weight),
        c.general
          ? 'general'
          : index
              .objectivesOfCriterion(c.id)
              .map((o) => index.numberOf(o.id))
              .join(', '),
      ]),
      rubric.title,
    )
  }
  return new Uint8Array((await book.xlsx.writeBuffer()) as ArrayBuffer)
}

/** The mapping of the frameworks: a sheet each, a row for each item and evidence point. */
export async function writeMappingWorkbook(blueprint: Blueprint, stamp: string): Promise<Uint8Array> {
  const book = new ExcelJS.Workbook()
  book.creator = 'Cairn'
  book.title = `${courseOf(blueprint).title}: mapping`
  book.created = new Date(stamp)
  book.modified = new Date(stamp)
  for (const framework of indexFrameworks(blueprint).frameworks)
    sheet(
      book,
      framework.code ?? framework.title,
      MAPPING_HEADER,
      [10, 60, 20, 10, 40, 14, 40, 12, 12, 34, 34, 34, 24],
      mappingRows(blueprint, framework.id),
    )
  if (book.worksheets.length === 0) sheet(book, 'Mapping', MAPPING_HEADER, [], [])
  return new Uint8Array((await book.xlsx.writeBuffer()) as ArrayBuffer)
}

/** A day as spreadsheets keep them, without a time zone. */
const dayOf = (date: string): Date => new Date(`${date}T00:00:00Z`)
/** Unmistakable in every country. */
const DAY_FORMAT = 'd mmm yyyy'

const decimal = (hundredths: number | null): number | null => (hundredths === null ? null : hundredths / 100)

function sheet(
  book: ExcelJS.Workbook,
  name: string,
  header: readonly string[],
  widths: readonly number[],
  rows: readonly (readonly (Cell | Date)[])[],
  /** What stands above the header: names of sheets cannot hold every sign. */
  title: string | null = null,
): void {
  // The name of a sheet that spreadsheets keep for themselves.
  const taken = new Set(['history', ...book.worksheets.map((w) => w.name.toLowerCase())])
  // Names of sheets are short, unique and without these marks.
  const bare =
    fitted(
      xmlSafe(name)
        .replace(/[*?:\\/[\]']/g, ' ')
        .trim(),
      26,
    ).trim() || 'Sheet'
  let own = bare
  for (let n = 2; taken.has(own.toLowerCase()); n++) own = `${bare} ${n}`
  const made = book.addWorksheet(own, { views: [{ state: 'frozen', ySplit: title === null ? 1 : 2 }] })
  made.columns = widths.map((width) => ({ width }))
  if (title !== null) made.addRow([xmlSafe(title)]).font = { bold: true, size: 13 }
  made.addRow(xmlSafe([...header])).font = { bold: true }
  for (const row of rows) {
    const added = made.addRow(xmlSafe([...row]))
    added.alignment = { vertical: 'top', wrapText: true }
    added.eachCell((cell) => {
      if (cell.value instanceof Date) cell.numFmt = DAY_FORMAT
    })
  }
}
