/** The two forms of every field: records (nulls, hundredths, order keys) and files (what says nothing left out, decimals). */
import { type Field, typeOf } from './define-type'

/** A value as files hold it; undefined where it is left out. */
export const fileValue = (field: Field, value: unknown): unknown =>
  value === null || value === undefined ? undefined : typeOf(field).toFile(field, value)

/** A value of a file as records hold it: what is left out is null, or what stands for nothing said. */
export const recordValue = (field: Field, value: unknown): unknown =>
  value === null || value === undefined
    ? field.optional
      ? null
      : (typeOf(field).empty(field) ?? null)
    : typeOf(field).fromFile(field, value)

/** What a field holds in a record that says nothing of it; undefined where something must be said. */
export const emptyValue = (field: Field): unknown => (field.optional ? null : typeOf(field).empty(field))
