/**
 * Rich text: a ProseMirror document of the node set below (version 1). Only what is listed here is stored or published;
 * everything is written out with escapes, so a document cannot carry markup of its own.
 */
import { escapeHtml } from './text'

/** What an attribute may hold. */
export type RichAttr =
  | { readonly type: 'int'; readonly min: number; readonly max: number; readonly optional?: true }
  | { readonly type: 'text'; readonly max: number; readonly optional?: true }
  /** There, or left out. */
  | { readonly type: 'yes'; readonly optional: true }

/**
 * Every node but the text itself: what it holds, and its element. Schema, HTML and the view of the interface all follow from
 * this table; the editor is set to it.
 */
export const RICH_NODES = {
  hardBreak: { holds: 'nothing', tag: () => 'br' },
  paragraph: { holds: 'text', tag: () => 'p' },
  heading: { holds: 'text', tag: (attrs: RichAttrs, top: number) => `h${Math.min(6, top + Math.max(0, Number(attrs.level ?? 2) - 2))}` },
  bulletList: { holds: 'blocks', tag: () => 'ul' },
  orderedList: { holds: 'blocks', tag: () => 'ol' },
  listItem: { holds: 'blocks', tag: () => 'li' },
  image: { holds: 'nothing', tag: () => 'img' },
  table: { holds: 'blocks', tag: () => 'table', inner: 'tbody' },
  tableRow: { holds: 'blocks', tag: () => 'tr' },
  tableHeader: { holds: 'blocks', tag: () => 'th' },
  tableCell: { holds: 'blocks', tag: () => 'td' },
} as const satisfies Readonly<Record<string, RichNodeSpec>>
type RichNodeSpec = {
  readonly holds: 'nothing' | 'text' | 'blocks'
  readonly tag: (attrs: RichAttrs, top: number) => string
  /** An element between it and what it holds. */
  readonly inner?: string
}
/** Marks of text and their elements. A link is one only where it may be followed. */
export const RICH_MARKS = { bold: 'strong', italic: 'em', link: 'a' } as const
/** Over how many columns and rows a cell goes. */
const SPANS = {
  colspan: { type: 'int', min: 1, max: 50, optional: true },
  rowspan: { type: 'int', min: 1, max: 500, optional: true },
} as const satisfies Readonly<Record<string, RichAttr>>
/** Attributes of nodes and marks that have any. */
export const RICH_ATTRS: Readonly<Record<string, Readonly<Record<string, RichAttr>>>> = {
  heading: { level: { type: 'int', min: 2, max: 4 } },
  orderedList: { start: { type: 'int', min: 0, max: 9999, optional: true } },
  link: { href: { type: 'text', max: 2000 } },
  tableHeader: SPANS,
  tableCell: SPANS,
  /** A file of the course, or an address of the web; what it shows in words, or that it shows nothing that is not said. */
  image: {
    fileId: { type: 'text', max: 40, optional: true },
    src: { type: 'text', max: 2000, optional: true },
    alt: { type: 'text', max: 300, optional: true },
    decorative: { type: 'yes', optional: true },
  },
}

export type RichAttrs = {
  readonly level?: number | undefined
  readonly start?: number | undefined
  readonly href?: string | undefined
  readonly fileId?: string | undefined
  readonly src?: string | undefined
  readonly alt?: string | undefined
  readonly decorative?: true | undefined
  readonly colspan?: number | undefined
  readonly rowspan?: number | undefined
}
export type RichMark = { readonly type: keyof typeof RICH_MARKS; readonly attrs?: RichAttrs | undefined }
export type RichNode = {
  readonly type: keyof typeof RICH_NODES | 'text'
  readonly attrs?: RichAttrs | undefined
  readonly content?: readonly RichNode[] | undefined
  readonly marks?: readonly RichMark[] | undefined
  readonly text?: string | undefined
}
export type RichText = { readonly type: 'doc'; readonly content?: readonly RichNode[] | undefined }

/** Whether a link may be followed from a public page: web and mail addresses only. */
export const isSafeHref = (href: string): boolean => /^(https?:\/\/|mailto:)[^\s"'<>]+$/i.test(href)

/** Where the bytes of a file of the course are fetched. */
export type FileAddress = (fileId: string) => string

/** Where there are no files: pictures are told by their words. */
export const NO_FILES: FileAddress = () => ''

/** Where a picture is fetched: of the course, or of the web; null where it has no address that may be asked. */
export function imageSource({ fileId, src }: RichAttrs, addressOf: FileAddress): string | null {
  if (fileId) return addressOf(fileId) || null
  return src && /^https:\/\/[^\s"'<>]+$/i.test(src) ? src : null
}

/** The ids of the files that documents show. */
export function filesIn(doc: RichText | null): readonly string[] {
  const walk = (node: RichNode): readonly string[] => [
    ...(node.type === 'image' && node.attrs?.fileId ? [node.attrs.fileId] : []),
    ...(node.content ?? []).flatMap(walk),
  ]
  return (doc?.content ?? []).flatMap(walk)
}

/** HTML of the document; headings start at `topLevel`. Links that are not safe become plain text, pictures without an address their words. */
export function richToHtml(doc: RichText, addressOf: FileAddress = NO_FILES, topLevel = 3): string {
  return (doc.content ?? []).map((n) => nodeHtml(n, addressOf, topLevel)).join('')
}

function nodeHtml(node: RichNode, addressOf: FileAddress, topLevel: number): string {
  if (node.type === 'text') return (node.marks ?? []).reduce((html, mark) => markHtml(mark, html), escapeHtml(node.text ?? ''))
  const { tag, holds, inner }: RichNodeSpec = RICH_NODES[node.type]
  const name = tag(node.attrs ?? {}, topLevel)
  if (node.type === 'image') {
    const source = imageSource(node.attrs ?? {}, addressOf)
    const alt = node.attrs?.decorative ? '' : (node.attrs?.alt ?? '')
    return source ? `<img src="${escapeHtml(source)}" alt="${escapeHtml(alt)}" loading="lazy">` : `<p>${escapeHtml(alt)}</p>`
  }
  if (holds === 'nothing') return `<${name}>`
  const held = (node.content ?? []).map((n) => nodeHtml(n, addressOf, topLevel)).join('')
  return `<${name}${numbersHtml(node.attrs ?? {})}>${inner ? `<${inner}>${held}</${inner}>` : held}</${name}>`
}

/** Attributes of HTML that are numbers, left out where they are 1 anyway. */
export const numbersOf = ({ start, colspan, rowspan }: RichAttrs): Readonly<Record<string, number>> =>
  Object.fromEntries(
    Object.entries({ start, colspan, rowspan }).flatMap(([name, n]) => (n === undefined || n === 1 ? [] : [[name, Number(n)]])),
  )
const numbersHtml = (attrs: RichAttrs): string =>
  Object.entries(numbersOf(attrs))
    .map(([name, n]) => ` ${name}="${n}"`)
    .join('')

function markHtml(mark: RichMark, html: string): string {
  const tag = RICH_MARKS[mark.type]
  if (mark.type !== 'link') return `<${tag}>${html}</${tag}>`
  const href = mark.attrs?.href ?? ''
  return isSafeHref(href) ? `<a href="${escapeHtml(href)}" rel="noopener">${html}</a>` : html
}

/** The words of the document, one block a line. */
export function richToPlain(doc: RichText): string {
  const blocks: string[] = []
  const walk = (node: RichNode): string =>
    node.type === 'text' ? (node.text ?? '') : node.type === 'hardBreak' ? '\n' : (node.content ?? []).map(walk).join('')
  const collect = (node: RichNode) => {
    if (node.type === 'paragraph' || node.type === 'heading') blocks.push(walk(node))
    else if (node.type === 'image') blocks.push(node.attrs?.alt ?? '')
    else for (const child of node.content ?? []) collect(child)
  }
  for (const node of doc.content ?? []) collect(node)
  return blocks.join('\n')
}

/** A document of plain paragraphs, one a line of `text`. */
export const richFromPlain = (text: string): RichText => ({
  type: 'doc',
  content: text.split('\n').map((l) => (l ? { type: 'paragraph', content: [{ type: 'text', text: l }] } : { type: 'paragraph' })),
})
