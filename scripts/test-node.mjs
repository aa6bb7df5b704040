// Runs the tests of core, store and server on other versions of Node: npm run test:node [-- 22 24]. They come as npm packages.
import { spawnSync } from 'node:child_process'
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { ensurePackages, ROOT } from './lib/machine.mjs'
import { main, say, stop } from './lib/say.mjs'

const versions = process.argv.slice(2).length > 0 ? process.argv.slice(2) : ['22', '24']

/** The program of a version; installed beside the project's own packages, where it is not yet. */
function nodeOf(version) {
  const folder = join(ROOT, 'node_modules/.cache/node', version)
  const program = join(folder, 'node_modules/node/bin/node')
  const works = () => spawnSync(program, ['--version'], { encoding: 'utf8' }).stdout?.startsWith(`v${version}.`)
  if (works()) return program
  say(`Installing Node ${version} ...`)
  mkdirSync(folder, { recursive: true })
  const done = spawnSync('npm', ['install', '--prefix', folder, '--no-audit', '--no-fund', '--loglevel=error', `node@${version}`], {
    stdio: 'inherit',
  })
  if (done.status !== 0 || !works()) stop(`Node ${version} could not be installed as an npm package.`)
  return program
}

main(async () => {
  ensurePackages()
  for (const version of versions) {
    const program = nodeOf(version)
    say(`\n== Node ${version}`)
    const { status } = spawnSync(program, ['scripts/test.mjs', 'core', 'server'], { cwd: ROOT, stdio: 'inherit' })
    if (status !== 0) process.exitCode = 1
  }
})
