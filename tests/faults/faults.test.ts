import { randomBytes } from 'node:crypto'
import { expect } from 'chai'
import { sql } from 'drizzle-orm'
import { openDatabase } from '../../src/server/db/client'
import { Client, closeClients, cookieOf, giveRoles, makePeople, until } from '../support/clients'
import { chunk, png } from '../support/pictures'
import { demoDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'
import { endConnections, onSmallDisk, restartPostgres } from './postgres'
import { wireTo } from './proxy'
import { COURSE, expectNothingLost, gather } from './storm'

const shifted = { NODE_OPTIONS: `--import ${new URL('shift-clock.mjs', import.meta.url).href}` }

describe('faults', () => {
  let database: TestDatabase
  let server: TestServer
  beforeEach(async () => {
    database = await demoDatabase()
    server = await startServer(database.url, { env: shifted })
  })
  afterEach(async () => {
    closeClients()
    await server.stop()
    await database.drop()
  })

  it('kill -9 of the server ten times in a storm of twenty people: what was acknowledged is there, none half, all end equal', async () => {
    const storm = await gather(server, database.url, 20)
    let kills = 0
    let next = 40
    let killing: Promise<void> | null = null
    await storm.run(() => {
      if (kills < 10 && !killing && storm.acknowledged() >= next) {
        kills++
        killing = server
          .kill()
          .then(() => server.start())
          .then(() => {
            next = storm.acknowledged() + 40
            killing = null
          })
      }
      return kills === 10 && !killing && storm.acknowledged() >= next
    })
    const { revisions } = await expectNothingLost(database.url, storm.clients)
    expect(kills).to.equal(10)
    expect(revisions).to.be.greaterThan(400)
    expect(storm.clients.flatMap((c) => c.state.unsent)).to.deep.equal([])
  })

  it('PostgreSQL restarted under load, as a crash and in good order, and its connections cut: nothing is lost, nobody reloads', async () => {
    const storm = await gather(server, database.url, 12)
    let step = 0
    let next = 60
    let busy: Promise<unknown> | null = null
    const states = new Set<string>()
    const faults = [
      async () => restartPostgres('immediate'),
      async () => expect(await endConnections(database.url)).to.be.greaterThan(0),
      async () => restartPostgres('fast'),
      async () => expect(await endConnections(database.url)).to.be.greaterThan(0),
    ]
    await storm.run(() => {
      for (const c of storm.clients) states.add(c.state.connection)
      const fault = faults[step]
      if (fault && !busy && storm.acknowledged() >= next) {
        step++
        busy = fault().then(() => {
          next = storm.acknowledged() + 60
          busy = null
        })
      }
      return step === faults.length && !busy && storm.acknowledged() >= next
    })
    await expectNothingLost(database.url, storm.clients)
    // The state line told of it, and of nothing else.
    expect([...states].sort()).to.deep.equal(['offline', 'online'])
  })

  it('event streams cut, and a line that is silent without being cut: what others did comes all the same', async () => {
    const wire = await wireTo(server.origin)
    const storm = await gather(server, database.url, 8, { streams: wire.origin })
    let cuts = 0
    await storm.run(() => {
      if (storm.acknowledged() >= (cuts + 1) * 40 && cuts < 6) {
        cuts++
        wire.cut()
      }
      return cuts === 6 && storm.acknowledged() >= 320
    })
    await expectNothingLost(database.url, storm.clients)
    // Now nothing is pushed any more; the clients' clocks say that the beats are missing, and they ask.
    wire.hold(true)
    const [writer, ...readers] = storm.clients as [Client, ...Client[]]
    const id = [...writer.state.session.view.activity.keys()][0] as string
    writer.edit((e) => e.set('activity', id, { title: 'Over a silent line' }))
    await until(
      () => writer.state.session.queue.length === 0,
      () => 'not sent',
    )
    expect(readers.some((r) => r.state.session.view.activity.get(id)?.title === 'Over a silent line')).to.equal(false)
    for (const r of readers) r.clockShift = 60_000
    await until(
      () => readers.every((r) => r.state.session.view.activity.get(id)?.title === 'Over a silent line'),
      () => readers.map((r) => r.state.session.revision).join(),
    )
    wire.hold(false)
    closeClients()
    await wire.close()
  })

  it('a full disk: the state says that the server cannot save, and when there is room all is saved', async () => {
    const disk = await onSmallDisk(database.url)
    try {
      const storm = await gather(server, database.url, 6)
      await storm.run(() => storm.acknowledged() >= 60)
      await disk.fill()
      let full = false
      let freed = false
      const before = storm.acknowledged()
      await storm.run(() => {
        if (!full && storm.clients.every((c) => c.state.connection === 'unable' && c.state.session.queue.length > 0)) {
          full = true
          void disk.free().then(() => {
            freed = true
          })
        }
        return freed && storm.acknowledged() >= before + 60
      })
      expect(full, disk.kind).to.equal(true)
      await expectNothingLost(database.url, storm.clients)
    } finally {
      closeClients()
      await disk.remove()
    }
  })

  it('a disk that fills while a file comes in: it is told, nothing of the file stays, and the next try has it', async () => {
    const disk = await onSmallDisk(database.url, 'file_chunk')
    const { db, pool } = openDatabase(database.url)
    try {
      const cookie = (await makePeople(server.origin, ['files@example.org'])).get('files@example.org') ?? ''
      await giveRoles(database.url, COURSE, ['files@example.org'])
      const send = (init: RequestInit = {}) =>
        fetch(`${server.origin}/api/courses/${COURSE}/files/weir?name=Weir.png`, { ...init, headers: { cookie, origin: server.origin } })
      const stored = async () => {
        const { rows } = await db.execute<{ pieces: string; files: string }>(
          sql`select (select count(*) from file_chunk) as pieces, (select count(*) from course_file) as files`,
        )
        return rows[0]
      }
      const before = await stored()
      // Bytes that no compression makes smaller.
      const picture = png(8, 4, [chunk('IDAT', randomBytes(6_000_000))])
      await disk.fill()
      const refused = await send({ method: 'PUT', body: picture as BodyInit })
      expect([refused.status, ((await refused.json()) as { code: string }).code], disk.kind).to.deep.equal([503, 'cannot-store'])
      expect(await stored()).to.deep.equal(before)
      await disk.free()
      expect((await send({ method: 'PUT', body: picture as BodyInit })).status).to.equal(200)
      expect(Buffer.from(await (await send()).arrayBuffer()).equals(picture)).to.equal(true)
    } finally {
      await pool.end()
      await disk.remove()
    }
  })

  it('clocks that jump: hours are not noticed; a year ends the session, keeps the queue, and asks to sign in', async () => {
    const storm = await gather(server, database.url, 5)
    await storm.run(() => storm.acknowledged() >= 40)
    for (let jump = 1; jump <= 3; jump++) {
      server.signal('SIGUSR2')
      const [ahead, back] = storm.clients
      if (ahead && back) {
        ahead.clockShift = jump * 86_400_000
        back.clockShift = -jump * 86_400_000
      }
      const from = storm.acknowledged()
      await storm.run(() => storm.acknowledged() >= from + 40)
    }
    await expectNothingLost(database.url, storm.clients)
    const [client] = storm.clients
    if (!client) throw new Error('nobody')
    const [[email], [, other]] = [...storm.cookies] as [[string, string], [string, string]]
    server.signal('SIGUSR2')
    // The jump is there when another session of that time is over.
    const courses = () => fetch(`${server.origin}/api/courses`, { headers: { cookie: other } })
    while ((await courses()).status !== 401) await new Promise((done) => setTimeout(done, 20))
    client.edit((e) => e.set('course', 'course', { title: 'Written a year on' }))
    await until(
      () => client.state.connection === 'signed-out',
      () => client.state.connection,
    )
    expect(client.state.session.queue).to.have.length(1)
    server.signal('SIGUSR2')
    client.useCookie(await cookieOf(server.origin, email))
    client.sync.retryNow()
    await until(
      () => client.state.session.queue.length === 0,
      () => client.state.connection,
    )
  })

  it('two server processes on one database: what is written through one is heard through the other', async () => {
    const other = await startServer(database.url)
    try {
      const emails = ['left@example.org', 'right@example.org']
      const cookies = await makePeople(server.origin, emails)
      await giveRoles(database.url, COURSE, emails)
      const [left, right] = [server, other].map(
        (s, i) => new Client(`p${i}`, COURSE, { origin: s.origin, cookie: cookies.get(emails[i] ?? '') ?? '' }),
      ) as [Client, Client]
      await Promise.all([left.open(), right.open()])
      await until(
        () => left.state.status === 'ready' && right.state.status === 'ready',
        () => 'not open',
      )
      const heard: number[] = []
      for (let n = 0; n < 20; n++) {
        const [from, to] = n % 2 === 0 ? [left, right] : [right, left]
        const id = [...from.state.session.view.activity.keys()][n] as string
        const begun = performance.now()
        from.edit((e) => e.set('activity', id, { title: `Across ${n}` }))
        await until(
          () => to.state.session.confirmed.activity.get(id)?.title === `Across ${n}`,
          () => `${n} did not come across`,
          5000,
        )
        heard.push(performance.now() - begun)
      }
      expect(Math.max(...heard)).to.be.below(1000)
      left.sync.moveTo({ view: 'map', place: 'activity a1-1', field: 'title' })
      await until(
        () => right.state.present.some((p) => p.place === 'activity a1-1'),
        () => 'presence did not come across',
      )
      // Many at once through both: one order, no gap.
      const names = Array.from({ length: 6 }, (_, i) => `both${i}@example.org`)
      const more = await makePeople(server.origin, names)
      await giveRoles(database.url, COURSE, names)
      const crowd = names.map(
        (n, i) => new Client(`q${i}`, COURSE, { origin: [server, other][i % 2]?.origin ?? '', cookie: more.get(n) ?? '' }),
      )
      await Promise.all(crowd.map((c) => c.open()))
      for (let n = 0; n < 30; n++) {
        for (const c of crowd) {
          const ids = [...c.state.session.view.activity.keys()]
          c.edit((e) => e.set('activity', ids[(n * 7) % ids.length] as string, { minutes: 10 + n }))
        }
        await new Promise((r) => setTimeout(r, 30))
      }
      await until(
        () => crowd.every((c) => c.state.session.queue.length === 0),
        () => 'not all sent',
      )
      await expectNothingLost(database.url, [...crowd, left, right])
    } finally {
      closeClients()
      await other.stop()
    }
  })
})
