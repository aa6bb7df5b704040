/** Snapshots, a copy and files in a course of two thousand activities. */
import { chromium } from 'playwright-core'
import { blueprintOf, type Records } from '../../src/core/blueprint/blueprint'
import { differencesOf } from '../../src/core/history/differences'
import { openDatabase } from '../../src/server/db/client'
import { readBytes, storeBytes } from '../../src/server/file-store'
import { ask, signIn } from './http'
import { judged, median, ms, ratio, type Section } from './measure'

const FILE_BYTES = 500_000_000
const PIECE = 64_000

/** A file of 500 MB in and out, and by how much the process grew meanwhile, in MB. */
async function fileThrough(databaseUrl: string): Promise<{ readonly inMs: number; readonly outMs: number; readonly grewMb: number }> {
  const { db, pool } = openDatabase(databaseUrl)
  const before = process.memoryUsage().rss
  let most = before
  const watch = setInterval(() => {
    most = Math.max(most, process.memoryUsage().rss)
  }, 20)
  const filler = Buffer.alloc(PIECE, 7)
  function* source() {
    for (let at = 0; at < FILE_BYTES; at += PIECE) {
      filler.writeUInt32LE(at)
      yield Buffer.from(filler.subarray(0, Math.min(PIECE, FILE_BYTES - at)))
    }
  }
  const begun = performance.now()
  const { hash } = await db.transaction((tx) => storeBytes(tx, source(), FILE_BYTES, () => new Error('too large')))
  const stored = performance.now()
  let read = 0
  for await (const part of readBytes(db, hash)) read += part.length
  const done = performance.now()
  clearInterval(watch)
  await pool.end()
  if (read !== FILE_BYTES) throw new Error(`${read} bytes came back`)
  return { inMs: stored - begun, outMs: done - stored, grewMb: (most - before) / 1e6 }
}

export async function benchSpaces(origin: string, databaseUrl: string, chromiumPath: string, hugeId: string): Promise<Section> {
  const cookie = await signIn(origin)
  const timesOf = async (times: number, work: () => Promise<unknown>) => {
    const taken: number[] = []
    for (let n = 0; n < times; n++) {
      const begun = performance.now()
      await work()
      taken.push(performance.now() - begun)
    }
    return median(taken)
  }
  const course = `/api/courses/${hugeId}`
  let snapshotId = ''
  // The first is kept with its content; the same again is only named.
  const snapshot = await timesOf(1, async () => {
    snapshotId = (
      JSON.parse((await ask(origin, `${course}/snapshots`, { cookie, body: { name: 'Bench' } })).body.toString()) as { id: string }
    ).id
  })
  const planAt = async (path: string) =>
    blueprintOf((JSON.parse((await ask(origin, path, { cookie })).body.toString()) as { records: Records }).records)
  const now = await planAt(course)
  const compared = await timesOf(5, async () => differencesOf(await planAt(`${course}/snapshots/${snapshotId}`), now))
  const copied = await timesOf(3, () => ask(origin, `${course}/copy`, { cookie, body: { title: 'A copy', firstDay: '2028-09-04' } }))
  const browser = await chromium.launch({ executablePath: chromiumPath, args: ['--no-sandbox', '--disable-gpu'] })
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  await context.addCookies(
    cookie.split('; ').map((c) => ({ name: c.split('=')[0] ?? '', value: c.slice(c.indexOf('=') + 1), url: origin })),
  )
  const page = await context.newPage()
  const opened = async (path: string) => {
    await page.goto(`${origin}/courses/${hugeId}/${path}`)
    await page.locator('[data-row="a1-3"] [data-column="1"]').waitFor()
    return page.evaluate(() => performance.now())
  }
  const times: { live: number[]; frozen: number[] } = { live: [], frozen: [] }
  for (let n = -1; n < 5; n++) {
    const [live, frozen] = [await opened('map'), await opened(`snapshots/${snapshotId}/map`)]
    if (n >= 0) {
      times.live.push(live)
      times.frozen.push(frozen)
    }
  }
  await browser.close()
  const file = await fileThrough(databaseUrl)
  return {
    title: 'Snapshots, copies and files',
    how: 'The course of 2,030 activities over HTTP: a snapshot made; one fetched and compared with the plan; the course copied, as one change. Opened read-only is until the first rows of the map stand, beside the live course by turns. A file of 500 MB through the file store, with the most by which the process grew.',
    lines: [
      judged('Snapshot made', snapshot, 500, ms),
      judged('Snapshot compared, median', compared, 500, ms),
      judged('Course copied, median', copied, 2000, ms),
      { what: 'Live course opened, median', value: ms(median(times.live)) },
      judged('Snapshot opened, against the live course', median(times.frozen) / median(times.live), 1.3, ratio),
      { what: '500 MB in', value: ms(file.inMs) },
      { what: '500 MB out', value: ms(file.outMs) },
      judged('Memory for it, in MB', file.grewMb, 100, (mb) => mb.toFixed(0)),
    ],
  }
}
