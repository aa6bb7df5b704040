/** What one account may have and write: told before it bites, and then refused. */
import { expect } from 'chai'
import { makePeople } from '../support/clients'
import { demoDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'

const PNG = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64')

describe('what one account may have', () => {
  let database: TestDatabase
  let server: TestServer
  let cookie = ''
  before(async () => {
    database = await demoDatabase()
    const open = await startServer(database.url)
    cookie = (await makePeople(open.origin, ['ada@example.org'])).get('ada@example.org') ?? ''
    await open.stop()
    server = await startServer(database.url, {
      rateLimit: true,
      env: { CAIRN_QUOTA_COURSES: '5', CAIRN_QUOTA_DAY_MB: '1', CAIRN_QUOTA_FILE_MB: '1', CAIRN_SIGN_UPS: '2' },
    })
  })
  after(async () => {
    await server.stop()
    await database.drop()
  })

  const send = async (path: string, body?: unknown, method = body === undefined ? 'GET' : 'POST') => {
    const response = await fetch(server.origin + path, {
      method,
      headers: { cookie, origin: server.origin, 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: body instanceof Buffer ? new Uint8Array(body) : JSON.stringify(body) }),
    })
    const said = (await response.text()) || 'null'
    return { status: response.status, headers: response.headers, body: JSON.parse(said) as Record<string, unknown> & { says: string }[] }
  }
  const course = (title: string) => ({
    ...{ title, code: '', weeks: 4, creditSystem: 'none', credits: null, delivery: 'blended', term: 'Autumn' },
    ...{ firstDay: '2027-09-06', timeZone: 'UTC' },
  })
  const near = async () => (await send('/api/account/quotas')).body.map((q) => q.says)
  let id = ''

  it('is so many courses: told at four fifths, refused beyond, and again there when one is removed', async () => {
    for (let n = 1; n <= 3; n++) id = String((await send('/api/courses', course(`Course ${n}`))).body['id'])
    expect(await near()).to.deep.equal([])
    await send('/api/courses', course('Course 4'))
    expect(await near()).to.deep.equal(['You design 4 of the 5 courses that one account may have here.'])
    expect((await send(`/api/courses/${id}/copy`, { title: 'Course 5' })).status).to.equal(201)
    for (const [path, body] of [
      ['/api/courses', course('Course 6')],
      [`/api/courses/${id}/copy`, { title: 'Course 6' }],
      ['/api/courses/import', { format: 'cairn-blueprint' }],
    ] as const) {
      const { status, body: said } = await send(path, body)
      expect([status, said['code'], said['title']], path).to.deep.equal([
        403,
        'quota',
        'You design 5 of the 5 courses that one account may have here. Ask whoever runs Cairn for more.',
      ])
    }
    expect((await send(`/api/courses/${id}/state`, { state: 'removed', confirm: 'Course 3' }, 'PUT')).status).to.equal(204)
    const made = await send('/api/courses', course('Course 6'))
    expect(made.status).to.equal(201)
    id = String(made.body['id'])
  })
  it('is so much written in a day; what is too much waits until tomorrow', async () => {
    const change = (n: number, of: number) => ({
      ...{ id: `c${n}`, code: 'set-field', params: {}, onConflict: 'refuse' },
      operations: [{ op: 'update', kind: 'course', id: 'course', from: { subtitle: 'x'.repeat(of) }, to: { subtitle: 'y' } }],
    })
    // Nothing of it is written: what was sent counts. 900 kB of 1 MB are more than four fifths.
    for (let n = 0; n < 3; n++) expect((await send(`/api/courses/${id}/changes`, change(n, 300_000))).status).to.be.oneOf([409, 422])
    expect((await near()).filter((said) => said.startsWith('You wrote'))).to.deep.equal([
      'You wrote 1 MB today, of the 1 MB that one account may write here in a day.',
    ])
    const { status, body, headers } = await send(`/api/courses/${id}/changes`, change(4, 300_000))
    expect([status, body['code'], body['quota']]).to.deep.equal([429, 'quota', 'writing'])
    expect(Number(headers.get('retry-after'))).to.be.within(1, 86_400)
    expect((await send(`/api/courses/${id}/changes`, change(5, 10))).status).to.not.equal(429)
  })
  it('is so much of pictures', async () => {
    expect((await send(`/api/courses/${id}/files/p1?name=a.png`, PNG, 'PUT')).status).to.equal(200)
    const { status, body } = await send(`/api/courses/${id}/files/p2?name=a.png`, Buffer.alloc(1_000_001), 'PUT')
    expect([status, body['code'], body['quota']]).to.deep.equal([403, 'quota', 'files'])
  })
  it('is so many accounts made from one address in a day', async () => {
    const made = async (n: number) =>
      (await send('/api/auth/sign-up/email', { email: `new${n}@example.org`, password: 'heron under the weir', name: `New ${n}` })).status
    expect([await made(1), await made(2), await made(3)]).to.deep.equal([200, 200, 429])
  })
})
