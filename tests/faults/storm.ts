/** Twenty people who change one course as fast as they can, and the proof that nothing of it was lost. */
import { expect } from 'chai'
import pg from 'pg'
import { applyEffective } from '../../src/core/blueprint/apply'
import { type Blueprint, blueprintOf, EMPTY_BLUEPRINT, type Records } from '../../src/core/blueprint/blueprint'
import type { Operation } from '../../src/core/blueprint/change'
import { KIND_NAMES } from '../../src/core/blueprint/kinds'
import { addActivity } from '../../src/core/edits/activities'
import { openDatabase } from '../../src/server/db/client'
import { loadCourse } from '../../src/server/repository'
import { Client, giveRoles, makePeople, until } from '../support/clients'
import { rng } from '../support/rng'
import type { TestServer } from '../support/server'

export const COURSE = 'small-streams'

export type Storm = {
  readonly clients: readonly Client[]
  readonly acknowledged: () => number
  /** Goes on until `done`, then lets the clients come to rest. */
  readonly run: (done: () => boolean) => Promise<void>
  readonly cookies: ReadonlyMap<string, string>
}

/** Opens the course for so many people. */
export async function gather(
  server: TestServer,
  databaseUrl: string,
  n: number,
  options: { readonly streams?: string; readonly course?: string } = {},
): Promise<Storm> {
  const emails = Array.from({ length: n }, (_, i) => `storm${Date.now().toString(36)}${i}@example.org`)
  const cookies = await makePeople(server.origin, emails)
  const course = options.course ?? COURSE
  await giveRoles(databaseUrl, course, emails)
  const clients = emails.map(
    (email, i) =>
      new Client(`c${i}q${Date.now().toString(36)}`, course, {
        origin: server.origin,
        cookie: cookies.get(email) ?? '',
        ...(options.streams ? { streams: options.streams } : {}),
      }),
  )
  await Promise.all(clients.map((c) => c.open()))
  const random = rng(2027)
  const acknowledged = () => clients.reduce((sum, c) => sum + c.acknowledged.length, 0)
  const step = (client: Client) => {
    if (client.state.status !== 'ready') return
    const { view } = client.state.session
    const activities = [...view.activity.values()]
    const one = activities[Math.floor(random() * activities.length)]
    const dice = random()
    client.edit((e, id) => {
      if (one && dice < 0.5) e.set('activity', one.id, { title: `Title #${id}` })
      else if (one && dice < 0.7) e.set('activity', one.id, { minutes: 5 + Math.floor(random() * 200) })
      else if (one && dice < 0.8) e.remove({ kind: 'activity', id: one.id })
      else {
        const module = [...view.module.keys()][Math.floor(random() * view.module.size)]
        if (module) addActivity(e, module, null, `New #${id}`, () => `n${id}`)
      }
    })
  }
  const run = async (done: () => boolean) => {
    while (!done()) {
      // Whoever has much waiting waits: people do.
      for (const client of clients) if (client.state.session.queue.length < 20) step(client)
      await new Promise((r) => setTimeout(r, 60))
    }
    await until(
      () => clients.every((c) => c.state.session.queue.length === 0 && c.state.connection === 'online'),
      () => clients.map((c) => `${c.state.connection} ${c.state.session.queue.length}`).join(', '),
      60_000,
    )
  }
  return { clients, acknowledged, run, cookies }
}

type Row = { revision: number; author_id: string; change_id: string; operations: Operation[] }
const plain = (blueprint: Blueprint) =>
  Object.fromEntries(KIND_NAMES.map((k) => [k, [...blueprint[k].values()].sort((a, b) => (a.id < b.id ? -1 : 1))]))

/** Every acknowledged change is in the log where it was said to be, revisions have no gap, the log alone makes the stored plan, and all clients see it. */
export async function expectNothingLost(databaseUrl: string, clients: readonly Client[], course = COURSE): Promise<{ revisions: number }> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  const { rows } = await client.query<Row>(
    'select revision, author_id, change_id, operations from change_log where course_id = $1 order by revision',
    [course],
  )
  await client.end()
  const opened = openDatabase(databaseUrl)
  const loaded = await loadCourse(opened.db, course)
  await opened.pool.end()
  if (!loaded) throw new Error('no course')
  expect(rows.map((r) => r.revision)).to.deep.equal(rows.map((_, i) => i + 1))
  expect(loaded.revision).to.equal(rows.length)
  const revisionOf = new Map(rows.map((r) => [r.change_id, r.revision]))
  for (const c of clients)
    for (const { changeId, revision } of c.acknowledged) expect(revisionOf.get(changeId), `${changeId} was acknowledged`).to.equal(revision)
  const stored = blueprintOf(loaded.records as unknown as Records)
  expect(plain(rows.reduce((b, r) => applyEffective(b, r.operations), EMPTY_BLUEPRINT)), 'the log alone').to.deep.equal(plain(stored))
  // They come to the same by themselves: the last is pushed or asked for.
  await until(
    () => clients.every((c) => c.state.session.revision === rows.length),
    () => `${clients.map((c) => c.state.session.revision).join(', ')}, wanted ${rows.length}`,
  )
  for (const c of clients) expect(plain(c.state.session.view), `what ${c.name} sees`).to.deep.equal(plain(stored))
  return { revisions: rows.length }
}
