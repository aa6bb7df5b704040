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
  const book = begun(xmlSafe(courseOf(blueprint).title), stamp)
  const index = indexCourse(blueprint)
  const grades = gradeTable(blueprint)
  await book.sheet(
    'Outcomes',
    ['Code', 'Outcome', 'Intended share %'],
    [10, 80, 16],
    index.outcomes.map((o) => [index.numberOf(o.id), o.statement, decimal(o.intendedShare)]),
  )
  await book.sheet(
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
  await book.sheet('Activities', ACTIVITY_HEADER, [30, 8, 8, 60, 12, 14, 14, 18, 10, 18, 20, 10, 16], activityRows(blueprint))
  await book.sheet(
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
  await book.sheet(
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
    await book.sheet(
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
  return book.done()
}

/** The mapping of the frameworks: a sheet each, a row for each item and evidence point. */
export async function writeMappingWorkbook(blueprint: Blueprint, stamp: string): Promise<Uint8Array> {
  const book = begun(`${courseOf(blueprint).title}: mapping`, stamp)
  for (const framework of indexFrameworks(blueprint).frameworks)
    await book.sheet(
      framework.code ?? framework.title,
      MAPPING_HEADER,
      [10, 60, 20, 10, 40, 14, 40, 12, 12, 34, 34, 34, 24],
      mappingRows(blueprint, framework.id),
    )
  if (indexFrameworks(blueprint).frameworks.length === 0) await book.sheet('Mapping', MAPPING_HEADER, [], [])
  return book.done()
}

/** A day as spreadsheets keep them, without a time zone. */
const dayOf = (date: string): Date => new Date(`${date}T00:00:00Z`)
/** Unmistakable in every country. */
const DAY_FORMAT = 'd mmm yyyy'

const decimal = (hundredths: number | null): number | null => (hundredths === null ? null : hundredths / 100)

/** Rows that are written before what packs them gets its turn (Cairn default). */
const AT_ONCE = 500

/** A workbook that is packed as it is written, so that it never stands in memory as a whole. */
function begun(title: string, stamp: string) {
  const book = new ExcelJS.stream.xlsx.WorkbookWriter({ useStyles: true })
  const at = new Date(stamp)
  Object.assign(book, { creator: 'Cairn', title: xmlSafe(title), created: at, modified: at })
  // The name of a sheet that spreadsheets keep for themselves.
  const taken = new Set(['history'])
  return {
    sheet: async (
      name: string,
      header: readonly string[],
      widths: readonly number[],
      rows: readonly (readonly (Cell | Date)[])[],
      /** What stands above the header: names of sheets cannot hold every sign. */
      above: string | null = null,
    ): Promise<void> => {
      const made = book.addWorksheet(sheetName(name, taken), { views: [{ state: 'frozen', ySplit: above === null ? 1 : 2 }] })
      made.columns = widths.map((width) => ({ width }))
      const headed = (values: readonly string[], font: Partial<ExcelJS.Font>) => {
        const row = made.addRow(xmlSafe([...values]))
        row.font = font
        row.commit()
      }
      if (above !== null) headed([above], { bold: true, size: 13 })
      headed(header, { bold: true })
      for (const [i, row] of rows.entries()) {
        const added = made.addRow(xmlSafe([...row]))
        added.alignment = { vertical: 'top', wrapText: true }
        added.eachCell((cell) => {
          if (cell.value instanceof Date) cell.numFmt = DAY_FORMAT
        })
        added.commit()
        if (i % AT_ONCE === 0) await new Promise((done) => setTimeout(done))
      }
      made.commit()
    },
    done: async (): Promise<Uint8Array> => {
      await book.commit()
      // Without a stream of ours it keeps what it packed, and gives it out.
      return new Uint8Array((book as unknown as { readonly stream: { read(): Uint8Array } }).stream.read())
    },
  }
}

/** Names of sheets are short, unique and without some marks. */
function sheetName(name: string, taken: Set<string>): string {
  const marked = xmlSafe(name).replace(/[*?:\\/[\]']/g, ' ')
  const bare = fitted(marked.trim(), 26).trim() || 'Sheet'
  let own = bare
  for (let n = 2; taken.has(own.toLowerCase()); n++) own = `${bare} ${n}`
  taken.add(own.toLowerCase())
  return own
}
