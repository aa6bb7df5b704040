import { rm, writeFile } from 'node:fs/promises'
import { request } from 'node:http'
import { expect } from 'chai'
import { editPlan } from '../../src/core/blueprint/edit'
import { bringFramework } from '../../src/core/frameworks/edits'
import { readFrameworkText } from '../../src/core/frameworks/read-framework'
import { DEMO_PASSWORD } from '../../src/server/demo-people'
import { bigPackage } from '../bench/big-framework'
import { aBlueprint } from '../support/course'
import { demoDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'

const COURSE = '/api/courses/small-streams'

/** A static file that is there when the server starts, and gone when it is asked for. */
const GONE = `_astro/gone-${process.pid}.txt`

describe('the server', () => {
  let database: TestDatabase
  let server: TestServer
  const cookies = new Map<string, string>()
  before(async () => {
    database = await demoDatabase()
    await writeFile(`dist/client/${GONE}`, 'here')
    server = await startServer(database.url)
    await rm(`dist/client/${GONE}`)
    for (const who of ['ines', 'tove', 'marek']) cookies.set(who, await signIn(who))
    const made = await send('/api/auth/sign-up/email', {
      method: 'POST',
      json: { name: 'Stranger', email: 'stranger@example.org', password: 'long enough' },
    })
    cookies.set('stranger', cookieOf(made))
  })
  after(async () => {
    await server.stop()
    await database.drop()
  })

  const cookieOf = (r: Response) =>
    r.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ')
  const send = (
    path: string,
    o: {
      as?: string
      method?: string
      json?: unknown
      origin?: string | null
      headers?: Record<string, string>
      redirect?: RequestRedirect
    } = {},
  ) =>
    fetch(server.origin + path, {
      method: o.method ?? 'GET',
      redirect: o.redirect ?? 'manual',
      headers: {
        ...(o.as ? { cookie: cookies.get(o.as) ?? '' } : {}),
        ...(o.origin === null ? {} : { origin: o.origin ?? server.origin }),
        ...(o.json !== undefined ? { 'content-type': 'application/json' } : {}),
        ...o.headers,
      },
      ...(o.json !== undefined ? { body: JSON.stringify(o.json) } : {}),
    })
  const signIn = async (who: string) =>
    cookieOf(
      await send('/api/auth/sign-in/email', { method: 'POST', json: { email: `${who}@larkfield.example`, password: DEMO_PASSWORD } }),
    )
  const problem = async (r: Response) => {
    expect(r.headers.get('content-type')).to.equal('application/problem+json')
    return (await r.json()) as { code: string; status: number; title: string; problems?: { at: string }[]; conflicts?: unknown[] }
  }
  const update = (id: string, from: object, to: object) => ({
    id,
    code: 'test',
    params: {},
    onConflict: 'refuse',
    operations: [{ op: 'update', kind: 'activity', id: 'a1-1', from, to }],
  })

  it('goes on where a file of its own is gone when it is asked for', async () => {
    await fetch(`${server.origin}/${GONE}`).then(
      (r) =>
        r.text().then(
          () => expect.fail('an answer'),
          () => undefined,
        ),
      () => undefined,
    )
    expect((await fetch(`${server.origin}/sign-in`)).status).to.equal(200)
  })

  it('sends those who are not signed in to sign in, and says so to programs', async () => {
    const page = await send('/courses/small-streams/map')
    expect([page.status, page.headers.get('location')]).to.deep.equal([303, '/sign-in?to=%2Fcourses%2Fsmall-streams%2Fmap'])
    expect((await problem(await send(COURSE))).code).to.equal('not-signed-in')
  })

  it('shows the same 404 for a course that is not there and one that is not yours', async () => {
    const [none, foreign] = await Promise.all([send('/api/courses/nothing', { as: 'ines' }), send(COURSE, { as: 'stranger' })])
    expect(await problem(none)).to.deep.equal(await problem(foreign))
    for (const path of ['/changes?since=0', '/events', '/publication', '/export.json', '/export.ics'])
      expect((await send(COURSE + path, { as: 'stranger' })).status, path).to.equal(404)
  })

  it('gives a course with its revision as ETag, and 304 to who has it', async () => {
    const response = await send(COURSE, { as: 'ines' })
    const body = (await response.json()) as { revision: number; viewer: { role: string }; records: { activity: unknown[] } }
    expect([body.revision, body.viewer.role, body.records.activity.length]).to.deep.equal([1, 'designer', 75])
    expect((await send(COURSE, { as: 'ines', headers: { 'if-none-match': response.headers.get('etag') ?? '' } })).status).to.equal(304)
  })

  it('takes no write from a foreign page, or from one that does not say where it comes from', async () => {
    for (const origin of ['https://evil.example', null]) {
      const r = await send(`${COURSE}/changes`, {
        as: 'ines',
        method: 'POST',
        json: update('f1', { minutes: 10 }, { minutes: 99 }),
        origin,
      })
      expect((await problem(r)).code).to.equal('foreign-origin')
    }
  })

  it('lists courses with their term and what is to fix', async () => {
    const courses = (await (await send('/api/courses', { as: 'ines' })).json()) as Record<string, unknown>[]
    expect(courses.find((c) => c['id'] === 'small-streams')).to.include({ term: 'Autumn 2027', fix: 3, role: 'designer' })
    expect(courses.map((c) => c['state']).sort()).to.deep.equal(['archived', 'live', 'live', 'live'])
    expect(await (await send('/api/courses', { as: 'stranger' })).json()).to.deep.equal([])
  })

  it('applies a change, answers the same again, and tells a conflict with both values', async () => {
    const change = update('h1', { title: 'Welcome to the Aldbeck' }, { title: 'Welcome' })
    const first = await (await send(`${COURSE}/changes`, { as: 'ines', method: 'POST', json: change })).json()
    expect(first).to.include({ revision: 2 })
    expect(await (await send(`${COURSE}/changes`, { as: 'ines', method: 'POST', json: change })).json()).to.deep.equal(first)
    const conflict = await problem(
      await send(`${COURSE}/changes`, {
        as: 'tove',
        method: 'POST',
        json: update('h2', { title: 'Welcome to the Aldbeck' }, { title: 'Hello' }),
      }),
    )
    expect(conflict.conflicts).to.deep.equal([
      {
        kind: 'activity',
        id: 'a1-1',
        reason: 'changed',
        field: 'title',
        was: 'Welcome to the Aldbeck',
        stored: 'Welcome',
        wanted: 'Hello',
      },
    ])
    const since = (await (await send(`${COURSE}/changes?since=1`, { as: 'tove' })).json()) as {
      author: string
      authorId: string
      revision: number
    }[]
    expect(since.map((c) => [c.revision, c.author, typeof c.authorId])).to.deep.equal([[2, 'Ines Okafor', 'string']])
  })

  it('lets roles do what the table says', async () => {
    const change = update('r1', { minutes: 10 }, { minutes: 12 })
    expect((await problem(await send(`${COURSE}/changes`, { as: 'marek', method: 'POST', json: change }))).code).to.equal('role-may-not')
    expect((await send(`${COURSE}/changes`, { as: 'tove', method: 'POST', json: change })).status).to.equal(200)
    expect((await send(`${COURSE}/publication`, { as: 'tove', method: 'POST' })).status).to.equal(403)
  })

  it('answers bad input with the place, and writes nothing', async () => {
    const bad = await problem(
      await send(`${COURSE}/changes`, { as: 'ines', method: 'POST', json: update('b1', { minutes: 12 }, { minutes: 'x' }) }),
    )
    expect([bad.code, bad.problems?.[0]?.at]).to.deep.equal(['invalid-change', 'operations[0].to.minutes'])
    const raw = (body: string, type = 'application/json') =>
      fetch(`${server.origin}${COURSE}/changes`, {
        method: 'POST',
        body,
        headers: { cookie: cookies.get('ines') ?? '', origin: server.origin, 'content-type': type },
      })
    expect((await raw('{')).status).to.equal(400)
    expect((await raw('{}', 'text/plain')).status).to.equal(415)
    expect((await raw('{"__proto__":{"x":1}}')).status).to.equal(422)
    expect((await send(`${COURSE}/changes?since=x`, { as: 'ines' })).status).to.equal(400)
    const course = (await (await send(COURSE, { as: 'ines' })).json()) as { revision: number }
    expect(course.revision).to.equal(3)
  })

  it('refuses a body over the limit before it reads it', async () => {
    const status = await new Promise<number | undefined>((resolve, reject) => {
      const r = request(
        `${server.origin}${COURSE}/changes`,
        { method: 'POST', headers: { 'content-length': '99000000', 'content-type': 'application/json' } },
        (res) => resolve(res.statusCode),
      )
      r.once('error', reject)
      r.flushHeaders()
    })
    expect(status).to.equal(413)
  })

  it('makes a course, or says which value cannot be stored', async () => {
    const course = {
      title: 'Bread',
      code: '',
      weeks: 6,
      creditSystem: 'none',
      credits: null,
      delivery: 'blended',
      term: 'Spring',
      firstDay: '2028-01-10',
      timeZone: 'UTC',
    }
    const made = await send('/api/courses', { as: 'stranger', method: 'POST', json: course })
    const { id } = (await made.json()) as { id: string }
    expect(made.status).to.equal(201)
    const loaded = (await (await send(`/api/courses/${id}`, { as: 'stranger' })).json()) as {
      records: { part: unknown[]; course: { title: string }[] }
    }
    expect([loaded.records.part.length, loaded.records.course[0]?.title]).to.deep.equal([5, 'Bread'])
    const bad = await problem(
      await send('/api/courses', { as: 'stranger', method: 'POST', json: { ...course, weeks: 0, firstDay: 'soon' } }),
    )
    expect(bad.problems?.map((p) => p.at)).to.deep.equal(['weeks', 'firstDay'])
  })

  it('sends strict headers with its pages, and no script to public ones', async () => {
    const page = await send('/sign-in')
    const policy = page.headers.get('content-security-policy') ?? ''
    expect(policy).to.match(/script-src 'self' 'nonce-[^']+' 'sha256-/)
    expect(policy).to.not.match(/script-src[^;]*unsafe/)
    expect(page.headers.get('x-content-type-options')).to.equal('nosniff')
    const other = (await send('/sign-in')).headers.get('content-security-policy')
    expect(other).to.not.equal(policy)
  })

  it('publishes a frozen page at an address of its own, republishes there, and withdraws with 410', async () => {
    const { slug } = (await (await send(`${COURSE}/publication`, { as: 'ines', method: 'POST', json: {} })).json()) as { slug: string }
    const page = await fetch(`${server.origin}/p/${slug}`)
    const html = await page.text()
    expect(html).to.include('<h1>Measuring Small Streams</h1>').and.not.include('<script')
    expect(page.headers.get('content-security-policy')).to.include("script-src 'none'")
    await send(`${COURSE}/changes`, {
      as: 'ines',
      method: 'POST',
      json: {
        ...update('p1', {}, {}),
        operations: [
          { op: 'update', kind: 'course', id: 'course', from: { title: 'Measuring Small Streams' }, to: { title: 'Measuring Becks' } },
        ],
      },
    })
    expect(await (await fetch(`${server.origin}/p/${slug}`)).text()).to.include('<h1>Measuring Small Streams</h1>')
    const again = (await (await send(`${COURSE}/publication`, { as: 'ines', method: 'POST', json: {} })).json()) as {
      slug: string
      version: number
    }
    expect(again).to.include({ slug, version: 2 })
    expect(await (await fetch(`${server.origin}/p/${slug}`)).text()).to.include('<h1>Measuring Becks</h1>')
    await send(`${COURSE}/publication`, { as: 'ines', method: 'DELETE' })
    expect((await fetch(`${server.origin}/p/${slug}`)).status).to.equal(410)
    expect((await fetch(`${server.origin}/p/no-such`)).status).to.equal(404)
  })

  it('hands changes on along an event stream, and where somebody is', async () => {
    const abort = new AbortController()
    const stream = await fetch(`${server.origin}${COURSE}/events`, { headers: { cookie: cookies.get('tove') ?? '' }, signal: abort.signal })
    const reader = (stream.body as ReadableStream<Uint8Array>).getReader()
    let text = ''
    const until = async (wanted: RegExp) => {
      while (!wanted.test(text)) {
        const { value, done } = await reader.read()
        if (done) throw new Error(`the stream ended: ${text}`)
        text += new TextDecoder().decode(value)
      }
    }
    await until(/event: revision/)
    const { revision } = (await (
      await send(`${COURSE}/changes`, { as: 'ines', method: 'POST', json: update('e1', { minutes: 12 }, { minutes: 13 }) })
    ).json()) as { revision: number }
    await until(new RegExp(`event: change\\ndata: {"revision":${revision},.*"authorId":`))
    const place = { window: 'w-1', view: 'outcomes', place: 'objective o2b', field: null, says: 'here', n: 0 }
    expect((await send(`${COURSE}/presence`, { as: 'ines', method: 'POST', json: place })).status).to.equal(204)
    await until(/event: presence\ndata: .*"place":"objective o2b".*"name":"Ines Okafor"/)
    expect((await send(`${COURSE}/presence`, { as: 'ines', method: 'POST', json: { ...place, view: '<b>' } })).status).to.equal(422)
    // A window whose last stream ends has left, also where it cannot say so.
    const streamsOf = await Promise.all(
      [1, 2].map(async () => {
        const ends = new AbortController()
        const headers = { cookie: cookies.get('ines') ?? '' }
        const { body } = await fetch(`${server.origin}${COURSE}/events?window=w-1`, { headers, signal: ends.signal })
        await body?.getReader().read()
        return ends
      }),
    )
    streamsOf[0]?.abort()
    await send(`${COURSE}/presence`, { as: 'ines', method: 'POST', json: { ...place, view: 'map', n: 1 } })
    await until(/event: presence\ndata: .*"view":"map"/)
    expect(text).not.to.include('"says":"gone"')
    streamsOf[1]?.abort()
    await until(/event: presence\ndata: .*"window":"w-1".*"says":"gone","n":null/)
    abort.abort()
  })

  it('gives the course out as a file for those who have a role', async () => {
    const file = (await (await send(`${COURSE}/export.json`, { as: 'marek' })).json()) as { format: string; activities: unknown[] }
    expect([file.format, file.activities.length]).to.deep.equal(['cairn-blueprint', 75])
  })

  it('gives out the mapping of frameworks, and stores one of many items in one change or not at all', async () => {
    const { id } = (await (
      await send('/api/courses', {
        as: 'ines',
        method: 'POST',
        json: {
          title: 'Big',
          code: '',
          term: 'T',
          firstDay: '2027-09-06',
          timeZone: 'UTC',
          weeks: 4,
          delivery: 'blended',
          creditSystem: 'none',
          credits: null,
        },
      })
    ).json()) as { id: string }
    const tree = readFrameworkText(bigPackage(6000))
    if (!tree.ok) throw new Error(tree.error.message)
    let n = 0
    const operations = editPlan(aBlueprint(), (e) => void bringFramework(e, tree.value, () => `k${++n}`))
    const change = { id: 'big', code: 'bring-framework', params: {}, onConflict: 'refuse', operations }
    const twice = { ...change, id: 'twice', operations: [...operations, operations.at(-1)] }
    expect((await send(`/api/courses/${id}/changes`, { as: 'ines', method: 'POST', json: twice })).status).to.equal(422)
    const astray = { op: 'create', kind: 'objectiveItem', record: { id: 'x--k2', objectiveId: 'x', itemId: 'k2' } }
    const refused = await send(`/api/courses/${id}/changes`, {
      as: 'ines',
      method: 'POST',
      json: { ...change, id: 'astray', operations: [...operations, astray] },
    })
    expect(refused.status).to.equal(409)
    const before = (await (await send(`/api/courses/${id}`, { as: 'ines' })).json()) as { records: { frameworkItem: unknown[] } }
    expect(before.records.frameworkItem).to.deep.equal([])
    expect((await send(`/api/courses/${id}/changes`, { as: 'ines', method: 'POST', json: change })).status).to.equal(200)
    const after = (await (await send(`/api/courses/${id}`, { as: 'ines' })).json()) as { records: { frameworkItem: unknown[] } }
    expect(after.records.frameworkItem.length).to.equal(operations.length - 1)
    const csv = await send(`/api/courses/${id}/export.mapping-csv`, { as: 'ines' })
    expect((await csv.text()).split('\r\n').length).to.be.greaterThan(5000)
    expect((await send(`/api/courses/${id}/export.case?framework=nothing`, { as: 'ines' })).status).to.equal(404)
    expect((await send(`/api/courses/${id}/export.nothing`, { as: 'ines' })).status).to.equal(404)
  })

  it('limits attempts to sign in', async () => {
    const limited = await startServer(database.url, { rateLimit: true })
    try {
      const attempt = async () =>
        (
          await fetch(`${limited.origin}/api/auth/sign-in/email`, {
            method: 'POST',
            headers: { 'content-type': 'application/json', origin: limited.origin },
            body: JSON.stringify({ email: 'ines@larkfield.example', password: 'wrong password' }),
          })
        ).status
      const statuses = []
      for (let i = 0; i < 12; i++) statuses.push(await attempt())
      expect(statuses.slice(0, 10)).to.not.include(429)
      expect(statuses.slice(10)).to.deep.equal([429, 429])
    } finally {
      await limited.stop()
    }
  })
})
