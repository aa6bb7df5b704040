/** One account that takes all it can get, and nineteen people who work meanwhile. */
import { spawn } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { blueprintOf } from '../../src/core/blueprint/blueprint'
import { keysBetween } from '../../src/core/blueprint/order'
import { readNative } from '../../src/core/formats/native'
import { createCourse } from '../../src/server/courses'
import { openDatabase } from '../../src/server/db/client'
import { serverId } from '../../src/server/ids'
import { type Client, cookieOf } from '../support/clients'
import { demoDatabase, startServer } from '../support/server'
import { ATTACK_NAMES } from './bad-one'
import { demoFile } from './enlarge'
import { closeAll, gatherPeople, makeCourses, work } from './load'
import { judged, type Line, median, ms, quantile, type Section } from './measure'

/** Of each attack; a minute, or fewer seconds where one only wants to see (ONE_BAD_SECONDS). */
const SECONDS = Number(process.env['ONE_BAD_SECONDS'] ?? 60)
const ACTIVITIES = 50_000
const BAD = 'bad@example.org'

/** The demo course with so many activities more, of somebody's own. Returns its id. */
async function bigCourse(databaseUrl: string, ownerEmail: string): Promise<string> {
  const read = readNative(demoFile())
  if (!read.ok) throw new Error('the demo course cannot be read')
  const like = read.value.activity.get('a1-1')
  if (!like) throw new Error('the demo course has no such activity')
  const more = keysBetween(null, null, ACTIVITIES).map((order, i) => ({ ...like, id: `big${i}`, title: `${like.title} ${i}`, order }))
  const activity = new Map([...read.value.activity, ...more.map((a) => [a.id, a] as const)])
  const { db, pool } = openDatabase(databaseUrl)
  const { rows } = await pool.query<{ id: string }>('select id from "user" where email = $1', [ownerEmail])
  const blueprint = { ...blueprintOf({}), ...read.value, activity }
  const id = await createCourse(db, { blueprint, ownerId: rows[0]?.id ?? '', code: 'import-course', newId: serverId })
  await pool.end()
  return id
}

/** Does one attack, in a process of its own. Returns how often it was answered what. */
const attacked = (name: string, seconds: number, origin: string, course: string, cookie: string): Promise<Record<string, number>> =>
  new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['--import', 'tsx', 'tests/bench/bad-one.ts', name, String(seconds), origin, course, cookie], {
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    let said = ''
    child.stdout.on('data', (part) => (said += part))
    child.once('close', () => (said ? resolve(JSON.parse(said)) : reject(new Error(`${name} ended and said nothing`))))
  })

const statusOf = (pid: number | string): string => {
  try {
    return readFileSync(`/proc/${pid}/status`, 'utf8')
  } catch {
    return ''
  }
}
const figureOf = (status: string, name: string): number => Number(new RegExp(`^${name}:\\s+(\\d+)`, 'm').exec(status)?.[1] ?? 0)
/** What a process and those that it started hold of the machine's memory, in MB (proc(5)). */
const memoryOf = (pid: number): number =>
  [
    statusOf(pid),
    ...readdirSync('/proc')
      .filter((name) => /^\d+$/.test(name))
      .map(statusOf)
      .filter((s) => figureOf(s, 'PPid') === pid),
  ].reduce((sum, status) => sum + figureOf(status, 'VmRSS') / 1000, 0)

export async function benchOneBad(): Promise<Section> {
  const database = await demoDatabase()
  const open = await startServer(database.url)
  // As in use; only that everybody comes from one address here, so that what one address may have is what twenty may.
  const server = await startServer(database.url, { rateLimit: true, env: { CAIRN_CONNECTIONS: '400' } })
  const groups: Client[][] = []
  try {
    const cookie = await cookieOf(open.origin, BAD, true)
    groups.push(...(await gatherPeople([server], database.url, await makeCourses(database.url, 19), 1, open)))
    await open.stop()
    const course = await bigCourse(database.url, BAD)
    const quiet = await work(groups, 1000, Math.min(20, SECONDS))
    const lines: Line[] = [
      { what: 'Without any: change, median', value: ms(median(quiet.answers)) },
      { what: 'Without any: change, p95', value: ms(quantile(quiet.answers, 0.95)) },
    ]
    let [most, lost] = [0, 0]
    const sampling = setInterval(() => (most = Math.max(most, memoryOf(server.pid()))), 200)
    const only = process.env['ONE_BAD']
    for (const name of ATTACK_NAMES.filter((n) => !only || n.includes(only))) {
      const [run, answers] = await Promise.all([work(groups, 1000, SECONDS), attacked(name, SECONDS, server.origin, course, cookie)])
      lost += run.sent - run.answers.length
      const said = Object.entries(answers).map(([status, n]) => `${n} x ${status}`)
      lines.push(judged(`${name} (${said.join(', ')}): change, p95`, quantile(run.answers, 0.95), 300, ms))
      lines.push({ what: '… and its longest', value: ms(Math.max(...run.answers)) })
      process.stdout.write(
        `${name}: ${lines.at(-2)?.value}, longest ${lines.at(-1)?.value}, ${most.toFixed(0)} MB (now ${memoryOf(server.pid()).toFixed(0)}, the server ${(figureOf(statusOf(server.pid()), 'VmRSS') / 1000).toFixed(0)}), ${said.join(', ')}\n`,
      )
    }
    clearInterval(sampling)
    return {
      title: 'One bad, nineteen good',
      how: `Nineteen people in nineteen courses, a change a second each, while one account with a course of ${ACTIVITIES} activities does its worst, each way for ${SECONDS} s; in brackets how often it was answered what. Clients, the bad one, server and PostgreSQL share the two cores. Memory is what the server and its helpers hold at most, together.`,
      lines: [...lines, judged('Memory, at most', most, 700, (n) => `${n.toFixed(0)} MB`), judged('Changes lost', lost, 0, String)],
    }
  } finally {
    closeAll(groups)
    await open.stop()
    await server.stop()
    await database.drop()
  }
}
