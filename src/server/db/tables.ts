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
} from 'drizzle-orm/pg-core'
import type { Field } from '../../core/blueprint/field'
import { fieldsOf, KIND_NAMES, type KindName, refsOf } from '../../core/blueprint/kinds'

/** Order keys compare by code unit, as `<` does in the core. */
const orderKey = customType<{ data: string }>({ dataType: () => 'text COLLATE "C"' })

export const snake = (name: string): string => name.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`)
/** The table of a kind; `course` alone would be a poor name beside the heads of courses. */
export const tableName = (kind: KindName): string => (kind === 'course' ? 'course_facts' : snake(kind))

export type RecordTable = PgTable & { readonly courseId: AnyColumn; readonly id: AnyColumn } & { readonly [field: string]: AnyColumn }

function columnOf(name: string, field: Field): PgColumnBuilderBase {
  const column = bareColumn(snake(name), field)
  return field.optional ? column : column.notNull()
}

function bareColumn(name: string, field: Field) {
  switch (field.type) {
    case 'int':
    case 'hundredths':
      return integer(name)
    case 'bool':
      return boolean(name).default(false)
    case 'date':
      return date(name, { mode: 'string' })
    case 'rich':
    case 'object':
      return jsonb(name)
    case 'list':
      return text(name).array()
    case 'order':
      return orderKey(name)
    default:
      return text(name)
  }
}

const literal = (value: string | number): SQL => sql.raw(typeof value === 'number' ? String(value) : `'${value.replaceAll("'", "''")}'`)
const listed = (values: readonly string[]): SQL => sql.join(values.map(literal), sql.raw(', '))

/** What the database refuses on its own, whatever the code above it does. */
function constraintOf(field: Field, column: AnyColumn): SQL | null {
  switch (field.type) {
    case 'text':
      return sql`char_length(${column}) between 1 and ${literal(field.max)}`
    case 'int':
    case 'hundredths':
      return sql`${column} between ${literal(field.min)} and ${literal(field.max)}`
    case 'enum':
      return sql`${column} in (${listed(field.values)})`
    case 'list':
      return sql`${column} <@ array[${listed(field.values)}]::text[]`
    case 'time':
      return sql`${column} ~ ${literal('^([01][0-9]|2[0-3]):[0-5][0-9]$')}`
    case 'ref':
    case 'order':
      return sql`char_length(${column}) between 1 and 200`
    default:
      return null
  }
}

const made = new Map<KindName, RecordTable>()

/** The table of a kind. Foreign keys are composite with the course; migrations make them deferrable (scripts/migration.mjs). */
export function tableOf(kind: KindName): RecordTable {
  const table = made.get(kind)
  if (!table) throw new Error(`no table for ${kind}`)
  return table
}

for (const kind of KIND_NAMES) {
  const name = tableName(kind)
  const columns = {
    courseId: text('course_id').notNull(),
    id: text('id').notNull(),
    ...Object.fromEntries(fieldsOf(kind).map(([field, spec]) => [field, columnOf(field, spec)])),
  }
  const table = pgTable(name, columns as Record<string, PgColumnBuilderBase>, (t) => {
    const at = t as unknown as Record<string, AnyColumn>
    const column = (field: string) => at[field] as never
    return [
      primaryKey({ columns: [column('courseId'), column('id')] }),
      ...refsOf(kind).flatMap(({ field, to }) => [
        foreignKey({
          name: `${name}_${snake(field)}_fk`,
          columns: [column('courseId'), column(field)],
          foreignColumns: [tableOf(to).courseId as never, tableOf(to).id as never],
        }),
        index(`${name}_${snake(field)}_idx`).on(column('courseId'), column(field)),
      ]),
      ...fieldsOf(kind).flatMap(([field, spec]) => {
        const rule = constraintOf(spec, column(field))
        return rule ? [check(`${name}_${snake(field)}_check`, rule)] : []
      }),
    ]
  })
  made.set(kind, table as unknown as RecordTable)
}
