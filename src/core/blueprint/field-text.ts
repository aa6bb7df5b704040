/** A field's value as people read and type it; its limits come from the field itself. */
import { err, ok, type Result } from '../result'
import type { Field, Names } from './field'
import { fieldOf, type KindName } from './kinds'
import { cleanText, fitted } from './text'
import { typeOf } from './types/define-type'
import { emptyValue } from './types/forms'
import './types/index'

/** Names where none are known: of a value by itself. */
export const NO_NAMES: Names = { nameOf: () => null, find: () => null, weekStart: 'monday' }

/** Whether a value is typed as text, whatever else can be done with it. */
export const isTypedField = (field: Field): boolean => typeOf(field).fromText !== null

/** The text that stands in the field; open is empty. */
export const fieldText = (field: Field, value: unknown, names: Names = NO_NAMES): string =>
  value === null || value === undefined ? '' : typeOf(field).toText(field, value, names)

/** Reads what was typed. Gives the value to store, null for open, or one sentence that says what can be stored. */
export function readField(field: Field, typed: string, names: Names = NO_NAMES): Result<unknown, string> {
  const text = cleanText(typed, field.type === 'rich' || (field.type === 'text' && field.lines))
  if (text === null) {
    const empty = emptyValue(field)
    return empty === undefined ? err('This cannot be empty.') : ok(empty)
  }
  return typeOf(field).fromText?.(field, text, names) ?? err('This cannot be typed.')
}

/** Reads what was typed for a record's field by name. */
export const readValue = (kind: KindName, field: string, typed: string) => readField(fieldOf(kind, field), typed)

/** The most that a number field holds, in what it stores. */
export function mostOf(kind: KindName, field: string): number {
  const spec = fieldOf(kind, field)
  if (spec.type !== 'int' && spec.type !== 'hundredths') throw new Error(`${kind}.${field} is no number`)
  return spec.max
}

/** The most characters a text field holds. */
export function longestText(kind: KindName, field: string): number {
  const spec = fieldOf(kind, field)
  return spec.type === 'text' ? spec.max : 0
}

/** Text as the field can hold it: cleaned, and cut at its limit; null for none. For lists, where a line cannot be refused alone. */
export function fittedText(kind: KindName, field: string, raw: string): string | null {
  const spec = fieldOf(kind, field)
  const text = cleanText(raw, spec.type === 'text' && spec.lines)
  return text === null ? null : fitted(text, longestText(kind, field)).trim() || null
}
