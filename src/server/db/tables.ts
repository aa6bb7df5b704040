/** One table a record kind, made from the kind's fields: nothing about a field is written twice. */
import { type AnyColumn, type SQL, sql } from 'drizzle-orm'
import {
  boolean,
  check,
  customType,
  date,
  foreignKey,
  index,
  integer,
  jsonb,
  type PgColumnBuilderBase,
  type PgTable,
  pgTable,
  primaryKey,
  text,
  timestamp,
} from 'drizzle-orm/pg-core'
import type { BesideKind } from '../../core/beside/beside'
import { besideKinds } from '../../core/beside/registry'
import type { Field } from '../../core/blueprint/field'
import type { KindSpec } from '../../core/blueprint/kind'
import { fromKinds, KIND_NAMES, type KindName, refsOf, specOf } from '../../core/blueprint/kinds'
import { type SqlColumn, typeOf } from '../../core/blueprint/types/define-type'
import '../../core/blueprint/types/index'
import { courseHead } from './schema'

/** Order keys compare by code unit, as `<` does in the core. */
const orderKey = customType<{ data: string }>({ dataType: () => 'text COLLATE "C"' })

export const snake = (name: string): string => name.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`)
export const tableName = (kind: KindName): string => specOf(kind).table ?? snake(kind)

export type RecordTable = PgTable & { readonly courseId: AnyColumn; readonly id: AnyColumn } & { readonly [field: string]: AnyColumn }

/** The columns that the core's field types ask for. */
const COLUMNS = {
  text: (name) => text(name),
  'text[]': (name) => text(name).array(),
  integer: (name) => integer(name),
  boolean: (name) => boolean(name),
  date: (name) => date(name, { mode: 'string' }),
  jsonb: (name) => jsonb(name),
  'order key': (name) => orderKey(name),
} satisfies Readonly<Record<SqlColumn<never>['type'], (name: string) => unknown>>

function columnOf(name: string, field: Field): PgColumnBuilderBase {
  const { type, default: before } = typeOf(field).sql
  const column = COLUMNS[type](snake(name)) as unknown as ReturnType<typeof text>
  const filled = before === null || field.optional ? column : column.default(before === '{}' ? sql`'{}'` : (before as never))
  return field.optional ? filled : filled.notNull()
}

/** What the database refuses on its own, whatever the code above it does. */
function constraintOf(field: Field, column: AnyColumn): SQL | null {
  // drizzle-kit writes out the column by its own name: the condition is put together around it.
  const [before, ...after] = typeOf(field).sql.check('\u0000', field)?.split('\u0000') ?? []
  return before === undefined ? null : sql.join([sql.raw(before), ...after.flatMap((part) => [sql`${column}`, sql.raw(part)])])
}

/** The tables of all kinds by kind, in file order. Foreign keys are composite with the course; migrations make them deferrable (scripts/migration.mjs). */
export const recordTables = fromKinds(() => {
  const made = new Map<KindName, RecordTable>()
  for (const kind of KIND_NAMES) made.set(kind, makeTable(kind, made))
  return made
})

/** The table of a kind. */
export function tableOf(kind: KindName): RecordTable {
  const table = recordTables().get(kind)
  if (!table) throw new Error(`no table for ${kind}`)
  return table
}

function makeTable(kind: KindName, made: ReadonlyMap<KindName, RecordTable>): RecordTable {
  const name = tableName(kind)
  const columns = {
    courseId: text('course_id').notNull(),
    id: text('id').notNull(),
    ...columnsOf(specOf(kind)),
  }
  const table = pgTable(name, columns as Record<string, PgColumnBuilderBase>, (t) => {
    const at = t as unknown as Record<string, AnyColumn>
    const column = (field: string) => at[field] as never
    const target = (to: KindName) => (made.get(to) ?? table) as RecordTable
    return [
      primaryKey({ columns: [column('courseId'), column('id')] }),
      ...refsOf(kind).flatMap(({ field, to }) => [
        foreignKey({
          name: `${name}_${snake(field)}_fk`,
          columns: [column('courseId'), column(field)],
          foreignColumns: [target(to).courseId as never, target(to).id as never],
        }),
        index(`${name}_${snake(field)}_idx`).on(column('courseId'), column(field)),
      ]),
      ...checksOf(name, specOf(kind), column),
    ]
  }) as unknown as RecordTable
  return table
}

const checksOf = (table: string, spec: KindSpec, column: (field: string) => never) =>
  Object.entries(spec.fields).flatMap(([field, f]) => {
    const rule = constraintOf(f, column(field))
    return rule ? [check(`${table}_${snake(field)}_check`, rule)] : []
  })

const columnsOf = (spec: KindSpec) => Object.fromEntries(Object.entries(spec.fields).map(([field, f]) => [field, columnOf(field, f)]))

const besideMade = new Map<BesideKind, RecordTable>()

/** The table of a kind of data beside the plan: its fields, who made a record, when, and its revision. It goes with its course. */
export function besideTable(kind: BesideKind): RecordTable {
  const known = besideMade.get(kind)
  if (known) return known
  const name = kind.spec.table ?? snake(kind.spec.name)
  const columns = {
    courseId: text('course_id')
      .notNull()
      .references(() => courseHead.id, { onDelete: 'cascade' }),
    id: text('id').notNull(),
    ...columnsOf(kind.spec),
    authorId: text('author_id').notNull(),
    at: timestamp('at', { withTimezone: true }).notNull(),
    revision: integer('revision').notNull(),
  }
  const table = pgTable(name, columns as Record<string, PgColumnBuilderBase>, (t) => {
    const at = t as unknown as Record<string, AnyColumn>
    const column = (field: string) => at[field] as never
    return [primaryKey({ columns: [column('courseId'), column('id')] }), ...checksOf(name, kind.spec, column)]
  }) as unknown as RecordTable
  besideMade.set(kind, table)
  return table
}

/** The tables of all kinds of data beside the plan, by kind. */
export const besideTables = (): ReadonlyMap<string, RecordTable> =>
  new Map(besideKinds().map((kind) => [kind.spec.name, besideTable(kind)]))
