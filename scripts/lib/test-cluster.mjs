// A throw-away cluster with two template databases, one migrated and one with the demo data as well, for tests and benchmarks.
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ensureDatabase, startCluster } from './cluster.mjs'
import { postgresBin, ROOT } from './machine.mjs'
import { stop } from './say.mjs'

/**
 * Runs `work({ folder, env })` beside a cluster of its own, and removes both. The folder is one that the cluster's user can
 * reach wherever this checkout stands. Needs the build.
 */
export async function withTestCluster(options, work) {
  const folder = mkdtempSync(join(tmpdir(), 'cairn-test-'))
  const cluster = await startCluster(folder, options)
  try {
    await ensureDatabase(cluster, 'template_cairn')
    await ensureDatabase(cluster, 'template_demo')
    const env = {
      CAIRN_TEST_DATABASE: cluster.url('template_cairn'),
      CAIRN_TEST_OWNER: cluster.url('postgres', 'owner'),
      AUTH_SECRET: cluster.secrets.auth,
      CAIRN_TEST_DATA: folder,
      CAIRN_TEST_PGBIN: postgresBin(),
    }
    // With the demo data all is migrated first.
    for (const [name, command] of [
      ['template_cairn', 'migrate'],
      ['template_demo', 'demo-data'],
    ]) {
      const made = spawnSync(process.execPath, ['bin/cairn', command], {
        cwd: ROOT,
        env: {
          ...process.env,
          DATABASE_URL: cluster.url(name),
          AUTH_SECRET: env.AUTH_SECRET,
          CAIRN_ORIGIN: 'http://127.0.0.1',
          CAIRN_DEMO: '1',
        },
        encoding: 'utf8',
      })
      if (made.status !== 0) stop(`The database ${name} could not be made: ${made.stderr.trim()}`)
    }
    return await work({ folder, env })
  } finally {
    cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
