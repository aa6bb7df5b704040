import { z } from 'zod'
import { ok } from '../../result'
import { RICH_ATTRS, RICH_MARKS, RICH_NODES, type RichText, richFromPlain, richToPlain } from '../rich-text'
import { isStorable, shortened } from '../text'
import { asIs, defineType, type Optional } from './define-type'
import { LONGEST_SAID } from './text'

export type RichField = Optional & { readonly type: 'rich' }
declare module './define-type' {
  interface FieldByType {
    rich: RichField
  }
  interface ValueByType<F> {
    rich: RichText
  }
}
export const rich = () => ({ type: 'rich' }) as const

/** A string as it can be stored, wherever it stands. */
export const storedText = z.string().refine(isStorable, 'this text holds a NUL or half a letter and cannot be stored')

/** The most characters of a document as JSON (Cairn default). */
const RICH_LIMIT = 100_000

const attrsOf = (type: string): { readonly attrs?: z.ZodType } => {
  const found = Object.entries(RICH_ATTRS[type] ?? {})
  if (found.length === 0) return {}
  const shape = z.strictObject(
    Object.fromEntries(found.map(([name, a]) => [name, a.type === 'int' ? z.int().min(a.min).max(a.max) : storedText.max(a.max)])),
  )
  return { attrs: found.every(([, a]) => a.optional) ? shape.optional() : shape }
}
const mark = z.discriminatedUnion(
  'type',
  Object.keys(RICH_MARKS).map((type) => z.strictObject({ type: z.literal(type), ...attrsOf(type) })) as never,
)
const node: z.ZodType = z.lazy(() =>
  z.discriminatedUnion('type', [
    z.strictObject({ type: z.literal('text'), text: storedText.min(1), marks: z.array(mark).max(3).optional() }),
    ...Object.entries(RICH_NODES).map(([type, { holds }]) =>
      z.strictObject({
        type: z.literal(type),
        ...attrsOf(type),
        ...(holds === 'nothing' ? {} : { content: holds === 'text' ? z.array(node).optional() : z.array(node) }),
      }),
    ),
  ] as never),
)
const document = z
  .strictObject({ type: z.literal('doc'), content: z.array(node).optional() })
  .refine((doc) => JSON.stringify(doc).length <= RICH_LIMIT, `rich text is limited to ${RICH_LIMIT / 1000} kB`)

export const richType = defineType('rich', {
  zod: () => document,
  empty: () => undefined,
  toFile: asIs,
  fromFile: asIs,
  toText: (_, value) => richToPlain(value as RichText),
  fromText: (_, typed) => ok(richFromPlain(typed)),
  describe: (_, value) => `“${shortened(richToPlain(value as RichText), LONGEST_SAID)}”`,
  sql: { type: 'jsonb', check: () => null, default: null },
})
