/** What a new record begins from. */
import type { Fields } from './field'
import { fieldsOf, type KINDS, type KindName, type RecordOfKind } from './kinds'
import { emptyValue } from './types/forms'

type UnsetName<F extends Fields> = {
  [N in keyof F]: F[N] extends { optional: true } | { type: 'bool' | 'list' | 'line list' | 'object list' } ? N : never
}[keyof F]
type Unset<K extends KindName> = Pick<RecordOfKind<K>, UnsetName<(typeof KINDS)[K]['fields']> & keyof RecordOfKind<K>>

/** The fields of a kind that need no value, all unset: optional ones null, yes-or-no ones no, lists empty. */
export const blankOf = <K extends KindName>(kind: K): Unset<K> =>
  Object.fromEntries(
    fieldsOf(kind).flatMap(([name, field]) => {
      const value = emptyValue(field)
      return value === undefined ? [] : [[name, value]]
    }),
  ) as Unset<K>
