/** The design sheets of modules as a document for a word processor: filled, or blank to be filled by hand. */
import {
  BorderStyle,
  Document,
  HeadingLevel,
  Packer,
  PageOrientation,
  Paragraph,
  Table,
  TableCell,
  TableRow,
  TextRun,
  WidthType,
} from 'docx'
import { type Blueprint, courseOf } from '../blueprint/blueprint'
import { type ActivitySheet, type ModuleSheet, moduleSheet, type SheetLine } from '../design/sheet'
import { indexCourse } from '../plan/plan-index'
import { xmlSafe } from '../xml-text'

export type SheetChoice = {
  /** Empty: all, in their order. */
  readonly moduleIds: readonly string[]
  /** The labels alone, with room to write. */
  readonly blank: boolean
}
/** Lines for writing in a blank sheet (Cairn default). */
const ROOM = '\u00a0'
const THIN = { style: BorderStyle.SINGLE, size: 4, color: 'B9B4AA' } as const
const BORDERS = { top: THIN, bottom: THIN, left: THIN, right: THIN }

const heading = (text: string, level: 'HEADING_1' | 'HEADING_2' | 'HEADING_3') =>
  new Paragraph({ text, heading: HeadingLevel[level], keepNext: true })

/** A label and its text; of a text with lines, a paragraph each. Lines without a text stand in a blank sheet alone. */
function linesOf(lines: readonly SheetLine[], blank: boolean): Paragraph[] {
  return lines.flatMap(({ label, text }) => {
    if (!blank && text === '') return []
    const [first = '', ...more] = blank ? [ROOM, ROOM] : text.split('\n')
    return [
      new Paragraph({ spacing: { after: 40 }, children: [new TextRun({ text: `${label}: `, bold: true }), new TextRun(first)] }),
      ...more.map((line) => new Paragraph({ spacing: { after: 40 }, text: line })),
    ]
  })
}

function cell(children: readonly Paragraph[], percent: number): TableCell {
  return new TableCell({
    borders: BORDERS,
    width: { size: percent, type: WidthType.PERCENTAGE },
    margins: { top: 60, bottom: 60, left: 90, right: 90 },
    children: children.length > 0 ? [...children] : [new Paragraph('')],
  })
}

const table = (rows: readonly (readonly TableCell[])[], isHeaded: boolean) =>
  new Table({
    width: { size: 100, type: WidthType.PERCENTAGE },
    rows: rows.map((cells, i) => new TableRow({ children: [...cells], tableHeader: isHeaded && i === 0, cantSplit: false })),
  })

const bold = (text: string) => [new Paragraph({ children: [new TextRun({ text, bold: true })] })]

function block({ number, title, columns }: ActivitySheet, blank: boolean): (Paragraph | Table)[] {
  return [
    heading(blank ? `${number} ${ROOM}` : `${number} ${title}`, 'HEADING_3'),
    table([columns.map((c) => cell(bold(c.title), 25)), columns.map((c) => cell(linesOf(c.lines, blank), 25))], true),
  ]
}

function moduleParts(sheet: ModuleSheet, blank: boolean): (Paragraph | Table)[] {
  return [
    heading(`${sheet.word} ${sheet.number} ${sheet.title}`, 'HEADING_1'),
    ...linesOf(sheet.facts, blank),
    ...linesOf(sheet.texts, blank),
    heading('Objectives', 'HEADING_2'),
    table(
      [
        [cell(bold('No.'), 10), cell(bold('Objective'), 70), cell(bold('Outcomes'), 20)],
        ...sheet.objectives.map((o) => [
          cell([new Paragraph(o.number)], 10),
          cell([new Paragraph(blank ? ROOM : o.statement)], 70),
          cell([new Paragraph(blank ? ROOM : o.outcomes.join(', '))], 20),
        ]),
      ],
      true,
    ),
    heading('Activities', 'HEADING_2'),
    ...sheet.activities.flatMap((a) => block(a, blank)),
  ]
}

/** Writes the document; null where the course has none of the modules. */
export async function writeSheets(plan: Blueprint, { moduleIds, blank }: SheetChoice): Promise<Uint8Array | null> {
  const ids = moduleIds.length > 0 ? moduleIds : indexCourse(plan).modules.map((m) => m.id)
  const sheets = ids.flatMap((id) => xmlSafe(moduleSheet(plan, id)) ?? [])
  if (sheets.length === 0) return null
  const { title, code } = xmlSafe(courseOf(plan))
  const document = new Document({
    creator: 'Cairn',
    title: [code, title].filter(Boolean).join(' '),
    styles: { default: { document: { run: { font: 'Arial', size: 20 } } } },
    sections: sheets.map((sheet) => ({
      properties: { page: { size: { orientation: PageOrientation.LANDSCAPE }, margin: { top: 720, bottom: 720, left: 720, right: 720 } } },
      children: moduleParts(sheet, blank),
    })),
  })
  return new Uint8Array(await Packer.toArrayBuffer(document))
}
