/** Runs all benchmarks on the cluster that scripts/bench.mjs started; prints them, and writes docs/benchmarks.md with --write. */
import { writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { cairn, cloneDatabase, startServer } from '../support/server'
import { benchAnalysis } from './analysis'
import { benchBrowser } from './browser'
import { demoFile, enlarge } from './enlarge'
import { benchFrameworks } from './frameworks'
import { benchHttp } from './http'
import { asMarkdown } from './measure'
import { benchObjectives } from './objectives'

const FILE = 'docs/benchmarks.md'
const courseFile = process.env['CAIRN_BENCH_COURSE'] ?? ''

const database = await cloneDatabase()
const server = await startServer(database.url)
try {
  writeFileSync(courseFile, enlarge(demoFile(), 10))
  const imported = await cairn(['import', courseFile, '--owner', 'ines@larkfield.example'], { DATABASE_URL: database.url })
  const courseId = /imported as (\S+),/.exec(imported.stdout)?.[1]
  if (!courseId) throw new Error(imported.stderr)
  const sections = [
    await benchAnalysis(),
    ...(await benchObjectives()),
    await benchHttp(server.origin, database.url, courseId),
    ...(await benchBrowser(server.origin, process.env['CHROMIUM'] ?? '/usr/bin/chromium', courseId)),
    await benchFrameworks(server.origin),
  ]
  const text = sections.map(asMarkdown).join('\n')
  process.stdout.write(`${text}\n`)
  if (process.argv.includes('--write'))
    writeFileSync(
      FILE,
      `# Benchmarks\n\nMade by \`npm run bench -- --write\`: ${cpus().length} cores, Node ${process.version}. Times say little about other machines; the ratios, taken within one run, do.\n\n${text}`,
    )
  const missed = sections.flatMap((s) => s.lines).filter((l) => l.met === false)
  process.stdout.write(missed.length === 0 ? 'All aims are met.\n' : `Not met: ${missed.map((l) => l.what).join('; ')}\n`)
} finally {
  await server.stop()
  await database.drop()
}
