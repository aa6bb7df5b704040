/** Rich text to read. */
import { createElement, Fragment, type ReactNode } from 'react'
import { imageSource, isSafeHref, numbersOf, RICH_MARKS, RICH_NODES, type RichNode, type RichText } from '../../core/blueprint/rich-text'
import { useFileAddress } from '../files/use-files'

/** The text as elements: nothing of a document is taken as markup. */
export function RichView({ value, links }: { value: RichText | null; links: boolean }) {
  const nodes = (list: readonly RichNode[] | undefined): ReactNode => list?.map((node, i) => <Fragment key={i}>{element(node)}</Fragment>)
  const addressOf = useFileAddress()
  const element = (node: RichNode): ReactNode => {
    if (node.type === 'image') {
      const source = imageSource(node.attrs ?? {}, addressOf)
      return source ? <img src={source} alt={node.attrs?.alt ?? ''} /> : <p className="muted">{node.attrs?.alt}</p>
    }
    if (node.type === 'text')
      return (node.marks ?? []).reduce<ReactNode>((text, mark) => {
        if (mark.type !== 'link') return createElement(RICH_MARKS[mark.type], null, text)
        const href = mark.attrs?.href ?? ''
        // In a field that is written in, a click sets the caret.
        return links && isSafeHref(href) ? createElement(RICH_MARKS.link, { href, rel: 'noopener' }, text) : <u>{text}</u>
      }, node.text)
    const { tag, holds, inner }: (typeof RICH_NODES)[keyof typeof RICH_NODES] & { readonly inner?: string } = RICH_NODES[node.type]
    const name = tag(node.attrs ?? {}, 2)
    if (holds === 'nothing') return createElement(name)
    // An empty line keeps its height.
    const held = nodes(node.content) ?? (node.type === 'paragraph' ? <br /> : null)
    const { colspan: colSpan, rowspan: rowSpan, start } = numbersOf(node.attrs ?? {})
    return createElement(name, { start, colSpan, rowSpan }, inner ? createElement(inner, null, held) : held)
  }
  return nodes(value?.content)
}
