/** Starting, static files and the first view, beside a bare server of the same machine in the same run. */
import { spawn } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import http from 'node:http'
import { chromium } from 'playwright-core'
import { freePort, type TestServer } from '../support/server'
import { ask, signIn } from './http'
import { byTurns, judged, median, ms, ratio, type Section } from './measure'

const BARE = `require('node:http').createServer((q, r) => r.end('ok')).listen(process.env.PORT, '127.0.0.1')`

/** From the start of a process until it answers, in milliseconds. */
async function untilAnswer(args: readonly string[], env: NodeJS.ProcessEnv, path: string): Promise<number> {
  const port = await freePort()
  const begun = performance.now()
  const child = spawn(process.execPath, [...args], {
    env: { ...process.env, CAIRN_ORIGIN: `http://127.0.0.1:${port}`, ...env, PORT: String(port) },
    stdio: 'ignore',
  })
  try {
    for (;;) {
      const answered = await fetch(`http://127.0.0.1:${port}${path}`).then(
        (r) => r.ok,
        () => false,
      )
      if (answered) return performance.now() - begun
      await new Promise((r) => setTimeout(r, 5))
    }
  } finally {
    child.kill('SIGKILL')
    await new Promise((r) => child.once('exit', r))
  }
}

export async function benchStart(server: TestServer, databaseUrl: string, chromiumPath: string): Promise<Section> {
  const env = {
    DATABASE_URL: databaseUrl,
    AUTH_SECRET: randomBytes(32).toString('hex'),
    HOST: '127.0.0.1',
    CAIRN_RATE_LIMIT: 'off',
  }
  const cold: { cairn: number[]; bare: number[] } = { cairn: [], bare: [] }
  for (let n = 0; n < 5; n++) {
    cold.cairn.push(await untilAnswer(['scripts/server.mjs'], env, '/sign-in'))
    cold.bare.push(await untilAnswer(['-e', BARE], {}, '/'))
  }
  // The largest file, as a browser asks for it, beside the same bytes from memory.
  const folder = 'dist/client/_astro/'
  const files = readdirSync(folder).filter((f) => /\.(js|css)$/.test(f))
  const name = files.toSorted((a, b) => statSync(folder + b).size - statSync(folder + a).size)[0] ?? ''
  const bytes = readFileSync(`${folder}${name}.br`)
  const emptyPage = '<!doctype html><title>bare</title>'
  const bare = http
    .createServer((q, r) => (q.url === '/x' ? r.end(bytes) : r.setHeader('content-type', 'text/html').end(emptyPage)))
    .listen(0, '127.0.0.1')
  await new Promise((r) => bare.once('listening', r))
  const address = bare.address()
  const bareOrigin = `http://127.0.0.1:${typeof address === 'object' ? address?.port : 0}`
  const fetched = async (url: string) => (await (await fetch(url, { headers: { 'accept-encoding': 'br' } })).arrayBuffer()).byteLength
  const statics = await byTurns(60, { cairn: () => fetched(`${server.origin}/_astro/${name}`), bare: () => fetched(`${bareOrigin}/x`) })
  const head = await fetch(`${server.origin}/_astro/${name}`, { headers: { 'accept-encoding': 'br' } })
  const compressed = files
    .filter((f) => statSync(folder + f).size >= 1024)
    .every((f) => existsSync(`${folder + f}.br`) && existsSync(`${folder + f}.gz`))
  // The first workspace in a browser that was never here, beside a page of nothing but the same number of bytes.
  const cookie = await signIn(server.origin)
  const courseBytes = (await ask(server.origin, '/api/courses/small-streams', { cookie })).body.length
  const browser = await chromium.launch({ executablePath: chromiumPath, args: ['--no-sandbox', '--disable-gpu'] })
  const first: { cairn: number[]; bare: number[] } = { cairn: [], bare: [] }
  for (let n = 0; n < 5; n++) {
    const context = await browser.newContext()
    await context.addCookies(
      cookie.split('; ').map((c) => ({ name: c.split('=')[0] ?? '', value: c.slice(c.indexOf('=') + 1), url: server.origin })),
    )
    const page = await context.newPage()
    await page.goto(`${server.origin}/courses/small-streams/outcomes`)
    await page.locator('[aria-label="Objective 1a"]').waitFor()
    first.cairn.push(await page.evaluate(() => performance.now()))
    await page.goto(bareOrigin)
    first.bare.push(await page.evaluate(() => performance.now()))
    await context.close()
  }
  await browser.close()
  bare.close()
  return {
    title: 'Starting and the first view',
    how: `From the start of the process to the first page (database and build are there), beside a server of one line; the largest file of the interface (${name.replace(/\..*/, '')}), brotli made when building, beside the same bytes sent from memory; the outcomes of the demo course (${Math.round(courseBytes / 1000)} kB of data) in a browser that was never here, beside an empty page of the bare server. Medians.`,
    lines: [
      { what: 'Cold start', value: ms(median(cold.cairn)) },
      { what: 'Cold start of the bare server', value: ms(median(cold.bare)) },
      { what: 'Largest file', value: ms(median(statics.cairn ?? [])) },
      { what: 'Largest file, against the same bytes from memory', value: ratio(median(statics.cairn ?? []) / median(statics.bare ?? [])) },
      judged('Files of 1 kB and more that are not compressed before', compressed ? 0 : 1, 0, String),
      judged(
        'Files that are not kept by name for a year',
        head.headers.get('cache-control') === 'public, max-age=31536000, immutable' && head.headers.get('content-encoding') === 'br'
          ? 0
          : 1,
        0,
        String,
      ),
      { what: 'First workspace', value: ms(median(first.cairn)) },
      { what: 'Empty page of the bare server', value: ms(median(first.bare)) },
    ],
  }
}
