// The HTTP server around Astro's handler: static files compressed before, body limit, time-outs, a clean end.
process.env.ASTRO_NODE_AUTOSTART = 'disabled'
process.env.NODE_ENV ??= 'production'

import { setMaxListeners } from 'node:events'
import http from 'node:http'
import sirv from 'sirv'

const root = new URL('..', import.meta.url)
process.env.CAIRN_TASK_WORKER ??= new URL('dist/tools/tasks.mjs', root).href
const shutdown = new AbortController()
// Every open stream listens; there is no leak in many of them.
setMaxListeners(0, shutdown.signal)
// Event streams listen to this.
globalThis[Symbol.for('cairn.shutdown')] = shutdown
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

const LIMIT_BYTES = Number(process.env.CAIRN_BODY_LIMIT ?? 25_000_000)
const GRACE_MS = 5000
const host = process.env.HOST ?? '127.0.0.1'
const port = Number(process.env.PORT ?? 4321)

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

const server = http.createServer({ headersTimeout: 10_000, requestTimeout: 60_000, keepAliveTimeout: 5000 }, (req, res) => {
  if (shutdown.signal.aborted) res.setHeader('connection', 'close')
  if (Number(req.headers['content-length'] ?? 0) > LIMIT_BYTES)
    return refuse(res, 413, 'too-large', `A request holds at most ${LIMIT_BYTES / 1e6} MB.`)
  if (req.headers['transfer-encoding']) return refuse(res, 411, 'no-length', 'Send the length of the body.')
  if (!isReadable(req.url ?? '')) return refuse(res, 400, 'bad-address', 'This address cannot be read.')
  // Believed only from a known proxy, and there is none; the auth library reads x-client-ip.
  for (const name of ['x-forwarded-for', 'x-forwarded-host', 'x-forwarded-proto', 'x-forwarded-port', 'x-client-ip'])
    delete req.headers[name]
  req.headers['x-client-ip'] = req.socket.remoteAddress ?? ''
  // A file that went while it was asked for (another build in its place) ends this answer, not the server.
  res.on('pipe', (source) => source.once('error', () => res.destroy()))
  files(req, res, () => handler(req, res))
})
server.on('error', (error) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Port ${port} is taken. Stop what uses it, or choose another: PORT=${port + 79} npm run demo`
      : String(error),
  )
  process.exit(error.code === 'EADDRINUSE' ? 3 : 1)
})
server.listen(port, host, () => console.log(JSON.stringify({ msg: 'listening', host, port })))

const stop = () => {
  if (shutdown.signal.aborted) return
  shutdown.abort()
  server.close(() => process.exit(0))
  server.closeIdleConnections()
  setTimeout(() => server.closeAllConnections(), GRACE_MS).unref()
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
