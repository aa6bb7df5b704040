/** Loading a course and changing one field over HTTP, against the same statements sent to the database directly. */
import http from 'node:http'
import { PgDialect } from 'drizzle-orm/pg-core'
import pg from 'pg'
import { loadStatement } from '../../src/server/repository'
import { byTurns, judged, median, ms, quantile, ratio, type Section } from './measure'

type Answer = { readonly status: number; readonly body: string; readonly cookies: readonly string[] }

const agent = new http.Agent({ keepAlive: true, maxSockets: 1 })
export function ask(origin: string, path: string, options: { readonly cookie?: string; readonly body?: unknown } = {}): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const body = options.body === undefined ? undefined : Buffer.from(JSON.stringify(options.body))
    const request = http.request(
      origin + path,
      {
        agent,
        method: body ? 'POST' : 'GET',
        headers: {
          origin,
          ...(options.cookie ? { cookie: options.cookie } : {}),
          ...(body ? { 'content-type': 'application/json', 'content-length': body.length } : {}),
        },
      },
      (response) => {
        const parts: Buffer[] = []
        response.on('data', (part) => parts.push(part))
        response.on('end', () =>
          resolve({
            status: response.statusCode ?? 0,
            body: Buffer.concat(parts).toString(),
            cookies: (response.headers['set-cookie'] ?? []).map((c) => c.split(';')[0] ?? ''),
          }),
        )
      },
    )
    request.on('error', reject)
    request.end(body)
  })
}

export async function signIn(origin: string): Promise<string> {
  const answer = await ask(origin, '/api/auth/sign-in/email', { body: { email: 'ines@larkfield.example', password: 'small-streams-214' } })
  if (answer.status !== 200) throw new Error(`sign-in answered ${answer.status}`)
  return answer.cookies.join('; ')
}

/** What every request asks first: whose session this is. */
async function rawSession(client: pg.Client, userId: string): Promise<void> {
  await client.query('select * from session where token = $1', ['none'])
  await client.query('select * from "user" where id = $1', [userId])
}

/** The statements of one accepted change of an activity's title, as the service sends them, in one transaction. */
async function rawChange(client: pg.Client, courseId: string, authorId: string, changeId: string, title: string): Promise<void> {
  const q = (text: string, values: unknown[] = []) => client.query(text, values)
  await rawSession(client, authorId)
  await q('begin')
  const { rows: head } = await q(
    'update course_head h set revision = revision + 1 from membership m where h.id = $1 and m.course_id = h.id and m.user_id = $2 returning h.revision, m.role, exists (select 1 from change_log l where l.course_id = $1 and l.author_id = $2 and l.change_id = $3)',
    [courseId, authorId, changeId],
  )
  await q('select * from activity where course_id = $1 and id = any($2)', [courseId, ['a1-1']])
  await q('update activity set title = $3 where course_id = $1 and id = $2', [courseId, 'a1-1', title])
  await q(
    'insert into change_log (course_id, revision, author_id, change_id, content_hash, format_version, code, params, operations, skipped) values ($1, $2, $3, $4, $5, 1, $6, $7, $8, $9) returning at, pg_notify($10, $11)',
    [
      courseId,
      head[0].revision,
      authorId,
      changeId,
      changeId,
      'set-field',
      '{}',
      JSON.stringify([{ op: 'update', kind: 'activity', id: 'a1-1', from: { title: '' }, to: { title } }]),
      '[]',
      'cairn_change',
      `${courseId} ${head[0].revision}`,
    ],
  )
  await q('commit')
}

/** What the database sees of a load and of a change, sent by one client with nothing between: the floor of any server. */
export async function benchHttp(origin: string, databaseUrl: string, courseId: string): Promise<Section> {
  const cookie = await signIn(origin)
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  const { rows: authors } = await client.query('select user_id from membership where course_id = $1', [courseId])
  const authorId = String(authors[0].user_id)
  const load = new PgDialect().sqlToQuery(loadStatement(courseId))
  const path = `/api/courses/${courseId}`
  const must = (answer: Answer) => {
    if (answer.status !== 200) throw new Error(`${answer.status} ${answer.body.slice(0, 200)}`)
    return answer
  }
  let title = (
    JSON.parse(must(await ask(origin, path, { cookie })).body) as { records: { activity: { id: string; title: string }[] } }
  ).records.activity.find((a) => a.id === 'a1-1')?.title as string
  const change = async (n: number) => {
    const next = `Welcome ${n}`
    must(
      await ask(origin, `${path}/changes`, {
        cookie,
        body: {
          id: `bench${n + 100}`,
          code: 'set-field',
          params: {},
          onConflict: 'refuse',
          operations: [{ op: 'update', kind: 'activity', id: 'a1-1', from: { title }, to: { title: next } }],
        },
      }),
    )
    title = next
  }
  const loads = await byTurns(60, {
    http: async () => must(await ask(origin, path, { cookie })),
    raw: async () => {
      await rawSession(client, authorId)
      await client.query('select role from membership where course_id = $1 and user_id = $2', [courseId, authorId])
      await client.query({ text: load.sql, values: load.params })
    },
  })
  const changes = await byTurns(100, {
    http: change,
    raw: async (n) => {
      await rawChange(client, courseId, authorId, `raw${n + 100}`, `Welcome raw ${n}`)
      title = `Welcome raw ${n}`
    },
  })
  agent.destroy()
  await client.end()
  const of = (times: Record<string, number[]>, name: string) => median(times[name] ?? [])
  return {
    title: 'Server',
    how: 'The ten times larger course over HTTP on loopback with a session, beside the same statements, those that find the session among them, sent by one database client with nothing between. fsync on. Medians by turns.',
    lines: [
      { what: 'Load over HTTP', value: ms(of(loads, 'http')) },
      { what: 'Load, its statements alone', value: ms(of(loads, 'raw')) },
      judged('Load against its statements', of(loads, 'http') / of(loads, 'raw'), 3, ratio),
      { what: 'Change of one field over HTTP', value: ms(of(changes, 'http')) },
      { what: 'Change of one field, its statements alone', value: ms(of(changes, 'raw')) },
      judged('Change against its statements', of(changes, 'http') / of(changes, 'raw'), 4, ratio),
      { what: 'Change over HTTP, p95', value: ms(quantile(changes.http ?? [], 0.95)) },
    ],
  }
}
