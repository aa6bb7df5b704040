/** Many people at once, many courses, one process and two. The clients are the browser's own line to the server. */
import http from 'node:http'
import pg from 'pg'
import { readNative } from '../../src/core/formats/native'
import { createCourse } from '../../src/server/courses'
import { openDatabase } from '../../src/server/db/client'
import { serverId } from '../../src/server/ids'
import { Client, giveRoles, makePeople, until } from '../support/clients'
import { rng } from '../support/rng'
import { demoDatabase, startServer, type TestServer } from '../support/server'
import { demoFile } from './enlarge'
import { ask } from './http'
import { byTurns, judged, median, ms, quantile, ratio, type Section } from './measure'

const sleep = (msec: number) => new Promise((r) => setTimeout(r, msec))
const heapOptions = { NODE_OPTIONS: `--expose-gc --import ${new URL('heap.mjs', import.meta.url).href}` }

export async function makeCourses(databaseUrl: string, n: number): Promise<string[]> {
  const read = readNative(demoFile())
  if (!read.ok) throw new Error('the demo course cannot be read')
  const { db, pool } = openDatabase(databaseUrl)
  const { rows } = await pool.query<{ id: string }>(`select id from "user" order by created_at limit 1`)
  const ids: string[] = []
  for (let i = 0; i < n; i++)
    ids.push(
      await createCourse(db, {
        blueprint: read.value,
        ownerId: rows[0]?.id ?? '',
        code: 'import-course',
        newId: serverId,
        id: `load-${n}-${i}`,
      }),
    )
  await pool.end()
  return ids
}

type Run = { readonly answers: readonly number[]; readonly heard: readonly number[]; readonly sent: number; readonly lost: number }

/** Everybody changes a title of their own every so often, for some seconds; who begins when is left to chance. */
export async function work(groups: readonly (readonly Client[])[], everyMs: number, seconds: number): Promise<Run> {
  const begun = new Map<string, { at: number; by: Client }>()
  const heard: number[] = []
  const arrived = new Map<string, number>()
  const clients = groups.flat()
  for (const c of clients) {
    c.answered.length = 0
    c.heard = (id) => {
      const b = begun.get(id)
      if (!b || b.by === c) return
      heard.push(performance.now() - b.at)
      arrived.set(id, (arrived.get(id) ?? 0) + 1)
    }
  }
  const end = performance.now() + seconds * 1000
  const chance = rng(20)
  await Promise.all(
    groups.flatMap((group) =>
      group.map(async (c, i) => {
        await sleep(everyMs * chance())
        while (performance.now() < end) {
          const at = performance.now()
          const ids = [...c.state.session.view.activity.keys()]
          const id = c.edit((e, changeId) => e.set('activity', ids[i % ids.length] as string, { title: `T #${changeId}` }))
          if (id) begun.set(id, { at, by: c })
          await sleep(Math.max(0, everyMs - (performance.now() - at)))
        }
      }),
    ),
  )
  await until(
    () => clients.every((c) => c.state.session.queue.length === 0),
    () => 'changes still wait',
    60_000,
  )
  await until(
    () => groups.every((g) => new Set(g.map((c) => c.state.session.revision)).size === 1),
    () => 'not everybody heard of everything',
    30_000,
  )
  const answers = clients.flatMap((c) => c.answered)
  const expected = groups.reduce(
    (sum, g) => sum + g.reduce((n, c) => n + [...begun.values()].filter((b) => b.by === c).length * (g.length - 1), 0),
    0,
  )
  return { answers, heard, sent: begun.size, lost: expected - heard.length }
}

export async function gatherPeople(
  servers: readonly TestServer[],
  databaseUrl: string,
  courses: readonly string[],
  each: number,
  /** Where accounts are made. */
  accounts = servers[0],
): Promise<Client[][]> {
  const names = courses.flatMap((_, c) => Array.from({ length: each }, (_x, i) => `load${Date.now().toString(36)}c${c}p${i}@example.org`))
  const cookies = await makePeople(accounts?.origin ?? '', names)
  const groups: Client[][] = []
  for (const [c, course] of courses.entries()) {
    const mine = names.slice(c * each, (c + 1) * each)
    await giveRoles(databaseUrl, course, mine)
    const group = mine.map(
      (name, i) =>
        new Client(`b${c}p${i}n${Date.now().toString(36)}`, course, {
          origin: servers[(c + i) % servers.length]?.origin ?? '',
          cookie: cookies.get(name) ?? '',
        }),
    )
    for (const client of group) await client.open()
    groups.push(group)
  }
  return groups
}

export const closeAll = (groups: readonly (readonly Client[])[]) => {
  for (const c of groups.flat()) c.close()
}

/** What the machine itself takes at the same pace: a server of one line, asked 50 times a second. Milliseconds. */
async function bareAnswers(seconds: number): Promise<number[]> {
  const bare = http.createServer((_q, r) => r.end('{}')).listen(0, '127.0.0.1')
  await new Promise((r) => bare.once('listening', r))
  const address = bare.address()
  const url = `http://127.0.0.1:${typeof address === 'object' ? address?.port : 0}`
  const times: number[] = []
  const asked: Promise<void>[] = []
  for (let n = 0; n < seconds * 50; n++) {
    const at = performance.now()
    asked.push(
      fetch(url, { method: 'POST', body: '{}' }).then(async (r) => {
        await r.text()
        times.push(performance.now() - at)
      }),
    )
    await sleep(20)
  }
  await Promise.all(asked)
  bare.close()
  return times
}

/** 100 people over 20 courses, and 20 people in one. */
export async function benchPeople(): Promise<Section[]> {
  const database = await demoDatabase()
  const server = await startServer(database.url, { env: heapOptions })
  try {
    const bare = await bareAnswers(10)
    const courses = await makeCourses(database.url, 20)
    const groups = await gatherPeople([server], database.url, courses, 5)
    await work(groups, 2000, 15)
    const heaps: { at: number; bytes: number }[] = []
    const sample = async () => heaps.push({ at: performance.now(), bytes: await heapOf(server) })
    await sample()
    const first = await work(groups, 2000, 30)
    await sample()
    const second = await work(groups, 2000, 30)
    await sample()
    const run: Run = {
      answers: [...first.answers, ...second.answers],
      heard: [...first.heard, ...second.heard],
      sent: first.sent + second.sent,
      lost: first.lost + second.lost,
    }
    closeAll(groups)
    const [hot] = await makeCourses(database.url, 1)
    const crowd = await gatherPeople([server], database.url, [hot ?? ''], 20)
    await work(crowd, 1000, 5)
    const busy = await work(crowd, 1000, 20)
    closeAll(crowd)
    const [from, to] = [heaps[0], heaps.at(-1)]
    const slope = from && to ? (to.bytes - from.bytes) / 1e6 / ((to.at - from.at) / 60_000) : Number.NaN
    return [
      {
        title: 'A hundred people at once',
        how: 'Over 20 courses, five in each, everybody a change every 2 s for a minute after a warm-up of 15 s, all of them listening; then 20 people in one course, one change a second each. Clients, server and PostgreSQL share the two cores. Fan-out is from the key to the moment another person’s window has it. Memory is what is in use after collecting.',
        lines: [
          { what: 'A server of one line at the same pace, p95', value: ms(quantile(bare, 0.95)) },
          { what: 'Changes sent', value: String(run.sent) },
          judged('Change, p95', quantile(run.answers, 0.95), 150, ms),
          { what: 'Change, median', value: ms(median(run.answers)) },
          judged('Fan-out, p95', quantile(run.heard, 0.95), 300, ms),
          { what: 'Fan-out, median', value: ms(median(run.heard)) },
          judged('Not heard by somebody', run.lost, 0, String),
          judged('Memory, growth a minute', slope, 1, (n) => `${n.toFixed(2)} MB`),
          judged('Hot course: change, p95', quantile(busy.answers, 0.95), 100, ms),
          { what: 'Hot course: fan-out, p95', value: ms(quantile(busy.heard, 0.95)) },
          judged('Hot course: not heard by somebody', busy.lost, 0, String),
        ],
      },
    ]
  } finally {
    await server.stop()
    await database.drop()
  }
}

async function heapOf(server: TestServer): Promise<number> {
  server.signal('SIGUSR2')
  for (;;) {
    const { heap } = JSON.parse(/\{"heap".*\}/.exec(await server.nextLine())?.[0] ?? '{}') as { heap?: number }
    if (heap !== undefined) return heap
  }
}

/** Twenty people who change as fast as they are answered, through one process and through two. */
export async function benchProcesses(): Promise<Section> {
  const database = await demoDatabase()
  const one = await startServer(database.url)
  const two = await startServer(database.url)
  try {
    const courses = await makeCourses(database.url, 10)
    const single = { groups: await gatherPeople([one], database.url, courses, 2), rates: [] as number[], answers: [] as number[] }
    const both = { groups: await gatherPeople([one, two], database.url, courses, 2), rates: [] as number[], answers: [] as number[] }
    // By turns, so that a slow moment of the machine meets both.
    for (let turn = -1; turn < 5; turn++)
      for (const way of [single, both]) {
        const begun = performance.now()
        const { answers } = await work(way.groups, 60, 3)
        if (turn < 0) continue
        way.rates.push(answers.length / ((performance.now() - begun) / 1000))
        way.answers.push(...answers)
      }
    for (const { groups } of [single, both]) closeAll(groups)
    return {
      title: 'One process and two',
      how: 'Twenty people in ten courses, each with a change every 60 ms, through one server process and through two on the same database, by turns; medians of five turns. The clients take a good part of the two cores, so that two processes cannot be twice one here.',
      lines: [
        { what: 'Changes a second, one process', value: median(single.rates).toFixed(0) },
        { what: 'Changes a second, two processes', value: median(both.rates).toFixed(0) },
        { what: 'Two against one', value: ratio(median(both.rates) / median(single.rates)) },
        { what: 'Change p95, one process', value: ms(quantile(single.answers, 0.95)) },
        { what: 'Change p95, two processes', value: ms(quantile(both.answers, 0.95)) },
      ],
    }
  } finally {
    await two.stop()
    await one.stop()
    await database.drop()
  }
}

const COPIES = 5000

/** Copies one course so many times, in the database itself and one after the other, as courses come. Returns how many records there are then. */
async function copyCourse(databaseUrl: string, from: string, times: number): Promise<number> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  try {
    const { rows: tables } = await client.query<{ name: string; columns: string }>(
      `select table_name as name, string_agg(quote_ident(column_name), ',' order by ordinal_position) filter (where column_name <> 'course_id') as columns
       from information_schema.columns
       where table_schema = 'public' and table_name in (select table_name from information_schema.columns where column_name = 'course_id')
         and table_name not in ('membership', 'change_log', 'publication', 'analysis_cache', 'invitation')
       group by table_name`,
    )
    await client.query(`insert into course_head (id, revision) select 'copy-' || n, 1 from generate_series(1, $1::int) n`, [times])
    await client.query(
      `insert into change_log (course_id, revision, author_id, change_id, content_hash, format_version, code, params, operations, skipped)
       select 'copy-' || n, 1, 'nobody', 'c', 'c', 3, 'import-course', '{}', '[]', '[]' from generate_series(1, $1::int) n`,
      [times],
    )
    let records = 0
    // References are checked at the end of a transaction, so that the tables may come in any order.
    await client.query('begin')
    for (const { name, columns } of tables) {
      const { rowCount } = await client.query(
        `insert into "${name}" (course_id, ${columns}) select 'copy-' || n, ${columns} from "${name}" t, generate_series(1, $1::int) n where t.course_id = $2 order by n`,
        [times, from],
      )
      records += rowCount ?? 0
    }
    await client.query(
      'insert into analysis_cache (course_id, revision, fix, "check") select id, 1, 1, 1 from course_head on conflict do nothing',
    )
    await client.query('commit')
    // As a database is that has stood for a while.
    await client.query('vacuum analyze')
    const { rows: there } = await client.query<{ n: number }>('select count(*)::int as n from activity')
    if ((there[0]?.n ?? 0) < times * 70) throw new Error('the copies are not there')
    return records
  } finally {
    await client.end()
  }
}

/** The same list, load and change in a database that holds nothing else, and beside 5,000 other courses. */
export async function benchManyCourses(): Promise<Section> {
  const small = await demoDatabase()
  const large = await demoDatabase()
  const servers = [await startServer(small.url), await startServer(large.url)] as const
  try {
    const records = await copyCourse(large.url, 'small-streams', COPIES)
    await giveRoles(large.url, 'copy-1', ['ines@larkfield.example'])
    const signIn = async (server: TestServer) => {
      const answer = await ask(server.origin, '/api/auth/sign-in/email', {
        body: { email: 'ines@larkfield.example', password: 'small-streams-214' },
      })
      return answer.cookies.join('; ')
    }
    const sides = {
      small: { server: servers[0], cookie: await signIn(servers[0]), n: 0 },
      large: { server: servers[1], cookie: await signIn(servers[1]), n: 0 },
    }
    const get = async (side: keyof typeof sides, path: string) => {
      const answer = await ask(sides[side].server.origin, path, { cookie: sides[side].cookie })
      if (answer.status !== 200) throw new Error(`${answer.status} ${answer.body.slice(0, 100)}`)
    }
    const change = async (side: keyof typeof sides) => {
      const s = sides[side]
      const minutes = (n: number) => 20 + n
      const first = s.n === 0
      s.n++
      const answer = await ask(s.server.origin, '/api/courses/small-streams/changes', {
        cookie: s.cookie,
        body: {
          id: `many${s.n}`,
          code: 'set-field',
          params: {},
          onConflict: 'refuse',
          operations: [
            { op: 'update', kind: 'activity', id: 'a1-1', from: { minutes: first ? 10 : minutes(s.n - 1) }, to: { minutes: minutes(s.n) } },
          ],
        },
      })
      if (answer.status !== 200) throw new Error(`${answer.status} ${answer.body.slice(0, 200)}`)
    }
    const lists = await byTurns(60, { small: () => get('small', '/api/courses'), large: () => get('large', '/api/courses') })
    const loads = await byTurns(60, {
      small: () => get('small', '/api/courses/small-streams'),
      large: () => get('large', '/api/courses/small-streams'),
    })
    const changes = await byTurns(100, { small: () => change('small'), large: () => change('large') })
    const against = (times: Record<string, number[]>) => median(times.large ?? []) / median(times.small ?? [])
    return {
      title: 'Five thousand courses',
      how: `The demo course in a database of its own, and beside ${COPIES.toLocaleString('en')} copies of it: ${records.toLocaleString('en')} records. Medians by turns.`,
      lines: [
        { what: 'List of my courses', value: ms(median(lists.large ?? [])) },
        judged('List, against the small database', against(lists), 1.5, ratio),
        { what: 'Opening', value: ms(median(loads.large ?? [])) },
        judged('Opening, against the small database', against(loads), 1.5, ratio),
        { what: 'Change', value: ms(median(changes.large ?? [])) },
        judged('Change, against the small database', against(changes), 1.5, ratio),
      ],
    }
  } finally {
    for (const s of servers) await s.stop()
    await small.drop()
    await large.drop()
  }
}
