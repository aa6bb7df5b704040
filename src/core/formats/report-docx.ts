/** A report for a word processor: true headings, lists, and tables whose header row is one. */
import { BorderStyle, Document, HeadingLevel, LevelFormat, Packer, Paragraph, Table, TableCell, TableRow, TextRun, WidthType } from 'docx'
import type { ReportBlock, ReportDoc, ReportItem } from '../review/report'
import { xmlSafe } from '../xml-text'

const RULE = { style: BorderStyle.SINGLE, size: 4, color: 'B9B4AA' } as const
const NO_RULE = { style: BorderStyle.NONE, size: 0, color: 'FFFFFF' } as const
const BORDERS = { top: RULE, bottom: RULE, left: NO_RULE, right: NO_RULE }
const QUIET = '566166'
const NUMBERED = 'numbered'

/** Runs of a text, a line each. */
const runs = (text: string, more: { readonly bold?: boolean; readonly color?: string } = {}): TextRun[] =>
  text.split('\n').map((line, i) => new TextRun({ text: line, ...more, ...(i > 0 ? { break: 1 } : {}) }))

function item({ lead, text, note }: ReportItem, ordered: boolean): Paragraph {
  const children = [
    ...(lead ? [new TextRun({ text: `${lead} `, bold: true })] : []),
    ...runs(text),
    ...(note ? [new TextRun({ text: ` ${note}`, color: QUIET })] : []),
  ]
  return new Paragraph({ children, ...(ordered ? { numbering: { reference: NUMBERED, level: 0 } } : { bullet: { level: 0 } }) })
}

function table({ head, rows, figures }: Extract<ReportBlock, { type: 'table' }>): Table {
  const cell = (text: string, column: number, bold: boolean) =>
    new TableCell({
      borders: BORDERS,
      margins: { top: 50, bottom: 50, left: 60, right: 60 },
      children: [new Paragraph({ children: runs(text, { bold }), ...(figures.includes(column) ? { alignment: 'right' as const } : {}) })],
    })
  return new Table({
    width: { size: 100, type: WidthType.PERCENTAGE },
    rows: [
      new TableRow({ tableHeader: true, cantSplit: true, children: head.map((h, i) => cell(h, i, true)) }),
      ...rows.map((r) => new TableRow({ cantSplit: true, children: r.map((text, i) => cell(text, i, false)) })),
    ],
  })
}

function block(b: ReportBlock): (Paragraph | Table)[] {
  switch (b.type) {
    case 'heading':
      return [new Paragraph({ text: b.text, heading: HeadingLevel.HEADING_2, keepNext: true })]
    case 'paragraph':
      return [new Paragraph({ children: [...(b.lead ? [new TextRun({ text: `${b.lead} `, bold: true })] : []), ...runs(b.text)] })]
    case 'list':
      return b.items.map((i) => item(i, b.ordered === true))
    case 'table':
      // Two tables that touch would become one.
      return [table(b), new Paragraph('')]
  }
}

/** The bytes of a DOCX file. */
export async function reportDocx(given: ReportDoc): Promise<Uint8Array> {
  const doc = xmlSafe(given)
  const document = new Document({
    title: doc.title,
    creator: 'Cairn',
    styles: { default: { document: { run: { font: 'Calibri', size: 21, language: { value: doc.language } } } } },
    numbering: { config: [{ reference: NUMBERED, levels: [{ level: 0, format: LevelFormat.DECIMAL, text: '%1.', alignment: 'left' }] }] },
    sections: [
      {
        children: [
          new Paragraph({ text: doc.title, heading: HeadingLevel.HEADING_1 }),
          new Paragraph({ children: runs(doc.subtitle, { color: QUIET }) }),
          ...doc.blocks.flatMap(block),
        ],
      },
    ],
  })
  return new Uint8Array(await (await Packer.toBlob(document)).arrayBuffer())
}
