// Benchmarks: ratios within one run, on a cluster of their own that writes to disk as in use (fsync on).
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ensureBuild, ensureChromium, ensurePackages, ROOT } from './lib/machine.mjs'
import { main } from './lib/say.mjs'
import { withTestCluster } from './lib/test-cluster.mjs'

main(async () => {
  ensurePackages()
  ensureBuild()
  await withTestCluster({ fsync: true }, async ({ folder, env }) => {
    const { status } = spawnSync(process.execPath, ['--import', 'tsx', 'tests/bench/run.ts', ...process.argv.slice(2)], {
      cwd: ROOT,
      env: { ...process.env, ...env, CHROMIUM: ensureChromium(), CAIRN_BENCH_COURSE: join(folder, 'course.json') },
      stdio: 'inherit',
    })
    process.exitCode = status ?? 1
  })
})
