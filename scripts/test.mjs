// Sets the machine up, runs the checks and the three layers of tests, and ends with one line of counts.
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ensureDatabase, startCluster } from './lib/cluster.mjs'
import { ensureBuild, ensureChromium, ensurePackages, ROOT } from './lib/machine.mjs'
import { main, say } from './lib/say.mjs'

const only = process.argv.slice(2)
const wants = (name) => only.length === 0 || only.includes(name)
const counts = { passed: 0, failed: 0 }

const run = (args, env = {}) =>
  new Promise((resolve) => {
    let text = ''
    const child = spawn(process.execPath, args, {
      cwd: ROOT,
      env: { ...process.env, TZ: 'America/Los_Angeles', ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk) => {
        process.stdout.write(chunk)
        text += chunk
      })
    child.once('exit', (code) => resolve({ code, text }))
  })

async function check(name, args) {
  say(`\n== ${name}`)
  const { code } = await run(args)
  counts[code === 0 ? 'passed' : 'failed']++
}

async function mocha(name, files, env) {
  say(`\n== ${name}`)
  const { code, text } = await run(['node_modules/mocha/bin/mocha.js', ...files], env)
  const number = (word) => Number(new RegExp(`^\\s*(\\d+) ${word}`, 'm').exec(text)?.[1] ?? 0)
  counts.passed += number('passing')
  // A run that ends badly without counting a failure has failed all the same.
  counts.failed += Math.max(number('failing'), code === 0 ? 0 : 1)
}

main(async () => {
  ensurePackages()
  const bin = (name, path) => join('node_modules', name, path)
  if (wants('checks')) {
    await check('pages', [bin('astro', 'astro.js'), 'sync', '--silent'])
    await check('types', [bin('typescript', 'bin/tsc'), '-p', '.'])
    await check('lint', [bin('@biomejs/biome', 'bin/biome'), 'check', '.', '--error-on-warnings'])
    await check('layers', [bin('dependency-cruiser', 'bin/dependency-cruise.mjs'), 'src', '--config', '.dependency-cruiser.cjs'])
    await check('unused code', [bin('knip', 'bin/knip.js')])
  }
  if (wants('core')) {
    await mocha('core', ['tests/core/**/*.test.ts', 'tests/store/**/*.test.ts'])
    await mocha('calendar in another zone', ['tests/core/calendar/*.test.ts'], { TZ: 'Pacific/Auckland' })
  }
  if (wants('server') || wants('browser')) {
    ensureBuild()
    // A throw-away cluster, in a folder that its own user can reach wherever this checkout stands.
    const folder = mkdtempSync(join(tmpdir(), 'cairn-test-'))
    const cluster = await startCluster(folder, { fsync: false })
    try {
      await ensureDatabase(cluster, 'template_cairn')
      const env = {
        CAIRN_TEST_DATABASE: cluster.url('template_cairn'),
        CAIRN_TEST_OWNER: cluster.url('postgres', 'owner'),
        AUTH_SECRET: cluster.secrets.auth,
      }
      const migrated = await run(['bin/cairn', 'migrate'], { DATABASE_URL: env.CAIRN_TEST_DATABASE })
      if (migrated.code !== 0) counts.failed++
      if (wants('server')) await mocha('server', ['tests/server/**/*.test.ts'], env)
      if (wants('browser')) await mocha('browser', ['tests/browser/**/*.test.ts'], { ...env, CHROMIUM: ensureChromium() })
    } finally {
      cluster.stop()
      rmSync(folder, { recursive: true, force: true })
    }
  }
  say(`\n${counts.passed} passed, ${counts.failed} failed`)
  process.exitCode = counts.failed > 0 ? 1 : 0
})
