/** A workbook as tables, one a sheet: values as people see them, formulas by their last result, merged cells filled. */
import { ok, type Result } from '../result'
import { type Block, LIMITS, type RowMark } from './blocks'
import type { Cuts } from './cuts'
import { attributeOf, childrenOf, findAll, type Node, nameOf, parseXml, textOf, type Unreadable, unpack } from './read-package'

const WANTED = /^xl\/(?:workbook|sharedStrings|styles)\.xml$|^xl\/_rels\/workbook\.xml\.rels$|^xl\/worksheets\/[^/]+\.xml$/

export function readXlsx(bytes: Uint8Array, at: string, cuts: Cuts): Result<Block[], Unreadable> {
  const unpacked = unpack(bytes, (path) => WANTED.test(path))
  if (!unpacked.ok) return unpacked
  const parsed = new Map<string, readonly Node[]>()
  for (const [path, text] of unpacked.value) {
    const part = parseXml(text)
    if (!part.ok) return part
    parsed.set(path, part.value)
  }
  const part = (path: string) => parsed.get(path) ?? []
  const strings = findAll(part('xl/sharedStrings.xml'), 'si').map(plainString)
  const formats = cellFormats(part('xl/styles.xml'))
  const looks = cellLooks(part('xl/styles.xml'))
  const targets = new Map(
    findAll(part('xl/_rels/workbook.xml.rels'), 'Relationship').map((r) => [
      attributeOf(r, 'Id') ?? '',
      `xl/${(attributeOf(r, 'Target') ?? '').replace(/^\/?(?:xl\/)?/, '')}`,
    ]),
  )
  let cells = 0
  const blocks: Block[] = []
  for (const sheet of findAll(part('xl/workbook.xml'), 'sheet')) {
    const name = attributeOf(sheet, 'name') ?? 'Sheet'
    const where = `${at}, sheet ${name}`
    const take = { strings, formats, looks, room: LIMITS.cells - cells, at: where, cuts }
    const { rows, marks, copies } = rowsOf(part(targets.get(attributeOf(sheet, 'id') ?? '') ?? ''), take)
    cells += rows.reduce((n, r) => n + r.length, 0)
    if (rows.some((r) => r.some((c) => c !== '')))
      blocks.push({
        type: 'table',
        name,
        rows,
        at: where,
        copies,
        marks,
        hidden: attributeOf(sheet, 'state')?.includes('idden') === true,
      })
  }
  return ok(blocks)
}

/** A shared or inline string without its phonetic hints. */
const plainString = (node: Node): string =>
  childrenOf(node)
    .filter((c) => nameOf(c) === 't' || nameOf(c) === 'r')
    .flatMap((c) => (nameOf(c) === 't' ? [textOf(c)] : findAll([c], 't').map(textOf)))
    .join('')
    .replace(/_x([0-9A-Fa-f]{4})_/g, (_, hex: string) => String.fromCharCode(Number.parseInt(hex, 16)))

type CellFormat = 'plain' | 'percent' | 'date' | 'time'

/** What a number is shown as, by the index of its cell's style. */
function cellFormats(styles: readonly Node[]): CellFormat[] {
  const custom = new Map(findAll(styles, 'numFmt').map((f) => [attributeOf(f, 'numFmtId'), attributeOf(f, 'formatCode') ?? '']))
  return findAll(findAll(styles, 'cellXfs'), 'xf').map((xf) => {
    const id = attributeOf(xf, 'numFmtId') ?? '0'
    const code = (custom.get(id) ?? '').replace(/"[^"]*"|\\.|\[[^\]]*\]/g, '').toLowerCase()
    const number = Number(id)
    if (number === 9 || number === 10 || code.includes('%')) return 'percent'
    if ((number >= 18 && number <= 21) || (number >= 45 && number <= 47) || (/h/.test(code) && !/[yd]/.test(code))) return 'time'
    if ((number >= 14 && number <= 17) || number === 22 || /[yd]/.test(code)) return 'date'
    return 'plain'
  })
}

type Look = { readonly struck: boolean; readonly coloured: boolean }
const PLAIN: Look = { struck: false, coloured: false }

/** Whether cells of each style are struck through or coloured. */
function cellLooks(styles: readonly Node[]): Look[] {
  const struck = findAll(findAll(styles, 'fonts'), 'font').map((font) =>
    childrenOf(font).some((c) => nameOf(c) === 'strike' && attributeOf(c, 'val') !== '0' && attributeOf(c, 'val') !== 'false'),
  )
  const coloured = findAll(findAll(styles, 'fills'), 'fill').map((fill) => {
    const [pattern] = findAll([fill], 'patternFill')
    const rgb = attributeOf(findAll([fill], 'fgColor')[0] ?? {}, 'rgb')
    return pattern !== undefined && attributeOf(pattern, 'patternType') === 'solid' && !/^(?:FF|00)?FFFFFF$/i.test(rgb ?? '')
  })
  return findAll(findAll(styles, 'cellXfs'), 'xf').map((xf) => ({
    struck: struck[Number(attributeOf(xf, 'fontId') ?? 0)] ?? false,
    coloured: coloured[Number(attributeOf(xf, 'fillId') ?? 0)] ?? false,
  }))
}

type Take = {
  readonly strings: readonly string[]
  readonly formats: readonly CellFormat[]
  readonly looks: readonly Look[]
  /** So many cells may still come. */
  readonly room: number
  readonly at: string
  readonly cuts: Cuts
}

type SheetRows = { readonly rows: string[][]; readonly marks: ReadonlyMap<number, RowMark>; readonly copies: ReadonlySet<string> }

function rowsOf(sheet: readonly Node[], { strings, formats, looks, room, at, cuts }: Take): SheetRows {
  const rows: string[][] = []
  const marks = new Map<number, RowMark>()
  let used = 0
  for (const row of findAll(sheet, 'row')) {
    const y = Number(attributeOf(row, 'r') ?? rows.length + 1) - 1
    // Rows far below the rest are left over from formatting.
    const near = y >= rows.length && y < rows.length + 5000
    while (near && rows.length <= y) rows.push([])
    let next = 0
    const own: Look[] = []
    for (const cell of childrenOf(row)) {
      if (nameOf(cell) !== 'c') continue
      const x = columnOf(attributeOf(cell, 'r')) ?? next
      next = x + 1
      const text = cellText(cell, strings, formats)
      if (text === '') continue
      const place = `${at}, row ${y + 1}`
      if (!near || x > 500) cuts.leftOut('cut-far', 1, place)
      else if (++used > room) cuts.leftOut('cut-cells', 1, place)
      else {
        const line = rows[y] as string[]
        while (line.length <= x) line.push('')
        line[x] = cuts.cell(text, place)
        own.push(looks[Number(attributeOf(cell, 's') ?? 0)] ?? PLAIN)
      }
    }
    const hidden = attributeOf(row, 'hidden')
    if (own.length === 0) continue
    if (hidden === '1' || hidden === 'true') marks.set(y, 'hidden')
    else if (own.every((l) => l.struck)) marks.set(y, 'struck through')
    else if (own.every((l) => l.coloured)) marks.set(y, 'coloured')
  }
  const copies = fillMerged(
    rows,
    findAll(sheet, 'mergeCell').flatMap((m) => attributeOf(m, 'ref') ?? []),
  )
  while (rows.length > 0 && rows.at(-1)?.every((c) => c === '')) rows.pop()
  // Where many rows are coloured, colour is how the sheet looks.
  const coloured = [...marks].filter(([, mark]) => mark === 'coloured')
  if (coloured.length > rows.length * MOST_COLOURED) for (const [y] of coloured) marks.delete(y)
  return { rows, marks, copies }
}

/** `C5` is column 2. */
function columnOf(ref: string | undefined): number | null {
  const letters = /^([A-Z]{1,3})\d+$/.exec(ref ?? '')?.[1]
  return letters === undefined ? null : [...letters].reduce((n, c) => n * 26 + c.charCodeAt(0) - 64, 0) - 1
}

function cellText(cell: Node, strings: readonly string[], formats: readonly CellFormat[]): string {
  const inner = (name: string) => childrenOf(cell).find((c) => nameOf(c) === name)
  const type = attributeOf(cell, 't') ?? 'n'
  if (type === 'inlineStr') return inner('is') ? plainString(inner('is') as Node).trim() : ''
  const value = inner('v')
  const raw = value ? textOf(value).trim() : ''
  if (raw === '') return ''
  switch (type) {
    case 's':
      return (strings[Number(raw)] ?? '').trim()
    case 'b':
      return raw === '1' ? 'yes' : 'no'
    case 'e':
      return ''
    case 'n':
      return numberText(Number(raw), formats[Number(attributeOf(cell, 's') ?? 0)] ?? 'plain')
    default:
      return raw
  }
}

const DAY_MS = 86_400_000
/** Day 0 of the serial dates of workbooks, with the leap day of 1900 that never was. */
const SERIAL_ZERO = Date.UTC(1899, 11, 30)

function numberText(value: number, format: CellFormat): string {
  if (!Number.isFinite(value)) return ''
  const short = (n: number) => String(Math.round(n * 1e6) / 1e6)
  if (format === 'percent') return `${short(value * 100)} %`
  if (format === 'time' && value < 10) {
    const minutes = Math.round(value * 24 * 60)
    return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`
  }
  if (format === 'date' && value > 1 && value < 200_000)
    return new Date(SERIAL_ZERO + Math.floor(value) * DAY_MS).toISOString().slice(0, 10)
  return short(value)
}

/** As large a part of the rows may be coloured for colour to say something (Cairn default). */
const MOST_COLOURED = 0.25

/** Cells merged downwards all get the value; cells merged to the side keep it in the first. Returns the cells that were filled so. */
function fillMerged(rows: string[][], refs: readonly string[]): ReadonlySet<string> {
  const copies = new Set<string>()
  for (const ref of refs) {
    const [from, to] = ref.split(':')
    const [x, y1, y2] = [columnOf(from), Number(/\d+/.exec(from ?? '')?.[0]) - 1, Number(/\d+/.exec(to ?? '')?.[0]) - 1]
    const text = x === null ? undefined : rows[y1]?.[x]
    if (x === null || text === undefined || text === '') continue
    for (let y = y1 + 1; y <= Math.min(y2, rows.length - 1); y++) {
      const line = rows[y] as string[]
      // Merges of a sheet do not lie over each other; where they do, they are not gone through again.
      if (copies.has(`${y}:${x}`) || (line[x] ?? '') !== '') break
      while (line.length <= x) line.push('')
      line[x] = text
      copies.add(`${y}:${x}`)
    }
  }
  return copies
}
