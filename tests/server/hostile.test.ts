import { spawn } from 'node:child_process'
import { request } from 'node:http'
import { connect } from 'node:net'
import { expect } from 'chai'
import { blankOf } from '../../src/core/blueprint/blank'
import { DEMO_PASSWORD } from '../../src/server/demo-people'
import { demoDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'

describe('hostile requests', () => {
  let database: TestDatabase
  let server: TestServer
  let cookie = ''
  const send = (
    path: string,
    options: { method?: string; body?: unknown; raw?: string; cookie?: string; headers?: Record<string, string>; at?: TestServer } = {},
  ) =>
    fetch((options.at ?? server).origin + path, {
      method: options.method ?? (options.body === undefined && options.raw === undefined ? 'GET' : 'POST'),
      redirect: 'manual',
      headers: {
        origin: (options.at ?? server).origin,
        cookie: options.cookie ?? cookie,
        'content-type': 'application/json',
        ...options.headers,
      },
      ...(options.raw !== undefined ? { body: options.raw } : options.body === undefined ? {} : { body: JSON.stringify(options.body) }),
    })
  const signIn = async (at: TestServer = server, password = DEMO_PASSWORD, email = 'ines@larkfield.example') => {
    const answer = await send('/api/auth/sign-in/email', { at, cookie: '', body: { email, password } })
    return {
      status: answer.status,
      text: await answer.text(),
      cookie: answer.headers
        .getSetCookie()
        .map((c) => c.split(';')[0])
        .join('; '),
    }
  }
  const retitle = (id: string, title: unknown) => ({
    id,
    code: 'edit-text',
    params: {},
    onConflict: 'refuse',
    operations: [{ op: 'update', kind: 'activity', id: 'a1-1', from: { title: 'Welcome to the Aldbeck' }, to: { title } }],
  })
  before(async () => {
    database = await demoDatabase()
    server = await startServer(database.url)
    cookie = (await signIn()).cookie
  })
  after(async () => {
    await server.stop()
    await database.drop()
  })

  const COURSE = '/api/courses/small-streams'
  for (const [what, bad] of [
    ['NUL', 'a\u0000b'],
    ['half an emoji', 'Keep \ud83d'],
  ] as const)
    it(`answers ${what} in what a change says of itself, or in rich text, with the place and not with a failure`, async () => {
      const doc = { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: bad }] }] }
      const body = (over: object) => ({ ...retitle(`bad-${Math.random().toString(36).slice(2)}`, 'Fine'), ...over })
      for (const [change, place] of [
        [body({ params: { what: bad } }), 'params.what'],
        [
          body({ operations: [{ op: 'update', kind: 'course', id: 'course', from: { description: null }, to: { description: doc } }] }),
          'operations[0].to.description.content[0].content[0].text',
        ],
      ] as const) {
        const answer = await send(`${COURSE}/changes`, { body: change })
        const problem = (await answer.json()) as { problems: { at: string }[] }
        expect([answer.status, problem.problems[0]?.at]).to.deep.equal([422, place])
      }
      // Where no schema looks, the database's own refusal is the sender's fault as well.
      expect((await send(`${COURSE}/hand-over`, { body: { to: bad, become: 'leave' } })).status).to.be.oneOf([404, 422])
      expect((await send(`${COURSE}/people/${encodeURIComponent(bad.toWellFormed())}`, { method: 'DELETE' })).status).to.be.oneOf([
        400, 404, 422,
      ])
    })
  for (const [what, title] of [
    ['a megabyte', 'x'.repeat(1_000_000)],
    ['NUL', 'a\u0000b'],
    ['a lone surrogate', 'a\ud800b'],
    ['a direction override', 'a\u202eb'],
    ['an object', { toString: 'x' }],
  ] as const)
    it(`refuse ${what} as a title, with the place, and store nothing`, async () => {
      const answer = await send(`${COURSE}/changes`, { body: retitle('hostile', title) })
      const problem = (await answer.json()) as { problems: { at: string; message: string }[] }
      expect(answer.status).to.equal(422)
      expect(problem.problems[0]?.at).to.equal('operations[0].to.title')
      expect(JSON.stringify(problem).length, 'nothing of it comes back').to.be.below(2000)
      expect(((await (await send(COURSE)).json()) as { revision: number }).revision).to.equal(1)
    })
  it('are taken once, however often at once, and all get the same answer', async () => {
    const { revision } = (await (await send(COURSE)).json()) as { revision: number }
    const record = { ...blankOf('part'), id: 'eight', title: 'Field notes', order: 'a9' }
    const operations = [
      { op: 'update', kind: 'activity', id: 'a1-2', from: { realWork: null }, to: { realWork: 'A gauging station' } },
      { op: 'create', kind: 'part', record },
    ]
    const change = { ...retitle('eight-times', ''), operations }
    const answers = await Promise.all(Array.from({ length: 8 }, () => send(`${COURSE}/changes`, { body: change })))
    const told = await Promise.all(answers.map((a) => a.json()))
    expect(answers.map((a) => a.status)).to.deep.equal(Array(8).fill(200))
    for (const answer of told) expect(answer).to.deep.equal(told[0])
    expect(((await (await send(COURSE)).json()) as { revision: number }).revision).to.equal(revision + 1)
  })
  it('do not reach prototypes through names of fields', async () => {
    const raw = JSON.stringify(retitle('proto', 'x')).replace('"to":{', '"to":{"__proto__":{"polluted":true},')
    // What is no field is no part of what is stored.
    expect((await send(`${COURSE}/changes`, { raw })).status).to.equal(200)
    expect(await (await send(`${COURSE}/changes?since=1`)).text()).to.not.contain('polluted')
    const create = { ...retitle('proto2', 'x'), operations: [{ op: 'create', kind: '__proto__', record: { id: 'x' } }] }
    expect((await send(`${COURSE}/changes`, { body: create })).status).to.equal(422)
  })
  it('get one answer for an unknown address and for a wrong password', async () => {
    const [known, unknown] = [await signIn(server, 'wrong password'), await signIn(server, 'wrong password', 'nobody@larkfield.example')]
    expect([known.status, unknown.status]).to.deep.equal([401, 401])
    expect(known.text).to.equal(unknown.text)
  })
  it('with names that turn or hide text, or are no names, make no account', async () => {
    for (const name of ['', ' ', 'a\u202eb', '\u202d', 'x'.repeat(101), 'a\nb', 'a\u0000b']) {
      const answer = await send('/api/auth/sign-up/email', {
        cookie: '',
        body: { name, email: `n${name.length}@example.org`, password: 'heron under the weir' },
      })
      expect(answer.status, JSON.stringify(name)).to.be.oneOf([400, 422])
    }
  })
  it('with a picture of any length make no account, and leave one as it is', async () => {
    const image = `data:image/png;base64,${'A'.repeat(10_000)}`
    const person = { name: 'A', email: 'picture@example.org', password: 'heron under the weir' }
    expect((await send('/api/auth/sign-up/email', { cookie: '', body: { ...person, image } })).status).to.equal(400)
    expect((await send('/api/auth/update-user', { body: { image } })).status).to.equal(400)
    expect((await send('/api/auth/update-user', { body: { image: null } })).status).to.equal(200)
    expect((await send('/api/auth/update-user', { body: { image: image.repeat(100) } })).status).to.equal(413)
  })
  it('at what the framework serves by itself find nothing', async () => {
    for (const path of ['/_image?href=%2Ffavicon.svg&w=10', '/_actions/x', '/_server-islands/x'])
      expect((await send(path)).status, path).to.equal(404)
  })
  it('invite nobody with broken addresses, too many of them, or a role that is none', async () => {
    for (const body of [
      { emails: ['a@b.c\r\nbcc: x@y.z'], role: 'expert' },
      { emails: [], role: 'expert' },
      { emails: Array.from({ length: 31 }, (_, i) => `p${i}@example.org`), role: 'expert' },
      { emails: ['a@example.org'], role: 'owner' },
      { emails: 'a@example.org', role: 'expert' },
      null,
    ])
      expect((await send(`${COURSE}/invitations`, { body })).status, JSON.stringify(body)).to.equal(422)
  })
  it('without a length are not read', async () => {
    const { port } = new URL(server.origin)
    const said = await new Promise<string>((resolve) => {
      const socket = connect(Number(port), '127.0.0.1', () =>
        socket.write(
          `POST ${COURSE}/changes HTTP/1.1\r\nhost: x\r\norigin: ${server.origin}\r\ntransfer-encoding: chunked\r\n\r\n5\r\nhello\r\n0\r\n\r\n`,
        ),
      )
      socket.once('data', (d) => {
        socket.destroy()
        resolve(String(d))
      })
    })
    expect(said).to.match(/^HTTP\/1\.1 411/)
  })
  it('find a session ended in one process ended in the other', async () => {
    const other = await startServer(database.url)
    try {
      const session = (await signIn()).cookie
      const ask = async (at: TestServer) => (await send('/api/courses', { at, cookie: session })).status
      // Both remember it now, and both have a stream open for it.
      for (const at of [server, other, server, other]) expect(await ask(at)).to.equal(200)
      const streams = await Promise.all([server, other].map((at) => send(`${COURSE}/events`, { at, cookie: session })))
      await send('/api/auth/revoke-sessions', { cookie: session, body: {} })
      expect(await ask(server)).to.equal(401)
      const end = Date.now() + 2000
      while ((await ask(other)) !== 401) if (Date.now() > end) throw new Error('the other process still takes it')
      for (const stream of streams) expect(await stream.text()).to.match(/event: gone\ndata: \n\n$/)
    } finally {
      await other.stop()
    }
    cookie = (await signIn()).cookie
  })
  it('too many of one person wait, and are told how long', async () => {
    const limited = await startServer(database.url, { rateLimit: true })
    try {
      const place = { window: 'w', view: 'map', place: null, field: null, says: 'here', n: 0 }
      const answers = await Promise.all(Array.from({ length: 70 }, () => send(`${COURSE}/presence`, { at: limited, body: place })))
      const refused = answers.filter((a) => a.status === 429)
      expect(answers.filter((a) => a.status === 204).length).to.equal(60)
      expect(Number(refused[0]?.headers.get('retry-after'))).to.be.within(1, 20)
    } finally {
      await limited.stop()
    }
  })
  it('at one account from many addresses wait, whatever the password, and no other account does', async () => {
    const limited = await startServer(database.url, { rateLimit: true })
    /** A try from an address of its own: all of 127.0.0.0/8 is this machine. */
    const tryFrom = (address: string, email: string, password: string) =>
      new Promise<{ status: number; wait: string | undefined }>((resolve, reject) => {
        const asked = request(
          `${limited.origin}/api/auth/sign-in/email`,
          { method: 'POST', localAddress: address, headers: { origin: limited.origin, 'content-type': 'application/json' } },
          (answer) => {
            answer.resume()
            answer.once('end', () => resolve({ status: answer.statusCode ?? 0, wait: answer.headers['retry-after'] }))
          },
        )
        asked.once('error', reject)
        asked.end(JSON.stringify({ email, password }))
      })
    try {
      const tries: number[] = []
      for (let n = 1; n <= 20; n++) tries.push((await tryFrom(`127.0.1.${n}`, 'Tove@larkfield.example', `wrong ${n}`)).status)
      expect(new Set(tries)).to.deep.equal(new Set([401]))
      // The right password has to wait as well, from wherever it comes; other accounts do not.
      const late = await tryFrom('127.0.2.1', 'tove@larkfield.example', DEMO_PASSWORD)
      expect(late.status).to.equal(429)
      expect(Number(late.wait)).to.be.within(600, 900)
      expect((await tryFrom('127.0.2.1', 'marek@larkfield.example', DEMO_PASSWORD)).status).to.equal(200)
    } finally {
      await limited.stop()
    }
  })
  it('leave nothing of what people wrote, nor who they are, in the log', async () => {
    const quiet = await startServer(database.url, { rateLimit: false })
    const { port } = new URL(quiet.origin)
    await quiet.stop()
    const child = spawn(process.execPath, ['scripts/server.mjs'], {
      env: {
        ...process.env,
        DATABASE_URL: database.url,
        AUTH_SECRET: process.env['AUTH_SECRET'],
        CAIRN_ORIGIN: quiet.origin,
        CAIRN_RATE_LIMIT: 'off',
        HOST: '127.0.0.1',
        PORT: port,
        NODE_ENV: 'production',
      },
    })
    let said = ''
    child.stdout.on('data', (d) => (said += d))
    child.stderr.on('data', (d) => (said += d))
    await new Promise((r) => child.stdout.once('data', r))
    const own = (await signIn(quiet)).cookie
    const at = { at: quiet, cookie: own }
    await signIn(quiet, 'wrong password of Ines')
    await send(`${COURSE}/changes`, { ...at, body: retitle('log1', 'A secret title') })
    await send(`${COURSE}/changes`, { ...at, body: retitle('log2', 'x'.repeat(400)) })
    await send(`${COURSE}/invitations`, { ...at, body: { emails: ['secret.person@example.org'], role: 'reviewer' } })
    await send('/invitation/secrettoken0123456789', at)
    await send(`${COURSE}/export.json?secret=address`, at)
    child.kill('SIGTERM')
    await new Promise((r) => child.once('exit', r))
    expect(said).to.contain('"code":"invited"')
    for (const secret of ['larkfield', 'secret', 'Secret', 'Ines', 'xxxx', own.slice(-40)]) expect(said, secret).to.not.contain(secret)
  })
})
