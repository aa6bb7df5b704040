// Installs what the machine lacks: npm packages, and Debian's packages through apt.
import { execFileSync, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { say, stop } from './say.mjs'

export const ROOT = new URL('../..', import.meta.url).pathname.replace(/\/$/, '')
const isRoot = process.getuid?.() === 0

/** The folder of PostgreSQL's programs, newest version first; null where it is not installed. */
export function postgresBin() {
  if (process.env.PGBIN) return process.env.PGBIN
  const base = '/usr/lib/postgresql'
  const versions = existsSync(base) ? readdirSync(base).filter((v) => existsSync(join(base, v, 'bin/initdb'))) : []
  const newest = versions.sort((a, b) => Number(b) - Number(a))[0]
  return newest ? join(base, newest, 'bin') : null
}

export const chromiumPath = () =>
  process.env.CHROMIUM ?? ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((p) => existsSync(p)) ?? null

/** Installs Debian packages, as root or through sudo without a password. */
export function aptInstall(packages, why) {
  const how = `Install it with: apt-get install ${packages.join(' ')}`
  if (spawnSync('apt-get', ['--version']).status !== 0)
    stop(`${why} is missing and this machine has no apt-get. Install ${packages.join(', ')} and start again.`)
  const sudo = isRoot ? [] : ['sudo', '-n']
  if (!isRoot && spawnSync('sudo', ['-n', 'true']).status !== 0) stop(`${why} is missing and this user may not install packages. ${how}`)
  say(`Installing ${packages.join(', ')} from Debian's packages ...`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  const run = (args) =>
    spawnSync([...sudo, ...args][0], [...sudo, ...args].slice(1), { env, stdio: ['ignore', 'ignore', 'pipe'], encoding: 'utf8' })
  // Debian would start a cluster of its own on the usual port; ours is separate.
  const conf = '/etc/postgresql-common/createcluster.conf'
  if (isRoot && packages.includes('postgresql') && !existsSync(conf)) {
    mkdirSync('/etc/postgresql-common', { recursive: true })
    writeFileSync(conf, 'create_main_cluster = false\n')
  }
  run(['apt-get', 'update', '-qq'])
  const done = run(['apt-get', 'install', '-y', '-qq', '--no-install-recommends', '-o', 'Dpkg::Options::=--force-confold', ...packages])
  if (done.status !== 0) stop(`${why} could not be installed: ${done.stderr.trim().split('\n').at(-1)}. ${how}`)
}

export function ensurePostgres() {
  if (!postgresBin()) aptInstall(['postgresql'], 'PostgreSQL')
  return postgresBin() ?? stop('PostgreSQL was installed, but its programs are not under /usr/lib/postgresql. Set PGBIN to their folder.')
}

export function ensureChromium() {
  if (!chromiumPath()) aptInstall(['chromium'], 'Chromium')
  return chromiumPath() ?? stop('Chromium was installed, but is not at /usr/bin/chromium. Set CHROMIUM to its path.')
}

/** Programs that read PDF files, with which tests look at ours. */
export function ensurePdfReaders() {
  const has = (program) => spawnSync('which', [program]).status === 0
  const lacks = [
    ['pdfinfo', 'poppler-utils'],
    ['qpdf', 'qpdf'],
  ].flatMap(([program, name]) => (has(program) ? [] : [name]))
  if (lacks.length > 0) aptInstall(lacks, 'A reader of PDF files')
}

const hash = (text) => createHash('sha256').update(text).digest('hex')

/** Installs npm packages when there are none, or when package.json says others. */
export function ensurePackages() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19)) stop(`Cairn runs on Node 20.19 or newer; this is ${process.version}.`)
  const stamp = join(ROOT, 'node_modules/.cairn-stamp')
  const wanted = hash(readFileSync(join(ROOT, 'package.json'), 'utf8'))
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  say('Installing npm packages ...')
  const done = spawnSync('npm', ['install', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
  })
  if (done.status !== 0) stop('npm install failed: see its message above, then start again.')
  writeFileSync(stamp, wanted)
}

/** Builds when the sources differ from what was built. */
export function ensureBuild() {
  const files = execFileSync('find', ['src', 'astro.config.mjs', 'package.json', 'scripts/build.mjs', '-type', 'f'], {
    cwd: ROOT,
    encoding: 'utf8',
  })
    .trim()
    .split('\n')
    .sort()
  const wanted = hash(files.map((f) => f + readFileSync(join(ROOT, f), 'latin1')).join('\0'))
  const stamp = join(ROOT, 'dist/.stamp')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  say('Building ...')
  const done = spawnSync(process.execPath, ['scripts/build.mjs'], { cwd: ROOT, encoding: 'utf8' })
  if (done.status !== 0) stop(`The build failed:\n${done.stdout.slice(-3000)}${done.stderr.slice(-3000)}`)
  writeFileSync(stamp, wanted)
}
