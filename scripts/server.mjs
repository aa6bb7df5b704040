// The HTTP server around Astro's handler: settings, static files compressed before, body limit, time-outs, whom a request is from and
// which host it asks, a clean end.
process.env.ASTRO_NODE_AUTOSTART = 'disabled'
process.env.NODE_ENV ??= 'production'

import { setMaxListeners } from 'node:events'
import http from 'node:http'
import sirv from 'sirv'

const root = new URL('..', import.meta.url)
process.env.CAIRN_HELPER ??= new URL('dist/tools/helper.mjs', root).href
const { clientAddress, limit, log, logCounted, logLibrary, readSettings } = await import(new URL('dist/tools/serving.mjs', root).href)
const settings = readSettings(process.env)
if ('problems' in settings) {
  for (const problem of settings.problems) {
    console.error(problem)
    log('error', { code: 'setting', problem })
  }
  process.exit(1)
}
const shutdown = new AbortController()
// Every open stream listens; there is no leak in many of them.
setMaxListeners(0, shutdown.signal)
// Event streams listen to this.
globalThis[Symbol.for('cairn.shutdown')] = shutdown
// What libraries say goes the way of all lines, without what somebody may have typed.
for (const [name, level] of [
  ['log', 'info'],
  ['info', 'info'],
  ['warn', 'error'],
  ['error', 'error'],
])
  console[name] = (...said) => logLibrary(level, said[0])
const { handler } = await import(new URL('dist/server/entry.mjs', root).href)
const files = sirv(new URL('dist/client', root).pathname, {
  etag: true,
  brotli: true,
  gzip: true,
  setHeaders: (res, path) => {
    res.setHeader('x-content-type-options', 'nosniff')
    res.setHeader('cache-control', path.startsWith('/_astro/') ? 'public, max-age=31536000, immutable' : 'no-cache')
  },
})

const GRACE_MS = 5000
/** Bytes that a reader of an event stream may be behind; it comes back and asks for what it missed (Cairn default). */
const MOST_BEHIND = 1_000_000
/** A body has this long, and a second more for each of these bytes: a line of 100 kB a second is slow enough (Cairn defaults). */
const BODY_MS = 10_000
const BYTES_A_SECOND = 100_000
const { bodyLimit, connections: mostConnections, host, port, trusts } = settings
const origin = new URL(settings.origin)

function refuse(res, status, code, title) {
  if (res.headersSent) return res.destroy()
  res.writeHead(status, { 'content-type': 'application/problem+json', connection: 'close' })
  res.end(JSON.stringify({ type: `about:blank#${code}`, title, status, code }))
}

/** Whether an address can be read: what is encoded in it is text. */
function isReadable(address) {
  try {
    return !decodeURIComponent(address.split('?', 1)[0]).includes('\0')
  } catch {
    return false
  }
}

/** Whoever tries to get in, and is not known yet: counted before anything else is done, so that it costs next to nothing. */
const DOOR = /^\/api\/auth\/sign-(?:in|up)/
const isLoopback = (at) => /^(?:localhost|127\.0\.0\.1|\[::1\])(?::\d+)?$/.test(at)
/** A host as it is told back: as much of it as a name has. */
const fitting = (at) => at.slice(0, 100) || 'nothing'

/** Lets go of a reader of events that does not read: what writes them does not wait for it. */
function dropsWhoIsBehind(res) {
  const { write, writeHead } = res
  let isStream = false
  res.writeHead = function (...args) {
    isStream = args.some((of) => String(of?.['content-type'] ?? '').startsWith('text/event-stream'))
    return writeHead.apply(this, args)
  }
  res.write = function (...args) {
    const goesOn = write.apply(this, args)
    if (!goesOn && isStream && this.writableLength > MOST_BEHIND) this.destroy()
    return goesOn
  }
}

/** Ends a request whose body comes too slowly. */
function needsPace(req, length) {
  const timer = setTimeout(() => req.destroy(), BODY_MS + (length / BYTES_A_SECOND) * 1000)
  req.once('end', () => clearTimeout(timer))
  req.once('close', () => clearTimeout(timer))
}

const LIMITS = { headersTimeout: 10_000, requestTimeout: 0, keepAliveTimeout: 5000, maxHeaderSize: 8192 }
const server = http.createServer(LIMITS, (req, res) => {
  if (shutdown.signal.aborted) res.setHeader('connection', 'close')
  const length = Number(req.headers['content-length'] ?? 0)
  if (length > bodyLimit) return refuse(res, 413, 'too-large', `A request holds at most ${bodyLimit / 1e6} MB.`)
  if (req.headers['transfer-encoding']) return refuse(res, 411, 'no-length', 'Send the length of the body.')
  if (!isReadable(req.url ?? '')) return refuse(res, 400, 'bad-address', 'This address cannot be read.')
  // A name that somebody else's domain gave to this address is none of ours: its pages would read what is shown here.
  const asked = req.headers.host?.toLowerCase() ?? ''
  if (asked !== origin.host) {
    // Typed by whoever sits at this machine. Anywhere else, a proxy that hides the host would be sent round for ever.
    const isTyped = req.method === 'GET' && isLoopback(origin.host) && isLoopback(asked) && req.url?.startsWith('/')
    if (isTyped) return res.writeHead(307, { location: origin.origin + req.url }).end()
    return refuse(res, 421, 'other-host', `Cairn is at ${origin.origin}, and was asked for as ${fitting(asked)}.`)
  }
  if (origin.protocol === 'https:') res.setHeader('strict-transport-security', 'max-age=31536000')
  // The auth library reads x-client-ip; what proxies say is read here and nowhere else.
  const address = clientAddress(req.socket.remoteAddress ?? '', req.headers, trusts)
  for (const name of ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-forwarded-proto', 'x-forwarded-port', 'x-client-ip'])
    delete req.headers[name]
  req.headers['x-client-ip'] = address
  if (length > 0) needsPace(req, length)
  dropsWhoIsBehind(res)
  // A file that went while it was asked for (another build in its place) ends this answer, not the server.
  res.on('pipe', (source) => source.once('error', () => res.destroy()))
  // What an answer takes up is given back when it is sent, or when its reader is gone.
  const answered = new Promise((done) => res.once('close', done))
  const goOn = () => files(req, res, () => handler(req, res, undefined, { answered }))
  if (req.method !== 'POST' || !DOOR.test(req.url ?? '')) return goOn()
  limit('door', address).then(goOn, (refusal) => {
    logCounted({ code: 'refused', status: refusal.status, why: refusal.code, route: '/api/auth/[...all]' })
    for (const [name, value] of Object.entries(refusal.headers)) res.setHeader(name, value)
    refuse(res, refusal.status, refusal.code, refusal.message)
  })
})
/** Open connections by address; a proxy that is trusted speaks for many. */
const connections = new Map()
server.on('connection', (socket) => {
  const from = socket.remoteAddress ?? ''
  if (trusts(from)) return
  const open = (connections.get(from) ?? 0) + 1
  if (open > mostConnections) return socket.destroy()
  connections.set(from, open)
  socket.once('close', () => {
    const left = connections.get(from) - 1
    if (left > 0) connections.set(from, left)
    else connections.delete(from)
  })
})
// A reader that takes nothing so long is let go: work of a helper may take a minute, and wait for its turn; events beat more often (Cairn default).
server.setTimeout(180_000)
server.on('error', (error) => {
  process.stderr.write(
    `${
      error.code === 'EADDRINUSE'
        ? `Port ${port} is taken. Stop what uses it, or choose another: PORT=${port + 79} npm run demo`
        : String(error)
    }\n`,
  )
  process.exit(error.code === 'EADDRINUSE' ? 3 : 1)
})
server.listen(port, host, () => log('info', { code: 'listening', host, port }))

const stop = () => {
  if (shutdown.signal.aborted) return
  shutdown.abort()
  server.close(() => process.exit(0))
  server.closeIdleConnections()
  setTimeout(() => server.closeAllConnections(), GRACE_MS).unref()
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
