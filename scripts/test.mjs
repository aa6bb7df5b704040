// Sets the machine up, runs the checks and the four layers of tests, and ends with one line of counts.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { ensureBuild, ensureChromium, ensurePackages, ensurePdfReaders, ROOT } from './lib/machine.mjs'
import { main, say } from './lib/say.mjs'
import { withTestCluster } from './lib/test-cluster.mjs'

const only = process.argv.slice(2)
/** Where servers and browsers take part, a busy machine may take its time. */
const PATIENT = '--timeout=180000'
/** What is killed ten times over beside other tests takes longer still. */
const MOST_PATIENT = '--timeout=300000'
/** Without words everything. */
const wants = (name) => only.length === 0 || only.includes(name)
const counts = { passed: 0, failed: 0 }
/** What failed, said once more at the end: the start of a long output is often cut off. */
const failures = []

/** Runs a program. What it says is shown as it comes, or, beside another, when it ends. */
const run = (args, env = {}, beside = false) =>
  new Promise((resolve) => {
    let text = ''
    const child = spawn(process.execPath, args, {
      cwd: ROOT,
      env: { ...process.env, TZ: 'America/Los_Angeles', ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk) => {
        if (!beside) process.stdout.write(chunk)
        text += chunk
      })
    child.once('exit', (code) => {
      if (beside) process.stdout.write(text)
      resolve({ code, text })
    })
  })

async function check(name, args) {
  say(`\n== ${name}`)
  const { code } = await run(args)
  counts[code === 0 ? 'passed' : 'failed']++
  if (code !== 0) failures.push(`${name} (a check)`)
}

async function mocha(name, files, env, beside = false) {
  if (!beside) say(`\n== ${name}`)
  const { code, text } = await run(['node_modules/mocha/bin/mocha.js', ...files], env, beside)
  const number = (word) => Number(new RegExp(`^\\s*(\\d+) ${word}`, 'm').exec(text)?.[1] ?? 0)
  counts.passed += number('passing')
  // A run that ends badly without counting a failure has failed all the same.
  counts.failed += Math.max(number('failing'), code === 0 ? 0 : 1)
  if (code !== 0) failures.push(`${name}:${text.split(/^\s*\d+ failing$/m)[1] ?? ' ended badly'}`)
}

async function coreTests(beside) {
  await mocha('core', ['tests/core/**/*.test.ts', 'tests/store/**/*.test.{ts,tsx}'], {}, beside)
  await mocha('calendar in another zone', ['tests/core/calendar/*.test.ts'], { TZ: 'Pacific/Auckland' }, beside)
}

const faultTests = (beside) =>
  withTestCluster({ fsync: true }, ({ env }) => mocha('faults', ['tests/faults/**/*.test.ts', MOST_PATIENT], env, beside))

main(async () => {
  ensurePackages()
  const bin = (name, path) => join('node_modules', name, path)
  // The core needs no build and no server: its tests run beside the checks.
  const core = wants('core') ? coreTests(wants('checks')) : null
  if (wants('checks')) {
    await check('pages', [bin('astro', 'astro.js'), 'sync', '--silent'])
    await check('types', [bin('typescript', 'bin/tsc'), '-p', '.'])
    await check('lint', [bin('@biomejs/biome', 'bin/biome'), 'check', '.', '--error-on-warnings'])
    await check('layers', [bin('dependency-cruiser', 'bin/dependency-cruise.mjs'), 'src', '--config', '.dependency-cruiser.cjs'])
    await check('unused code', [bin('knip', 'bin/knip.js')])
  }
  await core
  if (wants('server') || wants('browser') || wants('faults')) ensureBuild()
  if (wants('server')) ensurePdfReaders()
  // Tests of faults mostly wait for what they broke to come back: they run beside those of the server.
  const faults = wants('faults') ? faultTests(wants('server')) : null
  if (wants('server') || wants('browser'))
    await withTestCluster({ fsync: false }, async ({ env }) => {
      if (wants('server')) await mocha('server', ['tests/server/**/*.test.ts', PATIENT], env)
      await faults
      if (wants('browser')) await mocha('browser', ['tests/browser/**/*.test.ts', PATIENT], { ...env, CHROMIUM: ensureChromium() })
    })
  await faults
  for (const failure of failures) say(`\nFAILED ${failure}`)
  say(`\n${counts.passed} passed, ${counts.failed} failed`)
  process.exitCode = counts.failed > 0 ? 1 : 0
})
