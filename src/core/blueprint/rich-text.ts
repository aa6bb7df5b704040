/**
 * Rich text: a ProseMirror document of the node set below (version 1). Only what is listed here is stored or published;
 * everything is written out with escapes, so a document cannot carry markup of its own.
 */
export const RICH_BLOCKS = ['paragraph', 'heading', 'bulletList', 'orderedList', 'listItem'] as const
export const RICH_MARKS = ['bold', 'italic', 'link'] as const

export type RichMark = { readonly type: (typeof RICH_MARKS)[number]; readonly attrs?: { readonly href?: string | undefined } | undefined }
export type RichNode = {
  readonly type: (typeof RICH_BLOCKS)[number] | 'text' | 'hardBreak'
  readonly attrs?: { readonly level?: number | undefined; readonly start?: number | undefined } | undefined
  readonly content?: readonly RichNode[] | undefined
  readonly marks?: readonly RichMark[] | undefined
  readonly text?: string | undefined
}
export type RichText = { readonly type: 'doc'; readonly content?: readonly RichNode[] | undefined }

const escapeHtml = (text: string) =>
  text.replace(/[&<>"']/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' })[c] ?? c)

/** Whether a link may be followed from a public page: web and mail addresses only. */
export const isSafeHref = (href: string): boolean => /^(https?:\/\/|mailto:)[^\s"'<>]+$/i.test(href)

/** HTML of the document; headings start at `topLevel`. Links that are not safe become plain text. */
export function richToHtml(doc: RichText, topLevel = 3): string {
  return (doc.content ?? []).map((n) => nodeHtml(n, topLevel)).join('')
}

function nodeHtml(node: RichNode, topLevel: number): string {
  const inner = () => (node.content ?? []).map((n) => nodeHtml(n, topLevel)).join('')
  switch (node.type) {
    case 'text':
      return (node.marks ?? []).reduce((html, mark) => markHtml(mark, html), escapeHtml(node.text ?? ''))
    case 'hardBreak':
      return '<br>'
    case 'paragraph':
      return `<p>${inner()}</p>`
    case 'heading': {
      const level = Math.min(6, topLevel + Math.max(0, (node.attrs?.level ?? 2) - 2))
      return `<h${level}>${inner()}</h${level}>`
    }
    case 'bulletList':
      return `<ul>${inner()}</ul>`
    case 'orderedList':
      return `<ol>${inner()}</ol>`
    case 'listItem':
      return `<li>${inner()}</li>`
  }
}

function markHtml(mark: RichMark, html: string): string {
  if (mark.type === 'bold') return `<strong>${html}</strong>`
  if (mark.type === 'italic') return `<em>${html}</em>`
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
