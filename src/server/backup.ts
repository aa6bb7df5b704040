/** The whole database as one file, and back: PostgreSQL's own dump, which is consistent while Cairn runs. */
import { spawn } from 'node:child_process'
import { existsSync, renameSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import pg from 'pg'
import { err, ok, type Result } from '../core/result'
import { isSealed, readSealed, writeSealed } from './sealed-file'

/** Sessions are no part of a backup: whoever gets hold of the file gets into nothing. */
const WITHOUT_DATA = ['session', 'verification', 'rate_limit']

/** The connection for PostgreSQL's programs; the password is not among the arguments, which others on the machine can read. */
function connectionOf(databaseUrl: string): { readonly args: readonly string[]; readonly env: NodeJS.ProcessEnv } {
  const url = new URL(databaseUrl)
  return {
    args: ['--host', url.hostname, '--port', url.port || '5432', '--username', decodeURIComponent(url.username), '--no-password'],
    env: { ...process.env, PGPASSWORD: decodeURIComponent(url.password) },
  }
}
const nameOf = (databaseUrl: string): string => decodeURIComponent(new URL(databaseUrl).pathname.slice(1))

/** A program that was started: what it takes and gives, and what became of it: null, or one sentence. */
function started(bin: string, program: string, args: readonly string[], env: NodeJS.ProcessEnv) {
  const child = spawn(join(bin, program), [...args], { env, stdio: ['pipe', 'pipe', 'pipe'] })
  let said = ''
  child.stderr.on('data', (part) => (said += part))
  const ended = new Promise<string | null>((resolve) => {
    child.once('error', (error) => resolve(error.message))
    child.once('close', (code) => resolve(code === 0 ? null : (said.trim().split('\n')[0] ?? `${program} ended with ${code}`)))
  })
  return { stdin: child.stdin, stdout: child.stdout, ended }
}

/**
 * Writes everything but sessions to a file that its owner alone may read, sealed where there is a passphrase. The file stands there only
 * when it is whole.
 * @returns its size in bytes, or one sentence why there is none.
 */
export async function backup(
  databaseUrl: string,
  bin: string,
  file: string,
  passphrase: string | null = null,
): Promise<Result<number, string>> {
  if (existsSync(file)) return err(`${file} is there already: name another file`)
  const { args, env } = connectionOf(databaseUrl)
  const making = `${file}.making`
  rmSync(making, { force: true })
  const dump = started(
    bin,
    'pg_dump',
    [
      ...args,
      '--format=custom',
      '--no-owner',
      '--no-privileges',
      ...WITHOUT_DATA.map((t) => `--exclude-table-data=public.${t}`),
      nameOf(databaseUrl),
    ],
    env,
  )
  const written = await writeSealed(dump.stdout, making, passphrase).then(
    () => null,
    (error: Error) => error.message,
  )
  const ended = await dump.ended
  // Of the two the file's own trouble is the cause: the program only hears that nobody takes what it gives.
  const failed = written ?? ended
  if (failed) {
    rmSync(making, { force: true })
    return err(`the backup could not be made: ${failed}`)
  }
  renameSync(making, file)
  return ok(statSync(file).size)
}

/**
 * Fills an empty database from a backup, all of it or nothing. What was sealed is opened only where it is whole.
 * @returns the number of courses, or one sentence why nothing was restored.
 */
export async function restore(
  databaseUrl: string,
  bin: string,
  file: string,
  passphrase: string | null = null,
): Promise<Result<number, string>> {
  if (!existsSync(file)) return err(`${file} is not there`)
  const sealed = await isSealed(file)
  if (sealed && passphrase === null) return err(`${file} is sealed: set CAIRN_BACKUP_PASSPHRASE to its passphrase`)
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  try {
    const { rowCount } = await client.query("select 1 from pg_tables where schemaname = 'public' limit 1")
    if (rowCount) return err('this database is not empty: a backup is restored into an empty one, so that nothing is overwritten')
    const { args, env } = connectionOf(databaseUrl)
    const wanted = [...args, '--no-owner', '--no-privileges', '--exit-on-error', '--single-transaction', `--dbname=${nameOf(databaseUrl)}`]
    const restored = (more: readonly string[]) => started(bin, 'pg_restore', [...wanted, ...more], env)
    const failed = sealed ? await restoreSealed(file, passphrase as string, () => restored([])) : await restored([file]).ended
    if (failed) return err(`nothing was restored: ${failed}`)
    const { rows } = await client.query<{ n: number }>('select count(*)::int as n from course_head')
    return ok(rows[0]?.n ?? 0)
  } finally {
    await client.end()
  }
}

/** Opens a sealed file into a program; one sentence where it could not be opened, or the program failed. */
async function restoreSealed(file: string, passphrase: string, start: () => ReturnType<typeof started>): Promise<string | null> {
  let program: ReturnType<typeof started> | undefined
  try {
    await readSealed(file, passphrase, () => {
      program = start()
      return program.stdin
    })
  } catch (error) {
    // What the program says of itself tells more than that it listens no longer.
    return (await program?.ended) ?? (program ? (error as Error).message : `the passphrase of ${file} is another, or it was changed`)
  }
  return (await program?.ended) ?? null
}
