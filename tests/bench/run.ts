/** Runs all benchmarks on the cluster that scripts/bench.mjs started; prints them, and writes docs/benchmarks.md with --write. */
import { writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { cairn, cloneDatabase, startServer } from '../support/server'
import { benchAnalysis } from './analysis'
import { benchBrowser } from './browser'
import { demoFile, enlarge } from './enlarge'
import { benchFrameworks } from './frameworks'
import { benchHttp } from './http'
import { benchManyCourses, benchPeople, benchProcesses } from './load'
import { asMarkdown, calm, type Section } from './measure'
import { benchObjectives } from './objectives'
import { benchStart } from './start'

const FILE = 'docs/benchmarks.md'
const courseFile = process.env['CAIRN_BENCH_COURSE'] ?? ''

const database = await cloneDatabase()
const server = await startServer(database.url)
try {
  const importTimes = async (times: number): Promise<string> => {
    writeFileSync(courseFile, enlarge(demoFile(), times))
    const imported = await cairn(['import', courseFile, '--owner', 'ines@larkfield.example'], { DATABASE_URL: database.url })
    const id = /imported as (\S+),/.exec(imported.stdout)?.[1]
    if (!id) throw new Error(imported.stderr)
    return id
  }
  const courseId = await importTimes(10)
  const hugeId = await importTimes(29)
  const chromiumPath = process.env['CHROMIUM'] ?? '/usr/bin/chromium'
  const all: readonly (readonly [string, () => Promise<Section | readonly Section[]>])[] = [
    ['analysis', benchAnalysis],
    ['objectives', benchObjectives],
    ['server', () => benchHttp(server.origin, database.url, courseId)],
    ['people', benchPeople],
    ['processes', benchProcesses],
    ['courses', benchManyCourses],
    ['start', () => benchStart(server, database.url, chromiumPath)],
    ['browser', () => benchBrowser(server.origin, chromiumPath, courseId, hugeId)],
    ['frameworks', () => benchFrameworks(server.origin)],
  ]
  // Words name the parts to run; without, all of them.
  const only = process.argv.slice(2).filter((a) => !a.startsWith('--'))
  const sections: Section[] = []
  for (const [name, run] of all) {
    if (only.length > 0 && !only.includes(name)) continue
    await calm()
    const done = [await run()].flat()
    process.stdout.write(`${done.map(asMarkdown).join('\n')}\n`)
    sections.push(...done)
  }
  const text = sections.map(asMarkdown).join('\n')
  if (process.argv.includes('--write'))
    writeFileSync(
      FILE,
      `# Benchmarks\n\nMade by \`npm run bench -- --write\`: ${cpus().length} cores, Node ${process.version}. Times say little about other machines; the ratios, taken within one run, do. Each part waits, up to two minutes, until the host of a virtual machine leaves it alone.\n\n${text}`,
    )
  const missed = sections.flatMap((s) => s.lines).filter((l) => l.met === false)
  process.stdout.write(missed.length === 0 ? 'All aims are met.\n' : `Not met: ${missed.map((l) => l.what).join('; ')}\n`)
} finally {
  await server.stop()
  await database.drop()
}
