/**
 * The field types of which every record kind is made. From one list of fields follow the TypeScript type (here), the
 * Zod schema and JSON Schema (schema.ts), the database column (server/db/tables.ts) and the file form (formats/native.ts).
 * Fields are flat and atomic: a conflict is about one field.
 */
import type { RichText } from './rich-text'

/** What removing the record referred to does to the record that refers. */
export type OnRemove = 'remove' | 'unlink' | 'refuse'

type Optional = { readonly optional?: boolean }
export type TextField = Optional & { readonly type: 'text'; readonly max: number; readonly lines: boolean }
export type RichField = Optional & { readonly type: 'rich' }
export type IntField = Optional & { readonly type: 'int'; readonly min: number; readonly max: number }
/** An integer count of hundredths (12.5 % is 1250); decimal only in files and on screen. */
export type HundredthsField = Optional & { readonly type: 'hundredths'; readonly min: number; readonly max: number }
export type BoolField = { readonly type: 'bool'; readonly optional?: false }
export type DateField = Optional & { readonly type: 'date' }
export type TimeField = Optional & { readonly type: 'time' }
export type ZoneField = { readonly type: 'zone'; readonly optional?: false }
export type EnumField<V extends string = string> = Optional & { readonly type: 'enum'; readonly values: readonly V[] }
/** A set of distinct scalars, kept in the order of `values`. */
export type ListField<V extends string = string> = { readonly type: 'list'; readonly values: readonly V[]; readonly optional?: false }
export type RefField = Optional & { readonly type: 'ref'; readonly to: string; readonly onRemove: OnRemove }
/** A fractional key, compared by code unit. */
export type OrderField = { readonly type: 'order'; readonly optional?: false }
export type ObjectField<S extends Fields = Fields> = Optional & { readonly type: 'object'; readonly of: S }
export type Field =
  | TextField
  | RichField
  | IntField
  | HundredthsField
  | BoolField
  | DateField
  | TimeField
  | ZoneField
  | EnumField
  | ListField
  | RefField
  | OrderField
  | ObjectField
export type Fields = { readonly [name: string]: Field }

/** The value a field holds when it is set. */
type SetValue<F> = F extends { type: 'text' | 'date' | 'time' | 'zone' | 'ref' | 'order' }
  ? string
  : F extends { type: 'int' | 'hundredths' }
    ? number
    : F extends { type: 'bool' }
      ? boolean
      : F extends { type: 'enum'; values: readonly (infer V)[] }
        ? V
        : F extends { type: 'list'; values: readonly (infer V)[] }
          ? readonly V[]
          : F extends { type: 'rich' }
            ? RichText
            : F extends { type: 'object'; of: infer S }
              ? ValuesOf<S>
              : never

/** Optional is null in records (and left out in files). */
export type ValueOf<F> = F extends { optional: true } ? SetValue<F> | null : SetValue<F>
export type ValuesOf<S> = { readonly [N in keyof S]: ValueOf<S[N]> }

const none = {} as const
const opt = { optional: true } as const
type Opt = typeof opt

/** One line of text; 300 characters unless said otherwise. */
export const line = (max = 300) => ({ type: 'text', max, lines: false }) as const
/** Text that may hold line breaks. */
export const lines = (max = 2000) => ({ type: 'text', max, lines: true }) as const
export const rich = () => ({ type: 'rich' }) as const
export const int = (min: number, max: number) => ({ type: 'int', min, max }) as const
/** `min` and `max` in whole units: `hundredths(0, 100)` holds 0 to 10000. */
export const hundredths = (min: number, max: number) => ({ type: 'hundredths', min: min * 100, max: max * 100 }) as const
export const bool = () => ({ type: 'bool' }) as const
export const date = () => ({ type: 'date' }) as const
export const time = () => ({ type: 'time' }) as const
export const zone = () => ({ type: 'zone' }) as const
export const oneOf = <const V extends string>(values: readonly V[]) => ({ type: 'enum', values, ...none }) as const
export const someOf = <const V extends string>(values: readonly V[]) => ({ type: 'list', values }) as const
export const ref = <const K extends string>(to: K, onRemove: OnRemove) => ({ type: 'ref', to, onRemove }) as const
export const order = () => ({ type: 'order' }) as const
export const object = <const S extends Fields>(of: S) => ({ type: 'object', of }) as const
export const optional = <F extends Field>(field: F): F & Opt => ({ ...field, ...opt })
