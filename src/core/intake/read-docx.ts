/** A word-processor document as headings, lines and tables, in their order. */
import { ok, type Result } from '../result'
import { type Block, LIMITS, type RowMark, type Table } from './blocks'
import type { Cuts } from './cuts'
import { attributeOf, childrenOf, findAll, type Node, nameOf, parseXml, type Unreadable, unpack } from './read-package'

export function readDocx(bytes: Uint8Array, at: string, cuts: Cuts): Result<Block[], Unreadable> {
  const unpacked = unpack(bytes, (path) => path === 'word/document.xml' || path === 'word/styles.xml')
  if (!unpacked.ok) return unpacked
  const document = parseXml(unpacked.value.get('word/document.xml') ?? '')
  if (!document.ok) return document
  const styles = parseXml(unpacked.value.get('word/styles.xml') ?? '')
  const headings = new Set(
    (styles.ok ? findAll(styles.value, 'style') : [])
      .filter((s) => /^(heading|title|überschrift|titre)\s*\d*$/i.test(attributeOf(findAll([s], 'name')[0] ?? {}, 'val') ?? ''))
      .flatMap((s) => attributeOf(s, 'styleId') ?? []),
  )
  const [body] = findAll(document.value, 'body')
  const blocks: Block[] = []
  let number = 0
  for (const node of flow(body ? childrenOf(body) : [])) {
    number++
    const where = `${at}, paragraph ${number}`
    const table = `${at}, table at paragraph ${number}`
    if (blocks.length >= LIMITS.lines) cuts.leftOut('cut-lines', 1, where)
    else if (nameOf(node) === 'tbl') blocks.push({ type: 'table', name: null, ...tableRows(node, table, cuts), at: table })
    else {
      const struck = isStruck(node) ? { struck: true as const } : {}
      for (const text of paragraphText(node)
        .split('\n')
        .map((t) => t.trim()))
        if (text !== '')
          blocks.push(
            isHeading(node, headings)
              ? { type: 'heading', text, at: where }
              : { type: 'line', text, item: isItem(node), ...struck, at: where },
          )
    }
  }
  return ok(blocks)
}

/** Paragraphs and tables, those inside content controls and tracked changes included. */
function flow(nodes: readonly Node[]): Node[] {
  return nodes.flatMap((n): Node[] => {
    const name = nameOf(n)
    if (name === 'p' || name === 'tbl') return [n]
    return ['sdt', 'sdtContent', 'ins', 'customXml', 'smartTag'].includes(name) ? flow(childrenOf(n)) : []
  })
}

const properties = (p: Node): readonly Node[] => childrenOf(childrenOf(p).find((c) => nameOf(c) === 'pPr') ?? {})
const isHeading = (p: Node, styles: ReadonlySet<string>): boolean =>
  properties(p).some(
    (c) =>
      nameOf(c) === 'outlineLvl' ||
      (nameOf(c) === 'pStyle' && (styles.has(attributeOf(c, 'val') ?? '') || /^(heading|title)/i.test(attributeOf(c, 'val') ?? ''))),
  )
const isItem = (p: Node): boolean =>
  properties(p).some((c) => nameOf(c) === 'numPr' || (nameOf(c) === 'pStyle' && /list/i.test(attributeOf(c, 'val') ?? '')))

/** The text of a paragraph; what was deleted with changes tracked is gone. */
function paragraphText(p: Node): string {
  let text = ''
  const stack = childrenOf(p).toReversed()
  for (let node = stack.pop(); node; node = stack.pop()) {
    const name = nameOf(node)
    if (name === 't')
      text += childrenOf(node)
        .map((c) => String(c['#text'] ?? ''))
        .join('')
    else if (name === 'tab') text += '\t'
    else if (name === 'br' || name === 'cr') text += '\n'
    else if (name === 'noBreakHyphen') text += '-'
    else if (!['del', 'pPr', 'rPr', 'instrText', 'Fallback'].includes(name)) stack.push(...childrenOf(node).toReversed())
  }
  return text
}

/** Whether all that stands in a paragraph, a cell or a row is struck through. */
function isStruck(node: Node): boolean {
  const runs = findAll(childrenOf(node), 'r').filter((r) =>
    findAll(childrenOf(r), 't').some((t) => childrenOf(t).some((c) => String(c['#text'] ?? '').trim() !== '')),
  )
  return runs.length > 0 && runs.every((r) => childrenOf(childrenOf(r).find((c) => nameOf(c) === 'rPr') ?? {}).some(isStrike))
}
const isStrike = (c: Node): boolean => /^d?strike$/.test(nameOf(c)) && !/^(?:0|false|off)$/.test(attributeOf(c, 'val') ?? '')

function tableRows(table: Node, at: string, cuts: Cuts): Pick<Table, 'rows' | 'marks' | 'copies'> {
  const rows: string[][] = []
  const marks = new Map<number, RowMark>()
  const copies = new Set<string>()
  for (const row of findAll(childrenOf(table), 'tr')) {
    if (rows.length >= LIMITS.lines) {
      cuts.leftOut('cut-lines', 1, at)
      continue
    }
    const cells: string[] = []
    for (const cell of findAll(childrenOf(row), 'tc')) {
      const settings = childrenOf(childrenOf(cell).find((c) => nameOf(c) === 'tcPr') ?? {})
      const merge = settings.find((s) => nameOf(s) === 'vMerge')
      const above = rows.at(-1)?.[cells.length] ?? ''
      const text = findAll(childrenOf(cell), 'p').map(paragraphText).join('\n').trim()
      const isCopy = merge !== undefined && attributeOf(merge, 'val') !== 'restart' && text === ''
      if (isCopy) copies.add(`${rows.length}:${cells.length}`)
      cells.push(isCopy ? above : cuts.cell(text, at))
      const span = Number(attributeOf(settings.find((s) => nameOf(s) === 'gridSpan') ?? {}, 'val') ?? 1)
      for (let i = 1; i < Math.min(span, 60); i++) cells.push('')
    }
    if (isStruck(row)) marks.set(rows.length, 'struck through')
    rows.push(cells)
  }
  return { rows, marks, copies }
}
