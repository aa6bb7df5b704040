import { expect } from 'chai'
import { may } from '../../src/core/access/abilities'
import { fixedId } from '../../src/core/blueprint/ids'
import { DEMO_PASSWORD } from '../../src/server/demo-people'
import { type Route, routes } from '../support/routes'
import { demoDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'

const WHO = ['nobody', 'stranger', 'commenter', 'reviewer', 'expert', 'designer'] as const
type Who = (typeof WHO)[number]
const title = (field: 'title', was: string, wanted: string) => ({
  id: `access-${Math.random().toString(36).slice(2)}`,
  code: 'test',
  params: {},
  onConflict: 'refuse',
  operations: [{ op: 'update', kind: 'course', id: 'course', from: { [field]: was }, to: { [field]: wanted } }],
})

const all = await routes()
/** What the service decides by itself, with a body that is right in form and the roles it lets through. */
const BY_SERVICE: Readonly<Record<string, { readonly body?: () => unknown; readonly roles: readonly Who[] }>> = {
  'POST /api/courses/[id]/changes': {
    body: () => title('title', 'Measuring Small Streams', 'Measuring Small Streams'),
    roles: ['designer'],
  },
  'DELETE /api/courses/[id]/people/[person]': { roles: ['designer'] },
}

/** Whether somebody is let through to what the endpoint does. */
function isLet(route: Route, who: Who): boolean {
  const { access, may: ability } = route.declared
  if (access === 'anyone') return true
  // Nobody here came by the link of a seat.
  if (access === 'seat') return false
  if (who === 'nobody') return false
  if (access === 'account') return true
  if (who === 'stranger') return false
  if (ability === 'service') return BY_SERVICE[route.name]?.roles.includes(who) ?? false
  return ability === undefined || may(who, ability)
}

describe('who may ask what', () => {
  let database: TestDatabase
  let server: TestServer
  const cookies = new Map<Who, string>()
  before(async () => {
    database = await demoDatabase()
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
      ['commenter', 'nadia'],
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
  const bodyOf = (route: Route) => BY_SERVICE[route.name]?.body?.() ?? route.declared.example
  const pathOf = (pattern: string, id = 'small-streams') =>
    pattern
      .replace('[id]', encodeURIComponent(id))
      .replace('[format]', 'json')
      .replace(/\[(person|invitation|token|seat)\]/, 'nobody')

  it('is declared by every endpoint, and what the service decides is tried as such', () => {
    expect(all.length).to.be.greaterThan(20)
    const byService = all.filter((r) => r.declared.may === 'service').map((r) => r.name)
    expect(byService.toSorted()).to.deep.equal(Object.keys(BY_SERVICE).toSorted())
    for (const route of all) if (route.path.includes('[id]')) expect(route.declared.access, route.name).to.equal('course')
    for (const route of all)
      if (route.path.includes('[seat]') && !route.path.includes('[id]')) expect(route.declared.access).to.equal('seat')
  })
  for (const route of all.filter((r) => r.declared.access !== 'anyone' && r.path !== '/sign-out')) {
    it(`${route.name} lets through ${WHO.filter((w) => isLet(route, w)).join(', ')} alone`, async () => {
      for (const who of WHO) {
        const before = await revision()
        const { status, body } = await ask(who, route.method, pathOf(route.path), bodyOf(route))
        if (isLet(route, who)) {
          expect(status, who).to.not.be.oneOf([401, 403, 500])
          if (status === 404) expect(body, who).to.not.contain('no-such-course')
          continue
        }
        // A course that is not one's own looks as if it were not there.
        const refusal = route.declared.access === 'seat' ? 404 : who === 'nobody' ? 401 : who === 'stranger' ? 404 : 403
        expect(status, who).to.equal(refusal)
        // Nothing is written, nothing of the course is told.
        expect(await revision()).to.equal(before)
        expect(body).to.not.contain('Aldbeck')
      }
    })
    it(`${route.name} takes no write from elsewhere, and no course that is not there`, async () => {
      if (route.method !== 'GET')
        expect(
          (await ask('designer', route.method, pathOf(route.path), bodyOf(route), { origin: 'https://elsewhere.example' })).status,
        ).to.equal(403)
      if (!route.path.includes('[id]')) return
      for (const id of ['nothing', '..%2f..', '%00', "' or 1=1 --", 'x'.repeat(5000)])
        expect((await ask('designer', route.method, pathOf(route.path, id), bodyOf(route))).status).to.be.oneOf([400, 404, 414, 422, 431])
    })
  }

  it('finds nothing of another course through one’s own, and nothing behind a link that was withdrawn', async () => {
    const own = (
      JSON.parse(
        (await ask('stranger', 'POST', '/api/courses', all.find((r) => r.name === 'POST /api/courses')?.declared.example)).body,
      ) as { id: string }
    ).id
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
