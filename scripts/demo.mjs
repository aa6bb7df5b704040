// Packages, PostgreSQL, cluster, schema, demo course, build, server: whatever is missing, then the address.
import { spawn, spawnSync } from 'node:child_process'
import { rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { createInterface } from 'node:readline'
import { ensureDatabase, startCluster } from './lib/cluster.mjs'
import { ensureBuild, ensurePackages, ROOT } from './lib/machine.mjs'
import { main, say, stop } from './lib/say.mjs'

const port = Number(process.env.PORT ?? 4321)
/** The pages from their sources, made anew as they change; `/dev/parts` shows the shared parts. */
const developing = process.argv.includes('--dev')
const folder = process.env.CAIRN_DATA ?? join(ROOT, '.data')

const portIsFree = () =>
  new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)))
  })

main(async () => {
  if (!Number.isInteger(port) || port < 1 || port > 65_535) stop(`PORT is a number from 1 to 65535, not ${process.env.PORT}.`)
  if (!(await portIsFree())) stop(`Port ${port} is taken. Stop what uses it, or choose another: PORT=${port + 79} npm run demo`)
  ensurePackages()
  if (process.argv.includes('--fresh')) {
    const { stop: end } = await startCluster(folder).catch(() => ({ stop: () => undefined }))
    end()
    rmSync(join(folder, 'postgres'), { recursive: true, force: true })
  }
  const cluster = await startCluster(folder)
  try {
    await ensureDatabase(cluster, 'cairn')
    ensureBuild()
    const env = {
      ...process.env,
      DATABASE_URL: process.env.DATABASE_URL ?? cluster.url('cairn'),
      AUTH_SECRET: cluster.secrets.auth,
      CAIRN_ORIGIN: `http://127.0.0.1:${port}`,
      CAIRN_DEMO: '1',
      HOST: '127.0.0.1',
      PORT: String(port),
      NODE_ENV: developing ? 'development' : 'production',
      CAIRN_HELPER: new URL('../dist/tools/helper.mjs', import.meta.url).href,
    }
    const seeded = spawnSync(process.execPath, ['bin/cairn', 'demo-data'], { cwd: ROOT, env, encoding: 'utf8' })
    if (seeded.status !== 0) stop(`The demo data could not be loaded: ${seeded.stderr.trim()}`)
    await serve(env, seeded.stdout)
  } finally {
    cluster.stop()
  }
})

function serve(env, accounts) {
  const program = developing
    ? ['node_modules/astro/astro.js', 'dev', '--host', '127.0.0.1', '--port', String(port)]
    : ['scripts/server.mjs']
  const server = spawn(process.execPath, program, { cwd: ROOT, env, stdio: ['ignore', 'pipe', 'inherit'], detached: true })
  const end = () => server.kill('SIGTERM')
  process.on('SIGINT', end)
  process.on('SIGTERM', end)
  process.on('SIGHUP', end)
  const ready = `\nCairn is ready at http://127.0.0.1:${port}\n\n${accounts.trim()}\n\nCtrl+C stops it; the data stay. Start over with: npm run demo -- --fresh`
  server.stdout.once('data', () => say(ready))
  // Its log goes on; what is shown of it here is trouble, or all while it is worked on.
  createInterface(server.stdout).on('line', (line) => {
    if (developing || line.includes('"level":"error"')) process.stderr.write(`${line}\n`)
  })
  return new Promise((resolve) =>
    server.once('exit', (code) => {
      if (code) process.exitCode = code
      resolve()
    }),
  )
}
