import { err, ok } from '../../result'
import { cleanText, isCleanText } from '../text'
import { asIs, defineType } from './define-type'

/** Distinct short texts in the order in which they were written, such as codes; what says nothing is none. */
export type LineListField = {
  readonly type: 'line list'
  /** The most letters of each, and the most of them. */
  readonly max: number
  readonly most: number
  readonly optional?: false
}
declare module './define-type' {
  interface FieldByType {
    'line list': LineListField
  }
  interface ValueByType<F> {
    'line list': readonly string[]
  }
}
/** At most `most` texts of `max` letters; none holds what parts them where they are typed: a comma or semicolon. */
export const lineList = (max = 60, most = 60) => ({ type: 'line list', max, most }) as const

const isDistinct = (list: readonly string[]) => new Set(list).size === list.length
const PARTED = /[,;]/

export const lineListType = defineType('line list', {
  zod: (field, z) =>
    z
      .array(
        z.string().check(
          z.minLength(1),
          z.maxLength(field.max),
          z.refine((t) => isCleanText(t, false) && !PARTED.test(t), 'text is NFC, without outer space, commas or control characters'),
        ),
      )
      .check(z.maxLength(field.most), z.refine(isDistinct, 'each value once')),
  empty: () => [],
  toFile: (_, value) => ((value as readonly string[]).length > 0 ? value : undefined),
  fromFile: asIs,
  toText: (_, value) => (value as readonly string[]).join(', '),
  fromText: (field, text) => {
    const list = [...new Set(text.split(PARTED).flatMap((t) => cleanText(t, false) || []))]
    if (list.length > field.most) return err(`At most ${field.most}; these are ${list.length}.`)
    const long = list.find((t) => t.length > field.max)
    return long === undefined ? ok(list) : err(`At most ${field.max} characters each; “${long}” has ${long.length}.`)
  },
  describe: (_, value) => (value as readonly string[]).join(', ') || 'nothing',
  sql: {
    type: 'text[]',
    check: (column, { max, most }) =>
      `cardinality(${column}) <= ${most} and array_position(${column}, null) is null and ` +
      `char_length(array_to_string(${column}, '')) <= ${max * most}`,
    default: '{}',
  },
})
