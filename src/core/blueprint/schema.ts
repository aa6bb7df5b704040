/**
 * Zod schemas that follow from the kinds, without transforms, so that JSON Schema comes out of the same place.
 * Two forms: the record form (wire, log, memory: nulls, hundredths, order keys) and the file form (optional fields left
 * out, decimals, order by position, no ids for links).
 */
import { err, ok, type Problem, type Result } from '../result'
import { z } from '../zod'
import { type Change, MAX_OPERATIONS, MOST_PARAM, MOST_PARAMS, operationId } from './change'
import { shapeProblems } from './decide'
import type { Fields } from './field'
import { ID_PATTERN } from './id-pattern'
import { fixedId } from './ids'
import type { KindSpec } from './kind'
import { fromKinds, isKindName, KIND_NAMES, specOf } from './kinds'
import './types/index'
import { storedText } from './types/rich'
import { FIELD_ZOD, schemaOf } from './types/schema-of'

const shapeOf = (fields: Fields, form: 'record' | 'file'): Record<string, z.ZodMiniType> =>
  Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, schemaOf(field, form)]))

const id = z.string().check(z.regex(ID_PATTERN, 'an id is 1 to 40 letters, digits, _ or -'))

/** Record form of each kind: every field present, null where nothing is set. */
const recordSchemas = fromKinds(() => new Map<string, z.ZodMiniObject>(KIND_NAMES.map((kind) => [kind, recordSchema(specOf(kind))])))
/** Any of a kind's fields, in record form. */
const valueSchemas = fromKinds(
  () => new Map<string, z.ZodMiniType>([...recordSchemas()].map(([kind, schema]) => [kind, z.partial(z.omit(schema, { id: true }))])),
)
/** The record form of a kind, whatever its family. */
export const recordSchema = (spec: KindSpec): z.ZodMiniObject => z.strictObject({ id, ...shapeOf(spec.fields, 'record') })
/** File form of each kind. Order comes from the position in the list, so `order` may be left out; links carry no id. */
export const fileSchemas = fromKinds(
  () =>
    new Map<string, z.ZodMiniObject>(
      KIND_NAMES.map((kind) => {
        const { order, ...shape } = shapeOf(specOf(kind).fields, 'file')
        const spec = specOf(kind)
        return [
          kind,
          z.strictObject({ ...(spec.single || spec.ends ? {} : { id }), ...shape, ...(order ? { order: z.optional(order) } : {}) }),
        ]
      }),
    ),
)

const kindName = z.string().check(z.refine(isKindName, 'there is no such kind of record'))
const looseValues = z.record(z.string(), z.json())
const operationSchema = z.discriminatedUnion('op', [
  z.strictObject({ op: z.literal('create'), kind: kindName, record: looseValues }),
  z.strictObject({ op: z.literal('remove'), kind: kindName, record: looseValues }),
  z.strictObject({ op: z.literal('update'), kind: kindName, id, from: looseValues, to: looseValues }),
])
const text = storedText(FIELD_ZOD)
const changeSchema = z.strictObject({
  id,
  code: z.string().check(z.regex(/^[a-z][a-z-]{0,59}$/)),
  params: z
    .record(text.check(z.maxLength(40)), z.union([text.check(z.maxLength(MOST_PARAM)), z.number(), z.null()]))
    .check(z.refine((p) => Object.keys(p).length <= MOST_PARAMS, `a change has at most ${MOST_PARAMS} facts`)),
  onConflict: z.enum(['refuse', 'skip']),
  operations: z.array(operationSchema).check(z.minLength(1), z.maxLength(MAX_OPERATIONS)),
})

/** Zod's issues as problems, the place written like `operations[3].to.title`. */
export const problemsOf = (error: z.core.$ZodError, code: string): Problem[] =>
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
    const schema = recordSchemas().get(operation.kind) as z.ZodMiniObject
    const check = (part: 'record' | 'from' | 'to', shape: z.ZodMiniType) => {
      const result = shape.safeParse((operation as unknown as Record<string, unknown>)[part])
      if (!result.success)
        for (const p of problemsOf(result.error, 'invalid-value'))
          problems.push({ ...p, at: [placeOf([...at, part]), p.at].filter(Boolean).join('.') })
    }
    if (operation.op === 'update') {
      const values = valueSchemas().get(operation.kind) as z.ZodMiniType
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
