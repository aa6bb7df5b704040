/** Seats of a review by link, over the built server: what a link opens and what it does not, who sees it, when it ends. */
import { expect } from 'chai'
import { besideKinds } from '../../src/core/beside/registry'
import { recordsOf } from '../../src/core/blueprint/blueprint'
import { seenFromOutside } from '../../src/core/review/seat-link'
import { DEMO_LINK } from '../../src/server/demo-outside'
import { DEMO_PASSWORD } from '../../src/server/demo-people'
import { aBlueprint } from '../support/course'
import { png } from '../support/pictures'
import { demoDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'

const COURSE = '/api/courses/solar-arrays'
const REVIEW_KINDS = ['reviewRound', 'reviewSeat', 'reviewRating', 'reviewDecision', 'reviewAction', 'file']
const RATING = {
  ...{ value: 'partly', handedInValue: null, reason: null, seen: 'Seen it', where: null, change: null, mark: null },
  ...{ evidence: [], base: null },
}
type Record = { readonly id: string; readonly revision: number; readonly [field: string]: unknown }

/** Somebody's browser: keeps what cookies it is given. */
class Browser {
  cookies = new Map<string, string>()
  constructor(private readonly origin: string) {}

  async ask(method: string, path: string, body?: unknown): Promise<Response> {
    const response = await fetch(this.origin + path, {
      method,
      redirect: 'manual',
      headers: {
        origin: this.origin,
        cookie: [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; '),
        ...(body === undefined || body instanceof Uint8Array ? {} : { 'content-type': 'application/json' }),
      },
      ...(body === undefined ? {} : { body: body instanceof Uint8Array ? Buffer.from(body) : JSON.stringify(body) }),
    })
    for (const cookie of response.headers.getSetCookie()) {
      const [pair = ''] = cookie.split(';')
      this.cookies.set(pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1))
    }
    return response
  }

  async json<T>(method: string, path: string, body?: unknown): Promise<T> {
    const response = await this.ask(method, path, body)
    if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`)
    return response.status === 204 ? (null as T) : ((await response.json()) as T)
  }

  /** Opens a link, and says under which address of a seat one is then. */
  async open(link: string): Promise<string | null> {
    const response = await this.ask('GET', link)
    return response.status === 303 ? (/^\/seat\/([^/]+)\/review$/.exec(response.headers.get('location') ?? '')?.[1] ?? null) : null
  }
}
const dayAgo = (days: number): string => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10)

describe('a seat by link', () => {
  let database: TestDatabase
  let server: TestServer
  let ines: Browser
  let points: readonly string[]
  before(async () => {
    database = await demoDatabase()
    server = await startServer(database.url)
    ines = new Browser(server.origin)
    await ines.json('POST', '/api/auth/sign-in/email', { email: 'ines@larkfield.example', password: DEMO_PASSWORD })
    const plan = await ines.json<{ records: { reviewPoint: { id: string }[] } }>('GET', COURSE)
    points = plan.records.reviewPoint.map((p) => p.id).filter((id) => id.startsWith('charter'))
  })
  after(async () => {
    await server.stop()
    await database.drop()
  })

  const list = async (by: Browser, base: string, kind: string) =>
    (await by.json<{ records: Record[] }>('GET', `${base}/beside/${kind}`)).records
  const seat = async (id: string) => (await list(ines, COURSE, 'reviewSeat')).find((s) => s.id === id) as Record
  const put = async (by: Browser, base: string, kind: string, id: string, to: object) => {
    const before = (await list(by, base, kind)).find((r) => r.id === id)
    const { id: _i, authorId: _a, at: _t, revision: _r, ...values } = before ?? ({} as Record)
    return by.ask('PUT', `${base}/beside/${kind}/${id}`, { values: { ...values, ...to }, base: before?.revision ?? null })
  }
  const give = (body: object = {}) =>
    ines.json<{ seat: Record; link: string }>('POST', `${COURSE}/seats`, { roundId: 'outside', name: 'Bo', email: '', points: [], ...body })
  const pathOf = (link: string) => new URL(link).pathname
  const newcomer = () => new Browser(server.origin)
  const handIn = (by: Browser, id: string, at: string | null = new Date().toISOString()) =>
    put(by, `/api/seats/${id}`, 'reviewSeat', id, { handedInAt: at })

  it('opens without an account, is counted, and asks no search engine and no other page along', async () => {
    const sunniva = newcomer()
    const path = `/seat/${DEMO_LINK}`
    expect((await sunniva.ask('HEAD', path)).status).to.equal(404)
    expect((await seat('outside-1'))['openings']).to.equal(0)
    const opened = await sunniva.ask('GET', path)
    expect(opened.status).to.equal(303)
    expect(opened.headers.get('set-cookie'))
      .to.match(/HttpOnly/i)
      .and.match(/SameSite=Lax/i)
    expect(opened.headers.get('set-cookie')).to.not.contain(DEMO_LINK)
    const page = await sunniva.ask('GET', '/seat/outside-1/review')
    expect([page.status, page.headers.get('referrer-policy'), page.headers.get('x-robots-tag')]).to.deep.equal([
      200,
      'no-referrer',
      'noindex',
    ])
    const counted = await seat('outside-1')
    expect([counted['openings'], counted['linkHash']]).to.deep.equal([1, null])
    expect(Date.now() - Date.parse(String(counted['openedAt']))).to.be.within(0, 60_000)
    // The same browser comes back uncounted; another device opens it again.
    expect(await sunniva.open(path)).to.equal('outside-1')
    expect((await seat('outside-1'))['openings']).to.equal(1)
    expect(await newcomer().open(path)).to.equal('outside-1')
    expect((await seat('outside-1'))['openings']).to.equal(2)
  })

  it('shows the plan that is rated without what the team keeps to itself, and nothing else of the course', async () => {
    const { link, seat: given } = await give()
    const bo = newcomer()
    const id = await bo.open(pathOf(link))
    expect(id).to.equal(given.id)
    const base = `/api/seats/${id}`
    const [round] = (await list(bo, base, 'reviewRound')) as [Record]
    expect((await list(bo, base, 'reviewRound')).map((r) => r.id)).to.deep.equal(['outside'])
    expect((await list(bo, base, 'reviewSeat')).map((s) => s.id)).to.deep.equal([id])
    const snapshot = async () =>
      bo.json<{ records: { decision: { reason: string }[]; activity: object[] }; viewer: { email: string } }>(
        'GET',
        `${base}/snapshots/${String(round['snapshotId'])}`,
      )
    expect((await snapshot()).records.activity.length).to.be.greaterThan(5)
    expect((await snapshot()).records.decision.map((d) => d.reason)).to.satisfy((all: string[]) => all.every((r) => r === '–'))
    await put(ines, COURSE, 'reviewRound', 'outside', { showsNotes: true })
    expect((await snapshot()).records.decision.some((d) => d.reason.length > 5)).to.equal(true)
    await put(ines, COURSE, 'reviewRound', 'outside', { showsNotes: false })
    // Every other kind, every other snapshot, and the course itself.
    for (const kind of besideKinds().map((k) => k.spec.name))
      expect((await bo.ask('GET', `${base}/beside/${kind}`)).status, kind).to.equal(REVIEW_KINDS.includes(kind) ? 200 : 404)
    for (const kind of ['reviewDecision', 'reviewAction']) expect(await list(bo, base, kind)).to.deep.equal([])
    expect((await bo.ask('GET', `${base}/snapshots/another`)).status).to.equal(404)
    expect((await bo.ask('GET', `${base}/files/another`)).status).to.equal(404)
    for (const path of ['', '/history', '/people', '/changes', '/beside/comment', '/export.json', '/events'])
      expect((await bo.ask('GET', COURSE + path)).status, path).to.equal(401)
    // Another's seat is as if it were not there.
    const wrong = await (await newcomer().ask('GET', `${base}/beside/reviewSeat`)).text()
    expect(await (await bo.ask('GET', '/api/seats/outside-1/beside/reviewSeat')).text()).to.equal(wrong)
  })

  it('rates its own points alone, and sees what others say when both have handed in', async () => {
    const [one, two] = [newcomer(), newcomer()]
    const [first, second] = [await give({ name: 'One' }), await give({ name: 'Two', points: [points[0]] })]
    const [a, b] = [await one.open(pathOf(first.link)), await two.open(pathOf(second.link))] as [string, string]
    const rate = (by: Browser, own: string, of: string, pointId = points[0]) =>
      put(by, `/api/seats/${own}`, 'reviewRating', `${of}--${pointId}`, { ...RATING, seatId: of, pointId })
    expect((await rate(one, a, a)).status).to.equal(200)
    expect((await rate(two, b, b)).status).to.equal(200)
    expect((await rate(two, b, b, points[1])).status, 'not asked').to.equal(403)
    expect((await rate(one, a, b)).status, 'another’s').to.equal(403)
    const seen = async (by: Browser, own: string) => (await list(by, `/api/seats/${own}`, 'reviewRating')).map((r) => r['seatId']).sort()
    expect(await seen(one, a)).to.deep.equal([a])
    expect((await handIn(two, b)).status).to.equal(200)
    expect(await seen(one, a)).to.deep.equal([a])
    expect((await handIn(one, a)).status).to.equal(200)
    expect(await seen(one, a)).to.deep.equal([a, b].sort())
    // Handed in, it opens on no other device, and this one goes on; taken back, it opens again.
    expect(await newcomer().open(pathOf(first.link))).to.equal(null)
    expect((await handIn(one, a, null)).status).to.equal(200)
    expect(await newcomer().open(pathOf(first.link))).to.equal(a)
  })

  it('brings pictures as evidence, which are seen with what it says, and not before', async () => {
    const [one, two, marek] = [newcomer(), newcomer(), newcomer()]
    const [first, second] = [await give({ name: 'First' }), await give({ name: 'Second' })]
    const [a, b] = [await one.open(pathOf(first.link)), await two.open(pathOf(second.link))] as [string, string]
    const of = (seatId: string) => `/api/seats/${seatId}/files/pic-${a}`
    expect((await one.ask('PUT', `${of(a)}?name=Page%203`, png(8, 4))).status).to.equal(200)
    expect((await one.ask('PUT', `/api/seats/${a}/files/none`, Buffer.from('<svg/>'))).status).to.equal(415)
    const sees = async (by: Browser, path: string) => (await by.ask('GET', path)).status
    const courseFile = `${COURSE}/files/pic-${a}`
    const listed = async () => (await list(ines, COURSE, 'file')).some((f) => f.id === `pic-${a}`)
    expect([await sees(one, of(a)), await sees(two, of(b)), await sees(ines, courseFile), await listed()]).to.deep.equal([
      200,
      404,
      404,
      false,
    ])
    for (const [by, id] of [
      [one, a],
      [two, b],
    ] as const)
      expect((await handIn(by, id)).status).to.equal(200)
    expect([await sees(two, of(b)), await sees(ines, courseFile)]).to.deep.equal([200, 404])
    // A member brings pictures to the own seat alone.
    await marek.json('POST', '/api/auth/sign-in/email', { email: 'marek@larkfield.example', password: DEMO_PASSWORD })
    expect((await marek.ask('PUT', `${COURSE}/seats/${a}/files/mine`, png(8, 4))).status).to.equal(403)
    const { members } = await ines.json<{ members: { id: string; name: string }[] }>('GET', `${COURSE}/people`)
    const personId = members.find((m) => m.name.startsWith('Marek'))?.id
    const seatOf = { ...{ roundId: 'outside', personId, name: 'Marek', linkHash: null, points: [], remark: null, handedInAt: null } }
    await put(ines, COURSE, 'reviewSeat', 'of-marek', { ...seatOf, openings: 0, openedAt: null, withdrawn: false })
    expect((await marek.ask('PUT', `${COURSE}/seats/of-marek/files/mine`, png(8, 4))).status).to.equal(200)
    expect([await sees(marek, `${COURSE}/files/mine`), await sees(ines, `${COURSE}/files/mine`)]).to.deep.equal([200, 404])
    expect((await marek.ask('PUT', `${COURSE}/seats/nobody/files/mine2`, png(8, 4))).status).to.equal(404)
  })

  it('ends when it is replaced, withdrawn, or over, with the answer that a wrong one gets', async () => {
    const text = async (by: Browser, path: string) => {
      const response = await by.ask('GET', path)
      return `${response.status} ${(await response.text()).replace(/^.*<main/s, '')}`
    }
    const wrong = await text(newcomer(), '/seat/nothing-of-the-kind')
    const { seat: given, link } = await give()
    const bo = newcomer()
    await bo.open(pathOf(link))
    const again = await ines.json<{ link: string }>('POST', `${COURSE}/seats/${given.id}`, {})
    expect(await text(newcomer(), pathOf(link))).to.equal(wrong)
    expect(await newcomer().open(pathOf(again.link))).to.equal(given.id)
    const base = `/api/seats/${given.id}`
    expect((await bo.ask('GET', `${base}/beside/reviewSeat`)).status, 'goes on').to.equal(200)
    // The last day is the fourteenth after the round is due.
    for (const [days, status] of [
      [14, 200],
      [15, 404],
    ] as const) {
      await put(ines, COURSE, 'reviewRound', 'outside', { due: dayAgo(days) })
      expect((await bo.ask('GET', `${base}/beside/reviewSeat`)).status, `${days} days`).to.equal(status)
      expect(await newcomer().open(pathOf(again.link))).to.equal(status === 200 ? given.id : null)
    }
    await put(ines, COURSE, 'reviewRound', 'outside', { due: null })
    await ines.json('DELETE', `${COURSE}/beside/reviewSeat/${given.id}`)
    expect(await text(bo, pathOf(again.link))).to.equal(wrong)
    expect((await bo.ask('GET', `${base}/beside/reviewSeat`)).status).to.equal(404)
    expect(await text(bo, `/seat/${given.id}/review`)).to.equal(wrong)
  })

  it('is sent by mail where an address is known, and given by a designer alone', async () => {
    const { link } = await give({ name: 'Mads', email: 'mads@outside.example' })
    const outbox = await (await ines.ask('GET', '/outbox')).text()
    expect(outbox).to.contain('mads@outside.example').and.contain(pathOf(link))
    for (const body of [{ name: '' }, { email: 'no address' }, { name: 'x'.repeat(121) }])
      expect(
        (await ines.ask('POST', `${COURSE}/seats`, { roundId: 'outside', name: 'Bo', email: '', points: [], ...body })).status,
      ).to.equal(422)
    expect((await ines.ask('POST', `${COURSE}/seats`, { roundId: 'nowhere', name: 'Bo', email: '', points: [] })).status).to.equal(404)
    expect((await ines.ask('POST', `${COURSE}/seats/nobody`, {})).status).to.equal(404)
    const marek = newcomer()
    await marek.json('POST', '/api/auth/sign-in/email', { email: 'marek@larkfield.example', password: DEMO_PASSWORD })
    expect((await marek.ask('POST', `${COURSE}/seats`, { roundId: 'outside', name: 'Bo', email: '', points: [] })).status).to.equal(403)
    // Nobody makes up a secret.
    const made = { ...((await seat('outside-1')) as object), linkHash: 'f'.repeat(64), openings: 0, openedAt: null } as unknown as Record
    const { id: _i, authorId: _a, at: _t, revision: _r, ...values } = made
    expect((await ines.ask('PUT', `${COURSE}/beside/reviewSeat/made-up`, { values, base: null })).status).to.equal(403)
  })

  it('reads on in a course that is put away, and nothing in one that was removed', async () => {
    const bo = newcomer()
    const id = (await bo.open(`/seat/${DEMO_LINK}`)) as string
    const state = (to: string) => ines.json('PUT', `${COURSE}/state`, { state: to })
    await state('archived')
    expect((await bo.ask('GET', `/api/seats/${id}/beside/reviewRound`)).status).to.equal(200)
    expect((await handIn(bo, id)).status).to.equal(403)
    await ines.json('PUT', `${COURSE}/state`, { state: 'removed', confirm: 'Inspecting Rooftop Solar Arrays' })
    expect((await bo.ask('GET', `/api/seats/${id}/beside/reviewRound`)).status).to.equal(404)
    await state('live')
    expect((await handIn(bo, id)).status).to.equal(200)
  })
})

describe('a plan seen from outside', () => {
  it('loses what is declared as the team’s own, and nothing else', () => {
    const plan = aBlueprint({
      activity: [{ id: 'a1', title: 'Read', notes: 'Ask Tove', instructions: 'Read it' }],
      assessment: [{ id: 'a1', markingMinutes: 20, points: 100 }],
    } as never)
    const seen = seenFromOutside(plan)
    const [activity] = recordsOf(seen, 'activity')
    expect([activity?.title, activity?.notes]).to.deep.equal(['Read', null])
    const [assessment] = recordsOf(seen, 'assessment')
    expect([assessment?.points, assessment?.markingMinutes]).to.deep.equal([100, null])
  })
})
