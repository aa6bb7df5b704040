/** The test cluster's PostgreSQL, handled as an operator would. */
import { spawnSync } from 'node:child_process'
import { chmodSync, existsSync, mkdirSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'

const needed = (name: string): string => {
  const value = process.env[name]
  if (!value) throw new Error(`${name} is not set: run the tests with npm run test:faults`)
  return value
}
const isRoot = process.getuid?.() === 0
const run = (program: string, args: readonly string[]) =>
  isRoot
    ? spawnSync('runuser', ['-u', 'postgres', '--', program, ...args], { cwd: '/', encoding: 'utf8', stdio: ['ignore', 'ignore', 'pipe'] })
    : spawnSync(program, [...args], { cwd: '/', encoding: 'utf8', stdio: ['ignore', 'ignore', 'pipe'] })

/** Restarts the server; `immediate` as a crash does, without a word to anybody. */
export function restartPostgres(mode: 'fast' | 'immediate'): void {
  const done = run(join(needed('CAIRN_TEST_PGBIN'), 'pg_ctl'), [
    '-D',
    join(needed('CAIRN_TEST_DATA'), 'postgres'),
    '-m',
    mode,
    '-w',
    '-t',
    '60',
    'restart',
  ])
  if (done.status !== 0) throw new Error(`PostgreSQL did not restart: ${done.stderr}`)
}

/** Work as the owner of the cluster, in a database of it. */
export async function asOwnerIn<T>(databaseUrl: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const owner = new URL(needed('CAIRN_TEST_OWNER'))
  owner.pathname = new URL(databaseUrl).pathname
  const client = new pg.Client({ connectionString: owner.href })
  await client.connect()
  try {
    return await work(client)
  } finally {
    await client.end()
  }
}

/** Ends every connection to a database but one's own. Returns how many. */
export const endConnections = (databaseUrl: string): Promise<number> =>
  asOwnerIn(databaseUrl, async (c) => {
    const { rowCount } = await c.query(
      'select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()',
    )
    return rowCount ?? 0
  })

export type SmallDisk = {
  /** What it is: a small file system, or, where none may be mounted, a database that is told to refuse writes. */
  readonly kind: 'small file system' | 'failing write'
  readonly fill: () => Promise<void>
  readonly free: () => Promise<void>
  readonly remove: () => Promise<void>
}

/** Moves a table, the log of changes where none is named, to a disk that can be filled. */
export async function onSmallDisk(databaseUrl: string, table = 'change_log'): Promise<SmallDisk> {
  const folder = mkdtempSync(join(tmpdir(), 'cairn-disk-'))
  chmodSync(folder, 0o755)
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=24m', 'tmpfs', folder]).status === 0
  if (!mounted) {
    const say = (refuse: boolean) =>
      asOwnerIn(databaseUrl, async (c) => {
        const name = new URL(databaseUrl).pathname.slice(1)
        await c.query(`alter database "${name}" set default_transaction_read_only = ${refuse}`)
        await endConnections(databaseUrl)
      })
    return { kind: 'failing write', fill: () => say(true), free: () => say(false), remove: async () => rmSync(folder, { recursive: true }) }
  }
  const space = join(folder, 'space')
  mkdirSync(space)
  if (isRoot) spawnSync('chown', ['postgres:', space])
  chmodSync(space, 0o700)
  await asOwnerIn(databaseUrl, async (c) => {
    await c.query(`create tablespace small location '${space}'`)
    await c.query('grant create on tablespace small to app')
    await c.query(`alter table ${table} set tablespace small`)
  })
  const ballast = join(folder, 'ballast')
  return {
    kind: 'small file system',
    fill: async () => {
      const { bavail, bsize } = statfsSync(folder)
      writeFileSync(ballast, Buffer.alloc(Math.max(0, bavail * bsize)))
    },
    free: async () => rmSync(ballast, { force: true }),
    remove: async () => {
      if (existsSync(ballast)) rmSync(ballast)
      await asOwnerIn(databaseUrl, async (c) => {
        await c.query(`alter table ${table} set tablespace pg_default`)
        await c.query('checkpoint')
        await c.query('drop tablespace small')
      })
      spawnSync('umount', ['-l', folder])
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
