import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'

/** Any number will do as long as every Cairn process uses the same. */
const LOCK = 7_214_002

/** Brings a database to the current schema, forward only; several processes may start at once. */
export async function migrateDatabase(url: string, folder: string): Promise<void> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    await client.query('select pg_advisory_lock($1)', [LOCK])
    await migrate(drizzle(client), { migrationsFolder: folder })
  } finally {
    await client.end()
  }
}
