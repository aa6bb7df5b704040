/** Settings that cannot be used, hosts that are not ours, and whom a request is from behind proxies. */
import { type ChildProcess, spawn } from 'node:child_process'
import { once } from 'node:events'
import { request } from 'node:http'
import { expect } from 'chai'
import fc from 'fast-check'
import { clientAddress } from '../../src/server/client-address'
import { DEMO_PASSWORD } from '../../src/server/demo-people'
import { readSettings } from '../../src/server/settings'
import { demoDatabase, freePort, startServer, type TestDatabase } from '../support/server'

const SECRET = 'b8e1f0c2d3a4958677665544332211ff'
const GOOD = { DATABASE_URL: 'postgres://cairn:pw@127.0.0.1:5432/cairn', AUTH_SECRET: SECRET, CAIRN_ORIGIN: 'https://cairn.example.org' }
const problems = (to: Record<string, string | undefined>): readonly string[] => {
  const read = readSettings({ ...GOOD, ...to })
  return 'problems' in read ? read.problems : []
}

describe('settings', () => {
  it('are taken as they are meant', () => {
    const read = readSettings({ ...GOOD, CAIRN_TRUSTED_PROXY: '10.0.0.0/8, 2001:db8::1' })
    if ('problems' in read) throw new Error(read.problems.join())
    expect(read).to.include({ origin: 'https://cairn.example.org', host: '127.0.0.1', port: 4321, bodyLimit: 25_000_000 })
    expect(read).to.include({ demo: false, rateLimit: true })
    expect(['10.255.0.1', '11.0.0.1', '2001:db8::1', '2001:db8::2', 'unknown', ''].map(read.trusts)).to.deep.equal([
      ...[true, false, true, false, false, false],
    ])
  })

  it('that cannot be used are told in one sentence each', () => {
    for (const [name, values] of Object.entries({
      DATABASE_URL: [undefined, '', 'mysql://x', 'cairn'],
      AUTH_SECRET: [undefined, '', SECRET.slice(1), 'x'.repeat(64)],
      CAIRN_ORIGIN: [
        undefined,
        '',
        'cairn.example.org',
        'https://cairn.example.org/',
        'https://cairn.example.org/x',
        'ftp://x.org',
        'HTTPS://X.org',
      ],
      HOST: [''],
      PORT: ['', 'eighty', '0', '65536', '-1', '1e3'],
      CAIRN_BODY_LIMIT: ['', '25 MB', '0', '1e9', '-5'],
      CAIRN_CONNECTIONS: ['', '0', 'many'],
      CAIRN_TRUSTED_PROXY: ['proxy', '10.0.0.0/33', '10.0.0.0/8/8', '2001:db8::/129', '10.0.0'],
      CAIRN_RATE_LIMIT: ['', 'no'],
      CAIRN_DEMO: ['yes', ''],
    }))
      for (const value of values) {
        const said = problems({ [name]: value })
        expect(said, `${name}=${value}`).to.have.lengthOf(1)
        expect(said[0]).to.match(new RegExp(`^${name} is .*\\.$`))
      }
    expect(problems({ PORT: '65535', CAIRN_BODY_LIMIT: '1', CAIRN_TRUSTED_PROXY: '0.0.0.0/0, ::/0' })).to.deep.equal([])
    expect(readSettings({})).to.have.property('problems').with.lengthOf(3)
  })

  it('offer demo accounts at loopback alone', () => {
    for (const [host, demo] of [
      ['127.0.0.1', true],
      ['::1', true],
      ['0.0.0.0', false],
      ['10.0.0.1', false],
    ] as const)
      expect(readSettings({ ...GOOD, HOST: host, CAIRN_DEMO: '1' })).to.have.property('demo', demo)
  })
})

describe('whom a request is from', () => {
  const isProxy = (address: string) => address.startsWith('10.')
  const from = (socket: string, headers: Record<string, string>) => clientAddress(socket, headers, isProxy)

  it('is the socket where no proxy is trusted, whatever is said', () => {
    expect(from('192.0.2.1', { 'x-forwarded-for': '198.51.100.7' })).to.equal('192.0.2.1')
    expect(from('::ffff:192.0.2.1', { forwarded: 'for=198.51.100.7' })).to.equal('192.0.2.1')
  })

  it('is the last one said that is no trusted proxy', () => {
    expect(from('10.0.0.1', { 'x-forwarded-for': '203.0.113.9, 198.51.100.7, 10.0.0.2' })).to.equal('198.51.100.7')
    expect(from('10.0.0.1', { forwarded: 'for=203.0.113.9, for="[2001:db8::7]:4711";proto=https, For=10.0.0.2;by=10.0.0.1' })).to.equal(
      '2001:db8::7',
    )
    expect(from('10.0.0.1', { 'x-forwarded-for': '198.51.100.7:5000' })).to.equal('198.51.100.7')
    expect(from('10.0.0.1', { 'x-forwarded-for': '10.0.0.3' })).to.equal('10.0.0.3')
    expect(from('10.0.0.1', {})).to.equal('10.0.0.1')
  })

  it('is not what cannot be read, nor anything before it', () => {
    expect(from('10.0.0.1', { 'x-forwarded-for': '198.51.100.7, unknown, 10.0.0.2' })).to.equal('10.0.0.2')
    expect(from('10.0.0.1', { forwarded: 'for=198.51.100.7, proto=https' })).to.equal('10.0.0.1')
  })

  it('is never changed by what a client writes before an address that its proxy added', () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(fc.ipV4(), fc.ipV6(), fc.string())), (made) => {
        expect(from('10.0.0.1', { 'x-forwarded-for': [...made, '198.51.100.7'].join(', ') })).to.equal('198.51.100.7')
      }),
    )
  })
})

describe('a server', () => {
  let database: TestDatabase
  before(async () => {
    database = await demoDatabase()
  })
  after(() => database.drop())

  it('does not start with settings that cannot be used, and says each', async () => {
    const child: ChildProcess = spawn(process.execPath, ['scripts/server.mjs'], {
      env: {
        PATH: process.env['PATH'],
        DATABASE_URL: database.url,
        AUTH_SECRET: 'short',
        CAIRN_ORIGIN: 'http://127.0.0.1/',
        PORT: String(await freePort()),
      },
      stdio: ['ignore', 'ignore', 'pipe'],
    })
    let said = ''
    child.stderr?.on('data', (d) => (said += d))
    const [code] = await once(child, 'close')
    expect(code).to.equal(1)
    expect(
      said
        .trim()
        .split('\n')
        .map((l) => l.split(' ')[0]),
    ).to.deep.equal(['AUTH_SECRET', 'CAIRN_ORIGIN'])
  })

  it('answers to its own name alone', async () => {
    const own = await startServer(database.url)
    const asked = (host: string, accept = '*/*') =>
      new Promise<{ status: number; location: string | undefined; hsts: unknown }>((done, failed) => {
        const { hostname, port } = new URL(own.origin)
        request({ hostname, port, path: '/sign-in?to=%2F', headers: { host, accept } }, (r) => {
          r.resume()
          done({ status: r.statusCode ?? 0, location: r.headers.location, hsts: r.headers['strict-transport-security'] })
        })
          .on('error', failed)
          .end()
      })
    try {
      expect(await asked(new URL(own.origin).host)).to.include({ status: 200, hsts: undefined })
      expect(await asked('rebound.example')).to.include({ status: 421 })
      expect(await asked('rebound.example', 'text/html')).to.include({ status: 421 })
      // Who sits at the machine and types its other name is sent on.
      const { port } = new URL(own.origin)
      expect(await asked(`localhost:${port}`, 'text/html')).to.include({ status: 307, location: `${own.origin}/sign-in?to=%2F` })
      expect(await asked(`localhost.example:${port}`, 'text/html')).to.include({ status: 421 })
    } finally {
      await own.stop()
    }
  })

  it('says over https that it is to be asked so for a year, with cookies that go no other way', async () => {
    const own = await startServer(database.url, { env: { CAIRN_ORIGIN: 'https://cairn.example.org', CAIRN_TRUSTED_PROXY: '127.0.0.1' } })
    const { hostname, port } = new URL(own.origin)
    const answer = await new Promise<{ hsts: unknown; cookies: readonly string[] }>((done, failed) => {
      const body = JSON.stringify({ email: 'ines@larkfield.example', password: DEMO_PASSWORD })
      const headers = {
        ...{ host: 'cairn.example.org', origin: 'https://cairn.example.org', 'x-forwarded-for': '198.51.100.7' },
        'content-type': 'application/json',
        'content-length': body.length,
      }
      request({ hostname, port, path: '/api/auth/sign-in/email', method: 'POST', headers }, (r) => {
        r.resume()
        done({ hsts: r.headers['strict-transport-security'], cookies: r.headers['set-cookie'] ?? [] })
      })
        .on('error', failed)
        .end(body)
    })
    await own.stop()
    expect(answer.hsts).to.equal('max-age=31536000')
    expect(answer.cookies).to.not.be.empty
    for (const cookie of answer.cookies) expect(cookie).to.match(/; Secure/)
  })
})
