/** Tables for kinds that a test declares, made as a migration makes them: by drizzle-kit from the kinds. */
import { generateDrizzleJson, generateMigration } from 'drizzle-kit/api'
import pg from 'pg'
import { deferrable } from '../../scripts/deferrable.mjs'
import * as schema from '../../src/server/db/schema'
import { besideTables, recordTables } from '../../src/server/db/tables'

const snapshot = () => generateDrizzleJson({ ...schema, ...Object.fromEntries(recordTables()), ...Object.fromEntries(besideTables()) })

/** Makes in a database what `declare` adds to the schema. Returns the statements. */
export async function addTables(url: string, declare: () => void): Promise<readonly string[]> {
  const before = snapshot()
  declare()
  const statements = (await generateMigration(before, snapshot())).map(deferrable)
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    for (const statement of statements) await client.query(statement)
  } finally {
    await client.end()
  }
  return statements
}
