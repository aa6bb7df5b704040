/** Whatever comes in at any endpoint, as whoever may ask: an answer with a reason, never a failure of the server. */
import { readdirSync, readFileSync } from 'node:fs'
import { request } from 'node:http'
import { expect } from 'chai'
import { besideKinds } from '../../src/core/beside/registry'
import { fixedId } from '../../src/core/blueprint/ids'
import { fieldsOf, KIND_NAMES, specOf } from '../../src/core/blueprint/kinds'
import { DEMO_PASSWORD } from '../../src/server/demo-people'
import { nastyValue, pick, spoiled } from '../support/nasty'
import { valueFor } from '../support/random-values'
import { rng } from '../support/rng'
import { type Route, routes } from '../support/routes'
import { demoDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'

const SEED = Number(process.env['CAIRN_SEED'] ?? 20261201)
const TRIALS = 25
const all = await routes()
const COURSE = 'small-streams'

/** The names of what is asked for behind `?`, by the sources themselves. */
const ASKED = [
  ...new Set(
    ['src/pages', 'src/server'].flatMap((folder) =>
      readdirSync(folder, { recursive: true, encoding: 'utf8' })
        .filter((f) => f.endsWith('.ts'))
        .flatMap((f) => [...readFileSync(`${folder}/${f}`, 'utf8').matchAll(/searchParams\.get\('([^']+)'/g)].map((m) => m[1] as string)),
    ),
  ),
].filter((name) => name !== 'account')

const PLACES = [
  '%00',
  '%ff',
  '..%2f..',
  '99999999999999999999999999',
  '-1',
  '1e400',
  '%F0%9F%8C%8A',
  'x'.repeat(300),
  '%E2%80%AE',
  'NaN',
  '__proto__',
  'constructor',
  'a1-1',
  'json',
  'xlsx',
  '%ed%a0%80',
  'a%20b',
  '.',
  'co1',
]
const VALUES = [
  '',
  '-1',
  '0',
  '1',
  '1.5',
  '1e400',
  '99999999999999999999',
  'NaN',
  '%00',
  '%ff',
  '%ed%a0%80',
  '0000-01-01',
  '275760-09-14',
  '%F3%A0%81%81',
  'x'.repeat(2000),
  'true',
  '[]',
  '{}',
]

describe(`anything at any endpoint (seed ${SEED})`, () => {
  let database: TestDatabase
  let server: TestServer
  let [own, seat, seatId] = ['', '', '']
  const failed: string[] = []
  /** How many changes and records were taken: what is sent reaches what writes. */
  let taken = 0

  /** The address as it is given: nothing is put right on the way. */
  const send = (
    method: string,
    path: string,
    cookie: string,
    body: string | null,
    type = 'application/json',
  ): Promise<{ status: number; text: string }> =>
    new Promise((resolve, reject) => {
      const headers = {
        origin: server.origin,
        cookie,
        ...(body === null ? {} : { 'content-type': type, 'content-length': String(Buffer.byteLength(body)) }),
      }
      const asked = request(`${server.origin}/`, { method, path, headers }, (answer) => {
        let text = ''
        answer.on('data', (part) => {
          text += part
          // Streams and files go on: what they are is known by now.
          if (text.length > 4000 || answer.headers['content-type']?.startsWith('text/event-stream')) answer.destroy()
        })
        answer.once('close', () => resolve({ status: answer.statusCode ?? 0, text }))
        if (answer.headers['content-type']?.startsWith('text/event-stream')) answer.destroy()
      })
      asked.once('error', reject)
      if (body !== null) asked.write(body)
      asked.end()
    })
  const judge = (what: string, sent: string, { status, text }: { status: number; text: string }) => {
    if (status === 200 || status === 201) taken++
    if (status >= 500 || status === 0) failed.push(`${status} ${what} ${sent.slice(0, 400)} -> ${text.slice(0, 200)}`)
  }
  const cookieOf = (r: Response) =>
    r.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ')

  before(async () => {
    database = await demoDatabase()
    server = await startServer(database.url)
    own = cookieOf(
      await fetch(`${server.origin}/api/auth/sign-in/email`, {
        method: 'POST',
        headers: { origin: server.origin, 'content-type': 'application/json' },
        body: JSON.stringify({ email: 'ines@larkfield.example', password: DEMO_PASSWORD }),
      }),
    )
    const opened = await fetch(`${server.origin}/seat/outside-review-of-ren-031`, { redirect: 'manual' })
    seat = cookieOf(opened)
    seatId = /\/seat\/([^/?]+)/.exec(opened.headers.get('location') ?? '')?.[1] ?? 'nobody'
  })
  after(async () => {
    await server.stop()
    await database.drop()
  })
  /** What failed since this was asked last. */
  const expectNone = () => {
    const found = failed.splice(0)
    expect(found, found.join('\n')).to.have.length(0)
  }

  const pathOf = ({ path }: Route, random: () => number) =>
    path.replace(/\[(?:\.\.\.)?(\w+)\]/g, (_, name: string) => {
      if (random() < 0.3) return pick(PLACES, random)
      if (name === 'id') return COURSE
      if (name === 'seat') return seatId
      if (name === 'kind') return pick([...KIND_NAMES, ...besideKinds().map((k) => k.spec.name)], random)
      return pick(PLACES, random)
    })
  const asked = (random: () => number) =>
    random() < 0.4 || ASKED.length === 0
      ? ''
      : `?${pick(ASKED, random)}=${pick(VALUES, random)}&${pick(ASKED, random)}=${pick(VALUES, random)}`

  // Signing out would end the session that asks.
  for (const [place, route] of all.entries())
    if (route.path !== '/sign-out')
      it(`${route.name} answers`, async () => {
        const random = rng(SEED + place)
        const cookie = route.declared.access === 'seat' ? seat : own
        for (let n = 0; n < TRIALS; n++) {
          const path = pathOf(route, random) + asked(random)
          const shape = route.declared.example ?? { id: 'x', values: { what: 'x' }, base: null }
          const text = JSON.stringify(random() < 0.8 ? spoiled(shape, random) : nastyValue(random)) ?? 'null'
          const body = route.method === 'GET' || route.method === 'HEAD' ? null : random() < 0.1 ? `${text.slice(0, -1)}` : text
          judge(
            route.name,
            `${path} ${body}`,
            await send(route.method, path, cookie, body, random() < 0.9 ? 'application/json' : 'text/plain'),
          )
        }
        expectNone()
      })

  const idsOf = new Map<string, readonly string[]>()
  const ids = (kind: string): readonly string[] => idsOf.get(kind) ?? ['nothing']
  it('knows what the course holds', async () => {
    const { text } = await new Promise<{ text: string }>((resolve) => {
      void fetch(`${server.origin}/api/courses/${COURSE}`, { headers: { cookie: own } }).then(async (r) =>
        resolve({ text: await r.text() }),
      )
    })
    const { records } = JSON.parse(text) as { records: Record<string, { id: string }[]> }
    for (const [kind, list] of Object.entries(records))
      idsOf.set(
        kind,
        list.map((r) => r.id),
      )
    expect(idsOf.size).to.be.greaterThan(10)
  })
  for (const [place, kind] of KIND_NAMES.entries())
    it(`takes or refuses a ${specOf(kind).noun} with anything in its fields`, async () => {
      const random = rng(SEED + 1000 + place)
      const spec = specOf(kind)
      for (let n = 0; n < TRIALS; n++) {
        const whole = Object.fromEntries(fieldsOf(kind).map(([name, field]) => [name, valueFor(field, random, ids) ?? null]))
        const id = spec.single ? kind : spec.ends ? fixedId(kind, { id: '', ...whole } as never) : `f${place}-${n}`
        const spoilt = { id, ...whole, ...(random() < 0.15 ? {} : { [pick(fieldsOf(kind), random)[0]]: nastyValue(random) }) }
        const operations =
          random() < 0.7
            ? [{ op: 'create', kind, record: spoilt }]
            : [{ op: 'update', kind, id: pick(ids(kind), random), from: { id }, to: spoilt }]
        const change = {
          id: `fz-${place}-${n}`,
          code: 'edit-text',
          params: { what: pick(['x', nastyValue(random)], random) },
          onConflict: pick(['refuse', 'skip'], random),
          operations,
        }
        const body = JSON.stringify(random() < 0.2 ? spoiled(change, random) : change)
        judge(`change of ${kind}`, body, await send('POST', `/api/courses/${COURSE}/changes`, own, body))
      }
      expectNone()
    })
  for (const [place, { spec }] of besideKinds().entries())
    it(`takes or refuses a ${spec.noun} beside the plan with anything in its fields`, async () => {
      const random = rng(SEED + 2000 + place)
      const fields = Object.entries(spec.fields)
      for (let n = 0; n < TRIALS; n++) {
        const whole = Object.fromEntries(fields.map(([name, field]) => [name, valueFor(field as never, random, ids) ?? null]))
        const values = { ...whole, ...(random() < 0.2 ? {} : { [pick(fields, random)[0]]: nastyValue(random) }) }
        const body = JSON.stringify({ values, base: pick([null, null, 1, nastyValue(random)], random) })
        const id = pick([`fb${place}-${n}`, ...PLACES], random)
        judge(`a ${spec.name}`, `${id} ${body}`, await send('PUT', `/api/courses/${COURSE}/beside/${spec.name}/${id}`, own, body))
      }
      expectNone()
    })
  it('and the course is there; much was taken', async () => {
    expect(taken).to.be.greaterThan(300)
    const { status } = await send('GET', `/api/courses/${COURSE}`, own, null)
    expect(status).to.be.oneOf([200, 404])
    expect((await send('GET', '/', own, null)).status).to.equal(200)
  })
})
