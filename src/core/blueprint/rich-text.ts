/**
 * Rich text: a ProseMirror document of the node set below (version 1). Only what is listed here is stored or published;
 * everything is written out with escapes, so a document cannot carry markup of its own.
 */
import { escapeHtml } from './text'

/** What an attribute may hold. */
type RichAttr =
  | { readonly type: 'int'; readonly min: number; readonly max: number; readonly optional?: true }
  | { readonly type: 'text'; readonly max: number; readonly optional?: true }

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
} as const satisfies Readonly<
  Record<string, { readonly holds: 'nothing' | 'text' | 'blocks'; readonly tag: (attrs: RichAttrs, top: number) => string }>
>
/** Marks of text and their elements. A link is one only where it may be followed. */
export const RICH_MARKS = { bold: 'strong', italic: 'em', link: 'a' } as const
/** Attributes of nodes and marks that have any. */
export const RICH_ATTRS: Readonly<Record<string, Readonly<Record<string, RichAttr>>>> = {
  heading: { level: { type: 'int', min: 2, max: 4 } },
  orderedList: { start: { type: 'int', min: 0, max: 9999, optional: true } },
  link: { href: { type: 'text', max: 2000 } },
}

export type RichAttrs = { readonly level?: number | undefined; readonly start?: number | undefined; readonly href?: string | undefined }
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

/** HTML of the document; headings start at `topLevel`. Links that are not safe become plain text. */
export function richToHtml(doc: RichText, topLevel = 3): string {
  return (doc.content ?? []).map((n) => nodeHtml(n, topLevel)).join('')
}

function nodeHtml(node: RichNode, topLevel: number): string {
  if (node.type === 'text') return (node.marks ?? []).reduce((html, mark) => markHtml(mark, html), escapeHtml(node.text ?? ''))
  const { tag, holds } = RICH_NODES[node.type]
  const name = tag(node.attrs ?? {}, topLevel)
  if (holds === 'nothing') return `<${name}>`
  const start = node.attrs?.start === undefined || node.attrs.start === 1 ? '' : ` start="${Number(node.attrs.start)}"`
  return `<${name}${start}>${(node.content ?? []).map((n) => nodeHtml(n, topLevel)).join('')}</${name}>`
}

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
