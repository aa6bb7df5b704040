import { ok } from '../../result'
import type { z } from '../../zod'
import { RICH_ATTRS, RICH_MARKS, RICH_NODES, type RichAttr, type RichText, richFromPlain, richToPlain } from '../rich-text'
import { isStorable, shortened } from '../text'
import { asIs, defineType, type Optional, type Z } from './define-type'
import { LONGEST_SAID } from './text'

/** `learners`: they read it; what keeps some of them out is looked for. */
export type RichField = Optional & { readonly type: 'rich'; readonly learners?: true }
declare module './define-type' {
  interface FieldByType {
    rich: RichField
  }
  interface ValueByType<F> {
    rich: RichText
  }
}
export const rich = (of: { readonly learners?: true } = {}) => ({ type: 'rich' as const, ...of })

/** A string as it can be stored, wherever it stands. */
export const storedText = (z: Pick<Z, 'string' | 'refine'>) =>
  z.string().check(z.refine(isStorable, 'this text holds a NUL, half a letter or a hidden sign and cannot be stored'))

/** The most characters of a document as JSON (Cairn default). */
const RICH_LIMIT = 100_000

/** The schema of a document, made of the tables of nodes, marks and their attributes. */
function documentSchema(z: Z): z.ZodMiniType {
  const text = storedText(z)
  const attrOf = (a: RichAttr): z.ZodMiniType => {
    const value =
      a.type === 'int' ? z.int().check(z.gte(a.min), z.lte(a.max)) : a.type === 'yes' ? z.literal(true) : text.check(z.maxLength(a.max))
    return a.optional ? z.optional(value) : value
  }
  const attrsOf = (type: string): { readonly attrs?: z.ZodMiniType } => {
    const found = Object.entries(RICH_ATTRS[type] ?? {})
    if (found.length === 0) return {}
    const shape = z.strictObject(Object.fromEntries(found.map(([name, a]) => [name, attrOf(a)])))
    return { attrs: found.every(([, a]) => a.optional) ? z.optional(shape) : shape }
  }
  const mark = z.discriminatedUnion(
    'type',
    Object.keys(RICH_MARKS).map((type) => z.strictObject({ type: z.literal(type), ...attrsOf(type) })) as never,
  )
  const node: z.ZodMiniType = z.lazy(() =>
    z.discriminatedUnion('type', [
      z.strictObject({
        type: z.literal('text'),
        text: text.check(z.minLength(1)),
        marks: z.optional(z.array(mark).check(z.maxLength(3))),
      }),
      ...Object.entries(RICH_NODES).map(([type, { holds }]) =>
        z.strictObject({
          type: z.literal(type),
          ...attrsOf(type),
          ...(holds === 'nothing' ? {} : { content: holds === 'text' ? z.optional(z.array(node)) : z.array(node) }),
        }),
      ),
    ] as never),
  )
  return z
    .strictObject({ type: z.literal('doc'), content: z.optional(z.array(node)) })
    .check(z.refine((doc) => JSON.stringify(doc).length <= RICH_LIMIT, `rich text is limited to ${RICH_LIMIT / 1000} kB`))
}
/** The same for every field. */
let document: z.ZodMiniType | undefined

export const richType = defineType('rich', {
  zod: (_, z) => {
    document ??= documentSchema(z)
    return document
  },
  empty: () => undefined,
  toFile: asIs,
  fromFile: asIs,
  toText: (_, value) => richToPlain(value as RichText),
  fromText: (_, typed) => ok(richFromPlain(typed)),
  describe: (_, value) => `“${shortened(richToPlain(value as RichText), LONGEST_SAID)}”`,
  sql: { type: 'jsonb', check: () => null, default: null },
})
