/** Mends what can be mended in a text without asking: headings and lists made by hand, headers of tables, links and headings without words. */
import type { RichNode, RichText } from '../blueprint/rich-text'
import { goesOn, typedMark } from './list-marks'
import { textProblems } from './text-access'
import type { TextCode } from './text-codes'

type Change = (siblings: readonly RichNode[], place: number) => readonly RichNode[]

/** The document with the list of blocks around `path` changed. */
function changedAt(nodes: readonly RichNode[], path: readonly number[], change: Change): readonly RichNode[] {
  const [place = 0, ...rest] = path
  if (rest.length === 0) return change(nodes, place)
  return nodes.map((node, i) => (i === place ? { ...node, content: changedAt(node.content ?? [], rest, change) } : node))
}
const one =
  (to: (node: RichNode) => readonly RichNode[]): Change =>
  (nodes, place) =>
    nodes.flatMap((node, i) => (i === place ? to(node) : [node]))

const withoutMark = (node: RichNode, type: string): RichNode => {
  if (!node.marks) return node
  const { marks, ...rest } = node
  const kept = marks.filter((m) => m.type !== type)
  return kept.length > 0 ? { ...rest, marks: kept } : rest
}

/** A paragraph in bold becomes a heading, as deep as the one before it. */
const asHeading: Change = (nodes, place) => {
  const before = nodes.slice(0, place).findLast((n) => n.type === 'heading')
  return one((node) => [
    { type: 'heading', attrs: { level: before?.attrs?.level ?? 2 }, content: (node.content ?? []).map((n) => withoutMark(n, 'bold')) },
  ])(nodes, place)
}

/** The text of a line without what it begins with. */
function unmarked(node: RichNode): RichNode {
  const content = [...(node.content ?? [])]
  let left = typedMark(node)?.length ?? 0
  while (left > 0 && content[0]) {
    const text = content[0].text ?? ''
    const rest = text.slice(left)
    left -= Math.min(left, text.length)
    if (rest === '') content.shift()
    else content[0] = { ...content[0], text: rest }
  }
  return { ...node, content }
}

/** Paragraphs that go on from `place` become one list. */
const asList: Change = (nodes, place) => {
  const first = nodes[place] && typedMark(nodes[place])
  if (!first) return nodes
  let end = place + 1
  for (let mark = first; end < nodes.length; end++) {
    const next = typedMark(nodes[end] as RichNode)
    if (!next || !goesOn(mark, next)) break
    mark = next
  }
  const items = nodes.slice(place, end).map((n): RichNode => ({ type: 'listItem', content: [unmarked(n)] }))
  const numbered = first.style.startsWith('1')
  const list: RichNode = numbered
    ? { type: 'orderedList', ...(first.n === 1 ? {} : { attrs: { start: first.n } }), content: items }
    : { type: first.style === 'mark' ? 'bulletList' : 'orderedList', content: items }
  return [...nodes.slice(0, place), list, ...nodes.slice(end)]
}

const withHeader: Change = one((table) => [
  {
    ...table,
    content: (table.content ?? []).map((row, i) =>
      i === 0 ? { ...row, content: (row.content ?? []).map((c): RichNode => ({ ...c, type: 'tableHeader' })) } : row,
    ),
  },
])

const withoutEmptyLinks: Change = one((node) => [
  { ...node, content: (node.content ?? []).map((n) => ((n.text ?? '').trim() === '' ? withoutMark(n, 'link') : n)) },
])

const withoutWords: Change = one((node) => {
  const { alt: _, ...attrs } = node.attrs ?? {}
  return [{ ...node, attrs }]
})

const MENDS = {
  'heading-typed': asHeading,
  'heading-empty': one(() => []),
  'heading-skips': one((node) => [{ ...node, attrs: { ...node.attrs, level: (node.attrs?.level ?? 2) - 1 } }]),
  'list-typed': asList,
  'link-empty': withoutEmptyLinks,
  'table-no-header': withHeader,
  'image-decorative-alt': withoutWords,
} as const satisfies Partial<Record<TextCode, Change>>
export type Mendable = keyof typeof MENDS
export const isMendable = (code: string): code is Mendable => Object.hasOwn(MENDS, code)

/** So many problems of one sort are mended in one text (Cairn default). */
const MOST = 500

/** The text with all its problems of one code mended; the same text where there are none. */
export function mendText(doc: RichText, code: Mendable): RichText {
  let mended = doc
  for (let i = 0; i < MOST; i++) {
    const problem = textProblems(mended).find((p) => p.code === code)
    if (!problem) break
    mended = { ...mended, content: changedAt(mended.content ?? [], problem.at.split('.').map(Number), MENDS[code]) }
  }
  return mended
}
