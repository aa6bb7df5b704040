/** A field's value as people read and type it; its limits come from the field itself. */
import { formatHundredths, readHundredths } from '../numbers'
import { err, ok, type Result } from '../result'
import type { Field } from './field'
import { fieldOf, type KindName } from './kinds'
import { cleanText, fitted } from './text'

/** Fields that are typed as text. */
export type TypedField = Extract<Field, { type: 'text' | 'int' | 'hundredths' | 'date' | 'time' }>

export const isTypedField = (field: Field): field is TypedField => ['text', 'int', 'hundredths', 'date', 'time'].includes(field.type)

/** The text that stands in the field; open is empty. */
export function fieldText(field: TypedField, value: unknown): string {
  if (value === null || value === undefined) return ''
  return field.type === 'hundredths' ? formatHundredths(value as number) : String(value)
}

/** Reads what was typed. Gives the value to store, null for open, or one sentence that says what can be stored. */
export function readField(field: TypedField, typed: string): Result<string | number | null, string> {
  const text = cleanText(typed, field.type === 'text' && field.lines)
  if (text === null) return field.optional ? ok(null) : err('This cannot be empty.')
  switch (field.type) {
    case 'text':
      return text.length <= field.max ? ok(text) : err(`At most ${field.max} characters; this has ${text.length}.`)
    case 'int': {
      const n = /^[+-]?\d{1,9}$/.test(text) ? Number(text) : null
      return n !== null && n >= field.min && n <= field.max ? ok(n) : err(`A whole number from ${field.min} to ${field.max}.`)
    }
    case 'hundredths': {
      const n = readHundredths(text.replace(/\s*%$/, ''))
      return n !== null && n >= field.min && n <= field.max
        ? ok(n)
        : err(`A number from ${formatHundredths(field.min)} to ${formatHundredths(field.max)}.`)
    }
    case 'date':
      return /^\d{4}-\d\d-\d\d$/.test(text) ? ok(text) : err('A date is needed.')
    case 'time':
      return /^\d\d:\d\d$/.test(text) ? ok(text) : err('A time such as 18:00.')
  }
}

/** Reads what was typed for a record's field by name. */
export const readValue = (kind: KindName, field: string, typed: string) => readField(fieldOf(kind, field) as TypedField, typed)

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
