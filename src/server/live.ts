/**
 * Live updates: one LISTEN connection a process, fanned out to event streams. A revision is announced by course id and number
 * only; each process reads the log once for it and hands the same text to all its streams.
 */
import { sql } from 'drizzle-orm'
import pg from 'pg'
import { hear, type Presence, type Present, peoplePresent, presenceSchema, stillPresent } from '../core/access/presence'
import type { Role } from '../core/roles'
import { changesAfter, fittingRows, LONG_LOG, loggedChanges } from './change-log'
import { CHANNEL } from './changes'
import { type Database, getDatabase } from './db/client'
import { Refusal } from './problem'
import { type Person, sessionEnded, trustSessions } from './sessions'
import { getSettings } from './settings'

/** Who is where, handed on and never stored; and that roles in a course were changed. */
const PRESENCE_CHANNEL = 'cairn_presence'
const PEOPLE_CHANNEL = 'cairn_people'
/** That data beside the plan were written: course, kind, revision. */
export const BESIDE_CHANNEL = 'cairn_beside'
/** That a session ended or an account changed: from a trigger, with the session's token or the account's id. */
const SESSION_CHANNEL = 'cairn_session'

export type LiveEvent = 'revision' | 'change' | 'presence' | 'people' | 'beside' | 'gone' | 'beat'
/** One event as an event stream carries it. */
const encoder = new TextEncoder()
export const streamBytes = (event: LiveEvent, data: string): Uint8Array => encoder.encode(`event: ${event}\ndata: ${data}\n\n`)

/** Takes an event as its stream carries it, encoded once for all who read it, with its name. */
export type Subscriber = (event: LiveEvent, bytes: Uint8Array) => void

type Listened = {
  readonly subscribers: Set<Subscriber>
  /** The last revision handed on; null before the first. */
  sent: number | null
  /** The newest revision that was announced. */
  announced: number
  reading: boolean
}
const courses = new Map<string, Listened>()
let connected = false
let connecting: Promise<void> | undefined
const RETRY_MS = [200, 500, 1000, 2000, 5000]
/** A change longer than this is fetched by who wants it, so that a framework of 20,000 items is not pushed at everybody. */
const LONGEST_PUSHED = 64_000

function tell(courseId: string, event: LiveEvent, data: string): void {
  const subscribers = courses.get(courseId)?.subscribers
  if (!subscribers) return
  const bytes = streamBytes(event, data)
  for (const subscriber of subscribers)
    try {
      subscriber(event, bytes)
    } catch {
      // One stream that fails is dropped; the rest go on.
      subscribers.delete(subscriber)
    }
}

/** Hands on what the log has since the last time, once for all streams of a course. */
async function handOn(courseId: string, revision: number): Promise<void> {
  const course = courses.get(courseId)
  if (!course) return
  course.announced = Math.max(course.announced, revision)
  course.sent ??= revision - 1
  if (course.reading) return
  course.reading = true
  try {
    while (course.sent < course.announced && course.subscribers.size > 0) {
      const next = changesAfter(course.sent)
      const fits = await fittingRows(getDatabase(), courseId, next)
      if (fits.bytes > LONG_LOG) {
        course.sent = course.announced
        tell(courseId, 'revision', String(course.sent))
        continue
      }
      const changes = await loggedChanges(getDatabase(), courseId, next, fits)
      for (const change of changes) {
        const text = JSON.stringify(change)
        tell(
          courseId,
          text.length <= LONGEST_PUSHED ? 'change' : 'revision',
          text.length <= LONGEST_PUSHED ? text : String(change.revision),
        )
      }
      const last = changes.at(-1)?.revision
      if (last === undefined) break
      course.sent = last
    }
  } catch {
    // The log could not be read: everyone asks for what came since theirs.
    course.sent = null
    tell(courseId, 'revision', '')
  } finally {
    course.reading = false
  }
}

/** Where each window of a course is, is handed on so often: the last of what it said meanwhile (Cairn default). */
const PRESENCE_MS = 1000
const waiting = new Map<string, Map<string, string>>()

/** Hands on where a window is: at once after a quiet second, else with all others at its end. */
function tellPresence(courseId: string, text: string): void {
  const { window } = presenceSchema.parse(JSON.parse(text))
  const held = waiting.get(courseId)
  if (held) return void held.set(window, text)
  waiting.set(courseId, new Map())
  tell(courseId, 'presence', text)
  const next = () => {
    const said = waiting.get(courseId) ?? new Map<string, string>()
    if (said.size === 0) return void waiting.delete(courseId)
    waiting.set(courseId, new Map())
    for (const one of said.values()) tell(courseId, 'presence', one)
    setTimeout(next, PRESENCE_MS).unref()
  }
  setTimeout(next, PRESENCE_MS).unref()
}

/** The windows that were heard of, by course, for the list of courses; forgotten after their time to live. */
const present = new Map<string, readonly Present[]>()

function remember(courseId: string, text: string): void {
  const message = presenceSchema.parse(JSON.parse(text))
  const now = Date.now()
  for (const [id, windows] of present) if (stillPresent(windows, now).length === 0) present.delete(id)
  present.set(courseId, hear(present.get(courseId) ?? [], message, now))
}

/** The names of others who are in a course now, as far as this process has heard: a window says so every quarter of a minute. */
export function namesIn(courseId: string, self: string): string[] {
  void listen()
  return peoplePresent(stillPresent(present.get(courseId) ?? [], Date.now()), self).map((p) => p.name)
}

function receive(channel: string, payload: string): void {
  if (channel === CHANNEL) {
    const [courseId, revision] = payload.split(' ')
    if (courseId) void handOn(courseId, Number(revision))
  } else if (channel === PEOPLE_CHANNEL) tell(payload, 'people', '')
  else if (channel === BESIDE_CHANNEL) {
    const [courseId, ...what] = payload.split(' ')
    if (courseId) tell(courseId, 'beside', what.join(' '))
  } else if (channel === SESSION_CHANNEL) sessionEnded(payload)
  else {
    const cut = payload.indexOf(' ')
    const [courseId, text] = [payload.slice(0, cut), payload.slice(cut + 1)]
    remember(courseId, text)
    tellPresence(courseId, text)
  }
}

async function connect(attempt = 0): Promise<void> {
  const client = new pg.Client({ connectionString: getSettings().databaseUrl, keepAlive: true })
  const lost = () => {
    if (!connected) return
    connected = false
    trustSessions(false)
    setTimeout(() => void connect(), RETRY_MS[0]).unref()
  }
  client.on('notification', ({ channel, payload }) => receive(channel, payload ?? ''))
  client.on('error', lost)
  client.on('end', lost)
  try {
    await client.connect()
    for (const channel of [CHANNEL, PRESENCE_CHANNEL, PEOPLE_CHANNEL, BESIDE_CHANNEL, SESSION_CHANNEL])
      await client.query(`LISTEN ${channel}`)
    connected = true
    trustSessions(true)
    // What was announced while nobody listened is lost: everyone asks for what came since theirs.
    for (const [courseId, course] of courses) {
      course.sent = null
      tell(courseId, 'revision', '')
      tell(courseId, 'people', '')
      tell(courseId, 'beside', '')
    }
  } catch {
    await client.end().catch(() => undefined)
    setTimeout(() => void connect(attempt + 1), RETRY_MS[Math.min(attempt, RETRY_MS.length - 1)]).unref()
  }
}

/** Opens the process's LISTEN connection where it is not open yet. */
export const listen = (): Promise<void> => (connecting ??= connect())

/** Calls back at each event of a course. Returns how to stop. */
export async function subscribe(courseId: string, subscriber: Subscriber): Promise<() => void> {
  const course = courses.get(courseId) ?? { subscribers: new Set(), sent: null, announced: 0, reading: false }
  courses.set(courseId, course)
  course.subscribers.add(subscriber)
  await listen()
  return () => {
    course.subscribers.delete(subscriber)
    if (course.subscribers.size === 0 && courses.get(courseId) === course) courses.delete(courseId)
  }
}

/** A person as the others see them, with what no field of an announcement may exceed. */
export const asPresent = (person: Person, role: Role) => ({ person: person.id, name: person.name.slice(0, 120), role })

/** Streams that are open at most, by session and by person; a browser has one a course and account (Cairn defaults). */
const MOST_STREAMS = { session: 8, person: 200 }
const open = new Map<string, number>()

/** Counts a stream of a session and person. Returns how to let it go. Throws the 429 refusal where there are too many. */
export function takeStream(session: string, person: string): () => void {
  const keys = { session: `s ${session}`, person: `p ${person}` }
  for (const of of ['session', 'person'] as const)
    if ((open.get(keys[of]) ?? 0) >= MOST_STREAMS[of])
      throw new Refusal(429, 'too-many-streams', `At most ${MOST_STREAMS[of]} streams are open for one ${of}.`, {}, { 'retry-after': '30' })
  for (const key of Object.values(keys)) open.set(key, (open.get(key) ?? 0) + 1)
  let isOpen = true
  return () => {
    if (!isOpen) return
    isOpen = false
    for (const key of Object.values(keys)) {
      const left = (open.get(key) ?? 1) - 1
      if (left > 0) open.set(key, left)
      else open.delete(key)
    }
  }
}

/** Streams of each window: one that opens another has not left. */
const streams = new Map<string, number>()

/** Counts a stream of a window. Returns how to let it go, which tells the others when it was the window's last. */
export function streamOf(db: Database, courseId: string, who: ReturnType<typeof asPresent>, window: string): () => void {
  streams.set(window, (streams.get(window) ?? 0) + 1)
  return () => {
    const left = (streams.get(window) ?? 1) - 1
    if (left > 0) return void streams.set(window, left)
    streams.delete(window)
    const gone = { window, view: '', place: null, field: null, says: 'gone', n: null } as const
    announcePresence(db, courseId, { ...who, ...gone }).catch(() => undefined)
  }
}

/** Hands on where somebody is. A notification holds 8,000 bytes; the schema keeps it far below. */
export async function announcePresence(db: Database, courseId: string, presence: Presence): Promise<void> {
  await db.execute(sql`select pg_notify(${PRESENCE_CHANNEL}, ${`${courseId} ${JSON.stringify(presenceSchema.parse(presence))}`})`)
}

/** Tells the streams of a course that roles in it were changed, within the caller's transaction. */
export async function announcePeople(db: Pick<Database, 'execute'>, courseId: string): Promise<void> {
  await db.execute(sql`select pg_notify(${PEOPLE_CHANNEL}, ${courseId})`)
}
