/** A database of its own for a test file, cloned from a template; and the built server over it. */
import { type ChildProcess, spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { createInterface } from 'node:readline'
import pg from 'pg'

const needed = (name: string): string => {
  const value = process.env[name]
  if (!value) throw new Error(`${name} is not set: run the tests with npm test`)
  return value
}

export type TestDatabase = { readonly url: string; readonly drop: () => Promise<void> }

async function asOwner(work: (client: pg.Client) => Promise<unknown>): Promise<void> {
  const client = new pg.Client({ connectionString: needed('CAIRN_TEST_OWNER') })
  await client.connect()
  try {
    await work(client)
  } finally {
    await client.end()
  }
}

/** A migrated database. */
export const cloneDatabase = (): Promise<TestDatabase> => makeDatabase('template_cairn')
/** A database with the demo data. */
export const demoDatabase = (): Promise<TestDatabase> => makeDatabase('template_demo')
/** A database with nothing in it. */
export const emptyDatabase = (): Promise<TestDatabase> => makeDatabase('template0')

/** A database as a release left it, not brought up to date. */
export async function releaseDatabase(release: string): Promise<TestDatabase> {
  const database = await emptyDatabase()
  const client = new pg.Client({ connectionString: database.url })
  await client.connect()
  try {
    await client.query(readFileSync(`tests/fixtures/releases/${release}.sql`, 'utf8'))
  } finally {
    await client.end()
  }
  return database
}

async function makeDatabase(template: string): Promise<TestDatabase> {
  const name = `t_${Date.now().toString(36)}_${Math.floor(Math.random() * 1e6).toString(36)}`
  await asOwner((c) => c.query(`create database ${name} template ${template} owner app`))
  const url = needed('CAIRN_TEST_DATABASE').replace(/template_cairn$/, name)
  return { url, drop: () => asOwner((c) => c.query(`drop database ${name} with (force)`)) }
}

export const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const address = probe.address()
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0))
    })
  })

const run = (
  command: string,
  args: readonly string[],
  env: NodeJS.ProcessEnv,
): Promise<{ code: number | null; stdout: string; stderr: string }> =>
  new Promise((resolve) => {
    const child = spawn(command, args, { env: { ...process.env, ...env } })
    const out = { stdout: '', stderr: '' }
    child.stdout.on('data', (d) => (out.stdout += d))
    child.stderr.on('data', (d) => (out.stderr += d))
    child.once('close', (code) => resolve({ code, ...out }))
  })

/** Runs the command line. */
export const cairn = (args: readonly string[], env: NodeJS.ProcessEnv = {}) => run(process.execPath, ['bin/cairn', ...args], env)

export type TestServer = {
  readonly origin: string
  readonly stop: () => Promise<void>
  readonly kill: () => Promise<void>
  readonly start: () => Promise<void>
  readonly signal: (name: NodeJS.Signals) => void
  readonly pid: () => number
  /** The next line that the server says. */
  readonly nextLine: () => Promise<string>
}

/** Starts the built server over a database. */
export async function startServer(
  url: string,
  options: { readonly rateLimit?: boolean; readonly env?: NodeJS.ProcessEnv; readonly lines?: (line: string) => void } = {},
): Promise<TestServer> {
  const port = await freePort()
  const origin = `http://127.0.0.1:${port}`
  const env = {
    DATABASE_URL: url,
    AUTH_SECRET: needed('AUTH_SECRET'),
    CAIRN_ORIGIN: origin,
    CAIRN_DEMO: '1',
    CAIRN_CONNECTIONS: '5000',
    CAIRN_RATE_LIMIT: options.rateLimit ? 'on' : 'off',
    HOST: '127.0.0.1',
    PORT: String(port),
    NODE_ENV: 'production',
    ...options.env,
  }
  let child: ChildProcess | undefined
  const start = () =>
    new Promise<void>((resolve, reject) => {
      child = spawn(process.execPath, ['scripts/server.mjs'], { env: { ...process.env, ...env }, stdio: ['ignore', 'pipe', 'inherit'] })
      child.stdout?.once('data', () => resolve())
      if (options.lines && child.stdout) createInterface(child.stdout).on('line', options.lines)
      child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)))
    })
  const end = (signal: NodeJS.Signals) =>
    new Promise<void>((resolve) => {
      if (!child || child.exitCode !== null || child.signalCode !== null) return resolve()
      child.once('exit', () => resolve())
      child.kill(signal)
    })
  await start()
  return {
    origin,
    start,
    stop: () => end('SIGTERM'),
    kill: () => end('SIGKILL'),
    signal: (name) => void child?.kill(name),
    pid: () => child?.pid ?? 0,
    nextLine: () => new Promise((resolve) => child?.stdout?.once('data', (part) => resolve(String(part).trim()))),
  }
}
