/** Files of courses over HTTP: in, out, in pieces, along with copies, on the public page. */
import { request } from 'node:http'
import { expect } from 'chai'
import { sql } from 'drizzle-orm'
import { unzipSync } from 'fflate'
import { openDatabase } from '../../src/server/db/client'
import { DEMO_PASSWORD } from '../../src/server/demo-people'
import { readBytes, storeBytes } from '../../src/server/file-store'
import { purgeRemoved } from '../../src/server/spaces'
import { chunk, png } from '../support/pictures'
import { cairn, demoDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'

const FILES = '/api/courses/small-streams/files'

describe('files of a course', () => {
  let database: TestDatabase
  let server: TestServer
  let opened: ReturnType<typeof openDatabase>
  const cookies = new Map<string, string>()
  before(async () => {
    database = await demoDatabase()
    server = await startServer(database.url)
    opened = openDatabase(database.url)
    for (const who of ['ines', 'marek']) {
      const answer = await send('/api/auth/sign-in/email', {
        method: 'POST',
        json: { email: `${who}@larkfield.example`, password: DEMO_PASSWORD },
      })
      const cookie = answer.headers.getSetCookie().map((c) => c.split(';')[0])
      cookies.set(who, cookie.join('; '))
    }
  })
  after(async () => {
    await opened.pool.end()
    await server.stop()
    await database.drop()
  })
  type Sent = { method?: string; as?: string | null; body?: Uint8Array; json?: unknown; headers?: Record<string, string> }
  const send = (path: string, { method = 'GET', as = 'ines', body, json, headers = {} }: Sent = {}) =>
    fetch(server.origin + path, {
      method,
      redirect: 'manual',
      headers: {
        origin: server.origin,
        ...(as && cookies.has(as) ? { cookie: cookies.get(as) as string } : {}),
        ...(json === undefined ? {} : { 'content-type': 'application/json' }),
        ...headers,
      },
      ...(json === undefined ? (body ? { body: body as BodyInit } : {}) : { body: JSON.stringify(json) }),
    })
  const put = (id: string, body: Uint8Array, as = 'ines') => send(`${FILES}/${id}?name=A%20weir.png`, { method: 'PUT', body, as })
  const chunks = async () => Number((await opened.db.execute<{ n: string }>(sql`select count(*) as n from file_chunk`)).rows[0]?.n)
  const change = (course: string, to: object, from: object) =>
    send(`/api/courses/${course}/changes`, {
      method: 'POST',
      json: {
        id: `c${Math.random().toString(36).slice(2)}`,
        code: 'set-field',
        params: {},
        onConflict: 'refuse',
        operations: [{ op: 'update', kind: 'course', id: 'course', from, to }],
      },
    })

  it('come in as pictures alone, without what was written into them, and go out as what they are and nothing else', async () => {
    const made = await put('weir', png(8, 4, [chunk('tEXt', Buffer.from('where: 54 N'))]))
    const record = await made.json()
    expect([made.status, record.type, record.width, record.height, record.name]).to.deep.equal([200, 'image/png', 8, 4, 'A weir.png'])
    const out = await send(`${FILES}/weir`, { as: 'marek' })
    expect(Buffer.from(await out.arrayBuffer())).to.deep.equal(png(8, 4))
    expect(
      Object.fromEntries(['content-type', 'x-content-type-options', 'content-security-policy'].map((h) => [h, out.headers.get(h)])),
    ).to.deep.equal({
      'content-type': 'image/png',
      'x-content-type-options': 'nosniff',
      'content-security-policy': "sandbox; default-src 'none'",
    })
    expect((await put('svg', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'))).status).to.equal(415)
    expect((await put('none', new Uint8Array(0))).status).to.equal(422)
    expect((await put('big', png(8000, 5001))).status).to.equal(422)
    expect((await put('long', Buffer.concat([png(2, 2), Buffer.alloc(10_000_000)]))).status).to.equal(413)
    expect((await put('weir2', png(8, 4), 'marek')).status).to.equal(403)
  })

  it('are kept once, whoever brings the same bytes how often; other bytes under an id are refused', async () => {
    const before = await chunks()
    expect((await put('twin', png(8, 4))).status).to.equal(200)
    expect((await put('twin', png(8, 4))).status).to.equal(200)
    expect(await chunks()).to.equal(before)
    expect((await put('twin', png(9, 4))).status).to.equal(409)
    expect((await (await send(`${FILES}/twin`)).arrayBuffer()).byteLength).to.equal(png(8, 4).length)
  })

  it('of a course are 500 MB at most, all together', async () => {
    const fill = (n: number) =>
      opened.db.execute(sql`insert into course_file (course_id, id, name, sha256, type, bytes, width, height, author_id, at, revision)
        select 'solar-arrays', 'f' || k, 'x', 'none', 'image/png', 10000000, 1, 1, 'x', now(), 1 from generate_series(1, ${n}::int) k`)
    const one = (id: string) => send(`/api/courses/solar-arrays/files/${id}`, { method: 'PUT', body: png(8, 4) })
    await fill(49)
    expect((await one('fits')).status).to.equal(200)
    await opened.db.execute(sql`update course_file set bytes = 10000000 where course_id = 'solar-arrays' and id = 'fits'`)
    expect((await (await one('over')).json()).code).to.equal('course-full')
    await opened.db.execute(sql`delete from course_file where course_id = 'solar-arrays'`)
  })

  it('come whole from a client that sends one byte after the other', async () => {
    const bytes = png(6, 3)
    const status = await new Promise<number>((resolve, reject) => {
      const url = new URL(`${server.origin}${FILES}/slow?name=slow.png`)
      const sent = request(
        url,
        {
          method: 'PUT',
          headers: {
            origin: server.origin,
            cookie: cookies.get('ines') ?? '',
            'content-length': bytes.length,
            'content-type': 'image/png',
          },
        },
        (answer) => {
          answer.resume()
          resolve(answer.statusCode ?? 0)
        },
      )
      sent.once('error', reject)
      sent.setNoDelay(true)
      for (const byte of bytes) sent.write(Buffer.of(byte))
      sent.end()
    })
    expect(status).to.equal(200)
    expect(Buffer.from(await (await send(`${FILES}/slow`)).arrayBuffer())).to.deep.equal(bytes)
  })

  it('go out in parts, at the borders too', async () => {
    const whole = png(8, 4)
    const part = async (range: string) => {
      const answer = await send(`${FILES}/weir`, { headers: { range } })
      return [answer.status, answer.headers.get('content-range'), Buffer.from(await answer.arrayBuffer()).toString('hex')]
    }
    const last = whole.length - 1
    expect(await part('bytes=0-0')).to.deep.equal([206, `bytes 0-0/${whole.length}`, '89'])
    expect(await part('bytes=1-3')).to.deep.equal([206, `bytes 1-3/${whole.length}`, '504e47'])
    expect(await part(`bytes=${last}-`)).to.deep.equal([206, `bytes ${last}-${last}/${whole.length}`, whole.subarray(last).toString('hex')])
    expect(await part('bytes=-4')).to.deep.equal([
      206,
      `bytes ${last - 3}-${last}/${whole.length}`,
      whole.subarray(last - 3).toString('hex'),
    ])
    expect((await part(`bytes=${whole.length}-`))[0]).to.equal(416)
    expect((await part('bytes=a-b'))[0]).to.equal(200)
  })

  it('are of one course: another that names them has none, until it takes them from there', async () => {
    expect((await send('/api/courses/museum-labels/files/weir')).status).to.equal(404)
    const taken = await send('/api/courses/museum-labels/files', {
      method: 'POST',
      json: { from: 'small-streams', ids: ['weir', 'nothing'] },
    })
    expect(await taken.json()).to.deep.equal({ taken: 1 })
    expect((await send('/api/courses/museum-labels/files/weir')).status).to.equal(200)
    expect((await send('/api/courses/museum-labels/files', { method: 'POST', json: { from: 'nowhere', ids: ['weir'] } })).status).to.equal(
      404,
    )
  })

  it('go along with a copy and in an archive, and come back out of it as they were', async () => {
    const { records } = (await (await send('/api/courses/small-streams')).json()) as {
      records: { course: { coverFileId: string | null; coverAlt: string | null }[] }
    }
    const { coverFileId = null, coverAlt = null } = records.course[0] ?? {}
    expect((await change('small-streams', { coverFileId: 'weir', coverAlt: 'A weir' }, { coverFileId, coverAlt })).status).to.equal(200)
    const copy = await (await send('/api/courses/small-streams/copy', { method: 'POST', json: { title: 'With a weir' } })).json()
    expect((await send(`/api/courses/${copy.id}/files/weir`)).status).to.equal(200)
    const archive = unzipSync(new Uint8Array(await (await send('/api/courses/small-streams/export.zip')).arrayBuffer()))
    expect(Buffer.from(archive['files/weir.png'] ?? [])).to.deep.equal(png(8, 4))
    expect(JSON.parse(Buffer.from(archive['course.cairn.json'] ?? []).toString()).course.coverFileId).to.equal('weir')
    const page = await (await send('/api/courses/small-streams/export.html')).text()
    expect(page).to.contain(`src="data:image/png;base64,${png(8, 4).toString('base64')}"`)
    expect((await cairn(['export', 'small-streams', '--format', 'zip'], { DATABASE_URL: database.url })).stdout.startsWith('PK')).to.equal(
      true,
    )
  })

  it('of a published syllabus are anybody’s, others of the course nobody’s', async () => {
    const { slug } = await (await send('/api/courses/small-streams/publication', { method: 'POST' })).json()
    const page = await (await send(`/p/${slug}`, { as: null })).text()
    expect(page).to.contain(`<img class="cover" src="/p/${slug}/weir" alt="A weir">`)
    expect((await send(`/p/${slug}/weir`, { as: null })).status).to.equal(200)
    expect((await send(`/p/${slug}/slow`, { as: null })).status).to.equal(404)
    await send('/api/courses/small-streams/publication', { method: 'DELETE' })
    expect((await send(`/p/${slug}/weir`, { as: null })).status).to.equal(404)
  })

  it('of any size go in and out in pieces; those that no course names go with the purge; half a file is none', async () => {
    const size = 5_300_000
    function* source() {
      for (let at = 0; at < size; at += 70_001) yield Buffer.alloc(Math.min(70_001, size - at), at % 251)
    }
    const { hash } = await opened.db.transaction((tx) => storeBytes(tx, source(), size, () => new Error('too large')))
    const parts: Buffer[] = []
    for await (const part of readBytes(opened.db, hash)) parts.push(part)
    expect(Buffer.concat(parts)).to.deep.equal(Buffer.concat([...source()]))
    expect(Math.max(...parts.map((p) => p.length))).to.be.below(1_100_000)
    const before = await chunks()
    const tooLarge = opened.db.transaction((tx) => storeBytes(tx, source(), size - 1, () => new Error('too large')))
    expect(
      await tooLarge.then(
        () => 'stored',
        (e: Error) => e.message,
      ),
    ).to.equal('too large')
    expect(await chunks()).to.equal(before)
    await purgeRemoved(opened.db)
    expect(await chunks()).to.be.below(before)
    expect((await send(`${FILES}/weir`)).status).to.equal(200)
  })
})
