/** Live updates: one LISTEN connection a process, fanned out to event streams. It carries course id and revision only. */
import pg from 'pg'
import { CHANNEL } from './changes'
import { getSettings } from './settings'

type Subscriber = (revision: number | null) => void
const subscribers = new Map<string, Set<Subscriber>>()
let connected = false
let connecting: Promise<void> | undefined
const RETRY_MS = [200, 500, 1000, 2000, 5000]

function tell(courseId: string, revision: number | null): void {
  for (const subscriber of subscribers.get(courseId) ?? [])
    try {
      subscriber(revision)
    } catch {
      // One stream that fails is dropped; the rest go on.
      subscribers.get(courseId)?.delete(subscriber)
    }
}

async function connect(attempt = 0): Promise<void> {
  const client = new pg.Client({ connectionString: getSettings().databaseUrl, keepAlive: true })
  const lost = () => {
    if (!connected) return
    connected = false
    setTimeout(() => void connect(), RETRY_MS[0]).unref()
  }
  client.on('notification', ({ payload }) => {
    const [courseId, revision] = (payload ?? '').split(' ')
    if (courseId) tell(courseId, Number(revision))
  })
  client.on('error', lost)
  client.on('end', lost)
  try {
    await client.connect()
    await client.query(`LISTEN ${CHANNEL}`)
    connected = true
    // What was announced while nobody listened is lost: everyone asks for what came since theirs.
    for (const courseId of subscribers.keys()) tell(courseId, null)
  } catch {
    await client.end().catch(() => undefined)
    setTimeout(() => void connect(attempt + 1), RETRY_MS[Math.min(attempt, RETRY_MS.length - 1)]).unref()
  }
}

/** Calls back at each new revision of a course (null: "ask, something may have been missed"). Returns how to stop. */
export async function subscribe(courseId: string, subscriber: Subscriber): Promise<() => void> {
  const set = subscribers.get(courseId) ?? new Set()
  subscribers.set(courseId, set.add(subscriber))
  await (connecting ??= connect())
  return () => {
    set.delete(subscriber)
    if (set.size === 0) subscribers.delete(courseId)
  }
}
