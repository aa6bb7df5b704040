/**
 * The fields of which every record kind is made: flat and atomic, since a conflict is about one field. What a field type is stands
 * in `types/`, one file each; here is what kinds need to declare their fields, and the TypeScript types that follow.
 */
import type { Field } from './types/define-type'

export { bool } from './types/bool'
export { listedValues, oneOf } from './types/choice'
export { colour } from './types/colour'
export { date } from './types/date'
export type { Field, Fields, FieldTypeName, Names, ValuesOf } from './types/define-type'
export { hundredths } from './types/hundredths'
export { int } from './types/int'
export { lineList } from './types/line-list'
export { someOf } from './types/list'
export { object } from './types/object'
export { objectList } from './types/object-list'
export { order } from './types/order'
export { type OnRemove, type RefField, ref } from './types/ref'
export { rich } from './types/rich'
export { address, line, lines } from './types/text'
export { time } from './types/time'
export { zone } from './types/zone'

const opt = { optional: true } as const
export const optional = <F extends Field>(field: F): F & typeof opt => ({ ...field, ...opt })
