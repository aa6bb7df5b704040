/** What one person takes from the others: streams, connections, long and slow bodies, readers that do not read. */
import { once } from 'node:events'
import { connect, type Socket } from 'node:net'
import { expect } from 'chai'
import { MOST_PARAMS } from '../../src/core/blueprint/change'
import { DEMO_PASSWORD } from '../../src/server/demo-people'
import { demoDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'

const COURSE = '/api/courses/small-streams'

/** Changes of 47 kB each: more than the machine itself holds back for a reader, which is some 10 MB. */
const MANY = 400

describe('a share of the server', () => {
  let database: TestDatabase
  let server: TestServer
  let cookie = ''
  before(async () => {
    database = await demoDatabase()
    server = await startServer(database.url)
    cookie = await signedIn()
  })
  after(async () => {
    await server.stop()
    await database.drop()
  })

  const post = (path: string, body: unknown, at = server) =>
    fetch(at.origin + path, {
      method: 'POST',
      headers: { cookie, origin: at.origin, 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
  const signedIn = async (): Promise<string> => {
    const answer = await post('/api/auth/sign-in/email', { email: 'ines@larkfield.example', password: DEMO_PASSWORD })
    return answer.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ')
  }
  type Opened = { readonly status: number; readonly end: () => void; readonly body: ReadableStream<Uint8Array> | null }
  const opened = async (as = cookie): Promise<Opened> => {
    const ends = new AbortController()
    const { status, body } = await fetch(`${server.origin}${COURSE}/events`, { headers: { cookie: as }, signal: ends.signal })
    return { status, body, end: () => ends.abort() }
  }
  /** Opens a stream until it may be opened: one that was ended is let go a moment later. */
  const openedAtLast = async (): Promise<Opened> => {
    for (;;) {
      const stream = await opened()
      if (stream.status === 200) return stream
    }
  }
  /** A change of the notes of six activities. */
  const noted = (id: string, from: string | null, to: string) => ({
    ...{ id, code: 'edit-text', params: { what: 'notes' }, onConflict: 'refuse' },
    operations: ['a1-3', 'a1-4', 'a1-5', 'a3-1', 'a3-10', 'a4-8'].map((activity) => ({
      ...{ op: 'update', kind: 'activity', id: activity, from: { notes: from }, to: { notes: to } },
    })),
  })

  it('is eight streams for a session; one that ends makes room, and so does one that was given up', async () => {
    const streams = await Promise.all(Array.from({ length: 8 }, () => opened()))
    expect(streams.map((s) => s.status)).to.deep.equal(Array(8).fill(200))
    const ninth = await fetch(`${server.origin}${COURSE}/events`, { headers: { cookie } })
    expect(ninth.status).to.equal(429)
    expect(ninth.headers.get('retry-after')).to.equal('30')
    expect(await ninth.json()).to.include({ code: 'too-many-streams' })
    // Another session of the same person has its own.
    const other = await opened(await signedIn())
    expect(other.status).to.equal(200)
    streams[0]?.end()
    const again = await openedAtLast()
    for (const stream of [...streams, other, again]) stream.end()
    for (let n = 0; n < 12; n++) {
      const head = await fetch(`${server.origin}${COURSE}/events`, { method: 'HEAD', headers: { cookie } })
      expect(head.status).to.equal(200)
    }
    for (let n = 0; n < 12; n++) (await openedAtLast()).end()
    const all = []
    for (let n = 0; n < 8; n++) all.push(await openedAtLast())
    for (const stream of all) stream.end()
  })

  it('is no more of the memory than a reader is behind by a million bytes', async () => {
    const { hostname, port } = new URL(server.origin)
    const socket = connect(Number(port), hostname)
    socket.write(`GET ${COURSE}/events HTTP/1.1\r\nhost: ${hostname}:${port}\r\ncookie: ${cookie}\r\n\r\n`)
    const [begun] = await once(socket, 'data')
    expect(String(begun)).to.match(/^HTTP\/1\.1 200/)
    // It stops reading; what the machine itself holds back is some millions of bytes.
    socket.pause()
    const text = (n: number) => `Note ${n}: ${'depth '.repeat(640)}`.trim()
    const first = await post(`${COURSE}/changes`, { ...noted('behind-0', null, text(0)), onConflict: 'skip' })
    expect(first.status, await first.clone().text()).to.equal(200)
    for (let n = 1; n < MANY; n++) {
      const answer = await post(`${COURSE}/changes`, noted(`behind-${n}`, text(n - 1), text(n)))
      expect(answer.status).to.equal(200)
    }
    const last = `Note ${MANY - 1}:`
    let read = ''
    socket.on('data', (d) => {
      read = (read + d).slice(-40_000)
    })
    socket.on('error', () => undefined)
    const closed = once(socket, 'close')
    socket.resume()
    await closed
    expect(read).to.not.include(last)
  })

  it('is a body as long as what it is for, refused before it is read', async () => {
    const long = (bytes: number) => ({ email: 'x'.repeat(bytes - 40), password: 'p' })
    expect((await post('/api/auth/sign-in/email', long(17_000))).status).to.equal(413)
    expect((await post('/api/auth/sign-in/email', long(15_000))).status).to.not.equal(413)
    const title = (bytes: number) => ({ title: 'x'.repeat(bytes) })
    expect((await post('/api/courses', title(256_000))).status).to.equal(413)
    expect((await post('/api/courses', title(200_000))).status).to.equal(422)
    expect((await post(`${COURSE}/changes`, noted('long', null, 'x'.repeat(200_000)))).status).to.equal(422)
  })

  it('is forty facts a change', async () => {
    const facts = (n: number) => ({
      ...noted(`facts-${n}`, 'a', 'b'),
      params: Object.fromEntries(Array.from({ length: n }, (_, i) => [`f${i}`, i])),
    })
    expect((await post(`${COURSE}/changes`, facts(MOST_PARAMS + 1))).status).to.equal(422)
    expect((await post(`${COURSE}/changes`, facts(MOST_PARAMS))).status).to.equal(409)
  })

  it('is ten seconds for a short body, however it comes', async () => {
    const { hostname, port } = new URL(server.origin)
    const begun = Date.now()
    const socket = connect(Number(port), hostname)
    socket.on('error', () => undefined)
    socket.write(
      `POST ${COURSE}/changes HTTP/1.1\r\nhost: ${hostname}:${port}\r\norigin: ${server.origin}\r\ncookie: ${cookie}\r\ncontent-type: application/json\r\ncontent-length: 500\r\n\r\n{`,
    )
    const drip = setInterval(() => socket.write(' '), 500)
    await once(socket, 'close')
    clearInterval(drip)
    expect(Date.now() - begun).to.be.within(9_000, 30_000)
  })

  it('is so many connections from one address, and heads of 8 kB', async () => {
    const own = await startServer(database.url, { env: { CAIRN_CONNECTIONS: '5' } })
    const { hostname, port } = new URL(own.origin)
    const sockets: Socket[] = []
    const join = async () => {
      const socket = connect(Number(port), hostname)
      socket.on('error', () => undefined)
      sockets.push(socket)
      const served = new Promise<string>((done) => void socket.once('data', () => done('served')))
      const refused = new Promise<string>((done) => void socket.once('close', () => done('refused')))
      socket.write(`GET /mark.svg HTTP/1.1\r\nhost: ${hostname}:${port}\r\n\r\n`)
      return Promise.race([served, refused])
    }
    const said = []
    for (let n = 0; n < 6; n++) said.push(await join())
    expect(said).to.deep.equal([...Array(5).fill('served'), 'refused'])
    for (const socket of sockets) socket.destroy()
    await own.stop()
    const heavy = await fetch(`${server.origin}/mark.svg`, { headers: { 'x-long': 'x'.repeat(9000) } })
    expect(heavy.status).to.equal(431)
  })

  it('is a word a second of where one is', async () => {
    const { body, end } = await openedAtLast()
    const reader = (body as ReadableStream<Uint8Array>).getReader()
    let text = ''
    const at = (n: number) => ({ window: 'w-share', view: 'outcomes', place: null, field: null, says: 'here', n })
    const until = async (wanted: RegExp) => {
      while (!wanted.test(text)) text += new TextDecoder().decode((await reader.read()).value)
    }
    await until(/event: revision/)
    for (let n = 0; n < 30; n++) expect((await post(`${COURSE}/presence`, at(n))).status).to.equal(204)
    await until(/"n":29/)
    const heard = text.match(/event: presence/g)?.length ?? 0
    expect(heard).to.be.within(2, 12)
    end()
  })
})
