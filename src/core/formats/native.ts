/** The native file: a blueprint as readable JSON. In: every error names its place and nothing half-read comes out. */

import { type ParseError, parse as parseWithErrors } from 'jsonc-parser'
import { type Blueprint, blueprintOf, type Records, recordsOf } from '../blueprint/blueprint'
import { withFixedId } from '../blueprint/ids'
import {
  type AnyRecord,
  fieldsOf,
  fromKinds,
  KIND_NAMES,
  type KindName,
  leadsToItself,
  parentFieldOf,
  refsOf,
  specOf,
} from '../blueprint/kinds'
import { byOrder, keysBetween, type Ordered } from '../blueprint/order'
import { fileSchemas, problemsOf } from '../blueprint/schema'
import { storableValue } from '../blueprint/storable'
import { MOST_LEVELS } from '../blueprint/tree-shape'
import { fileValue, recordValue } from '../blueprint/types/forms'
import { FORMAT_VERSION, type JsonObject, upgradeFile } from '../blueprint/upgrades'
import { sameValue } from '../blueprint/values'
import { err, ok, type Problem, type Result } from '../result'
import { hostileShape } from '../shape'
import { z } from '../zod'

export const FORMAT_NAME = 'cairn-blueprint'
/** Cairn defaults: a course ten times the usual size is under 3 MB. */
export const MAX_FILE_BYTES = 20_000_000
const MAX_DEPTH = 60

/** Reads a native file. Problems come with a code, a sentence and the place (`activities[3].minutes`). */
export function readNative(text: string): Result<Blueprint, readonly Problem[]> {
  if (text.length > MAX_FILE_BYTES)
    return err([{ code: 'too-large', message: `the file is larger than ${MAX_FILE_BYTES / 1e6} MB`, at: '' }])
  let raw: unknown
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (error) {
    return err([{ code: 'not-json', message: `this is not readable JSON: ${(error as Error).message}`, at: placeOfError(text) }])
  }
  const hostile = hostileShape(raw, MAX_DEPTH)
  if (hostile) return err([hostile])
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw))
    return err([{ code: 'not-a-blueprint', message: 'a blueprint file is one JSON object', at: '' }])
  const lifted = upgradeFile(raw as JsonObject)
  return lifted.ok ? readCurrent(lifted.value) : err([lifted.error])
}

/** Line and column of the first syntax error; the engine's own message tells it only sometimes. */
function placeOfError(text: string): string {
  const errors: ParseError[] = []
  try {
    parseWithErrors(text, errors, { disallowComments: true })
  } catch {
    return 'deep inside the file'
  }
  const offset = errors[0]?.offset ?? text.length
  const before = text.slice(0, offset)
  return `line ${before.split('\n').length}, column ${offset - before.lastIndexOf('\n')}`
}

/** The most records of one kind in a file (Cairn default). */
const MOST_RECORDS = 50_000

/** The schema of the whole file; `bin/cairn schema` prints it as JSON Schema. */
export const nativeSchema = fromKinds(() =>
  z
    .strictObject({
      format: z.literal(FORMAT_NAME),
      formatVersion: z.literal(FORMAT_VERSION),
      ...Object.fromEntries(
        KIND_NAMES.map((kind) => {
          const schema = fileSchemas().get(kind) as z.ZodMiniObject
          return [specOf(kind).plural, specOf(kind).single ? schema : z.optional(z.array(schema).check(z.maxLength(MOST_RECORDS)))]
        }),
      ),
    })
    .check(z.describe('A Cairn course blueprint')),
)

function readCurrent(file: JsonObject): Result<Blueprint, readonly Problem[]> {
  const parsed = nativeSchema().safeParse(storableValue(file))
  if (!parsed.success) return err(problemsOf(parsed.error, 'invalid-value'))
  const data = parsed.data as Record<string, unknown>
  const problems: Problem[] = []
  const lists = Object.fromEntries(
    KIND_NAMES.map((kind) => [kind, readKind(kind, data[specOf(kind).plural], problems)]),
  ) as unknown as Record<KindName, AnyRecord[]>
  const ids = Object.fromEntries(KIND_NAMES.map((k) => [k, new Set(lists[k].map((r) => r.id))])) as Record<KindName, Set<string>>
  for (const kind of KIND_NAMES)
    for (const { field, to } of refsOf(kind))
      lists[kind].forEach((record, i) => {
        const target = record[field]
        if (typeof target === 'string' && !ids[to].has(target))
          problems.push({
            code: 'dangling-reference',
            message: `there is no ${specOf(to).noun} with the id ${target}`,
            at: `${specOf(kind).plural}[${i}].${field}`,
          })
      })
  for (const kind of KIND_NAMES) {
    lists[kind].forEach((record, i) => {
      if (leadsToItself(kind, record))
        problems.push({
          code: 'in-itself',
          message: `this ${specOf(kind).noun} leads from a record to itself`,
          at: `${specOf(kind).plural}[${i}].${specOf(kind).ends?.at(-1)}`,
        })
    })
    if (problems.length === 0) problems.push(...treeProblems(kind, lists[kind]))
  }
  return problems.length > 0 ? err(problems.slice(0, 50)) : ok(blueprintOf(lists as unknown as Records))
}

/** Records that stand within themselves or too deep. */
function treeProblems(kind: KindName, records: readonly AnyRecord[]): Problem[] {
  const parent = parentFieldOf(kind)
  if (parent === null) return []
  const levels = new Map<unknown, number>([[null, 0]])
  for (const r of parentsFirst(records, parent)) levels.set(r.id, (levels.get(r[parent]) as number) + 1)
  const { noun, plural } = specOf(kind)
  return records.flatMap((record, i): Problem[] => {
    const at = `${plural}[${i}].${parent}`
    const level = levels.get(record.id)
    if (level === undefined) return [{ code: 'in-itself', message: `this ${noun} stands within itself`, at }]
    return level > MOST_LEVELS ? [{ code: 'too-deep', message: `this ${noun} stands deeper than ${MOST_LEVELS} levels`, at }] : []
  })
}

function readKind(kind: KindName, raw: unknown, problems: Problem[]): AnyRecord[] {
  const spec = specOf(kind)
  const list = (spec.single ? [raw] : (raw ?? [])) as Record<string, unknown>[]
  const hasOrder = Object.hasOwn(spec.fields, 'order')
  const keys = hasOrder ? keysBetween(null, null, list.length) : []
  const seen = new Set<string>()
  return list.map((item, i) => {
    const at = spec.single ? spec.plural : `${spec.plural}[${i}]`
    const values = Object.fromEntries(
      fieldsOf(kind).map(([name, field]) => {
        if (field.type === 'order') return [name, keys[i]]
        const value = recordValue(field, item[name])
        if (value === null && !field.optional) problems.push({ code: 'empty-text', message: 'this text is empty', at: `${at}.${name}` })
        return [name, value]
      }),
    )
    const record = withFixedId(kind, { ...values, id: String(item['id'] ?? '') } as AnyRecord)
    if (seen.has(record.id)) problems.push({ code: 'id-twice', message: `the id ${record.id} comes twice`, at })
    seen.add(record.id)
    return record
  })
}

/** The file form: lists in order, nothing that is null, links without ids. Two equal blueprints give equal text. */
export function writeNative(blueprint: Blueprint): string {
  const sorted = inFileOrder(blueprint)
  const lists = KIND_NAMES.map((kind) => {
    const spec = specOf(kind)
    const items = sorted[kind].map((record) => {
      const fields = fieldsOf(kind).flatMap(([name, field]) => {
        const value = fileValue(field, record[name])
        return value === undefined ? [] : [[name, value] as const]
      })
      return { ...(spec.single || spec.ends ? {} : { id: record.id }), ...Object.fromEntries(fields) }
    })
    return [spec.plural, spec.single ? items[0] : items] as const
  }).filter(([, list]) => !Array.isArray(list) || list.length > 0)
  return `${JSON.stringify({ format: FORMAT_NAME, formatVersion: FORMAT_VERSION, ...Object.fromEntries(lists) }, null, 2)}\n`
}

/**
 * The records of each kind in file order: by what they belong to, then by their own order, else by id. Kinds stand in the order
 * in which they refer to each other, so that places of the file are known when they are asked for.
 */
function inFileOrder(blueprint: Blueprint): Readonly<Record<KindName, readonly AnyRecord[]>> {
  const places = new Map<KindName, ReadonlyMap<string, number>>()
  const sorted = KIND_NAMES.map((kind) => {
    const ordered = Object.hasOwn(specOf(kind).fields, 'order')
    // Only what a record belongs to or stands in: other references say nothing of its order.
    const owners = refsOf(kind).filter(({ field, spec }) => spec.onRemove === 'remove' || specOf(kind).place?.includes(field))
    const placeOf = (record: AnyRecord, { field, to }: (typeof owners)[number]) => places.get(to)?.get(String(record[field])) ?? -1
    const records = (recordsOf(blueprint, kind) as unknown as AnyRecord[]).sort((a, b) => {
      for (const owner of owners) {
        const difference = placeOf(a, owner) - placeOf(b, owner)
        if (difference !== 0) return difference
      }
      return ordered ? byOrder(a as unknown as Ordered, b as unknown as Ordered) : a.id < b.id ? -1 : 1
    })
    const parent = parentFieldOf(kind)
    const inTree = parent ? parentsFirst(records, parent) : records
    places.set(kind, new Map(inTree.map((r, i) => [r.id, i])))
    return [kind, inTree] as const
  })
  return Object.fromEntries(sorted) as unknown as Record<KindName, readonly AnyRecord[]>
}

/** The records with each parent before its children, siblings in the order given. */
function parentsFirst(records: readonly AnyRecord[], parent: string): AnyRecord[] {
  const children = new Map<unknown, AnyRecord[]>()
  for (const r of records) {
    const siblings = children.get(r[parent])
    siblings ? siblings.push(r) : children.set(r[parent], [r])
  }
  const out: AnyRecord[] = []
  const stack = (children.get(null) ?? []).toReversed()
  for (let top = stack.pop(); top; top = stack.pop()) {
    out.push(top)
    stack.push(...(children.get(top.id) ?? []).toReversed())
  }
  return out
}

/** Whether two blueprints hold the same, order keys compared by the order they give. */
export const sameBlueprint = (a: Blueprint, b: Blueprint): boolean => sameValue(writeNative(a), writeNative(b))
