/**
 * Zod schemas that follow from the kinds, without transforms, so that JSON Schema comes out of the same place.
 * Two forms: the record form (wire, log, memory: nulls, hundredths, order keys) and the file form (optional fields left
 * out, decimals, order by position, no ids for links).
 */
import { z } from 'zod'
import { err, ok, type Problem, type Result } from '../result'
import { type Change, MAX_OPERATIONS, MOST_PARAM, operationId } from './change'
import { shapeProblems } from './decide'
import type { Field, Fields } from './field'
import { fixedId, ID_PATTERN } from './ids'
import { KIND_NAMES, KINDS, type KindName, specOf } from './kinds'
import { isOrderKey } from './order'
import { isCleanText, isStorable } from './text'

/** A string as it can be stored, wherever it stands. */
const storedText = z.string().refine(isStorable, 'this text holds a NUL or half a letter and cannot be stored')

const richTextNode: z.ZodType = z.lazy(() =>
  z.discriminatedUnion('type', [
    z.strictObject({
      type: z.literal('text'),
      text: storedText.min(1),
      marks: z
        .array(
          z.discriminatedUnion('type', [
            z.strictObject({ type: z.literal('bold') }),
            z.strictObject({ type: z.literal('italic') }),
            z.strictObject({ type: z.literal('link'), attrs: z.strictObject({ href: storedText.max(2000) }) }),
          ]),
        )
        .max(3)
        .optional(),
    }),
    z.strictObject({ type: z.literal('hardBreak') }),
    z.strictObject({ type: z.literal('paragraph'), content: z.array(richTextNode).optional() }),
    z.strictObject({
      type: z.literal('heading'),
      attrs: z.strictObject({ level: z.int().min(2).max(4) }),
      content: z.array(richTextNode).optional(),
    }),
    z.strictObject({ type: z.literal('bulletList'), content: z.array(richTextNode) }),
    z.strictObject({
      type: z.literal('orderedList'),
      attrs: z.strictObject({ start: z.int().min(0).max(9999) }).optional(),
      content: z.array(richTextNode),
    }),
    z.strictObject({ type: z.literal('listItem'), content: z.array(richTextNode) }),
  ]),
)
const RICH_LIMIT = 100_000
const richDoc = z
  .strictObject({ type: z.literal('doc'), content: z.array(richTextNode).optional() })
  .refine((doc) => JSON.stringify(doc).length <= RICH_LIMIT, `rich text is limited to ${RICH_LIMIT / 1000} kB`)

const plainDate = z.iso.date()
const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time is written 23:59')

function isZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch {
    return false
  }
}

type Form = 'record' | 'file'

function fieldSchema(field: Field, form: Form): z.ZodType {
  const base = setFieldSchema(field, form)
  // In files a yes-or-no that is left out is no.
  if (!field.optional) return field.type === 'bool' && form === 'file' ? base.optional() : base
  return form === 'record' ? base.nullable() : base.optional()
}

function setFieldSchema(field: Field, form: Form): z.ZodType {
  switch (field.type) {
    case 'text':
      return z
        .string()
        .min(1)
        .max(field.max)
        .refine((t) => form === 'file' || isCleanText(t, field.lines), 'text is NFC, without outer space or control characters')
    case 'rich':
      return richDoc
    case 'int':
      return z.int().min(field.min).max(field.max)
    case 'hundredths':
      return form === 'record'
        ? z.int().min(field.min).max(field.max)
        : z
            .number()
            .min(field.min / 100)
            .max(field.max / 100)
            .refine((n) => Math.abs(n * 100 - Math.round(n * 100)) < 1e-6, 'at most two decimals')
    case 'bool':
      return z.boolean()
    case 'date':
      return plainDate
    case 'time':
      return clock
    case 'zone':
      return z.string().max(60).refine(isZone, 'not a time zone of the IANA list')
    case 'enum':
      return z.enum(field.values as [string, ...string[]])
    case 'list':
      return z
        .array(z.enum(field.values as [string, ...string[]]))
        .max(field.values.length)
        .refine((list) => new Set(list).size === list.length, 'each value once')
    case 'ref':
      return z.string().regex(ID_PATTERN)
    case 'order':
      return z.string().refine(isOrderKey, 'not an order key')
    case 'object':
      return z.strictObject(shapeOf(field.of, form))
  }
}

const shapeOf = (fields: Fields, form: Form): Record<string, z.ZodType> =>
  Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, fieldSchema(field, form)]))

const id = z.string().regex(ID_PATTERN, 'an id is 1 to 40 letters, digits, _ or -')

/** Record form of one kind: every field present, null where nothing is set. */
export const recordSchemas = Object.fromEntries(
  KIND_NAMES.map((kind) => [kind, z.strictObject({ id, ...shapeOf(KINDS[kind].fields, 'record') })]),
) as unknown as Record<KindName, z.ZodObject>

/** File form of one kind. Order comes from the position in the list, so `order` may be left out; links carry no id. */
export const fileSchemas = Object.fromEntries(
  KIND_NAMES.map((kind) => {
    const { order, ...shape } = shapeOf(KINDS[kind].fields, 'file')
    const spec = specOf(kind)
    return [kind, z.strictObject({ ...(spec.single || spec.ends ? {} : { id }), ...shape, ...(order ? { order: order.optional() } : {}) })]
  }),
) as unknown as Record<KindName, z.ZodObject>

const kindName = z.enum(KIND_NAMES as unknown as [KindName, ...KindName[]])
const looseValues = z.record(z.string(), z.json())
const operationSchema = z.discriminatedUnion('op', [
  z.strictObject({ op: z.literal('create'), kind: kindName, record: looseValues }),
  z.strictObject({ op: z.literal('remove'), kind: kindName, record: looseValues }),
  z.strictObject({ op: z.literal('update'), kind: kindName, id, from: looseValues, to: looseValues }),
])
const changeSchema = z.strictObject({
  id,
  code: z.string().regex(/^[a-z][a-z-]{0,59}$/),
  params: z.record(storedText.max(40), z.union([storedText.max(MOST_PARAM), z.number(), z.null()])),
  onConflict: z.enum(['refuse', 'skip']),
  operations: z.array(operationSchema).min(1).max(MAX_OPERATIONS),
})

/** Zod's issues as problems, the place written like `operations[3].to.title`. */
export const problemsOf = (error: z.ZodError, code: string): Problem[] =>
  error.issues.slice(0, 50).map((issue) => ({ code, message: issue.message, at: placeOf(issue.path) }))

export const placeOf = (path: readonly PropertyKey[]): string =>
  path.reduce<string>((at, p) => (typeof p === 'number' ? `${at}[${p}]` : at ? `${at}.${String(p)}` : String(p)), '')

/** Reads a change from outside: shapes of all records and values, ids, links, moves. */
export function parseChange(input: unknown): Result<Change, readonly Problem[]> {
  const parsed = changeSchema.safeParse(input)
  if (!parsed.success) return err(problemsOf(parsed.error, 'invalid-change'))
  const change = parsed.data as unknown as Change
  const problems: Problem[] = []
  change.operations.forEach((operation, i) => {
    const at = ['operations', i]
    const schema = recordSchemas[operation.kind]
    const check = (part: 'record' | 'from' | 'to', shape: z.ZodType) => {
      const result = shape.safeParse((operation as unknown as Record<string, unknown>)[part])
      if (!result.success)
        for (const p of problemsOf(result.error, 'invalid-value'))
          problems.push({ ...p, at: [placeOf([...at, part]), p.at].filter(Boolean).join('.') })
    }
    if (operation.op === 'update') {
      const values = schema.omit({ id: true }).partial()
      check('from', values)
      check('to', values)
      return
    }
    check('record', schema)
    const fixed = fixedId(operation.kind, operation.record)
    if (fixed !== null && fixed !== operationId(operation))
      problems.push({
        code: 'wrong-id',
        message: `the id of this ${specOf(operation.kind).noun} is ${fixed}`,
        at: placeOf([...at, 'record', 'id']),
      })
  })
  if (problems.length > 0) return err(problems.slice(0, 50))
  const shape = shapeProblems(change)
  if (shape.length > 0) return err(shape.slice(0, 50).map((p) => ({ code: 'invalid-change', ...p })))
  return ok(change)
}
