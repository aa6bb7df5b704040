/**
 * The fields of which every record kind is made: flat and atomic, since a conflict is about one field. What a field type is stands
 * in `types/`, one file each; here is what kinds need to declare their fields, and the TypeScript types that follow.
 */
import type { Field, ValueByType } from './types/define-type'

export { bool } from './types/bool'
export { oneOf } from './types/choice'
export { date } from './types/date'
export type { Field, Fields, FieldTypeName, Names } from './types/define-type'
export { hundredths } from './types/hundredths'
export { int } from './types/int'
export { someOf } from './types/list'
export { object } from './types/object'
export { order } from './types/order'
export { type OnRemove, type RefField, ref } from './types/ref'
export { rich } from './types/rich'
export { line, lines } from './types/text'
export { time } from './types/time'
export { zone } from './types/zone'

/** The value a field holds when it is set. */
type SetValue<F> = F extends { readonly type: infer T extends keyof ValueByType<F> } ? ValueByType<F>[T] : never

/** Optional is null in records (and left out in files). */
export type ValueOf<F> = F extends { optional: true } ? SetValue<F> | null : SetValue<F>
export type ValuesOf<S> = { readonly [N in keyof S]: ValueOf<S[N]> }

const opt = { optional: true } as const
export const optional = <F extends Field>(field: F): F & typeof opt => ({ ...field, ...opt })
