// Read by drizzle-kit alone, which takes every table that its schema module exports: those of the kinds come from one loop.
import * as schema from './schema'
import { besideTables, recordTables } from './tables'

module.exports = { ...schema, ...Object.fromEntries(recordTables()), ...Object.fromEntries(besideTables()) }
