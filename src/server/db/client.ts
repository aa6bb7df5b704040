import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import { getSettings } from '../settings'
import * as schema from './schema'

export type Database = NodePgDatabase<typeof schema>
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]

/** Opens a pool and Drizzle over it. The caller ends the pool. */
export function openDatabase(url: string): { readonly db: Database; readonly pool: pg.Pool } {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 10_000 })
  // A connection that breaks, idle or between two statements of a transaction, is replaced by the pool, and its statement is
  // refused; without listeners it would end the process.
  pool.on('error', () => undefined)
  pool.on('connect', (client) => client.on('error', () => undefined))
  return { db: drizzle(pool, { schema }), pool }
}

let opened: ReturnType<typeof openDatabase> | undefined
/** The process's database. */
export const getDatabase = (): Database => (opened ??= openDatabase(getSettings().databaseUrl)).db

/** The database of a command, from DATABASE_URL alone. */
export const commandDatabase = (): Database => (opened ??= openDatabase(process.env['DATABASE_URL'] ?? '')).db

/** Ends the process's pool, where one was opened. */
export async function closeDatabase(): Promise<void> {
  await opened?.pool.end()
  opened = undefined
}
