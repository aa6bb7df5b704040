// A throw-away cluster with a migrated template database, for tests and benchmarks.
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
    const env = {
      CAIRN_TEST_DATABASE: cluster.url('template_cairn'),
      CAIRN_TEST_OWNER: cluster.url('postgres', 'owner'),
      AUTH_SECRET: cluster.secrets.auth,
      CAIRN_TEST_DATA: folder,
      CAIRN_TEST_PGBIN: postgresBin(),
    }
    const migrated = spawnSync(process.execPath, ['bin/cairn', 'migrate'], {
      cwd: ROOT,
      env: { ...process.env, DATABASE_URL: env.CAIRN_TEST_DATABASE },
      encoding: 'utf8',
    })
    if (migrated.status !== 0) stop(`The template database could not be migrated: ${migrated.stderr.trim()}`)
    return await work({ folder, env })
  } finally {
    cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
