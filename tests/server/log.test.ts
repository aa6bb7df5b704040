/** What the log tells of who did what: of the lines of a server that is used. */
import { expect } from 'chai'
import { DEMO_PASSWORD } from '../../src/server/demo-people'
import { libraryText } from '../../src/server/log'
import { until } from '../support/clients'
import { demoDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'

type Line = { readonly level: string; readonly at: string; readonly code: string } & Readonly<Record<string, unknown>>

describe('the log of a server', () => {
  const lines: Line[] = []
  let database: TestDatabase
  let server: TestServer
  let ines = ''
  before(async () => {
    database = await demoDatabase()
    server = await startServer(database.url, { lines: (line) => lines.push(JSON.parse(line) as Line) })
  })
  after(async () => {
    await server.stop()
    await database.drop()
  })

  const send = async (path: string, options: { as?: string; body?: unknown; origin?: string; method?: string } = {}) => {
    const response = await fetch(server.origin + path, {
      method: options.method ?? (options.body === undefined ? 'GET' : 'POST'),
      headers: {
        ...(options.as ? { cookie: options.as } : {}),
        origin: options.origin ?? server.origin,
        'content-type': 'application/json',
      },
      ...(options.body === undefined ? {} : { body: JSON.stringify(options.body) }),
    })
    await response.arrayBuffer()
    return response
  }
  const signIn = (password: string) => send('/api/auth/sign-in/email', { body: { email: 'ines@larkfield.example', password } })
  /** The line of an answer with a code, when it is there. */
  const lineOf = async (response: Response, code: string): Promise<Line> => {
    const id = response.headers.get('x-request-id')
    const found = () => lines.find((l) => l['request'] === id && l.code === code)
    await until(
      () => found() !== undefined,
      () => `${code} of ${id} among ${JSON.stringify(lines.slice(-5))}`,
    )
    return found() as Line
  }

  it('tells who got in and who did not, from where without an address', async () => {
    const failed = await lineOf(await signIn('not her password'), 'sign-in-failed')
    expect([failed.level, failed['status'], failed['person']]).to.deep.equal(['info', 401, undefined])
    const answer = await signIn(DEMO_PASSWORD)
    ines = answer.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ')
    const good = await lineOf(answer, 'sign-in')
    expect(good['person']).to.be.a('string')
    // The same address is the same hash, and is not in it.
    expect(good['address'])
      .to.equal(failed['address'])
      .and.to.match(/^[\w-]{12}$/)
    expect(Date.now() - Date.parse(good.at)).to.be.within(0, 60_000)
  })
  it('tells what is refused: the route as it is declared, the person, the course, why', async () => {
    const none = await lineOf(await send('/api/courses/no-such-course/changes?since=0', { as: ines }), 'refused')
    expect([none['status'], none['why'], none['route'], none['course']]).to.deep.equal([
      404,
      'no-such-course',
      '/api/courses/[id]/changes',
      'no-such-course',
    ])
    expect(none['person']).to.be.a('string')
    const stranger = await lineOf(await send('/api/courses'), 'refused')
    expect([stranger['status'], stranger['why'], stranger['person']]).to.deep.equal([401, 'not-signed-in', undefined])
    const foreign = await lineOf(await send('/api/courses', { as: ines, body: {}, origin: 'https://elsewhere.example' }), 'refused')
    expect([foreign['status'], foreign['why']]).to.deep.equal([403, 'foreign-origin'])
  })
  it('tells what leaves: files and publications, also where a helper made them', async () => {
    const course = '/api/courses/small-streams'
    const exported = await lineOf(await send(`${course}/export.csv`, { as: ines }), 'exported')
    expect([exported['format'], exported['course']]).to.deep.equal(['csv', 'small-streams'])
    const published = await lineOf(await send(`${course}/publication`, { as: ines, method: 'POST' }), 'published')
    expect([published['course'], published['person']]).to.deep.equal(['small-streams', exported['person']])
    await lineOf(await send(`${course}/publication`, { as: ines, method: 'DELETE' }), 'publication-withdrawn')
  })
  it('tells once what comes again and again, and how often it was', async () => {
    const again = () => lines.filter((l) => l.code === 'refused' && l['route'] === '/api/courses/[id]/events')
    for (let n = 0; n < 30; n++) await send('/api/courses/small-streams/events')
    await until(
      () => again().some((l) => l['more'] === 29),
      () => JSON.stringify(again()),
    )
    expect(again()).to.have.length(2)
  })
  it('holds nothing that was typed in an address, a name or a body', async () => {
    await send('/api/courses/small-streams/typed-SECRET', { as: ines })
    await send('/typed-SECRET/%2561', { as: ines })
    await send('/api/auth/sign-in/email', { body: { email: 'typed-SECRET@example.org', password: 'typed-SECRET' } })
    await lineOf(await send('/api/courses'), 'refused')
    for (const line of lines.slice(1)) expect(JSON.stringify(line)).to.not.match(/typed-SECRET|larkfield|Ines|127\.0\.0\.1/)
  })
})

describe('what a library says', () => {
  it('comes without quotes, numbers and addresses', () => {
    expect(libraryText('User "ines@larkfield.example" was not found at /api/x for id 42\nwith more')).to.equal(
      'User … was not found at … for id …',
    )
    expect(libraryText(new TypeError('Invalid URL: http://secret.example'))).to.equal('TypeError')
  })
})
