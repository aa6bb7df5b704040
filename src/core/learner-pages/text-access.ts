/** What in a text that learners read keeps some of them out: headings, lists, links, tables, pictures (WCAG 2.2, and Cairn defaults). */
import type { RichNode, RichText } from '../blueprint/rich-text'
import { isAltName, isAltShape } from './alt-words'
import { linkProblems, linksIn } from './link-words'
import { goesOn, typedMark, wordsOf } from './list-marks'
import { sensoryWords } from './sensory-words'
import { TEXT_CODES, type TextCode } from './text-codes'

export type TextProblem = {
  readonly code: TextCode
  /** The index path of the block: `2`, `0.1.0` for the paragraph in the second item of the first list. */
  readonly at: string
  /** The words that it is about. */
  readonly words: string
}

/** A picture in words may be so long (Cairn default). */
export const LONGEST_ALT = 150
/** A whole paragraph in bold with so many letters is likely a heading (Cairn default). */
const HEADING_LETTERS = { least: 2, most: 80 } as const
/** So many paragraphs that are numbered or marked by hand are a list (Cairn default). */
const LIST_FROM = 3

const trimmed = (node: RichNode): string => wordsOf(node).replace(/\s+/g, ' ').trim()
const holdsText = ({ type }: RichNode): boolean => type === 'paragraph' || type === 'heading'

type Found = (code: TextCode, at: string, words: string) => void
type Placed = { readonly node: RichNode; readonly at: string }

/** All problems of a text, in the order of its blocks. */
export function textProblems(doc: RichText | null): readonly TextProblem[] {
  const found: TextProblem[] = []
  const tell: Found = (code, at, words) => void found.push({ code, at, words })
  const blocks = [...blocksIn(doc?.content ?? [], '')]
  headings(blocks, tell)
  typedHeadings(doc?.content ?? [], tell)
  for (const siblings of [{ node: { type: 'doc', content: doc?.content ?? [] }, at: '' } as unknown as Placed, ...blocks])
    typedLists(siblings, tell)
  linkProblems(
    blocks.filter((b) => holdsText(b.node)).flatMap((b) => linksIn(b.node).map((link) => ({ ...link, at: b.at }))),
    tell,
  )
  for (const { node, at } of blocks) {
    if (node.type === 'table') tables({ node, at }, tell)
    if (node.type === 'image') picture(node, at, tell)
    if (node.type === 'paragraph') for (const words of sensoryWords(wordsOf(node))) tell('sensory-only', at, words)
  }
  const order = new Map(blocks.map((b, i) => [b.at, i]))
  return found.sort((a, b) => (order.get(a.at) ?? 0) - (order.get(b.at) ?? 0) || TEXT_CODES.indexOf(a.code) - TEXT_CODES.indexOf(b.code))
}

/** Every block with its place, parents first; a picture within a line stands where the line does. */
function* blocksIn(nodes: readonly RichNode[], under: string): Generator<Placed> {
  for (const [i, node] of nodes.entries()) {
    const at = under === '' ? String(i) : `${under}.${i}`
    yield { node, at }
    if (!holdsText(node)) yield* blocksIn(node.content ?? [], at)
    else for (const inner of node.content ?? []) if (inner.type === 'image') yield { node: inner, at }
  }
}

/** The first heading is of level 2; one goes down one level at a time. Empty ones are told, and take no part. */
function headings(blocks: readonly Placed[], tell: Found): void {
  let before = 1
  for (const { node, at } of blocks) {
    if (node.type !== 'heading') continue
    const words = trimmed(node)
    if (words === '') {
      tell('heading-empty', at, '')
      continue
    }
    const level = node.attrs?.level ?? 2
    if (level > before + 1) tell('heading-skips', at, words)
    before = level
  }
}

/** Whether a paragraph looks like a heading that was made by hand. */
function isTypedHeading(node: RichNode | undefined): boolean {
  if (node?.type !== 'paragraph') return false
  const words = trimmed(node)
  const isBold = (node.content ?? []).every(
    (n) => n.type !== 'text' || (n.text ?? '').trim() === '' || (n.marks ?? []).some((m) => m.type === 'bold'),
  )
  return isBold && words.length >= HEADING_LETTERS.least && words.length <= HEADING_LETTERS.most && !/[.!?:;,]$/.test(words)
}

function typedHeadings(top: readonly RichNode[], tell: Found): void {
  for (const [i, node] of top.entries()) {
    const next = top[i + 1]
    if (isTypedHeading(node) && next && !isTypedHeading(next)) tell('heading-typed', String(i), trimmed(node))
  }
}

function typedLists({ node: parent, at }: Placed, tell: Found): void {
  const nodes = holdsText(parent) ? [] : (parent.content ?? [])
  let from = 0
  const ends = (to: number) => {
    const first = nodes[from]
    if (first && to - from >= LIST_FROM) tell('list-typed', at === '' ? String(from) : `${at}.${from}`, trimmed(first))
  }
  for (let i = 0; i <= nodes.length; i++) {
    const [mark, before] = [nodes[i] ? typedMark(nodes[i] as RichNode) : null, i > from ? typedMark(nodes[i - 1] as RichNode) : null]
    if (mark && before && goesOn(before, mark)) continue
    if (before) ends(i)
    from = i
  }
}

/** The cells of a table by row, each with its place. */
const rowsOf = ({ node, at }: Placed): readonly (readonly Placed[])[] =>
  (node.content ?? []).map((row, r) => (row.content ?? []).map((cell, c) => ({ node: cell, at: `${at}.${r}.${c}` })))
const isHeader = ({ node }: Placed): boolean => node.type === 'tableHeader'
const columnsOf = (row: readonly Placed[]): number => row.reduce((sum, { node }) => sum + (node.attrs?.colspan ?? 1), 0)

function tables(table: Placed, tell: Found): void {
  const rows = rowsOf(table)
  const [first = []] = rows
  const words = first.map((c) => trimmed(c.node)).join(' | ')
  const firstRow = first.length > 0 && first.every(isHeader)
  const firstColumn = rows.length > 0 && rows.every((row) => row[0] && isHeader(row[0]))
  if (rows.length <= 1 || Math.max(...rows.map(columnsOf)) <= 1) tell('table-layout', table.at, words)
  else if (!firstRow && !firstColumn) tell('table-no-header', table.at, words)
  for (const cell of rows.flat()) {
    const isCorner = cell === first[0] && firstRow && firstColumn
    if (isHeader(cell) && trimmed(cell.node) === '' && !isCorner) tell('table-header-empty', cell.at, '')
    if ((cell.node.attrs?.colspan ?? 1) > 1 || (cell.node.attrs?.rowspan ?? 1) > 1) tell('table-merged', cell.at, trimmed(cell.node))
  }
}

function picture({ attrs = {} }: RichNode, at: string, tell: Found): void {
  const words = (attrs.alt ?? '').trim()
  if (attrs.decorative) {
    if (words !== '') tell('image-decorative-alt', at, words)
    return
  }
  if (words === '') tell('image-no-alt', at, '')
  else if (isAltName(words) || isAltShape(words)) tell('image-alt-name', at, words)
  if (words.length > LONGEST_ALT) tell('image-alt-long', at, words)
}
