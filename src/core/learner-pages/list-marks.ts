/** Lines that are made items of a list by hand. */
import type { RichNode } from '../blueprint/rich-text'

/** The words of a node; a break of the line is one. */
export const wordsOf = (node: RichNode): string =>
  node.type === 'text' ? (node.text ?? '') : node.type === 'hardBreak' ? '\n' : (node.content ?? []).map(wordsOf).join('')

/** What a line begins with: a mark, or a number or letter with its place; and how many letters of the line that is. */
export type TypedMark = { readonly style: string; readonly n: number; readonly length: number }

/** Whether the next item goes on with the list: a mark, or a number or letter that rises by one. */
export const goesOn = (before: TypedMark, next: TypedMark): boolean =>
  next.style === before.style && (next.style === 'mark' || next.n === before.n + 1)

/** What a paragraph begins with where it is an item of a list made by hand: a mark, or a number or letter with its place. */
export function typedMark(node: RichNode): TypedMark | null {
  if (node.type !== 'paragraph') return null
  const words = wordsOf(node)
  const mark = /^[-–•*]\s+/.exec(words)?.[0]
  if (mark) return { style: 'mark', n: 0, length: mark.length }
  const [all = '', sign = '', close = ''] = /^(\d{1,3}|[a-z]|[A-Z])([.)])(?:\s+|$)/.exec(words) ?? []
  if (sign === '') return null
  if (/\d/.test(sign)) return { style: `1${close}`, n: Number(sign), length: all.length }
  return { style: `${sign < 'a' ? 'A' : 'a'}${close}`, n: sign.charCodeAt(0), length: all.length }
}
