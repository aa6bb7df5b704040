/** Links and whether their words say where they lead. */
import type { RichNode } from '../blueprint/rich-text'
import type { TextCode } from './text-codes'

export type Link = { readonly href: string; readonly words: string }

/** Words that say nothing about where a link leads. */
const VAGUE: ReadonlySet<string> = new Set(
  'here, click, click here, press here, this, this link, this page, this site, this document, link, page, website, more, read more, learn more, see more, find out more, more information, more info, info, details, download, continue, go'.split(
    ', ',
  ),
)

/** The links of a line; runs side by side with one address are one. */
export function linksIn(node: RichNode): readonly Link[] {
  const links: Link[] = []
  let open = false
  for (const part of node.content ?? []) {
    const href = part.marks?.find((m) => m.type === 'link')?.attrs?.href
    const words = part.type === 'text' ? (part.text ?? '') : part.type === 'image' ? (part.attrs?.alt ?? '') : ' '
    const before = links.at(-1)
    if (href !== undefined && open && before?.href === href) links[links.length - 1] = { href, words: before.words + words }
    else if (href !== undefined) links.push({ href, words })
    open = href !== undefined
  }
  return links
}

/** Trimmed, one space, lower case, closing marks off. */
export const foldedLink = (words: string): string =>
  words
    .replace(/\s+/g, ' ')
    .trim()
    .toLowerCase()
    .replace(/[\s.,;:!?…)\]}»”’"']+$/u, '')

const withoutScheme = (address: string): string => address.replace(/^(?:https?:\/\/|mailto:)/i, '').replace(/\/$/, '')

/** Whether the words are an address; a mail address that mails is fine. */
function isBare(words: string, href: string): boolean {
  if (/^mailto:/i.test(href)) return false
  const folded = foldedLink(words)
  return /^(?:https?:\/\/|www\.)\S+$/.test(folded) || foldedLink(withoutScheme(folded)) === foldedLink(withoutScheme(href.toLowerCase()))
}

/** Tells the problems of the links of one text, in their order. */
export function linkProblems(
  links: readonly (Link & { readonly at: string })[],
  tell: (code: TextCode, at: string, words: string) => void,
): void {
  const leads = new Map<string, string>()
  for (const { href, words, at } of links) {
    const folded = foldedLink(words)
    const shown = words.replace(/\s+/g, ' ').trim()
    if (shown === '') tell('link-empty', at, '')
    else if (isBare(words, href)) tell('link-bare', at, shown)
    else if (VAGUE.has(folded)) tell('link-vague', at, shown)
    else if ((leads.get(folded) ?? href) !== href) tell('link-same-text', at, shown)
    else leads.set(folded, href)
  }
}
