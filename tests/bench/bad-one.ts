/**
 * Somebody who takes all that one account can get, one way at a time. As a program, so that what it costs to be bad is not counted
 * with the others: `bad-one.ts ATTACK SECONDS ORIGIN COURSE COOKIE`; says how often it was answered what.
 */
import { connect, type Socket } from 'node:net'
import { pathToFileURL } from 'node:url'

const [attack = '', seconds = '5', origin = '', course = '', cookie = ''] = process.argv.slice(2)
const end = Date.now() + Number(seconds) * 1000
const answers: Record<string, number> = {}
const told = (what: string | number) => {
  answers[what] = (answers[what] ?? 0) + 1
}
const at = `/api/courses/${course}`

async function ask(path: string, body?: unknown, method = body === undefined ? 'GET' : 'POST'): Promise<void> {
  const init = body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }
  const response = await fetch(origin + path, {
    method,
    headers: { cookie, origin, 'content-type': 'application/json' },
    signal: AbortSignal.timeout(Math.max(1, end - Date.now())),
    ...init,
  }).catch(() => null)
  if (response) await response.arrayBuffer().catch(() => null)
  told(response?.status ?? 'none')
}

/** Asks so many at a time, again and again, until the time is up. */
const keepAsking = (atOnce: number, one: (n: number) => Promise<void>): Promise<unknown> =>
  Promise.all(
    Array.from({ length: atOnce }, async (_, lane) => {
      for (let n = lane; Date.now() < end; n += atOnce) {
        const begun = Date.now()
        await one(n)
        // Refused at once is asked again soon, not as fast as this machine can.
        if (Date.now() - begun < 20) await new Promise((done) => setTimeout(done, 20))
      }
    }),
  )

const item = (n: number, parentId: string | null) => ({
  ...{ id: `i${n}`, frameworkId: 'deep', parentId, code: null, statement: `Item ${n}`, kind: 'element', required: true },
  ...{ anyOf: null, times: null, contexts: null, notes: null, sourceId: null, order: 'a0' },
})
const change = (id: string, operations: readonly unknown[]) =>
  JSON.stringify({ id, code: 'bring-in', params: {}, onConflict: 'refuse', operations })
/** Operations on records that are not there: each is a conflict. */
const conflicts = (n: number) =>
  Array.from({ length: n }, (_, i) => ({ op: 'update', kind: 'activity', id: `none${i}`, from: { title: 'A' }, to: { title: 'B' } }))
const nested = (n: number) =>
  Array.from({ length: n }, (_, i) => ({ op: 'create', kind: 'frameworkItem', record: item(i, i === 0 ? null : `i${i - 1}`) }))

const opened = new Set<Socket>()
const lineTo = (text: string): Socket => {
  const { hostname, port } = new URL(origin)
  const socket = connect(Number(port), hostname, () => socket.write(text))
  opened.add(socket)
  socket.on('error', () => told('cut'))
  socket.once('close', () => opened.delete(socket))
  return socket
}
const head = (method: string, path: string, more = '') =>
  `${method} ${path} HTTP/1.1\r\nhost: ${new URL(origin).host}\r\norigin: ${origin}\r\ncookie: ${cookie}\r\n${more}\r\n`

/** Each way, by what it is called in the report. */
const ATTACKS: Readonly<Record<string, () => Promise<unknown>>> = {
  'workbooks of 50,000 activities, six at a time': () => keepAsking(6, () => ask(`${at}/export.xlsx`)),
  'the whole course, six at a time': () => keepAsking(6, () => ask(at)),
  'the log from its beginning, six at a time': () => keepAsking(6, () => ask(`${at}/changes?since=0`)),
  'pages of history and what they can be filtered by': () =>
    keepAsking(6, (n) => ask(`${at}/history${n % 2 ? '/contents' : '?before=1000000'}`)),
  'changes of 60,000 operations that conflict': async () => {
    const operations = conflicts(60_000)
    await keepAsking(4, (n) => ask(`${at}/changes`, change(`bad${process.pid}x${n}`, operations)))
  },
  'trees of 4,000 levels': async () => {
    const operations = nested(4000)
    await keepAsking(4, (n) => ask(`${at}/changes`, change(`deep${process.pid}x${n}`, operations)))
  },
  'snapshots, copies and publications of the big course': () =>
    keepAsking(6, (n) =>
      n % 3 === 0
        ? ask(`${at}/snapshots`, { name: `S ${n}` })
        : n % 3 === 1
          ? ask(`${at}/copy`, { title: `C ${n}` })
          : ask(`${at}/publication`, ''),
    ),
  'event streams that nobody reads': () =>
    keepAsking(8, async () => {
      const socket = lineTo(head('GET', `${at}/events`))
      socket.once('data', (data) => {
        told(String(data).slice(9, 12))
        socket.pause()
      })
      await new Promise((done) => setTimeout(done, 50))
      if (opened.size > 200) for (const one of [...opened].slice(0, 100)) one.destroy()
    }),
  'bodies that do not come': () =>
    keepAsking(8, async () => {
      const socket = lineTo(head('POST', `${at}/changes`, 'content-type: application/json\r\ncontent-length: 20000000\r\n'))
      socket.once('data', (data) => told(String(data).slice(9, 12)))
      await new Promise((done) => setTimeout(done, 50))
    }),
  'passwords that are tried': () =>
    keepAsking(8, (n) => ask('/api/auth/sign-in/email', { email: `nobody${n}@example.org`, password: 'heron under the weir' })),
  'small changes as fast as they are answered': () =>
    keepAsking(8, (n) => ask(`${at}/changes`, change(`quick${process.pid}x${n}`, conflicts(1)))),
}
export const ATTACK_NAMES: readonly string[] = Object.keys(ATTACKS)

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  await ATTACKS[attack]?.()
  for (const socket of opened) socket.destroy()
  process.stdout.write(`${JSON.stringify(answers)}\n`)
  process.exit(0)
}
