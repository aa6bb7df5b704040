import { readdirSync, readFileSync } from 'node:fs'
import { expect } from 'chai'
import { fixedId } from '../../src/core/blueprint/ids'
import { DEMO_PASSWORD } from '../../src/server/demo-people'
import { cloneDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'

const WHO = ['nobody', 'stranger', 'reviewer', 'expert', 'designer'] as const
type Who = (typeof WHO)[number]
/** The status each of them gets, in this order; `null`: not tried, because it is its own subject (signing in and out). */
type Expected = readonly [nobody: number, stranger: number, reviewer: number, expert: number, designer: number] | null

const ANY_READER: Expected = [401, 404, 200, 200, 200]
const title = (field: 'title', was: string, wanted: string) => ({
  id: `access-${Math.random().toString(36).slice(2)}`,
  code: 'test',
  params: {},
  onConflict: 'refuse',
  operations: [{ op: 'update', kind: 'course', id: 'course', from: { [field]: was }, to: { [field]: wanted } }],
})
const newCourse = {
  title: 'Own',
  code: '',
  weeks: 2,
  creditSystem: 'none',
  credits: null,
  delivery: 'blended',
  term: 'T',
  firstDay: '2028-01-10',
  timeZone: 'UTC',
}

/** Every endpoint and method there is. A route that is not here fails the test: decide first who may ask it. */
const EXPECTED: Readonly<Record<string, Expected>> = {
  'ALL /api/auth/[...all]': null,
  'POST /sign-out': null,
  'GET /api/courses': [401, 200, 200, 200, 200],
  'POST /api/courses': [401, 201, 201, 201, 201],
  'GET /api/courses/[id]': ANY_READER,
  'GET /api/courses/[id]/changes': ANY_READER,
  'POST /api/courses/[id]/changes': [401, 404, 403, 403, 200],
  'GET /api/courses/[id]/events': ANY_READER,
  'GET /api/courses/[id]/export.[format]': ANY_READER,
  'POST /api/courses/[id]/hand-over': [401, 404, 403, 403, 404],
  'POST /api/courses/[id]/invitations': [401, 404, 403, 403, 201],
  'DELETE /api/courses/[id]/invitations/[invitation]': [401, 404, 403, 403, 404],
  'GET /api/courses/[id]/people': ANY_READER,
  'PATCH /api/courses/[id]/people/[person]': [401, 404, 403, 403, 404],
  'DELETE /api/courses/[id]/people/[person]': [401, 404, 403, 403, 404],
  'POST /api/courses/[id]/presence': [401, 404, 204, 204, 204],
  'POST /api/invitations/[token]': [401, 422, 422, 422, 422],
  'GET /api/courses/[id]/history': ANY_READER,
  'GET /api/courses/[id]/history/contents': ANY_READER,
  'GET /api/courses/[id]/publication': ANY_READER,
  'POST /api/courses/[id]/publication': [401, 404, 403, 403, 200],
  'DELETE /api/courses/[id]/publication': [401, 404, 403, 403, 200],
}

/** Endpoints by file, `METHOD /path`: the list is what the routes are, not what somebody remembers. */
function endpoints(folder = 'src/pages', path = ''): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.isDirectory()) return endpoints(`${folder}/${entry.name}`, `${path}/${entry.name}`)
    if (!entry.name.endsWith('.ts')) return []
    const own = entry.name === 'index.ts' ? path : `${path}/${entry.name.replace(/\.ts$/, '')}`
    const source = readFileSync(`${folder}/${entry.name}`, 'utf8')
    return [...source.matchAll(/export const (GET|POST|PUT|PATCH|DELETE|ALL)\b/g)].map((m) => `${m[1]} ${own}`)
  })
}

describe('who may ask what', function () {
  this.timeout(60_000)
  let database: TestDatabase
  let server: TestServer
  const cookies = new Map<Who, string>()
  before(async () => {
    database = await cloneDatabase()
    server = await startServer(database.url)
    const cookieOf = (r: Response) =>
      r.headers
        .getSetCookie()
        .map((c) => c.split(';')[0])
        .join('; ')
    const post = (path: string, json: unknown) =>
      fetch(server.origin + path, {
        method: 'POST',
        headers: { origin: server.origin, 'content-type': 'application/json' },
        body: JSON.stringify(json),
      })
    for (const [who, name] of [
      ['designer', 'ines'],
      ['expert', 'tove'],
      ['reviewer', 'marek'],
    ] as const)
      cookies.set(who, cookieOf(await post('/api/auth/sign-in/email', { email: `${name}@larkfield.example`, password: DEMO_PASSWORD })))
    cookies.set(
      'stranger',
      cookieOf(await post('/api/auth/sign-up/email', { name: 'Stranger', email: 's@example.org', password: 'long enough' })),
    )
  })
  after(async () => {
    await server.stop()
    await database.drop()
  })
  const ask = async (who: Who, method: string, path: string, json?: unknown, headers: Record<string, string> = {}) => {
    const abort = new AbortController()
    const response = await fetch(server.origin + path, {
      method,
      redirect: 'manual',
      signal: abort.signal,
      headers: {
        origin: server.origin,
        ...(cookies.has(who) ? { cookie: cookies.get(who) as string } : {}),
        ...(json === undefined ? {} : { 'content-type': 'application/json' }),
        ...headers,
      },
      ...(json === undefined ? {} : { body: JSON.stringify(json) }),
    })
    const stream = response.headers.get('content-type')?.startsWith('text/event-stream') === true
    const body = stream ? '' : await response.text()
    if (stream) abort.abort()
    return { status: response.status, body }
  }
  const revision = async () =>
    (JSON.parse((await ask('designer', 'GET', '/api/courses/small-streams')).body) as { revision: number }).revision
  const BODIES: Readonly<Record<string, () => unknown>> = {
    'POST /api/courses': () => newCourse,
    'POST /api/courses/[id]/changes': () => title('title', 'Measuring Small Streams', 'Measuring Small Streams'),
    'POST /api/courses/[id]/hand-over': () => ({ to: 'nobody', become: 'expert' }),
    'POST /api/courses/[id]/invitations': () => ({ emails: ['invited@example.org'], role: 'reviewer' }),
    'PATCH /api/courses/[id]/people/[person]': () => ({ role: 'designer' }),
    'POST /api/courses/[id]/presence': () => ({ window: 'w1', view: 'map', place: null, field: null, says: 'here' }),
  }
  const bodyOf = (route: string) => BODIES[route]?.()
  const pathOf = (pattern: string, id = 'small-streams') =>
    pattern
      .replace('[id]', encodeURIComponent(id))
      .replace('[format]', 'json')
      .replace(/\[(person|invitation|token)\]/, 'nobody')

  it('is decided for every endpoint that there is', () => expect(endpoints().sort()).to.deep.equal(Object.keys(EXPECTED).sort()))

  for (const [route, expected] of Object.entries(EXPECTED)) {
    if (!expected) continue
    const [method, pattern] = route.split(' ') as [string, string]
    const path = pathOf(pattern)
    it(`${route} answers ${WHO.map((w, i) => `${w} ${expected[i]}`).join(', ')}`, async () => {
      for (const [i, who] of WHO.entries()) {
        const before = await revision()
        const { status, body } = await ask(who, method, path, bodyOf(route))
        expect(status, who).to.equal(expected[i])
        if (status < 400) continue
        // Refused: nothing is written, nothing of the course is told.
        expect(await revision()).to.equal(before)
        expect(body).to.not.contain('Aldbeck')
      }
    })
    it(`${route} takes no write from elsewhere, and no course that is not there`, async () => {
      if (method !== 'GET')
        expect((await ask('designer', method, path, bodyOf(route), { origin: 'https://elsewhere.example' })).status).to.equal(403)
      if (!pattern.includes('[id]')) return
      for (const id of ['nothing', '..%2f..', '%00', "' or 1=1 --", 'x'.repeat(5000)])
        expect((await ask('designer', method, pathOf(pattern, id), bodyOf(route))).status).to.be.oneOf([400, 404, 414, 431])
    })
  }

  it('finds nothing of another course through one’s own, and nothing behind a link that was withdrawn', async () => {
    const own = (JSON.parse((await ask('stranger', 'POST', '/api/courses', newCourse)).body) as { id: string }).id
    // Records of the other course, named in one's own: they are not there.
    const steal = (operations: unknown[]) =>
      ask('stranger', 'POST', `/api/courses/${own}/changes`, { ...title('title', 'Own', 'x'), operations })
    const update = await steal([{ op: 'update', kind: 'objective', id: 'o2b', from: { statement: 'a' }, to: { statement: 'b' } }])
    expect([update.status, JSON.parse(update.body).conflicts[0].reason]).to.deep.equal([409, 'removed'])
    const ends = { id: '', objectiveId: 'o2b', outcomeId: 'co2' }
    const record = { ...ends, id: fixedId('objectiveOutcome', ends as never) }
    const link = await steal([{ op: 'create', kind: 'objectiveOutcome', record }])
    expect(link.status).to.equal(409)
    // Its people and its invitations.
    const people = JSON.parse((await ask('designer', 'GET', '/api/courses/small-streams/people')).body) as {
      members: { id: string; name: string }[]
    }
    const tove = people.members.find((m) => m.name.startsWith('Tove'))?.id ?? ''
    const before = await ask('designer', 'GET', '/api/courses/small-streams/people')
    const invited = await ask('designer', 'POST', '/api/courses/small-streams/invitations', { emails: ['s@example.org'], role: 'designer' })
    expect(invited.status).to.equal(201)
    const { invitations } = JSON.parse((await ask('designer', 'GET', '/api/courses/small-streams/people')).body) as {
      invitations: { id: string; email: string }[]
    }
    const invitation = invitations.find((i) => i.email === 's@example.org')?.id ?? ''
    for (const [method, path, body] of [
      ['DELETE', `/api/courses/${own}/people/${tove}`, undefined],
      ['PATCH', `/api/courses/${own}/people/${tove}`, { role: 'reviewer' }],
      ['POST', `/api/courses/${own}/hand-over`, { to: tove, become: 'expert' }],
      ['DELETE', `/api/courses/${own}/invitations/${invitation}`, undefined],
    ] as const)
      expect((await ask('stranger', method, path, body)).status, `${method} ${path}`).to.equal(404)
    // The link holds for the address it was sent to; withdrawn, it holds for nobody.
    const outbox = await (await fetch(`${server.origin}/outbox`)).text()
    const token = /invitation\/([\w-]{22})/.exec(outbox)?.[1] ?? ''
    const accept = () =>
      fetch(`${server.origin}/api/invitations/${token}`, {
        method: 'POST',
        redirect: 'manual',
        headers: { origin: server.origin, cookie: cookies.get('stranger') ?? '', 'content-type': 'application/x-www-form-urlencoded' },
        body: 'answer=accept',
      })
    expect((await ask('designer', 'DELETE', `/api/courses/small-streams/invitations/${invitation}`)).status).to.equal(204)
    expect((await accept()).status).to.equal(404)
    expect((await ask('stranger', 'GET', '/api/courses/small-streams')).status).to.equal(404)
    expect((await ask('designer', 'GET', '/api/courses/small-streams/people')).body).to.equal(before.body)
    // A syllabus that was withdrawn.
    const { slug } = JSON.parse((await ask('designer', 'POST', '/api/courses/small-streams/publication')).body) as { slug: string }
    expect((await ask('nobody', 'GET', `/p/${slug}`)).status).to.equal(200)
    await ask('designer', 'DELETE', '/api/courses/small-streams/publication')
    const gone = await ask('nobody', 'GET', `/p/${slug}`)
    expect(gone.status).to.equal(410)
    expect(gone.body).to.not.contain('Aldbeck')
  })

  it('keeps what a stranger lists and makes apart from the courses of others', async () => {
    const listed = JSON.parse((await ask('stranger', 'GET', '/api/courses')).body) as { title: string }[]
    expect(listed.map((c) => c.title)).to.not.include('Measuring Small Streams')
  })
})
