/** One repository for all kinds: loads, inserts, updates and removes records by kind. */
import { type AnyColumn, and, eq, type SQL, sql } from 'drizzle-orm'
import { loadsWhenAsked } from '../core/blueprint/asked'
import { refKey } from '../core/blueprint/blueprint'
import { type Operation, operationId, type UpdateOperation } from '../core/blueprint/change'
import type { Reader } from '../core/blueprint/decide'
import {
  type AnyRecord,
  fieldsOf,
  fromKinds,
  KIND_NAMES,
  type KindName,
  parentFieldOf,
  type RecordRef,
  refsTo,
} from '../core/blueprint/kinds'
import { levelsBelow } from '../core/blueprint/tree-shape'
import type { Database, Transaction } from './db/client'
import { snake, tableName, tableOf } from './db/tables'

/** All records of a kind in a course, as JSON. */
function selection(kind: KindName): string {
  const fields = ['id', ...fieldsOf(kind).map(([name]) => name)]
  // A row with its columns by name: functions take a hundred arguments at most, and kinds grow.
  const columns = fields.map((f) => `t."${snake(f)}" as "${f}"`).join(', ')
  return `(select coalesce(json_agg(row_to_json(r)), '[]'::json) from (select ${columns} from "${tableName(kind)}" t where t.course_id = h.id) r)`
}
const selections = fromKinds(() => new Map(KIND_NAMES.map((kind) => [kind, sql.raw(`('${kind}', ${selection(kind)})`)])))
const whole = fromKinds(() => [...selections().values()])
const atFirst = fromKinds(() => [...selections()].flatMap(([kind, part]) => (loadsWhenAsked(kind) ? [] : [part])))

const statementOf = (courseId: string, parts: readonly SQL[]): SQL =>
  sql`select json_build_object('revision', h.revision, 'records', (select json_object_agg(k, v) from (values ${sql.join([...parts], sql.raw(', '))}) as kinds(k, v)))::text as body from course_head h where h.id = ${courseId}`
/** The one statement that loads what a window holds of a course, with its revision. */
export const loadStatement = (courseId: string): SQL => statementOf(courseId, atFirst())

const counts = fromKinds(() => KIND_NAMES.map((kind) => sql.raw(`(select count(*) from "${tableName(kind)}" t where t.course_id = h.id)`)))
/** How many records a course has; 0 where there is no such course. */
export async function recordCount(db: Database, courseId: string): Promise<number> {
  const { rows } = await db.execute<{ n: number }>(
    sql`select (${sql.join([...counts()], sql.raw(' + '))})::int as n from course_head h where h.id = ${courseId}`,
  )
  return rows[0]?.n ?? 0
}

export type LoadedCourse = { readonly revision: number; readonly records: Record<KindName, AnyRecord[]> }

async function bodyOf(db: Database | Transaction, statement: SQL): Promise<string | null> {
  const { rows } = await db.execute<{ body: string }>(statement)
  return rows[0]?.body ?? null
}

/** What a window holds of a course, with its revision, as JSON text; null where there is no such course. */
export const loadCourseText = (db: Database | Transaction, courseId: string): Promise<string | null> => bodyOf(db, loadStatement(courseId))

/** The whole course with its revision, in one statement; null where there is no such course. */
export async function loadCourse(db: Database | Transaction, courseId: string): Promise<LoadedCourse | null> {
  const text = await bodyOf(db, statementOf(courseId, whole()))
  return text === null ? null : (JSON.parse(text) as LoadedCourse)
}

/** The records of a kind that is loaded when asked, with the revision at which they are so; null where there is no such course. */
export const loadKindText = (db: Database, courseId: string, kind: KindName): Promise<string | null> =>
  bodyOf(
    db,
    sql`select json_build_object('revision', h.revision, 'records', ${sql.raw(selection(kind))})::text as body from course_head h where h.id = ${courseId}`,
  )

const withoutCourse = ({ courseId: _, ...record }: Record<string, unknown>): AnyRecord => record as unknown as AnyRecord

async function recordsByIds(tx: Transaction, courseId: string, kind: KindName, ids: readonly string[]): Promise<AnyRecord[]> {
  const table = tableOf(kind)
  const rows = await tx
    .select()
    .from(table as never)
    .where(and(eq(table.courseId, courseId), amongText(table.id, ids)))
  return (rows as Record<string, unknown>[]).map(withoutCourse)
}

/** All records in which these stand, however deep, in one statement. */
async function recordsAbove(tx: Transaction, courseId: string, kind: KindName, parent: string, ids: readonly string[]) {
  const table = tableOf(kind)
  const up = columnOf(parent)
  const above = sql`with recursive above(id, up) as (
    select id, ${up} from ${table} where course_id = ${courseId} and ${amongText(table.id, ids)}
    union select t.id, t.${up} from above join ${table} t on t.course_id = ${courseId} and t.id = above.up
  ) select id from above`
  const rows = await tx
    .select()
    .from(table as never)
    .where(and(eq(table.courseId, courseId), sql`${table.id} in (${above})`))
  return (rows as Record<string, unknown>[]).map(withoutCourse)
}

/** Every record that stands within these, however deep, with the one in which it does. */
async function partsWithin(tx: Transaction, courseId: string, kind: KindName, parent: string, ids: readonly string[]) {
  const table = tableOf(kind)
  const up = columnOf(parent)
  const { rows } = await tx.execute<{ id: string; up: string }>(sql`with recursive within(id, up) as (
    select id, ${up} from ${table} where course_id = ${courseId} and ${up} = any(${sql.param(ids)}::text[])
    union select t.id, t.${up} from within join ${table} t on t.course_id = ${courseId} and t.${up} = within.id
  ) select id, up from within`)
  return rows.map(({ id, up: parentId }) => [id, parentId] as const)
}
const columnOf = (field: string): SQL => sql.raw(`"${snake(field)}"`)

/**
 * Loads what judging these operations needs: the records they touch, those they refer to and those that refer to what they
 * remove.
 */
export async function readerFor(tx: Transaction, courseId: string, operations: readonly Operation[]): Promise<Reader> {
  const records = new Map<string, AnyRecord>()
  const referrers = new Map<string, RecordRef[]>()
  const load = async (wanted: Map<KindName, Set<string>>) => {
    for (const [kind, ids] of wanted)
      for (const record of await recordsByIds(tx, courseId, kind, [...ids])) records.set(refKey({ kind, id: record.id }), record)
  }
  const wanted = new Map<KindName, Set<string>>()
  const want = (kind: KindName, id: unknown) => {
    if (typeof id === 'string') wanted.set(kind, (wanted.get(kind) ?? new Set()).add(id))
  }
  for (const o of operations) {
    want(o.kind, operationId(o))
    const values = o.op === 'create' ? o.record : o.op === 'update' ? o.to : {}
    for (const [field, spec] of fieldsOf(o.kind)) if (spec.type === 'ref') want(spec.to as KindName, (values as AnyRecord)[field])
  }
  await load(wanted)
  // Whether a record would stand within itself, or too deep, is told by all that stand above it and within it.
  const below = new Map<KindName, ReadonlyMap<string, number>>()
  for (const [kind, parent] of PARENTS()) {
    const placed = operations.filter(
      (o) => o.kind === kind && o.op !== 'remove' && Object.hasOwn(o.op === 'create' ? o.record : o.to, parent),
    )
    if (placed.length === 0) continue
    for (const record of await recordsAbove(tx, courseId, kind, parent, [...(wanted.get(kind) ?? [])]))
      records.set(refKey({ kind, id: record.id }), record)
    below.set(kind, levelsBelow(await partsWithin(tx, courseId, kind, parent, placed.map(operationId))))
  }

  const removed = new Map<KindName, string[]>()
  for (const o of operations) if (o.op === 'remove') listIn(removed, o.kind).push(o.record.id)
  for (const [target, ids] of removed)
    for (const { kind, field } of refsTo(target)) {
      const table = tableOf(kind)
      const rows = (await tx
        .select()
        .from(table as never)
        .where(and(eq(table.courseId, courseId), amongText(table[field] as never, ids)))) as Record<string, unknown>[]
      for (const row of rows.map(withoutCourse)) {
        const ref = { kind, id: row.id }
        records.set(refKey(ref), row)
        listIn(referrers, refKey({ kind: target, id: String(row[field]) })).push(ref)
      }
    }
  return {
    get: (ref) => records.get(refKey(ref)),
    referrers: (ref) => referrers.get(refKey(ref)) ?? [],
    levelsBelow: ({ kind, id }) => below.get(kind)?.get(id) ?? 0,
  }
}

const PARENTS = fromKinds(() =>
  KIND_NAMES.flatMap((kind) => {
    const parent = parentFieldOf(kind)
    return parent === null ? [] : [[kind, parent] as const]
  }),
)

/** Among many texts, as one parameter: PostgreSQL allows 65,535 of them a statement. */
const amongText = (column: AnyColumn, values: readonly string[]): SQL => sql`${column} = any(${sql.param(values)}::text[])`

function listIn<K, T>(lists: Map<K, T[]>, key: K): T[] {
  const list = lists.get(key) ?? []
  lists.set(key, list)
  return list
}

/** Writes operations that were judged; foreign keys are checked when the transaction ends. */
export async function writeOperations(tx: Transaction, courseId: string, operations: readonly Operation[]): Promise<void> {
  const creates = new Map<KindName, AnyRecord[]>()
  const removes = new Map<KindName, string[]>()
  const updates = new Map<string, UpdateOperation[]>()
  for (const o of operations) {
    if (o.op === 'create') listIn(creates, o.kind).push(o.record)
    else if (o.op === 'remove') listIn(removes, o.kind).push(o.record.id)
    else listIn(updates, [o.kind, ...Object.keys(o.to).sort()].join(' ')).push(o)
  }
  for (const alike of updates.values()) await tx.execute(updateStatement(courseId, alike))
  for (const [kind, ids] of removes) {
    const table = tableOf(kind)
    await tx.delete(table as never).where(and(eq(table.courseId, courseId), amongText(table.id, ids)))
  }
  for (const [kind, records] of creates) await tx.execute(insertStatement(kind, courseId, records))
}

/** All new records of a kind in one statement and one parameter, however many they are. */
function insertStatement(kind: KindName, courseId: string, records: readonly AnyRecord[]): SQL {
  const fields = ['id', ...fieldsOf(kind).map(([name]) => name)]
  const rows = records.map((r) => Object.fromEntries([['course_id', courseId], ...fields.map((f) => [snake(f), r[f] ?? null])]))
  const table = sql.identifier(tableName(kind))
  const columns = sql.raw(['course_id', ...fields.map(snake)].map((c) => `"${c}"`).join(', '))
  return sql`insert into ${table} (${columns}) select ${columns} from json_populate_recordset(null::${table}, ${JSON.stringify(rows)}::json)`
}

/** Updates of the same fields of one kind in one statement and one parameter, however many they are. */
function updateStatement(courseId: string, updates: readonly UpdateOperation[]): SQL {
  const [{ kind, to }] = updates as readonly [UpdateOperation]
  const rows = updates.map((u) =>
    Object.fromEntries([['id', u.id], ...Object.entries(u.to).map(([f, value]) => [snake(f), value ?? null])]),
  )
  const table = sql.identifier(tableName(kind))
  const set = sql.raw(
    Object.keys(to)
      .map((f) => `"${snake(f)}" = r."${snake(f)}"`)
      .join(', '),
  )
  return sql`update ${table} t set ${set} from json_populate_recordset(null::${table}, ${JSON.stringify(rows)}::json) r where t.course_id = ${courseId} and t.id = r.id`
}
