// Sets the machine up, runs the checks and the four layers of tests, and ends with one line of counts.
import { spawn } from 'node:child_process'
import { closeSync, mkdtempSync, openSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
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

/**
 * Runs a program. What it says is shown as it comes, or, beside another, when it ends: until then it goes to a file, which takes it
 * while this program waits for something else.
 */
const run = (args, env = {}, beside = false) =>
  new Promise((resolve) => {
    let text = ''
    const folder = beside ? mkdtempSync(join(tmpdir(), 'cairn-run-')) : null
    const said = folder ? openSync(join(folder, 'said'), 'w') : 'pipe'
    const child = spawn(process.execPath, args, {
      cwd: ROOT,
      env: { ...process.env, TZ: 'America/Los_Angeles', ...env },
      stdio: ['ignore', said, said],
    })
    for (const stream of [child.stdout, child.stderr])
      stream?.on('data', (chunk) => {
        process.stdout.write(chunk)
        text += chunk
      })
    child.once('close', (code) => {
      if (folder) {
        closeSync(said)
        text = readFileSync(join(folder, 'said'), 'utf8')
        rmSync(folder, { recursive: true })
        process.stdout.write(text)
      }
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
  say(beside ? `\n== ${name}, beside what follows` : `\n== ${name}`)
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

async function checks() {
  const bin = (name, path) => join('node_modules', name, path)
  await check('pages', [bin('astro', 'astro.js'), 'sync', '--silent'])
  await check('types', [bin('typescript', 'bin/tsc'), '-p', '.'])
  await check('lint', [bin('@biomejs/biome', 'bin/biome'), 'check', '.', '--error-on-warnings'])
  await check('layers', [bin('dependency-cruiser', 'bin/dependency-cruise.mjs'), 'src', '--config', '.dependency-cruiser.cjs'])
  await check('unused code', [bin('knip', 'bin/knip.js')])
}

const serverTests = () => withTestCluster({ fsync: false }, ({ env }) => mocha('server', ['tests/server/**/*.test.ts', PATIENT], env))
const faultTests = (beside) =>
  withTestCluster({ fsync: true }, ({ env }) => mocha('faults', ['tests/faults/**/*.test.ts', MOST_PATIENT], env, beside))
const browserTests = () =>
  withTestCluster({ fsync: false }, ({ env }) =>
    mocha('browser', ['tests/browser/**/*.test.ts', PATIENT], { ...env, CHROMIUM: ensureChromium() }),
  )

main(async () => {
  ensurePackages()
  // Two things at a time, as a small machine has two processors. The core needs no build and no server: its tests run beside the
  // checks, the build and what follows. Tests of faults mostly wait for what they broke to come back: they run beside those of the
  // server. Windows need a processor and a half: they run alone.
  const core = wants('core') ? coreTests(only.length !== 1) : null
  if (wants('checks')) await checks()
  if (wants('server') || wants('browser') || wants('faults')) ensureBuild()
  if (wants('server')) ensurePdfReaders()
  const faults = wants('faults') ? faultTests(wants('server')) : null
  if (wants('server')) await serverTests()
  await faults
  await core
  if (wants('browser')) await browserTests()
  for (const failure of failures) say(`\nFAILED ${failure}`)
  say(`\n${counts.passed} passed, ${counts.failed} failed`)
  process.exitCode = counts.failed > 0 ? 1 : 0
})
