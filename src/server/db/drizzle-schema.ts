// Read by drizzle-kit alone, which takes every table that its schema module exports: those of the kinds come from one loop.
import * as schema from './schema'
import { besideTables, recordTables } from './tables'

/** Under keys of their own: a kind may be called as a table of the accounts is. */
const keyed = (tables: ReadonlyMap<string, unknown>, before: string) =>
  Object.fromEntries([...tables].map(([kind, table]) => [`${before}:${kind}`, table]))

module.exports = { ...schema, ...keyed(recordTables(), 'kind'), ...keyed(besideTables(), 'beside') }
