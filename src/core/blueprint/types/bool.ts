import { err, ok } from '../../result'
import { asIs, defineType } from './define-type'

/** Yes or no; what says nothing is no. */
export type BoolField = { readonly type: 'bool'; readonly optional?: false }
declare module './define-type' {
  interface FieldByType {
    bool: BoolField
  }
  interface ValueByType<F> {
    bool: boolean
  }
}
export const bool = () => ({ type: 'bool' }) as const

const YES = ['yes', 'y', 'x', 'true', '1', 'must']
const NO = ['no', 'n', 'false', '0', '–', '-']

export const boolType = defineType('bool', {
  zod: (_, z) => z.boolean(),
  empty: () => false,
  toFile: (_, value) => (value === true ? true : undefined),
  fromFile: asIs,
  toText: (_, value) => (value === true ? 'yes' : ''),
  fromText: (_, text) => {
    const word = text.toLowerCase()
    return YES.includes(word) ? ok(true) : NO.includes(word) ? ok(false) : err('Write yes or no.')
  },
  describe: (_, value) => (value === true ? 'yes' : 'no'),
  sql: { type: 'boolean', check: () => null, default: false },
})
