/** The schemas that follow from fields: the one place that gives field types Zod. */
import { z } from '../../zod'
import { type Field, typeOf, type Z } from './define-type'

/** What field types make their schemas of, one by one: given as a whole, all of Zod would be fetched. */
export const FIELD_ZOD: Z = {
  ...{ string: z.string, minLength: z.minLength, maxLength: z.maxLength, regex: z.regex, refine: z.refine },
  ...{ int: z.int, number: z.number, gte: z.gte, lte: z.lte, boolean: z.boolean, literal: z.literal, enum: z.enum },
  ...{ array: z.array, strictObject: z.strictObject, optional: z.optional, lazy: z.lazy, discriminatedUnion: z.discriminatedUnion },
  isoDate: z.iso.date,
}

/** The schema of a field, open or not: null in records, left out in files. */
export function schemaOf(field: Field, form: 'record' | 'file'): z.ZodMiniType {
  const type = typeOf(field)
  const set = form === 'file' && type.fileZod ? type.fileZod(field, FIELD_ZOD, schemaOf) : type.zod(field, FIELD_ZOD, schemaOf)
  if (form === 'record') return field.optional ? z.nullable(set) : set
  return field.optional || type.empty(field) !== undefined ? z.optional(set) : set
}
